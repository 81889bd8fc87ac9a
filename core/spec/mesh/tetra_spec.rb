# frozen_string_literal: true

# Tetrahedra in bodies of known volume.
RSpec.describe Lattice::Mesh::Tetra::Filled do
  def bodies(*statements) = parts_of(*statements).bodies
  def plan(size, **rest) = Lattice::Mesh::SizingPlan.of(size, **rest)
  def grid_of(bodies, size, **options) = Lattice::Mesh::Builder.call(bodies, Lattice::Mesh::Settings.new(size, family: "tetrahedra and triangles", **options), joins)

  let(:joins) { Lattice::Shape::Joins.none }
  let(:drilled) do
    [*block, outline_named("drill", circle(20, 20, 10)), body_named("bore", "drill", thickness: "30 mm", on: { "plane" => "xy", "z" => "-10 mm" }),
     { "kind" => "combine", "name" => "plate", "how" => "subtract", "body" => "block", "with" => ["bore"] }]
  end

  def surface_of(grid, body)
    faces = body.places.select { |p| p.of == :faces }.map { |p| grid.places.fetch(p.key) }
    corners = grid.order == 2 && faces[0].shape[1] == 6 ? 3 : 4
    [faces, Lattice::Algebra::Pairs.new(faces.map { |c| [c, (0...corners).map { |k| [k, (k + 1) % corners] }] })]
  end

  { "a ball" => [:ball, 0.0022, 4.0 / 3 * Math::PI * 1e-6], "a drilled plate" => [:drilled, 0.005, (0.06 * 0.04 * 0.01) - (Math::PI * 25e-6 * 0.01)] }.each do |name, (shape, size, volume)|
    it "fills #{name}: good elements, its volume, a closed skin, every place" do
      body = bodies(*send(shape)).last
      grid = grid_of([body], size)
      ratios = grid.quality.values(:mean_ratio)
      expect(ratios.min).to be > 0.3
      expect(ratios.sort[ratios.size / 100]).to be > 0.5
      expect(grid.quality.values(:least_angle).min).to be > 10
      expect(grid.quality.values(:distortion).min).to be > 0.1
      expect(grid.blocks.sum { |b| Lattice::Mesh::Quality.volume(grid.nodes, b) }).to be_near(volume, 1e-4)
      expect(grid.places.keys).to match_array(body.places.reject { |p| p.of == :bodies }.map(&:key))
      faces, pairs = surface_of(grid, body)
      counts = faces.each_index.map { |i| pairs.of(i).flatten.bincount(minlength: pairs.size) }.reduce(:+)
      expect(counts.eq(2).all?).to be true
    end
  end

  it "puts middles of sides on round faces" do
    grid = grid_of(bodies(*ball), 0.004)
    skin = Lattice::Algebra::Gather.distinct(grid.places.values.select { |c| c.shape[1] == 6 })
    expect((Lattice::Shape::Vectors.norm(grid.nodes[skin, true]) - 0.01).abs.max).to be < 1e-9
  end

  it "is finer where that is asked for, and nowhere else" do
    body = bodies(*block)
    even = grid_of(body, 0.006)
    near = [Numo::DFloat[[0.0, 0.0, 0.0]], 0.001]
    local = Lattice::Mesh::Tetra::Filled.new(body, plan(0.006, local: [near]))
    close = ->(nodes, tets) { ((nodes[tets[true, 0].dup, true]**2).sum(1) < 2.5e-5).count }
    expect(close[local.nodes, local.elements["block"]]).to be > 8 * close[even.nodes, even.blocks[0].conn]
    expect(local.elements["block"].shape[0]).to be < 4 * even.size
  end

  it "puts elements across a thin wall" do
    body = bodies(outline_named("sheet", rectangle("0 mm", "0 mm", "40 mm", "40 mm")), body_named("wall", "sheet", thickness: "2 mm"))
    one, three = [1, 3].map { |n| grid_of(body, 0.008, through: n) }
    expect(three.size).to be > 4 * one.size
    expect(one.quality.values(:mean_ratio).min).to be > 0.3
  end

  it "makes the same mesh every time" do
    one, two = Array.new(2) { grid_of(bodies(*ball), 0.005) }
    expect(one.nodes).to eq(two.nodes)
  end

  it "shares the nodes of joined bodies, and keeps others apart" do
    upper = [outline_named("step", rectangle("10 mm", "10 mm", "20 mm", "20 mm")), body_named("step", "step", thickness: "15 mm", on: { "plane" => "xy", "z" => "10 mm" })]
    parts = parts_of(*block, *upper, { "kind" => "join", "bodies" => %w[block step] })
    grid = Lattice::Mesh::Builder.call(parts.bodies, Lattice::Mesh::Settings.new(0.005), parts.joins)
    shared = grid.body_nodes("block").to_a & grid.body_nodes("step").to_a
    expect(grid.nodes[shared, 2].to_a).to all(be_near(0.01, 1e-9))
    expect(shared.size).to be > 20
    expect(grid.blocks.sum { |b| Lattice::Mesh::Quality.volume(grid.nodes, b) }).to be_near((0.06 * 0.04 * 0.01) + (0.02 * 0.02 * 0.015), 1e-8)
    apart = Lattice::Mesh::Builder.call(parts.bodies, Lattice::Mesh::Settings.new(0.005))
    expect(apart.body_nodes("block").to_a & apart.body_nodes("step").to_a).to be_empty
  end

  it "refuses walls that would take too many elements, and says where" do
    body = bodies(outline_named("sheet", rectangle("0 mm", "0 mm", "40 mm", "40 mm")), body_named("foil", "sheet", thickness: "1 mm"))
    source = Lattice::Mesh::Remeshing::Source.new(body[0].facets, 0.01)
    sheet = Lattice::Mesh::Remeshing::Sheet.new(source, Lattice::Mesh::Remeshing::Sizing.new(source, plan(0.01)).field)
    expect { Lattice::Mesh::Tetra::Mesher.new(sheet, plan(0.01), budget: 100).call }.to raise_error(Lattice::Mesh::Tetra::Mesher::TooThin) { |e| expect(e.thickness).to be_near(0.001, 1e-6) }
  end
end

RSpec.describe Lattice::Mesh::Tetra::Rings do
  it "knows every way to cut a polygon" do
    expect((3..7).map { |n| described_class.of(n)[1].size }).to eq([1, 2, 5, 14, 42])
    expect(described_class.of(6)[1].map(&:size).uniq).to eq([4])
  end
end
