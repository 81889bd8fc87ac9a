# frozen_string_literal: true

require_relative "../shell_grid"

# Published problems at 4, 8 and 16 elements a side, quadrilaterals and triangles; the last is held.
module Verify
  LADDER = [4, 8, 16].freeze

  # @param tolerances [Array(Float, Float)] of the finest quadrilaterals and triangles
  # @yield [Integer, Boolean] elements a side, whether triangles; answers the quantity
  def self.ladder(report, quantity, reference, tolerances)
    [false, true].zip(tolerances).each do |triangles, tolerance|
      LADDER.each do |n|
        report.check("#{quantity}, #{n} a side", reference: reference, value: yield(n, triangles), tolerance: n == LADDER.last ? tolerance : 1.0,
                                                 mesh: "#{n} × #{n} #{triangles ? 'pairs of tri3' : 'quad4'}")
      end
    end
  end
end

shell = ->(n, m, triangles, **section, &shape) { Verify::ShellGrid.new([n, m], triangles: triangles, **section, &shape) }
every = Verify::ShellGrid::NAMES

Verify.define("skew membrane as a shell", source: "R. D. Cook, 1974; converged value 23.96") do |report|
  Verify.ladder(report, "tip movement", 23.96, [0.01, 0.025]) do |n, triangles|
    grid = shell.call(n, n, triangles, thickness: 1.0, young: 1.0, poisson: 1 / 3.0) { |s, r| [48 * s, (44 * s) + (r * (44 - (28 * s))), 0] }
    grid.hold(*every) { |s, _| s.zero? }.push(:y, 1.0) { |s, _| s == 1 }.solve.moved(:y) { |s, r| s == 1 && (r - 0.5).abs < 1e-9 }
  end
end

Verify.define("square plate under pressure", source: "S. P. Timoshenko, S. Woinowsky-Krieger, Theory of Plates and Shells, 1959: 0.00406 and 0.00126 q a⁴ / D, t / a = 1/100") do |report|
  rigidity = 1e7 * (0.01**3) / 12 / (1 - 0.09)
  quarter = ->(n, triangles) { shell.call(n, n, triangles, thickness: 0.01, young: 1e7, poisson: 0.3) { |s, r| [s / 2, r / 2, 0] }.hold(:x, :y, :rz) { true }.weigh(:z, 1.0) }
  symmetric = ->(grid) { grid.hold(:ry) { |s, _| s == 1 }.hold(:rx) { |_, r| r == 1 } }
  Verify.ladder(report, "simply supported: middle", 0.00406235 / rigidity, [0.005, 0.005]) do |n, triangles|
    symmetric.call(quarter.call(n, triangles)).hold(:z) { |s, r| s.zero? || r.zero? }.hold(:rx) { |s, _| s.zero? }.hold(:ry) { |_, r| r.zero? }.solve.moved(:z) { |s, r| s == 1 && r == 1 }
  end
  Verify.ladder(report, "clamped: middle", 0.00126532 / rigidity, [0.01, 0.01]) do |n, triangles|
    symmetric.call(quarter.call(n, triangles)).hold(:z, :rx, :ry) { |s, r| s.zero? || r.zero? }.solve.moved(:z) { |s, r| s == 1 && r == 1 }
  end
end

Verify.define("barrel roof", source: "A. C. Scordelis, K. S. Lo, 1964; R. H. MacNeal, R. L. Harder, 1985: 0.3024") do |report|
  Verify.ladder(report, "sag of the free edge", -0.3024, [0.01, 0.01]) do |n, triangles|
    grid = shell.call(n, n, triangles, thickness: 0.25, young: 4.32e8, poisson: 0.0) { |s, r| (a = s * 40 * Math::PI / 180) && [25 * Math.sin(a), r * 25, 25 * Math.cos(a)] }
    grid.hold(:x, :z, :ry) { |_, r| r.zero? }.hold(:y, :rx, :rz) { |_, r| r == 1 }.hold(:x, :ry, :rz) { |s, _| s.zero? }.weigh(:z, -90.0).solve.moved(:z) { |s, r| s == 1 && r == 1 }
  end
end

Verify.define("pinched cylinder with end diaphragms", source: "W. Flügge, 1962; T. Belytschko and others, 1985: 1.8248e-5") do |report|
  Verify.ladder(report, "movement under the load", -1.8248e-5, [0.03, 0.03]) do |n, triangles|
    grid = shell.call(n, n, triangles, thickness: 3.0, young: 3e6, poisson: 0.3) { |s, r| (a = s * Math::PI / 2) && [300 * Math.sin(a), r * 300, 300 * Math.cos(a)] }
    grid.hold(:x, :z, :ry) { |_, r| r.zero? }.hold(:y, :rx, :rz) { |_, r| r == 1 }.hold(:x, :ry, :rz) { |s, _| s.zero? }.hold(:z, :rx, :ry) { |s, _| s == 1 }
    grid.push(:z, -0.25) { |s, r| s.zero? && r == 1 }.solve.moved(:z) { |s, r| s.zero? && r == 1 }
  end
end

Verify.define("pinched hemisphere with a hole", source: "R. H. MacNeal, R. L. Harder, 1985: 0.0940") do |report|
  Verify.ladder(report, "movement under the load", 0.0940, [0.01, 0.08]) do |n, triangles|
    grid = shell.call(n, n, triangles, thickness: 0.04, young: 6.825e7, poisson: 0.3) do |s, r|
      a = s * Math::PI / 2
      b = r * 72 * Math::PI / 180
      [10 * Math.cos(b) * Math.cos(a), 10 * Math.cos(b) * Math.sin(a), 10 * Math.sin(b)]
    end
    grid.hold(:y, :rx, :rz) { |s, _| s.zero? }.hold(:x, :ry, :rz) { |s, _| s == 1 }.hold(:z) { |s, r| s.zero? && r.zero? }
    grid.push(:x, 1.0) { |s, r| s.zero? && r.zero? }.push(:y, -1.0) { |s, r| s == 1 && r.zero? }.solve.moved(:x) { |s, r| s.zero? && r.zero? }
  end
end

Verify.define("twisted strip", source: "R. H. MacNeal, R. L. Harder, 1985; thin: 0.005256 and 0.001294 for a load of 1e-6") do |report|
  [[0.32, 1.0, 0.005424, 0.001754, [0.01, 0.01]], [0.0032, 1e-6, 0.005256, 0.001294, [0.01, 0.11]]].each do |thickness, load, along, across, tolerances|
    [[:z, along], [:y, across]].each do |name, reference|
      Verify.ladder(report, "thickness #{thickness}, #{name == :z ? 'in' : 'out of'} plane", reference, tolerances) do |n, triangles|
        grid = shell.call(3 * n, n / 2, triangles, thickness: thickness, young: 29e6, poisson: 0.22) do |s, r|
          a = s * Math::PI / 2
          y = (r - 0.5) * 1.1
          [12 * s, y * Math.cos(a), y * Math.sin(a)]
        end
        grid.hold(*every) { |s, _| s.zero? }.push(name, load) { |s, _| s == 1 }.solve.moved(name) { |s, r| s == 1 && (r - 0.5).abs < 1e-9 }
      end
    end
  end
end
