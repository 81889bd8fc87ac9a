# frozen_string_literal: true

RSpec.describe Lattice::Mesh::Chain do
  def chain(*pieces, at: [[0, 0, 0], [1, 0, 0], [2, 0, 0], [3, 0, 0], [1.5, 1, 0]]) = described_class.call(Numo::Int32.cast(pieces), Numo::DFloat.cast(at))

  it "orders pieces that come in any order and direction, from the end that comes first" do
    expect(chain([2, 1], [3, 2], [0, 1])).to eq([0, 1, 2, 3])
    expect(chain([2, 1, 4], [2, 3, 0])).to eq([1, 4, 2, 0, 3])
    expect(chain([1, 2])).to eq([1, 2])
  end

  it "closes a ring with its first point" do
    expect(chain([1, 2], [4, 1], [2, 4])).to eq([1, 2, 4, 1]).or eq([1, 4, 2, 1])
  end

  it "answers nothing for a branch, a gap, or two rings" do
    expect(chain([0, 1], [1, 2], [1, 4])).to be_nil
    expect(chain([0, 1], [2, 3])).to be_nil
    rings = [[0, 1], [1, 2], [2, 0], [3, 4], [4, 5], [5, 3]]
    expect(chain(*rings, at: Array.new(6) { |i| [i, 0, 0] })).to be_nil
    expect(described_class.call(Numo::Int32.zeros(0, 2), Numo::DFloat.zeros(0, 3))).to be_nil
  end
end
