# frozen_string_literal: true

require_relative "../large_grid"

# Large movements and turns: closed forms, and paths that are published.
large = ->(n, m, **section, &shape) { Verify::LargeGrid.new([n, m], **section, &shape) }
every = Verify::LargeGrid::NAMES

Verify.define("pinched hemisphere with a hole, far", source: "K. Y. Sze, X. H. Liu, S. H. Lo, Popular benchmark problems of shells, 2004: 4.067 and 8.178 at P = 400") do |report|
  grid = large.call(16, 16, thickness: 0.04, young: 6.825e7, poisson: 0.3) do |s, r|
    up = r * 72 * Math::PI / 180
    round = s * Math::PI / 2
    [10 * Math.cos(up) * Math.cos(round), 10 * Math.cos(up) * Math.sin(round), 10 * Math.sin(up)]
  end
  grid.hold(:y, :rx, :rz) { |s, _| s.zero? }.hold(:x, :ry, :rz) { |s, _| s == 1 }.hold(:z) { |s, r| r.zero? && s.zero? }
  grid.push(:x, 200.0) { |s, r| s.zero? && r.zero? }.push(:y, -200.0) { |s, r| s == 1 && r.zero? }
  last = grid.march(0.05, 1.0).last
  report.check("outwards", reference: 4.067, value: grid.at(last, :x) { |s, r| s.zero? && r.zero? }, tolerance: 0.02, mesh: "16 × 16 quad4")
  report.check("inwards", reference: 8.178, value: -grid.at(last, :y) { |s, r| s == 1 && r.zero? }, tolerance: 0.03, mesh: "16 × 16 quad4")
end

Verify.define("slit ring plate, far", source: "K. Y. Sze, X. H. Liu, S. H. Lo, 2004: 13.891 and 17.528 at 0.8 per length") do |report|
  grid = large.call(30, 6, thickness: 0.03, young: 21e6, poisson: 0.0) { |s, r| (a = s * 2 * Math::PI) && [(6 + (4 * r)) * Math.cos(a), (6 + (4 * r)) * Math.sin(a), 0] }
  grid.hold(*every) { |s, _| s == 1 }
  # Along the slit half a share at either corner.
  grid.push(:z, 0.8 * 4 / 6 * 5) { |s, r| s.zero? && r.positive? && r < 1 }.push(:z, 0.8 * 4 / 6) { |s, r| s.zero? && (r.zero? || r == 1) }
  last = grid.march(0.02, 1.0).last
  report.check("inner corner", reference: 13.891, value: grid.at(last, :z) { |s, r| s.zero? && r.zero? }, tolerance: 0.02, mesh: "30 × 6 quad4")
  report.check("outer corner", reference: 17.528, value: grid.at(last, :z) { |s, r| s.zero? && r == 1 }, tolerance: 0.02, mesh: "30 × 6 quad4")
end

Verify.define("strip rolled up by an end moment", source: "elementary: M = 2 π E I / L makes a ring") do |report|
  grid = large.call(16, 1, thickness: 0.1, young: 1.2e6, poisson: 0.0) { |s, r| [12 * s, r, 0] }
  grid.hold(*every) { |s, _| s.zero? }.push(:ry, -2 * Math::PI * 1.2e6 * (0.1**3) / 12 / 12) { |s, _| s == 1 }
  last = grid.march(0.05, 1.0).last
  report.check("end along", reference: -12.0, value: grid.at(last, :x) { |s, _| s == 1 }, tolerance: 1e-3, mesh: "16 × 1 quad4")
  report.check("end across", reference: 0.0, value: grid.at(last, :z) { |s, _| s == 1 }, tolerance: 1e-2, mesh: "16 × 1 quad4")
end

{ 12.7 => [2.2, nil], 6.35 => [0.59, -0.38] }.each do |wall, (limit, low)|
  Verify.define("shallow roof of #{wall} mm that snaps through", source: "K. Y. Sze, X. H. Liu, S. H. Lo, 2004: hinged sides, #{limit} kN") do |report|
    grid = large.call(8, 8, thickness: wall, young: 3102.75, poisson: 0.3) { |s, r| (a = 0.1 * (1 - s)) && [2540 * Math.sin(a), 254 * r, 2540 * Math.cos(a)] }
    grid.hold(:x, :y, :z) { |s, _| s.zero? }.hold(:x, :ry, :rz) { |s, _| s == 1 }.hold(:y, :rx, :rz) { |_, r| r.zero? }
    grid.push(:z, -250.0) { |s, r| s == 1 && r.zero? }
    found = grid.march(0.1) { |i| grid.at(i, :z) { |s, r| s == 1 && r.zero? } < -28 }
    extremes = Lattice::Study::GivingWay.extremes(found)
    report.check("limit, kN", reference: limit, value: extremes[:factor], tolerance: 0.02, mesh: "8 × 8 quad4 of a quarter")
    next unless low

    report.check("lowest after it, kN", reference: low, value: extremes[:least], tolerance: 0.05, mesh: "8 × 8 quad4 of a quarter")
  end
end

# Notes: a way of loads of a case.
collapsing = lambda do |*statements, **more|
  study = { "kind" => "study", "name" => "case", "type" => "collapse" }.merge(more.transform_keys(&:to_s))
  result, problem = Verify.solve(*statements, study)
  [result, Lattice::Study::Kinds::Collapse.findings(problem, problem.study!("case"), result)[0]]
end
member = lambda do |corners, *more, size:, section: Verify.rectangle(-0.005, -0.01, 0.01, 0.02)|
  steel = { "kind" => "material", "target" => "everything", "material" => "given", "properties" => { "young" => "210 GPa", "poisson" => "0", "density" => "7850 kg/m3" } }
  near = ->(at) { { "box" => { "from" => -0.001, "to" => 0.001 }.transform_values { |off| %w[x y z].zip(at).to_h { |axis, value| [axis, "#{value + off} m"] } } } }
  [{ "kind" => "line", "name" => "way", "corners" => corners.map { |x, y, z| { "x" => "#{x} m", "y" => "#{y} m", "z" => "#{z} m" } } },
   { "kind" => "body", "name" => "bar", "outline" => "way", "make" => "members" },
   { "kind" => "outline", "name" => "outline", "boundary" => section }, { "kind" => "section", "target" => "bar", "outline" => "outline" },
   steel, *corners.each_with_index.map { |at, i| { "kind" => "group", "name" => "p#{i}", "of" => "points", "rule" => near[at] } },
   { "kind" => "mesh", "size" => "#{size} m" }, *more]
end
clamped = { "kind" => "support", "target" => "p0", "components" => %w[x y z rx ry rz] }
soft = 210e9 * 0.02 * (0.01**3) / 12

Verify.define("cantilever bent far by a load at its end", source: "K. E. Bisshopp, D. C. Drucker, 1945; K. Mattiasson, 1981: P L² / E I = 10") do |report|
  { "members" => member[[[0, 0, 0], [1, 0, 0]], clamped, { "kind" => "force", "target" => "p1", "value" => "#{10 * soft} N", "direction" => "+y" }, size: 0.05],
    "plane, quad8" => [Verify.outline(Verify.rectangle(0, 0, 1, 0.01)), { "kind" => "body", "name" => "bar", "outline" => "outline", "make" => "plane stress", "thickness" => "20 mm" },
                       { "kind" => "material", "target" => "everything", "material" => "given", "properties" => { "young" => "210 GPa", "poisson" => "0" } },
                       { "kind" => "group", "name" => "left", "of" => "edges", "rule" => { "plane" => { "axis" => "x", "at" => "0 m" } } },
                       { "kind" => "group", "name" => "right", "of" => "edges", "rule" => { "plane" => { "axis" => "x", "at" => "1 m" } } },
                       { "kind" => "support", "target" => "left", "components" => %w[x y] }, { "kind" => "force", "target" => "right", "value" => "#{10 * soft} N", "direction" => "+y" },
                       { "kind" => "mesh", "size" => "25 mm" }] }.each do |words, statements|
    result, found = collapsing[*statements, control: "loads", upto: "1"]
    tip = (result.grid.nodes[true, 0] >= 1 - 1e-9).where
    moved = result.displacement(result.frames.size - 1)[tip, true].mean(0)
    report.check("across, of the length: #{words}", reference: 0.81061, value: moved[1].abs, tolerance: 3e-3, mesh: Verify.mesh_text(result))
    report.check("along, of the length: #{words}", reference: 0.55500, value: -moved[0], tolerance: 5e-3, mesh: Verify.mesh_text(result))
    report.check("out of balance: #{words}", reference: 0.0, value: result.balance(found[:increments] - 1)[:error], tolerance: 1e-6, mesh: Verify.mesh_text(result))
  end
end

# N' = -κ V, V' = p + κ N, M' = V from the free end on, κ = M / E I; by Runge and Kutta in 200 000 steps.
Verify.define("cantilever under a pressure that turns with it", source: "elementary: the equations of the elastica, integrated; p L³ / E I = 6") do |report|
  edge = ->(name, axis, at) { { "kind" => "group", "name" => name, "of" => "edges", "rule" => { "plane" => { "axis" => axis, "at" => "#{at} m" } } } }
  result, = collapsing[Verify.outline(Verify.rectangle(0, 0, 1, 0.01)), { "kind" => "body", "name" => "bar", "outline" => "outline", "make" => "plane stress", "thickness" => "20 mm" },
                       { "kind" => "material", "target" => "everything", "material" => "given", "properties" => { "young" => "210 GPa", "poisson" => "0" } },
                       edge["left", "x", 0], edge["below", "y", 0], { "kind" => "support", "target" => "left", "components" => %w[x y] },
                       { "kind" => "pressure", "target" => "below", "value" => "#{6 * soft / 0.02} Pa", "follows" => true }, { "kind" => "mesh", "size" => "25 mm" }, control: "loads", upto: "1"]
  last = result.frames.size - 1
  moved = result.displacement(last)[(result.grid.nodes[true, 0] >= 1 - 1e-9).where, true].mean(0)
  report.check("across, of the length", reference: 0.641986, value: moved[1].abs, tolerance: 2e-3, mesh: Verify.mesh_text(result))
  report.check("along, of the length", reference: 0.283727, value: -moved[0], tolerance: 3e-3, mesh: Verify.mesh_text(result))
end

Verify.define("deep arch, clamped and hinged", source: "D. A. DaDeppo, R. Schmidt, 1975: 8.97 E I / R² at its crown; it spans 215°") do |report|
  count = 40
  angles = (0..count).map { |i| (-17.5 + (215.0 * i / count)) * Math::PI / 180 }
  points = angles.map { |a| [Math.cos(a).round(9), Math.sin(a).round(9), 0.0] }
  crown = { "kind" => "force", "target" => "p#{count / 2}", "value" => "#{soft} N", "direction" => "-y" }
  flat = { "kind" => "group", "name" => "all", "of" => "points", "rule" => { "body" => "bar" } }
  ends = [clamped, { "kind" => "support", "target" => "p#{count}", "components" => %w[x y] }, flat, { "kind" => "support", "target" => "all", "components" => %w[z rx ry] }]
  result, found = collapsing[*member[points, *ends, crown, size: 0.1], first: "1", increments: 120, down_to: "0.8"]
  report.check("load at which it gives way, of E I / R²", reference: 8.97, value: found[:factor], tolerance: 0.02, mesh: Verify.mesh_text(result))
end

Verify.define("two bars that snap through", source: "elementary: P = 2 E A (l₀ − l) / l₀ · (h − w) / l") do |report|
  half = 1.0
  height = 0.1
  whole = Math.sqrt((half**2) + (height**2))
  load = ->(w) { Math.sqrt((half**2) + ((height - w)**2)).then { |l| 2 * 210e9 * 2e-4 * (whole - l) / whole * (height - w) / l } }
  top = (0..20_000).map { |i| load[i * height / 20_000] }.max
  pins = %w[p0 p2].map { |name| { "kind" => "support", "target" => name, "components" => %w[x y z rx rz] } }
  guide = { "kind" => "support", "target" => "p1", "components" => %w[x y] }
  bars = member[[[-half, 0, 0], [0, 0, height], [half, 0, 0]], *pins, guide, { "kind" => "force", "target" => "p1", "value" => "#{top} N", "direction" => "-z" }, size: 2.0]
  bars.find { |s| s["kind"] == "section" }["bar"] = true
  result, found = collapsing[*bars, first: "0.1", increments: 60, down_to: "-1.2"]
  report.check("load at which it snaps", reference: 1.0, value: found[:factor], tolerance: 2e-3, mesh: Verify.mesh_text(result))
  report.check("load at which it comes to rest again", reference: -1.0, value: found[:least], tolerance: 5e-3, mesh: Verify.mesh_text(result))
  curve = found[:curve]
  off = curve[:moved].zip(curve[:factors]).map { |w, f| (f - (load[-w] / top)).abs }.max
  report.check("the whole path", reference: 0.0, value: off, tolerance: 1e-5, mesh: Verify.mesh_text(result))
end
