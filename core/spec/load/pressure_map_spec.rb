# frozen_string_literal: true

# A bar of 200 × 20 × 10 mm under a pressure that another program found.
RSpec.describe Lattice::Load::Conditions::PressureMap do
  let(:folder) { Dir.mktmpdir }

  after { FileUtils.rm_rf(folder) }

  def mapped(path) = lent(path).merge("id" => "p", "kind" => "pressure_map", "target" => "tip", "unit" => "mm")

  # @yield [x, y, z] in mm, answers kPa
  def cloud(count = 3000)
    random = Random.new(3)
    rows = Array.new(count) { [[190, 210], [-5, 25], [-5, 15]].map { |low, high| random.rand(low.to_f..high.to_f) } }
    path = File.join(folder, "flow.csv")
    File.write(path, ["x,y,z,speed,pressure", *rows.map { |p| [*p, 7, yield(*p)].join(",") }].join("\n"))
    mapped(path).merge("column" => "pressure", "per" => "kPa")
  end

  def pushed(map, **more)
    result = solve(problem({ force: nil, mesh: { "size" => "5 mm" } }, map.merge(more.transform_keys(&:to_s))))
    [result, result.totals[0], result.joins[0]]
  end

  it "carries a pressure that rises evenly over exactly: its force and moment, and tells how" do
    # Against the outward normal of the tip: 400 kPa in the middle of 20 × 10 mm², 30 kPa/mm over the height.
    result, total, told = pushed(cloud { |_, y, _| 400 + (30 * (y - 10)) })
    expect(total[:force]).to be_near([-80.0, 0, 0], 1e-9)
    # About the origin: −Σ y Fx, of the middle and of b h³ / 12 times the slope.
    expect(total[:moment][2]).to be_near((80 * 0.01) + (30e6 * 0.01 * (0.02**3) / 12), 1e-9)
    expect(told).to include(dimension: "stress", points: 3000, far: 0, target: include(least: be_near(100e3, 1e-6), greatest: be_near(700e3, 1e-6)))
    expect(result.balance[:error]).to be < 1e-9
  end

  it "is read from an unstructured grid, scaled and in other units" do
    grid = problem({ mesh: { "size" => "5 mm" } }).mesh
    path = File.join(folder, "flow.vtu")
    Lattice::Format::VTU.write(path, grid, { "speed" => Numo::DFloat.zeros(grid.nodes.shape[0], 3), "p" => Numo::DFloat.zeros(grid.nodes.shape[0]) + 2, "q" => grid.nodes[true, 1] * 1000 })
    even = mapped(path).merge("unit" => "m")
    expect(pushed(even, per: "bar", scale: "0.5")[1][:force]).to be_near([-1e5 * 200e-6, 0, 0], 1e-9)
    expect(pushed(even, per: "MPa", column: "q")[1][:force]).to be_near([-10e6 * 200e-6, 0, 0], 1e-9)
    expect { pushed(even, column: "r") }.to raise_error(Lattice::InvalidInput, /no values “r” at its points.*Known: p, q/)
  end

  it "is carried over once, and told of once, where it turns with what it presses on" do
    far = { "id" => "far", "kind" => "study", "name" => "far", "type" => "collapse", "control" => "loads", "upto" => "1" }
    problem = problem({ force: nil, mesh: { "size" => "10 mm" } }, cloud { 400 }.merge("follows" => true), far)
    result = Lattice::Study::Solving.new(problem).call(problem.study!("far"))
    expect(result.joins.map { |told| told[:statement] }).to eq(["p"])
    # On the tip as large as it has become: wider both ways by ν p / E.
    expect(result.balance(result.frames.size - 1)[:load][0]).to be_near(-80.0 * (1 + (2 * 0.3 * 400e3 / 210e9)), 1e-9)
  end

  it "refuses what it cannot take, with a cure" do
    even = cloud { 100 }
    expect { pushed(even, unit: "m") }.to raise_error(Lattice::InvalidInput, /nodes lie farther than .* from its points.*Check the unit/)
    expect { pushed(even, scale: "0") }.to raise_error(Lattice::InvalidInput, /leaves no pressure/)
    expect { pushed(even.except("digest", "file")) }.to raise_error(Lattice::InvalidInput, /no file of points yet.*CSV or VTU/)
    expect { pushed(even, column: "heat") }.to raise_error(Lattice::InvalidInput, /no column “heat”/)
    bare = File.join(folder, "bare.vtu").tap { |path| Lattice::Format::VTU.write(path, problem.mesh) }
    expect { pushed(mapped(bare)) }.to raise_error(Lattice::InvalidInput, /no values at its points/)
  end
end
