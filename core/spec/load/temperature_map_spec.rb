# frozen_string_literal: true

RSpec.describe Lattice::Load::Conditions::TemperatureMap do
  let(:folder) { Dir.mktmpdir }

  after { FileUtils.rm_rf(folder) }

  # @yield [x, y, z] in mm, answers degrees C
  def cloud(count = 4000, name: "flow.csv", head: "x,y,z,temperature", range: [[-5, 205], [-5, 25], [-5, 15]])
    random = Random.new(5)
    rows = Array.new(count) { range.map { |low, high| random.rand(low.to_f..high.to_f) } }
    written([head, *rows.map { |p| [*p, yield(*p)].join(",") }].join("\n"), name)
  end

  def written(text, name = "flow.csv")
    path = File.join(folder, name)
    File.write(path, text)
    lent(path).merge("id" => "t", "kind" => "temperature_map", "target" => "bar", "unit" => "mm")
  end

  def corner(name, place)
    from, to = [-1, 1].map { |by| spot(*place.map { |v| v + by }) }
    { "id" => name, "kind" => "group", "name" => name, "of" => "points", "rule" => { "box" => { "from" => from, "to" => to } } }
  end

  # Free to grow: held in one corner, and from turning.
  def bar(map, order: "quadratic", size: "10 mm", expansion: "12e-6 1/K")
    points = { "a" => [0, 0, 0], "b" => [200, 0, 0], "c" => [0, 20, 0] }.map { |name, at| corner(name, at) }
    problem({ force: nil, support: { "target" => "a" }, material: { "properties" => Models::STEEL.merge("expansion" => expansion).compact }, mesh: { "size" => size, "order" => order } }, *points,
            { "id" => "s2", "kind" => "support", "target" => "b", "components" => %w[y z] }, { "id" => "s3", "kind" => "support", "target" => "c", "components" => ["z"] }, map)
  end

  def solved(problem) = Lattice::Study::Solving.new(problem).call(problem.study!("pull"))

  it "carries a straight field exactly: the bar bows without stress" do
    result = solved(bar(cloud { |_, y, _| 20 + (10 * y) }))
    # 10 K/mm over the depth bend it by α g l²/8 half way, and swell it.
    expect(result.field("warmth").max).to be_near(200, 1e-6)
    expect(result.field("von_mises").max).to be < 1e3
    nodes = result.grid.nodes
    middle = ((nodes[true, 0] - 0.1).abs + nodes[true, 1].abs + nodes[true, 2].abs).min_index
    expect(result.displacement[middle, 1].abs).to be_near(12e-6 * 10_000 * (0.2**2) / 8, 1e-3)
    seen = result.joins[0][:seen]
    expect([seen[:axes], seen[:source].size, seen[:target].size]).to eq([%w[x y], 700, [result.grid.nodes.shape[0], 700].min])
    expect(seen[:target].map { |x, _, _| x }.minmax).to be_near([0.0, 0.2], 1e-2)
    expect(result.joins[0]).to include(points: 4000, far: 0, target: include(greatest: be_near(493.15, 1e-6)), source: include(mean: be_within(20).of(393)))
  end

  it "finds the stress of a bent field: a free beam that is warmer at both edges" do
    map = cloud(20_000, range: [[-5, 205], [-5, 25], [0, 0]]) { |_, y, _| 20 + (100 * (((y - 10) / 10)**2)) }
    ends = { "root" => [0, 0, 0], "tip" => [200, 0, 0] }.map { |name, at| corner(name, at) }
    flat = { root: nil, tip: nil, force: nil, body: { "make" => "plane stress", "thickness" => "1 mm" }, support: { "target" => "root", "components" => %w[x y] },
             mesh: { "size" => "2.5 mm", "order" => "quadratic" }, material: { "properties" => Models::STEEL.merge("expansion" => "12e-6 1/K") } }
    thin = problem(flat, *ends, { "id" => "s2", "kind" => "support", "target" => "tip", "components" => ["y"] }, map)
    result = solved(thin)
    nodes = result.grid.nodes
    # E α 100 (1/3 − (y/c)²), S. P. Timoshenko, J. N. Goodier, Theory of Elasticity, 1951.
    points = result.grid.points.nodes.to_a
    stress = ->(y) { result.field("stress_xx")[points.index(((nodes[true, 0] - 0.1).abs + (nodes[true, 1] - y).abs).min_index)] / 1e6 }
    expect(stress[0.01]).to be_near(84, 0.03)
    expect(stress[0.0]).to be_near(-168, 0.03)
  end

  it "is scaled, moved, and read in other units" do
    hot = cloud(name: "K.csv") { |_, _, _| 393.15 }.merge("degrees" => "K", "scale" => "0.5", "reference" => "20 degC", "offset" => spot(0, 0, 0))
    result = solved(bar(hot))
    expect(result.field("warmth").to_a.minmax).to be_near([50, 50], 1e-9)
    expect(result.displacement[true, 0].max).to be_near(12e-6 * 50 * 0.2, 1e-6)
  end

  it "takes a flat cloud, and a sparse one" do
    flat = cloud(range: [[-5, 205], [-5, 25], [5, 5]]) { |x, _, _| x }
    expect(solved(bar(flat)).field("warmth").minmax).to be_near([-20, 180], 1e-3)
    sparse = cloud(12) { |x, _, _| x }.merge("reach" => "1 m")
    expect(solved(bar(sparse)).field("warmth").max).to be_between(60, 181)
  end

  { "a gap" => ["x,y,z,t\n1,2,3,4\n1,2,,4\n", /line 3 has a gap/], "what is no number" => ["x,y,z,t\n1,2,3,nan\n", /no number/], "three columns" => ["1,2,3\n4,5,6\n", /3 columns/],
    "colder than can be" => ["x,y,z,t\n1,2,3,-300\n", /which nothing can have/] }.each do |name, (text, message)|
    it "refuses #{name}" do
      expect { solved(bar(written(text))) }.to raise_error(Lattice::InvalidInput, message)
    end
  end

  it "refuses a cloud in another unit, and a column that is not there" do
    expect { solved(bar(cloud { 20 }.merge("unit" => "m"))) }.to raise_error(Lattice::InvalidInput, /nodes lie farther than .* from its points/)
    expect { solved(bar(cloud { 20 }.merge("column" => "heat"))) }.to raise_error(Lattice::InvalidInput, /no column “heat”/)
  end

  it "refuses a file that is gone, and a material that does not grow" do
    expect { described_class.new(Lattice::Model::Statement.new(cloud { 20 }.merge("digest" => "0" * 64)), bar(cloud { 20 })).check! }.to raise_error(Lattice::InvalidInput, /is not there/)
    expect { solved(bar(cloud { 20 }, expansion: nil)) }.to raise_error(Lattice::InvalidInput, /no thermal expansion/)
  end
end
