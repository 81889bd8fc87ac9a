# frozen_string_literal: true

RSpec.describe Lattice::Load::RigidMotion do
  let(:corner) { Numo::DFloat[[0, 0, 0]] }
  let(:edge) { Numo::DFloat[[0, 0, 0], [0, 0, 1]] }
  let(:face) { Numo::DFloat[[0, 0, 0], [0, 1, 0], [0, 0, 1]] }

  def free(*points, make: "solid") = described_class.new(points, [0.5, 0.5, 0.5], 1.7, make).free

  it "has all six motions when nothing is held, none when a face is" do
    expect(free.size).to eq(6)
    expect(free([face, [0, 1, 2]])).to be_empty
  end

  it "turns about a held edge, and about a held point in every way" do
    expect(free([edge, [0, 1, 2]])).to eq(["turn about an axis along z"])
    expect(free([corner, [0, 1, 2]]).size).to eq(3)
  end

  it "slides over a face that only pushes, and turns in it" do
    expect(free([face, [0]])).to contain_exactly("slide along y", "slide along z", "turn about an axis along x")
  end

  it "adds up what several places hold" do
    expect(free([face, [0]], [corner, [1, 2]])).to eq(["turn about an axis along x"])
    expect(free([face, [0]], [corner, [1, 2]], [Numo::DFloat[[0, 1, 0]], [2]])).to be_empty
  end

  it "knows that a plane body cannot leave its plane and a ring only shifts along its axis" do
    expect(free(make: "plane stress")).to eq(["slide along x", "slide along y", "turn about an axis along z"])
    expect(free(make: "axisymmetric")).to eq(["slide along y"])
    expect(free([corner, [1]], make: "axisymmetric")).to be_empty
  end

  it "names a skew axis as such" do
    expect(free([Numo::DFloat[[0, 0, 0], [1, 1, 0]], [0, 1, 2]])).to eq(["turn about a skew axis"])
  end
end

RSpec.describe Lattice::Element::Surface do
  let(:square) { Numo::DFloat[[0, 0, 0], [2, 0, 0], [2, 2, 0], [0, 2, 0], [1, 0, 0], [2, 1, 0], [1, 2, 0], [0, 1, 0]].reshape(1, 8, 3) }

  it "shares a force as the shape functions do: corners of a square pull back" do
    shares = described_class.new(square, 1.0, Lattice::Element::Kind[:quad8]).shares[0, true].to_a
    expect(shares.sum).to be_near(4.0, 1e-12)
    expect(shares[0..3]).to all(be_near(-4.0 / 12, 1e-12))
    expect(shares[4..7]).to all(be_near(4.0 / 3, 1e-12))
  end

  it "presses against the outward normal" do
    expect(described_class.new(square, 1.0, Lattice::Element::Kind[:quad8]).pressed.sum(1).to_a.first.map { |v| v.round(12) }).to eq([0, 0, -4])
  end

  it "shares along a line, upright ones too, and round a ring" do
    upright = Numo::DFloat[[[1, 1, 0], [1, 1, 3], [1, 1, 1.5]]]
    expect(described_class.new(upright, 1.0, Lattice::Element::Kind[:line3]).shares.to_a[0].map { |v| v.round(12) }).to eq([0.5, 0.5, 2.0])
    ring = Numo::DFloat[[[2, 0, 0], [2, 1, 0], [2, 0.5, 0]]]
    expect(described_class.new(ring, :ring, Lattice::Element::Kind[:line3]).shares.sum).to be_near(2 * Math::PI * 2, 1e-12)
  end

  it "presses onto the side of a plane body from the right" do
    side = Numo::DFloat[[[0, 0, 0], [2, 0, 0], [1, 0, 0]]]
    expect(described_class.new(side, 0.5, Lattice::Element::Kind[:line3]).pressed.sum(1).to_a.first.map { |v| v.round(12) }).to eq([0, 1, 0])
  end

  it "follows a curved side" do
    s = Math.sqrt(0.5)
    arc = Numo::DFloat[[[1, 0, 0], [0, 1, 0], [s, s, 0]]]
    pushed = described_class.new(arc, 1.0, Lattice::Element::Kind[:line3]).pressed.sum(1).to_a.first
    expect(pushed[0]).to be_near(-1.0, 1e-12)
    expect(pushed[1]).to be_near(-1.0, 1e-12)
  end
end
