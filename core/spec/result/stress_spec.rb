# frozen_string_literal: true

RSpec.describe Lattice::Result::Stress do
  let(:tensors) { Numo::DFloat.cast(Array.new(40) { |i| Array.new(6) { |k| Math.sin((i * 6) + (k * 1.7)) * 100 } }) }

  it "agrees with the eigenvalues of the tensor" do
    greatest, middle, least = described_class.principal(tensors)
    tensors.to_a.each_with_index do |(x, y, z, xy, yz, zx), i|
      values = Numo::Linalg.eigvalsh(Numo::DFloat[[x, xy, zx], [xy, y, yz], [zx, yz, z]]).to_a
      [least[i], middle[i], greatest[i]].zip(values) { |got, wanted| expect((got - wanted).abs).to be < 1e-9 * 100 }
    end
  end

  it "reads von Mises and Tresca from the principal stresses" do
    a, b, c = described_class.principal(tensors)
    from_principal = Numo::NMath.sqrt((((a - b)**2) + ((b - c)**2) + ((c - a)**2)) / 2)
    expect((described_class.scalar("von_mises", tensors) - from_principal).abs.max).to be < 1e-9
    expect((described_class.scalar("tresca", tensors) - (a - c)).abs.max).to be < 1e-9
  end

  it "takes uniaxial, hydrostatic and zero stress" do
    special = Numo::DFloat[[100, 0, 0, 0, 0, 0], [50, 50, 50, 0, 0, 0], [0, 0, 0, 0, 0, 0], [0, 0, 0, 10, 0, 0]]
    expect(described_class.scalar("von_mises", special).to_a.map { |v| v.round(9) }).to eq([100, 0, 0, (10 * Math.sqrt(3)).round(9)])
    expect(described_class.scalar("tresca", special).to_a.map { |v| v.round(6) }).to eq([100, 0, 0, 20])
    expect(described_class.scalar("stress_xy", special).to_a).to eq([0, 0, 0, 10])
  end
end
