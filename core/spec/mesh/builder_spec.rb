# frozen_string_literal: true

RSpec.describe Lattice::Mesh::Builder do
  subject(:grid) { problem(outline: { "holes" => [circle(100, 10, 8)] }).mesh }

  def surface(place) = grid.places.fetch(["bar", place]).then { |conn| Lattice::Element::Surface.new(Lattice::Algebra::Gather.rows(grid.nodes, conn), 1.0, grid.piece("bar", conn)) }

  it "fills the body" do
    volume = Lattice::Element::Pieces.of(grid.blocks[0], grid, problem.parts.body("bar"), problem.materials["bar"], problem.sections).node_volumes.sum
    expect(volume).to be_near(4e-5 - (Math::PI * 16e-6 * 0.01), 1e-5)
  end

  it "has every place of the shape, with its area" do
    shape = problem(outline: { "holes" => [circle(100, 10, 8)] }).parts
    expect(grid.places.keys).to match_array(shape.places.reject { |p| p.of == :bodies }.map(&:key))
    shape.places.select { |p| p.of == :faces }.each { |p| expect(surface(p.name).shares.sum).to be_near(p.measure, 1e-5) }
  end

  it "closes the skin: pressure all round has no resultant" do
    faces = grid.places.select { |_, conn| conn.shape[1] == 8 }.keys.map(&:last)
    total = faces.map { |f| surface(f).pressed.reshape(surface(f).pressed.size / 3, 3).sum(0) }.reduce(:+)
    expect(total.abs.max).to be < 1e-15
  end

  it "faces outward: pressure on the top pushes down" do
    pushed = surface("top").pressed
    expect(pushed[true, true, 2].sum).to be_near(-((0.2 * 0.02) - (Math::PI * 16e-6)), 1e-5)
  end

  it "says how good the mesh is" do
    expect(grid.summary).to include(kinds: { hex20: grid.size }, unknowns: grid.nodes.shape[0] * 3)
    expect(grid.summary[:quality][:worst]).to be_between(0.3, 1.0)
  end

  it "keeps bodies apart" do
    two = problem({}, { "id" => "o2", "kind" => "outline", "name" => "second", "boundary" => rectangle("0 mm", "50 mm", "20 mm", "20 mm") },
                  { "id" => "b2", "kind" => "body", "name" => "block", "outline" => "second", "make" => "solid", "thickness" => "10 mm" }).mesh
    shared = two.body_nodes("bar").to_a & two.body_nodes("block").to_a
    expect(shared).to be_empty
    expect(two.blocks.map(&:body)).to eq(%w[bar block])
  end

  describe Lattice::Mesh::Estimate do
    let(:bodies) { problem.parts.bodies }
    let(:statement) { document.active("mesh").first }

    it "is near the truth" do
      found = described_class.call(bodies, Lattice::Mesh::Settings.new(0.0025))
      grid = Lattice::Mesh::Builder.call(bodies, Lattice::Mesh::Settings.new(0.0025))
      expect(found[:elements]).to be_near(grid.size, 0.1)
      expect(found[:unknowns]).to be_near(grid.unknowns, 0.35)
    end

    it "refuses a mesh that does not fit, with the numbers and a size that would" do
      message = refusal { described_class.check!(bodies, Lattice::Mesh::Settings.new(1e-5), statement, free: 8e9) }
      expect(message).to match(/size of 0.01 mm makes about .* elements, which need about .* of memory; 8 GB are free.*Choose .* mm or more/m)
      size = Lattice::Quantity.parse(message[/Choose ([\d.]+ mm)/, 1], "length")
      expect { described_class.check!(bodies, Lattice::Mesh::Settings.new(size), statement, free: 8e9) }.not_to raise_error
    end
  end
end

RSpec.describe Lattice::Mesh::Skin do
  it "covers faces with triangles and keeps edges on the shape" do
    grid = problem(outline: { "holes" => [circle(100, 10, 8)] }).mesh
    skin = described_class.new(grid)
    points = grid.nodes[skin.nodes, true].dup
    a, b, c = (0..2).map { |k| points[skin.triangles[true, k].dup, true].dup }
    normal = [0, 1, 2].map { |k| ((b - a)[true, (k + 1) % 3] * (c - a)[true, (k + 2) % 3]) - ((b - a)[true, (k + 2) % 3] * (c - a)[true, (k + 1) % 3]) }
    area = Numo::NMath.sqrt(normal.map { |n| n**2 }.reduce(:+)).sum / 2
    expect(area).to be_near((2 * ((0.2 * 0.02) + (0.2 * 0.01) + (0.02 * 0.01))) - (2 * Math::PI * 16e-6) + (Math::PI * 0.008 * 0.01), 1e-3)
    lengths = points[skin.lines[true, 0].dup, true] - points[skin.lines[true, 1].dup, true]
    expect(Numo::NMath.sqrt((lengths**2).sum(1)).max).to be < 0.01
    expect(skin.faces.sum { |_, _, _, count| count }).to eq(skin.triangles.shape[0])
  end

  it "shows the whole of a plane body" do
    grid = problem(body: { "make" => "plane stress" }, root: { "of" => "edges" }, tip: { "of" => "edges" }).mesh
    expect(described_class.new(grid).nodes.size).to eq(grid.nodes.shape[0])
  end
end
