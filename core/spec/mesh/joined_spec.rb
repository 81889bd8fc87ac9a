# frozen_string_literal: true

# Two bars end to end, of different stiffness, joined and pulled: each stretches as if alone.
RSpec.describe Lattice::Shape::Joins do
  def bar(name, x) = [outline_named("#{name} outline", rectangle("#{x} mm", "0 mm", "50 mm", "20 mm")), body_named(name, "#{name} outline", thickness: "10 mm")]
  def stuff(name, young) = { "kind" => "material", "target" => name, "material" => "mild steel", "properties" => { "young" => young, "poisson" => "0.0" } }

  let(:model_of_two) do
    shape_problem(*bar("near", 0), *bar("far", 50), { "kind" => "join", "bodies" => %w[near far] }, stuff("near", "200 GPa"), stuff("far", "100 GPa"),
                  group_named("root", { "plane" => { "axis" => "x", "at" => "0 mm" } }), group_named("tip", { "plane" => { "axis" => "x", "at" => "100 mm" } }),
                  { "kind" => "support", "target" => "root", "components" => %w[x y z] }, { "kind" => "force", "target" => "tip", "value" => "20 kN", "direction" => "+x" },
                  { "kind" => "mesh", "size" => "8 mm" }, { "kind" => "study", "name" => "pull", "type" => "static" })
  end

  it "lets a body hold another, and stretches both by F L / (E A)" do
    expect(Lattice::Verdict::Readiness.new(model_of_two).notices.select(&:stops?)).to be_empty
    result = solve(model_of_two)
    expect(result.displacement[true, 0].max).to be_near(20e3 * 0.05 / 2e-4 * ((1 / 200e9) + (1 / 100e9)), 1e-9)
  end

  describe "round faces" do
    def slab(depth) = [outline_named("plan", rectangle("0 mm", "0 mm", "60 mm", "40 mm")), body_named("slab", "plan", thickness: "#{depth} mm")]
    def rod(name, diameter, depth, z) = [outline_named("#{name} plan", circle(30, 20, diameter)), body_named(name, "#{name} plan", thickness: "#{depth} mm", on: on("xy", z: z))]
    def combined(name, how, body, other) = { "kind" => "combine", "name" => name, "how" => how, "body" => body, "with" => [other] }
    def bored(depth, from) = [*slab(depth), *rod("bore", 16, 60, from), combined("plate", "subtract", "slab", "bore")]
    def joined(*names) = { "kind" => "join", "bodies" => names }

    def meshed(statements, family)
      parts = parts_of(*statements)
      grid = Lattice::Mesh::Builder.call(parts.bodies, Lattice::Mesh::Settings.new(0.005, family: family), parts.joins)
      [parts.bodies, parts.joins.shared(parts.bodies), grid, Lattice::Command::MeshReport.new(grid, parts.bodies, {}, nil).to_h]
    end

    { "of a pin that stands out" => [1, -> { [*bored(10, -20), *rod("pin", 16, 30, -5), joined("plate", "pin")] }],
      "of a pin that ends flush" => [1, -> { [*bored(10, -20), *rod("pin", 16, 10, 0), joined("plate", "pin")] }],
      "of a pin in a blind hole" => [2, -> { [*bored(20, 8), *rod("pin", 16, 30, 8), joined("plate", "pin")] }],
      "of a bolt with its head" => [2, -> { [*bored(10, -20), *rod("shank", 16, 20, -5), *rod("head", 26, 8, 10), combined("bolt", "union", "shank", "head"), joined("plate", "bolt")] }],
      "of half a pin" => [1, lambda {
        [*bored(10, -20), *rod("pin", 16, 30, -5), { "kind" => "cut", "body" => "pin", "plane" => { "axis" => "x", "at" => "30 mm" }, "keep" => "above" }, joined("plate", "pin")]
      }] }.each do |name, (common, made)|
      ["bricks and quadrilaterals", "tetrahedra and triangles"].each do |family|
        it "#{name} are one with the hole's, of #{family}" do
          bodies, pairs, grid, report = meshed(instance_exec(&made), family)
          expect(pairs.size).to eq(common)
          shared = bodies.map { |b| grid.body_nodes(b.name).to_a }.reduce(:&)
          expect(Lattice::Algebra::Gather.distinct(pairs.map { |key, _| grid.places.fetch(key) }).to_a).to match_array(shared)
          expect(report[:skin].values_at(:open, :places)).to eq([0, report[:skin][:wanted]])
          expect(report[:volume] / report[:shape_volume]).to be_near(1.0, 5e-6)
          expect(grid.quality.values(:mean_ratio).min).to be > (family.start_with?("tetra") ? 0.45 : 0.25)
        end
      end
    end

    it "do not overlap where pins of other facets stand in holes" do
      parts = parts_of(*bored(10, -20), *rod("pin", 16, 30, -5), { "kind" => "cut", "body" => "pin", "plane" => { "axis" => "x", "at" => "30 mm" }, "keep" => "above" })
      expect { Lattice::Mesh::Faults.check_overlaps(parts.bodies) }.not_to raise_error
      deep = parts_of(*slab(10), *rod("pin", 16, 30, -5))
      expect { Lattice::Mesh::Faults.check_overlaps(deep.bodies) }.to raise_error(Lattice::InvalidInput, /overlap near/)
    end
  end

  it "makes regions of one outline share the nodes of their border, of either family" do
    regions = [outline_named("strip", rectangle("0 mm", "0 mm", "100 mm", "20 mm"), dividers: [corners([0, 8], [100, 8])]),
               body_named("strip body", "strip", make: "plane stress", thickness: "2 mm")]
    parts = parts_of(*regions)
    ["bricks and quadrilaterals", "tetrahedra and triangles"].each do |family|
      grid = Lattice::Mesh::Builder.call(parts.bodies, Lattice::Mesh::Settings.new(0.004, family: family), parts.joins)
      shared = parts.bodies.map { |b| grid.body_nodes(b.name).to_a }.reduce(:&)
      expect(grid.nodes[shared, 1].to_a).to all(be_near(0.008, 1e-9))
      expect(shared.size).to be > 25
      expect(grid.quality.values(:scaled_jacobian).min).to be > 0.2
    end
  end
end

RSpec.describe Lattice::Mesh::Sheets do
  let(:cylinder) do
    half = [{ "x" => "20 mm", "y" => "0 mm", "through" => { "x" => "0 mm", "y" => "20 mm" } }, { "x" => "-20 mm", "y" => "0 mm" }]
    [{ "kind" => "line", "name" => "half", "corners" => half }, body_named("shell", "half", make: "faces", wall: "1 mm", thickness: "30 mm")]
  end

  it "meshes a round face with quadrilaterals and triangles on it" do
    parts = parts_of(*cylinder)
    { "bricks and quadrilaterals" => :quad8, "tetrahedra and triangles" => :tri6 }.each do |family, kind|
      grid = Lattice::Mesh::Builder.call(parts.bodies, Lattice::Mesh::Settings.new(0.005, family: family), parts.joins)
      expect(grid.blocks.map(&:kind)).to eq([kind])
      radius = Numo::NMath.sqrt((grid.nodes[true, 0]**2) + (grid.nodes[true, 1]**2))
      expect((radius - 0.02).abs.max).to be < 1e-9
      expect(grid.quality.values(:scaled_jacobian).min).to be > 0.3
    end
  end
end

RSpec.describe Lattice::Mesh::Lines do
  it "divides members into equal pieces that meet at common nodes" do
    line = { "kind" => "line", "name" => "bars", "corners" => [spot(0, 0, 0), spot(100, 0, 0), spot(100, 50, 0)] }
    parts = parts_of(line, { "kind" => "body", "name" => "frame", "outline" => "bars", "make" => "members" })
    grid = Lattice::Mesh::Builder.call(parts.bodies, Lattice::Mesh::Settings.new(0.01))
    expect([grid.size, grid.nodes.shape[0]]).to eq([15, 31])
    expect(grid.places.keys).to match_array(parts.places.reject { |p| p.of == :bodies }.map(&:key))
  end
end

RSpec.describe Lattice::Format::VTU do
  it "reads what it wrote, with bodies and groups" do
    Dir.mktmpdir do |folder|
      path = File.join(folder, "mesh.vtu")
      grid = problem.mesh
      described_class.write(path, grid)
      back = described_class.read(path)
      expect(back.nodes).to eq(grid.nodes)
      expect(back.blocks.map { |b| [b.kind, b.conn.to_a] }).to eq(grid.blocks.map { |b| [b.kind, b.conn.to_a] })
      expect(back.places.fetch(%w[bar top]).flatten.to_a).to eq(Lattice::Algebra::Gather.distinct([grid.places.fetch(%w[bar top])]).to_a)
      { "cut short" => [:[], 0, 900], "not XML" => [:upcase] }.each_value do |change|
        File.binwrite(path, File.binread(path).public_send(*change))
        expect(refusal { described_class.read(path) }).to include("mesh.vtu")
        described_class.write(path, grid)
      end
    end
  end
end
