# frozen_string_literal: true

RSpec.describe Lattice::Algebra::Pairs do
  # Two squares side by side and a triangle on top of the first.
  let(:quads) { Numo::Int32[[0, 1, 4, 3], [1, 2, 5, 4]] }
  let(:triangles) { Numo::Int32[[3, 4, 6]] }
  let(:pairs) { described_class.new([[quads, [[0, 1], [1, 2], [2, 3], [3, 0]]], [triangles, [[0, 1], [1, 2], [2, 0]]]]) }

  it "finds each side once, whichever way it runs" do
    expect(pairs.size).to eq(9)
    expect((pairs.low < pairs.high).all?).to be(true)
    expect(pairs.low.to_a.zip(pairs.high.to_a).uniq.size).to eq(9)
  end

  it "tells the sides of each element" do
    expect(pairs.of(0)[0, 1]).to eq(pairs.of(0)[1, 3])
    expect(pairs.of(0)[0, 2]).to eq(pairs.of(1)[0, 0])
    expect(pairs.of(1).shape).to eq([1, 3])
  end

  it "looks up sides, and knows which are not there" do
    index = pairs.find(Numo::Int32[4, 3], Numo::Int32[1, 6])
    expect(pairs.low[index].to_a.zip(pairs.high[index].to_a)).to eq([[1, 4], [3, 6]])
    expect(pairs.include?(Numo::Int32[4, 0, 6], Numo::Int32[1, 5, 3]).to_a).to eq([1, 0, 1])
  end

  it "finds twins" do
    order, same = described_class.twins(Numo::Int32[5, 1, 2], Numo::Int32[7, 2, 1])
    expect(same.size).to eq(1)
    expect([order[same[0]], order[same[0] + 1]]).to contain_exactly(1, 2)
  end
end

RSpec.describe Lattice::Mesh::Incidence do
  it "lists the elements around each node, filled up with one past the last" do
    table = described_class.padded(Numo::Int32[[0, 1, 2], [2, 1, 3]], 5)
    expect(table.to_a.map { |row| (row - [2]).sort }).to eq([[0], [0, 1], [0, 1], [1], []])
  end
end

RSpec.describe Lattice::Mesh::Quality do
  def brick(&) = Lattice::Element::Hex20::NODES.dup.tap(&)

  it "is one for squares, cubes and even triangles, whatever their size" do
    square = Numo::DFloat[[0, 0, 0], [3, 0, 0], [3, 3, 0], [0, 3, 0]]
    expect(described_class.scaled_jacobian(square, :quad8, Numo::Int32[[0, 1, 2, 3]])[0]).to be_near(1.0, 1e-12)
    even = Numo::DFloat[[0, 0, 0], [2, 0, 0], [1, Math.sqrt(3), 0]]
    expect(described_class.scaled_jacobian(even, :tri6, Numo::Int32[[0, 1, 2]])[0]).to be_near(1.0, 1e-12)
    expect(described_class.scaled_jacobian(brick { nil } * 5, :hex20, Numo::Int32[(0..19).to_a])[0]).to be_near(1.0, 1e-12)
  end

  it "is the sine of the sharpest corner of a skewed square" do
    skewed = Numo::DFloat[[0, 0], [1, 0], [1 + Math.cos(1.0), Math.sin(1.0)], [Math.cos(1.0), Math.sin(1.0)]]
    expect(described_class.quad_jacobian(skewed, Numo::Int32[[0, 1, 2, 3]])[0]).to be_near(Math.sin(1.0), 1e-12)
  end

  it "is negative for what is folded" do
    folded = Numo::DFloat[[0, 0], [1, 0], [0.2, 0.2], [0, 1]]
    expect(described_class.quad_jacobian(folded, Numo::Int32[[0, 1, 2, 3]])[0]).to be_negative
    expect(described_class.scaled_jacobian(brick { |n| n[6, true] = [-0.9, -0.9, -0.9] }, :hex20, Numo::Int32[(0..19).to_a])[0]).to be_negative
  end
end

RSpec.describe Lattice::Mesh::PlaneSizing do
  def at(sizing, *place) = sizing.at(Numo::DFloat[place])[0]

  it "is the given size where nothing asks for less" do
    sizing = described_class.new(outline_of(rectangle("0 mm", "0 mm", "100 mm", "100 mm")), Lattice::Mesh::SizingPlan.of(0.01), Lattice::Shape::Frame.new)
    expect(at(sizing, 0.05, 0.05)).to eq(0.01)
  end

  it "is less on curves, and grows gently away from them" do
    sizing = described_class.new(outline_of(rectangle("0 mm", "0 mm", "100 mm", "100 mm"), circle(50, 50, 10)), Lattice::Mesh::SizingPlan.of(0.01), Lattice::Shape::Frame.new)
    expect(at(sizing, 0.055, 0.05)).to be_near(0.005 * Math::PI / 12, 0.06)
    expect(at(sizing, 0.060, 0.05)).to be_between(at(sizing, 0.055, 0.05), at(sizing, 0.070, 0.05))
    expect(at(sizing, 0.095, 0.05)).to eq(0.01)
  end

  it "fits two elements across a thin place after halving" do
    sizing = described_class.new(outline_of(rectangle("0 mm", "0 mm", "100 mm", "4 mm")), Lattice::Mesh::SizingPlan.of(0.02), Lattice::Shape::Frame.new)
    expect(at(sizing, 0.05, 0.0)).to be <= 0.0045
  end
end

RSpec.describe Lattice::Mesh::Delaunay do
  it "triangulates counter-clockwise and covers the hull" do
    points = Numo::DFloat[[0, 0], [1, 0], [1, 1], [0, 1], [0.4, 0.5], [0.7, 0.2]]
    tri = described_class.triangles(points)
    a, b, c = (0..2).map { |k| Lattice::Algebra::Gather.rows(points, tri)[true, k, true].dup }
    area = (((b - a)[true, 0] * (c - a)[true, 1]) - ((c - a)[true, 0] * (b - a)[true, 1])) / 2
    expect(area.min).to be_positive
    expect(area.sum).to be_near(1.0, 1e-12)
  end

  it "takes the square lattices that leave a choice of diagonal" do
    grid = Numo::DFloat.cast((0..4).to_a.product((0..4).to_a))
    expect(described_class.triangles(grid).shape[0]).to eq(32)
  end
end
