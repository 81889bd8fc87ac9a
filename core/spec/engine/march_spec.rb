# frozen_string_literal: true

# One unknown that snaps: f(u) = u³ − 3 u² + 2.2 u, greatest at u₁ and least at u₂ = 1 ± √(0.8 / 3).
RSpec.describe Lattice::Engine::March do
  pose = Struct.new(:moved) do
    def step(more) = self.class.new(moved + more)
  end
  alone = Class.new do
    def reduce(matrix) = matrix
    def reduce_loads(loads) = loads
    def expand_movements(found) = found
    def free = Numo::Int32[0]
  end

  # What a march asks of equations.
  let(:equations) do
    Class.new do
      attr_reader :committed, :constraints

      def initialize(constraints) = @constraints = constraints
      def push = Numo::DFloat[1.0]
      def pushed(level) = Numo::DFloat[level]
      def given = Numo::DFloat[0.0]
      def given? = false
      def extent = 1.0
      def touches = []
      def settle = true
      def slides? = false
      def hardly = 0.0
      def slant(_moved) = nil
      def strays = 0.0
      def reach(_level, _ratio) = nil
      def bear(_level) = nil
      def back = @backs = (@backs || 0) + 1
      def commit = @committed = (@committed || 0) + 1
      def read(_pose, level) = level

      def call(pose)
        u = pose.moved[0]
        [Numo::DFloat[(u**3) - (3 * (u**2)) + (2.2 * u)], Lattice::Algebra::SymmetricMatrix.from_entries(Numo::Int32[0], Numo::Int32[0], Numo::DFloat[(3 * (u**2)) - (6 * u) + 2.2], 1)]
      end
    end.new(alone.new)
  end
  let(:found) { [] }

  def force(place) = (place**3) - (3 * (place**2)) + (2.2 * place)

  it "follows the length of the path past the greatest load and the least, in balance all along" do
    march = described_class.new(equations, Lattice::Engine::Control::Arc.new(0.1, Numo::Int32[0], 0.1))
    ended = march.call(pose.new(Numo::DFloat[0.0])) { |increment| (found << increment) && increment.pose.moved[0] > 2 ? :stop : nil }
    expect(ended).to eq("done")
    expect(found.map { |f| f.level - force(f.pose.moved[0]) }.map(&:abs).max).to be < 1e-6
    expect(equations.committed).to eq(found.size)
    high, low = [-1, 1].map { |sign| force(1 + (sign * Math.sqrt(0.8 / 3))) }
    expect(Lattice::Study::GivingWay.extremes(found)).to include(factor: be_near(high, 1e-4), least: be_near(low, 1e-3))
    # Between both it does not resist, and there alone.
    inside = found.select { |f| (f.pose.moved[0] - 1).abs < 0.5 }
    expect(inside.map(&:lower)).to all(eq(1))
    expect((found - inside).select { |f| (f.pose.moved[0] - 1).abs > 0.53 }.map(&:lower)).to all(eq(0))
  end

  it "comes to the end of the loads it is given, and no further where they are more than it bears" do
    march = described_class.new(equations, Lattice::Engine::Control::Level.new(0.1, 0.4))
    expect(march.call(pose.new(Numo::DFloat[0.0])) { |increment| (found << increment) && increment.level > 0.4 - 1e-12 ? :stop : nil }).to eq("done")
    expect(found.last.level).to be_near(0.4, 1e-12)
    expect(found.map { |f| f.residuals.last }).to all(be < 1e-6)
  end

  it "halves increments that do not come to rest, takes back what they left, and says so at last" do
    stiff = equations
    def stiff.call(pose) = super.then { |force, matrix| pose.moved[0] > 0.2 ? [force * Float::NAN, matrix] : [force, matrix] }
    march = described_class.new(stiff, Lattice::Engine::Control::Level.new(0.2, 1.0))
    expect(march.call(pose.new(Numo::DFloat[0.0])) { |increment| (found << increment) && nil }).to eq("no further")
    expect(march.cuts).to be >= 10
    expect(stiff.back).to eq(march.cuts + 1)
    expect(found.last.pose.moved[0]).to be_between(0.19, 0.2)
  end
end
