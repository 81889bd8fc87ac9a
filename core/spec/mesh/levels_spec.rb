# frozen_string_literal: true

# Bodies in steps along one line, alone and joined.
RSpec.describe Lattice::Mesh::Sweeping::Levels do
  def box(name, x, y, width, height, depth, z = 0)
    [outline_named("#{name} plan", rectangle("#{x} mm", "#{y} mm", "#{width} mm", "#{height} mm")), body_named(name, "#{name} plan", thickness: "#{depth} mm", on: on("xy", z: z))]
  end

  def rod(name, x, y, diameter, depth, z = 0) = [outline_named("#{name} plan", circle(x, y, diameter)), body_named(name, "#{name} plan", thickness: "#{depth} mm", on: on("xy", z: z))]
  def combined(how, first, *rest) = { "kind" => "combine", "name" => "whole", "how" => how, "body" => first, "with" => rest }
  def joined(*names) = { "kind" => "join", "bodies" => names }

  def slab = box("slab", 0, 0, 60, 40, 10)

  # The parts and the mesh that statements make.
  # @yield [Array<Lattice::Shape::Body>] answers what settings there are besides the size
  def meshed(statements, size: 0.005)
    parts = parts_of(*statements)
    settings = Lattice::Mesh::Settings.new(size, **(block_given? ? yield(parts.bodies) : {}))
    [parts, Lattice::Mesh::Builder.call(parts.bodies, settings, parts.joins)]
  end

  shared_examples "a sweep of bricks" do
    it "is of good bricks that fill the bodies, with all of their places" do
      report = Lattice::Command::MeshReport.new(meshed[1], meshed[0].bodies, {}, nil).to_h
      expect(meshed[1].blocks.map(&:kind).uniq).to eq([:hex20])
      expect(report[:skin].values_at(:open, :places)).to eq([0, report[:skin][:wanted]])
      expect(report[:volume] / report[:shape_volume]).to be_near(1.0, 1e-5)
      expect(report[:measures].to_h { |m| [m[:key], m[:worst]] }[:scaled_jacobian]).to be > 0.5
    end
  end

  shared_examples "bodies that share nodes" do
    it "has nodes in common where they touch, and the same faces on both sides" do
      parts, grid = meshed
      shared = parts.bodies.map { |b| grid.body_nodes(b.name).to_a }.reduce(:&)
      pairs = parts.joins.shared(parts.bodies)
      expect(pairs.size).to eq(1)
      expect(pairs[0].map { |key| Lattice::Algebra::Gather.distinct([grid.places.fetch(key)]).to_a }).to all(match_array(shared))
    end
  end

  { "a step flush with three sides" => -> { [*slab, *box("rise", 0, 0, 30, 40, 25), combined("union", "slab", "rise")] },
    "a post through a plate" => -> { [*slab, *rod("post", 30, 20, 20, 30, -10), combined("union", "slab", "post")] },
    "a counterbore" => -> { [*slab, *rod("bore", 30, 20, 10, 40, -10), *rod("head", 30, 20, 20, 10, 5), combined("subtract", "slab", "bore", "head")] },
    "crossing slots" => -> { [*slab, *box("one", 20, -5, 10, 60, 30, 4), *box("other", -5, 15, 90, 8, 30, 6), combined("subtract", "slab", "one", "other")] },
    "a shaft in steps" => -> { [*rod("a", 0, 0, 40, 20), *rod("b", 0, 0, 30, 30, 20), *rod("c", 0, 0, 20, 20, 50), combined("union", "a", "b", "c")] } }.each do |name, made|
    describe name do
      let(:meshed) { super(instance_exec(&made)) }

      it_behaves_like "a sweep of bricks"
    end
  end

  { "a block on a plate" => -> { [*slab, *box("block", 10, 10, 20, 20, 15, 10), joined("slab", "block")] },
    "bars across each other" => -> { [*slab, *box("bar", 20, -20, 15, 80, 10, 10), joined("slab", "bar")] },
    "blocks of two heights side by side" => -> { [*slab, *box("block", 60, 0, 30, 40, 20), joined("slab", "block")] },
    "a pin in a plate" => -> { [*slab, *rod("bore", 30, 20, 16, 40, -10), combined("subtract", "slab", "bore"), *rod("pin", 30, 20, 16, 30, -5), joined("whole", "pin")] } }
    .each do |name, made|
    describe "#{name}, joined" do
      let(:meshed) { super(instance_exec(&made)) }

      it_behaves_like "a sweep of bricks"
      it_behaves_like "bodies that share nodes"
    end
  end

  it "keeps divided edges in the plane and along the line" do
    names = nil
    _, grid = meshed([*slab, *rod("post", 30, 20, 20, 20), combined("union", "slab", "post")]) do |(body)|
      rim = body.facets.edges.find { |e| e.curve == "circle" && e.faces.any? { |f| body.facets.faces[f].name == "top" } }
      names = [rim.name, "side 1 | side 2"]
      { divisions: names.zip([28, 3]).to_h { |name, count| [["whole", name], Lattice::Mesh::Division.new(count)] } }
    end
    expect(names.map { |name| grid.places.fetch(["whole", name]).shape[0] }).to eq([28, 3])
    expect(grid.blocks.map(&:kind)).to eq([:hex20])
  end

  it "lays thinner layers where places along the line ask for them" do
    _, grid = meshed([*slab, *rod("post", 30, 20, 20, 30, 10), combined("union", "slab", "post")], size: 0.01) do |(body)|
      { local: [Lattice::Mesh::Settings::Local.new(0.0025, body.places.select { |p| p.kind == "cylinder" }, nil, "place")] }
    end
    lower, upper = grid.nodes[true, 2].to_a.map { |z| (z * 1000).round(6) }.uniq.partition { |z| z <= 10 }
    expect([lower.size, upper.size]).to eq([3, 24])
    rims = grid.places.select { |key, conn| conn.shape[1] == 3 && key[1].include?("post") }
    expect(rims.values.map { |lines| lines.shape[0] }).to all(be_between(24, 36))
  end

  it "leaves bodies to others that are round along no line, or that touch without being joined there" do
    _, grid = meshed([*box("slab", -20, -20, 40, 40, 5), *ball, combined("union", "slab", "ball")])
    expect(grid.blocks.map(&:kind)).to eq([:tet10])
    apart = parts_of(*slab, *box("block", 10, 10, 20, 20, 15, 10))
    expect(apart.joins.whole?(apart.bodies)).to be(false)
  end
end

RSpec.describe Lattice::Shape::Footprint do
  it "tells which body fills which cell between which heights" do
    lower = [outline_named("lower", rectangle("0 mm", "0 mm", "60 mm", "40 mm")), body_named("lower", "lower", thickness: "10 mm")]
    upper = [outline_named("upper", circle(30, 20, 20)), body_named("upper", "upper", thickness: "5 mm", on: on("xy", z: 10))]
    found = described_class.of(parts_of(*lower, *upper).bodies)
    expect(found.heights).to match([be_near(0, 1e-9), be_near(0.01, 1e-9), be_near(0.015, 1e-9)])
    expect(found.cells.map(&:columns)).to contain_exactly([[0, 0, 1]], [[0, 0, 1], [1, 1, 2]])
    areas = found.cells.map { |cell| cell.facets.measures.area }
    expect(areas.sum).to be_near(0.06 * 0.04, 1e-12)
  end

  it "is not of bodies with slanted or round ends" do
    expect(described_class.of(parts_of(*ball).bodies)).to be_nil
    cone = [outline_named("half", corners([0, 0], [20, 0], [10, 30], [0, 30])), body_named("cone", "half", by: "revolve")]
    expect(described_class.of(parts_of(*cone).bodies)).to be_nil
  end
end
