# frozen_string_literal: true

RSpec.describe Lattice::Engine::Krylov do
  def matrix(size) = Numo::DFloat.eye(size) + ((Numo::NArray.srand(5).then { Numo::DFloat.new(size, size).rand } - 0.5) * 0.2)

  it "solves what is not symmetric, to a thousandth of the right side" do
    a = matrix(30)
    right = Numo::DFloat.new(30).seq - 10
    found = described_class.call(right) { |x| a.dot(x) }
    expect(Math.sqrt(((a.dot(found) - right)**2).sum)).to be < Math.sqrt((right**2).sum) * described_class::ENOUGH
  end

  it "gives back what is solved already, and nothing of nothing" do
    right = Numo::DFloat[1, 2, 3]
    expect((described_class.call(right, &:dup) - right).abs.max).to be < 1e-12
    expect(described_class.call(right * 0, &:dup).abs.max).to eq(0)
  end
end

RSpec.describe Lattice::Engine::Mixing do
  # x = g(x), a contraction that is slow by itself.
  def rounds(mixing)
    rates = Numo::DFloat[0.98, 0.9, 0.5, -0.8]
    x = Numo::DFloat.zeros(4)
    (1..400).find do
      wish = (x * (rates - 1)) + 1
      x += mixing ? mixing.call(wish) : wish
      wish.abs.max < 1e-9
    end
  end

  it "comes to rest in a few steps where plain steps take hundreds" do
    expect(rounds(described_class.new)).to be < 12
    expect(rounds(nil)).to be_nil
  end

  it "takes the first step as it is" do
    expect(described_class.new.call(Numo::DFloat[1, -2])).to eq(Numo::DFloat[1, -2])
  end
end
