# frozen_string_literal: true

RSpec.describe Lattice::Shape::Polygon do
  let(:square) { Numo::DFloat[[0, 0], [4, 0], [4, 4], [0, 4]] }
  let(:hole) { Numo::DFloat[[1, 1], [1, 3], [3, 3], [3, 1]] }

  def ends(points) = points[[*1...points.shape[0], 0], true].dup

  it "tells inside from outside, holes counted" do
    from = Numo::DFloat.vstack([square, hole])
    to = Numo::DFloat.vstack([ends(square), ends(hole)])
    points = Numo::DFloat[[0.5, 0.5], [2, 2], [5, 2], [3.5, 2], [-1, 0], [2, 0.999]]
    expect(described_class.inside(points, from, to).to_a).to eq([1, 0, 0, 1, 0, 1])
    expect(described_class.inside(Numo::DFloat.zeros(0, 2), from, to).size).to eq(0)
  end

  it "finds crossings, but not the corners that neighbours share" do
    expect(described_class.crossing(square, ends(square), 1e-9)).to be_nil
    bow = Numo::DFloat[[0, 0], [4, 4], [4, 0], [0, 4]]
    expect(described_class.crossing(bow, ends(bow), 1e-9)).to eq([0, 2])
  end

  it "finds sides that lie on each other" do
    spike = Numo::DFloat[[0, 0], [4, 0], [2, 0], [2, 3]]
    expect(described_class.crossing(spike, ends(spike), 1e-9)).not_to be_nil
  end

  it "measures the distance to edges" do
    expect(described_class.distance_to([2, 1], square, ends(square))).to be_near(1.0, 1e-12)
    expect(described_class.distance_to([6, 4], square, ends(square))).to be_near(2.0, 1e-12)
  end

  it "agrees with a point by point count on many random segments" do
    random = Random.new(7)
    from = Numo::DFloat.cast(Array.new(12) { [random.rand, random.rand] })
    to = Numo::DFloat.cast(Array.new(12) { [random.rand, random.rand] })
    side = ->(p, q, r) { ((q[0] - p[0]) * (r[1] - p[1])) - ((q[1] - p[1]) * (r[0] - p[0])) }
    first = (0...12).to_a.combination(2).find do |i, j|
      a, b, c, d = [from[i, true], to[i, true], from[j, true], to[j, true]].map(&:to_a)
      (side.call(a, b, c) * side.call(a, b, d)).negative? && (side.call(c, d, a) * side.call(c, d, b)).negative?
    end
    expect(described_class.crossing(from, to, 1e-12)).to eq(first)
  end
end

RSpec.describe Lattice::Shape::Arc do
  it "goes from one point to another through a third, either way round" do
    left = described_class.through([1, 0], [0, 1], [-1, 0], "arc")
    right = described_class.through([1, 0], [0, -1], [-1, 0], "arc")
    expect([left.sweep, right.sweep].map { |s| s.round(9) }).to eq([Math::PI.round(9), -Math::PI.round(9)])
    expect(left.at(0.5).map { |c| c.round(9) }).to eq([0, 1])
    expect(right.at(0.5).map { |c| c.round(9) }).to eq([0, -1])
    expect(described_class.through([0, 0], [1, 0], [2, 0], "arc")).to be_nil
  end

  it "runs backwards over the same points" do
    arc = described_class.new([2.0, 1.0], 3.0, 0.4, 1.1, "arc")
    params = Numo::DFloat[0, 0.25, 1]
    expect((arc.points(params) - arc.reverse.points(1 - params)).abs.max).to be < 1e-12
    expect(arc.moments.zip(arc.reverse.moments).map { |a, b| (a + b).abs }.max).to be < 1e-12
  end
end
