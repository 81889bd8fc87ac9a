# frozen_string_literal: true

RSpec.describe Lattice::Shape::NearPoints do
  def apart(points) = described_class.pairs(points, 1.0)[2]

  it "leaves no two points within the tolerance, and moves none farther than it" do
    random = Random.new(4)
    [[400, 3.0], [400, 12.0], [60, 40.0]].each do |count, span|
      points = Numo::DFloat.cast(Array.new(count) { Array.new(3) { random.rand * span } })
      kept, index = described_class.call(points, 1.0)
      moved = Lattice::Shape::Vectors.norm(points - kept[index, true])
      expect(moved.max).to be <= 1.0
      expect(apart(kept)).to be_empty
      expect(Lattice::Algebra::Gather.distinct([index]).size).to eq(kept.shape[0])
    end
  end

  it "does not run along a chain of near points" do
    line = Numo::DFloat.zeros(101, 3)
    line[true, 0] = Numo::DFloat.new(101).seq * 0.6
    kept, index = described_class.call(line, 1.0)
    expect(kept.shape[0]).to be_between(34, 51)
    expect((line - kept[index, true]).abs.max).to be <= 1.0
  end

  it "takes the nearest, and leaves points that are far apart as they are" do
    far = Numo::DFloat[[0, 0, 0], [2, 0, 0], [0, 2, 0]]
    expect(described_class.call(far, 1.0)[1].to_a).to eq([0, 1, 2])
    expect(described_class.call(far * 0.1, 1.0)[0].shape[0]).to eq(1)
  end
end
