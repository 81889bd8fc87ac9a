# frozen_string_literal: true

RSpec.describe Lattice::Study::Rayleigh do
  it "goes through the two ratios that are given, and is least between them where mass and stiffness damp alike" do
    damped = described_class.new(2.0, 18.0, [0.02, 0.05])
    expect(damped.of(Numo::DFloat[2.0, 18.0]).to_a).to be_near([0.02, 0.05], 1e-12)
    alpha, beta = damped.parts
    # dζ/dω = −α / 2ω² + β / 2 = 0 where ω = √(α / β), and ζ = √(α β) there.
    least = Math.sqrt(alpha / beta) / (2 * Math::PI)
    expect(damped.of(Numo::DFloat[least])[0]).to be_near(Math.sqrt(alpha * beta), 1e-12)
    curve = damped.to_h
    expect(curve[:frequencies].minmax).to be_near([2 / 3.0, 54], 1e-12)
    expect(curve[:ratios].min).to be_between(Math.sqrt(alpha * beta), Math.sqrt(alpha * beta) * 1.01)
    expect(curve[:ends]).to eq([[2.0, 0.02], [18.0, 0.05]])
  end

  it "damps only by parts above zero, at frequencies in order" do
    expect(described_class.new(2.0, 18.0, [0.02, 0.05])).to be_damps
    [[18.0, 2.0, [0.02, 0.02]], [0.0, 2.0, [0.02, 0.02]], [2.0, 18.0, [0.001, 0.09]], [2.0, 18.0, [0.09, 0.001]], [1.0, Float::INFINITY, [0.02, 0.02]]].each { |given| expect(described_class.new(*given)).not_to be_damps }
  end
end
