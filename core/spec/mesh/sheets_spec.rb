# frozen_string_literal: true

RSpec.describe Lattice::Mesh::Sheets do
  def arc(*places)
    [{ "x" => "#{places[0][0]} mm", "y" => "#{places[0][1]} mm", "through" => { "x" => "#{places[1][0]} mm", "y" => "#{places[1][1]} mm" } },
     { "x" => "#{places[2][0]} mm", "y" => "#{places[2][1]} mm" }]
  end

  def line(corners) = { "kind" => "line", "name" => "path", "corners" => corners }
  def faces(**more) = body_named("shell", "path", make: "faces", wall: "1 mm", **more)

  def meshed(statements, size: 0.005, **options)
    parts = parts_of(*statements)
    [parts.bodies[0], Lattice::Mesh::Builder.call(parts.bodies, Lattice::Mesh::Settings.new(size, **options), parts.joins)]
  end

  def worst(grid) = grid.quality.values(:scaled_jacobian).min

  # An eighth of a ball's skin: three sides, one of which turns about the axis.
  let(:octant) do
    h = 20 / Math.sqrt(2)
    [line(arc([20, 0], [h, h], [0, 20])), faces(by: "revolve", angle: "90 deg")]
  end

  let(:cone) { [line([{ "x" => "10 mm", "y" => "0 mm" }, { "x" => "30 mm", "y" => "30 mm" }]), faces(by: "revolve")] }

  it "maps a face of three sides by three patches of four, on the ball" do
    body, grid = meshed(octant)
    expect(grid.blocks.map(&:kind)).to eq([:quad8])
    radius = Numo::NMath.sqrt((grid.nodes**2).sum(1))
    expect((radius - 0.02).abs.max).to be < 2e-5
    expect(worst(grid)).to be > 0.3
    expect(grid.places.keys).to match_array(body.places.reject { |p| p.of == :bodies }.map(&:key))
  end

  it "has the area of what it covers, with either family and order" do
    [octant, cone].each do |statements|
      { "bricks and quadrilaterals" => "quadratic", "tetrahedra and triangles" => "linear" }.each do |family, order|
        body, grid = meshed(statements, family: family, order: order)
        area = grid.blocks.sum { |b| area_of(grid, b) }
        expect(area / body.facets.measures.area).to be_near(1.0, order == "linear" ? 0.01 : 1e-3)
      end
    end
  end

  # By two by two Gauss points, or three of a triangle.
  def area_of(grid, block)
    kind = Lattice::Element::Kind[block.kind]
    rule = kind.stress_rule
    x = (0...kind.nodes).map { |k| grid.nodes[block.conn[true, k].dup, true].dup }
    rule.points.to_a.each_with_index.sum do |point, g|
      slopes = kind.gradients(Numo::DFloat[point])[0, true, true]
      a, b = [0, 1].map { |d| x.each_with_index.map { |at, k| at * slopes[k, d] }.reduce(:+) }
      Lattice::Shape::Vectors.norm(Lattice::Shape::Vectors.cross(a, b)).sum * rule.weights[g]
    end
  end

  it "maps the ring between two closed edges" do
    _, grid = meshed(cone)
    expect(grid.blocks.map(&:kind)).to eq([:quad8])
    slope = Numo::NMath.sqrt((grid.nodes[true, 0]**2) + (grid.nodes[true, 2]**2)) - 0.01 - (grid.nodes[true, 1] * 2 / 3)
    expect(slope.abs.max).to be < 1e-4
    expect(worst(grid)).to be > 0.6
  end

  it "keeps the nodes of faces that meet along an edge" do
    corner = [{ "x" => "0 mm", "y" => "0 mm" }, { "x" => "30 mm", "y" => "0 mm" }, { "x" => "30 mm", "y" => "20 mm" }]
    body, grid = meshed([line(corner), faces(thickness: "40 mm")])
    counts = body.facets.edges.select { |e| e.faces.size == 2 }.map { |e| grid.places[["shell", e.name]].shape[0] }
    expect(counts).to eq([8])
    shared = body.places.select { |p| p.of == :faces }.map { |p| grid.places[p.key].flatten.to_a.uniq }.reduce(:&)
    expect(grid.nodes[shared, 0].to_a).to all(be_near(0.03, 1e-12))
    expect(shared.size).to eq(17)
  end
end
