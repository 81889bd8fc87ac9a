# frozen_string_literal: true

RSpec.describe Lattice::Algebra::Condensing do
  it "leaves the stiffness of what stays, and gives back what was eliminated" do
    random = Random.new(4)
    raw = Numo::DFloat.cast(Array.new(3) { Array.new(7) { Array.new(7) { random.rand(-1.0..1.0) } } })
    all = Numo::DFloat.cast((0...3).map { |e| (raw[e, true, true].dot(raw[e, true, true].transpose) + Numo::DFloat.eye(7)).to_a })
    condensed = described_class.new(all.dup, 4)
    u = Numo::DFloat.cast(Array.new(3) { Array.new(4) { random.rand } })
    whole = condensed.whole(u)
    3.times do |e|
      force = all[e, true, true].dot(whole[e, true])
      expect(force[4..].abs.max).to be < 1e-12
      expect((force[0..3] - condensed.matrices[e, true, true].dot(u[e, true])).abs.max).to be < 1e-12
    end
  end

  it "eliminates nothing where all stay" do
    all = Numo::DFloat.eye(3).reshape(1, 3, 3)
    condensed = described_class.new(all, 3)
    expect([condensed.matrices, condensed.whole(Numo::DFloat[[1, 2, 3]])]).to eq([all, Numo::DFloat[[1, 2, 3]]])
  end
end

RSpec.describe Lattice::Element::IncompatibleModes do
  # A brick that is skew: its modes must not strain it on the whole, and no motion but the rigid ones may be free.
  it "brings no mean strain, and leaves six free motions" do
    kind = Lattice::Element::Kind[:hex8]
    skew = kind.nodes_at.dot(Numo::DFloat[[1, 0.2, 0.1], [-0.1, 0.8, 0.2], [0.05, -0.1, 1.2]]) + Numo::DFloat.cast((0...24).map { |i| 0.1 * Math.sin(i * 2.3) }).reshape(8, 3)
    coordinates = skew.reshape(1, 8, 3)
    mapping = Lattice::Element::Mapping.new(kind, coordinates, kind.stiffness_rule.points)
    slopes = described_class.slopes(kind, coordinates, mapping, kind.stiffness_rule.points)
    weights = (mapping.determinants * kind.stiffness_rule.weights.reshape(1, 8)).reshape(1, 8, 1, 1)
    expect((slopes * weights).sum(1).abs.max).to be < 1e-12
    k = Lattice::Element::Continuum.new(kind, coordinates, "solid").stiffness(1.0, 0.3)[true, true, 0, true, true].transpose(2, 0, 3, 1).dup.reshape(24, 24)
    values, = Numo::Linalg.eigh(k)
    expect((values.abs > 1e-9 * values.max).count).to eq(18)
  end
end
