# frozen_string_literal: true

RSpec.describe Lattice::Matter::Law::Cracking do
  let(:law) { described_class.new(30e9, 0.2, Lattice::Matter::Concrete.new(3e6, 30e6, 100.0, nil), Numo::DFloat.ones(1) * 0.05) }

  # Stress after strains one after the other.
  def stress(*strains)
    state = law.start(1)
    strains.map do |strain|
      row = Numo::DFloat[strain]
      moduli, state = law.respond(row, state)
      moduli[0, true, true].dot(row[0, true]).to_a
    end
  end

  def turned(strain, angle)
    c = Math.cos(angle)
    s = Math.sin(angle)
    x, y, xy = strain
    [(x * c * c) + (y * s * s) - (xy * c * s), (x * s * s) + (y * c * c) + (xy * c * s), (2 * (x - y) * c * s) + (xy * ((c * c) - (s * s)))]
  end

  it "is elastic at first, in plane stress" do
    found = stress([2e-5, 0.0, 3e-5])[0]
    wanted = Lattice::Element::PlaneStress.elasticity(30e9, 0.2).dot(Numo::DFloat[2e-5, 0.0, 3e-5]).to_a
    found.zip(wanted).each { |one, other| expect(one).to be_near(other, 1e-9) }
  end

  it "bears its tension and no more, fades, and goes back to nothing along a straight line" do
    pull = ->(e) { [e, -0.2 * e, 0.0] }
    most = (1..60).map { |i| stress(pull[i * 5e-6])[0][0] }.max
    expect(most).to be_near(3e6, 2e-2)
    far, half, again = stress([4e-4, 0.0, 0.0], [2e-4, 0.0, 0.0], [4e-4, 0.0, 0.0]).map(&:first)
    expect(far).to be < 2e6
    expect(half).to be_near(far / 2, 2e-2)
    expect(again).to be_near(far, 1e-9)
  end

  it "is whole again where a crack is closed" do
    expect(stress([4e-4, 0.0, 0.0], [-1e-4, 0.0, 0.0])[1][0]).to be_near(-1e-4 * 30e9 / 0.96, 1e-6)
  end

  it "is crushed at its compression" do
    most = (1..80).map { |i| stress([-5e-5 * i, 1e-5 * i, 0.0])[0][0] }.min
    expect(most).to be_near(-30e6, 1e-2)
  end

  it "does not care how its axes lie" do
    strain = [3e-4, -1e-4, 5e-5]
    plain = stress(strain)[0]
    [0.3, 1.1, 2.5].each do |angle|
      found = stress(turned(strain, angle))[0]
      expect(found[0] + found[1]).to be_near(plain[0] + plain[1], 1e-9)
      expect(((found[0] - found[1])**2) + (4 * (found[2]**2))).to be_near(((plain[0] - plain[1])**2) + (4 * (plain[2]**2)), 1e-8)
    end
  end

  it "refuses bands that are too wide for the energy of a crack" do
    expect { described_class.new(30e9, 0.2, Lattice::Matter::Concrete.new(3e6, 30e6, 10.0, nil), Numo::DFloat.ones(2)) }.to raise_error(Lattice::SolveFailed, /too large for the energy/)
  end
end
