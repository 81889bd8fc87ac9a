# frozen_string_literal: true

RSpec.describe Lattice::Result::Reading do
  def axis(component) = Numo::DFloat.zeros(3).tap { |a| a[component] = 1.0 }

  let(:bent) { solve(problem) }

  it "averages what each element has to what the points have" do
    %w[stress_xx displacement].each do |name|
      mean = bent.grid.points.mean(1) { |b| described_class.new(bent).at_corners(name, 0, b).then { |c| c.reshape(*c.shape, 1) } }[true, 0]
      expect((mean - bent.field(name)).abs.max).to be < 1e-9 * bent.field(name).abs.max
    end
  end

  it "has the peak before averaging, and one value an element" do
    reading = described_class.new(bent)
    expect(bent.grid.blocks.each_index.map { |b| reading.at_corners("von_mises", 0, b).max }.max).to be_within(1).of(bent.unaveraged_peak("von_mises"))
    means = reading.at_corners("stress_xx", 0, 0, mean: true)
    expect((means.max(1) - means.min(1)).abs.max).to be < 1e-6 * means.abs.max
    expect(means.max).to be < reading.at_corners("stress_xx", 0, 0).max
  end

  it "turns stress and movement around an axis, as Mohr's circle does" do
    around = Lattice::Shape::Around.new(axis(2), Numo::DFloat[0.1, 0.01, 0])
    reading = described_class.new(bent, around: around)
    grid = bent.grid
    points = grid.nodes[grid.points.nodes, true]
    angle = Numo::NMath.atan2(points[true, 1] - 0.01, points[true, 0] - 0.1)
    cos = Numo::NMath.cos(angle)
    sin = Numo::NMath.sin(angle)
    xx, yy, xy = %w[stress_xx stress_yy stress_xy].map { |n| bent.field(n) }
    off = (((points[true, 0] - 0.1)**2) + ((points[true, 1] - 0.01)**2) > 1e-12).where
    { "stress_xx" => (xx * cos * cos) + (yy * sin * sin) + (xy * cos * sin * 2), "stress_yy" => (xx * sin * sin) + (yy * cos * cos) - (xy * cos * sin * 2),
      "stress_xy" => ((yy - xx) * cos * sin) + (xy * ((cos * cos) - (sin * sin))), "displacement_x" => (bent.field("displacement_x") * cos) + (bent.field("displacement_y") * sin) }.each do |name, wanted|
      expect((reading.at_points(name, 0) - wanted)[off].abs.max).to be < 1e-9 * wanted.abs.max
    end
    expect(reading.at_points("von_mises", 0)).to eq(bent.field("von_mises"))
    expect(reading.at_points("displacement_z", 0).to_a).to be_near(bent.field("displacement_z").to_a, 1e-12)
  end

  it "turns what each element has, too: invariants stay, σθ + σr = σx + σy" do
    around = Lattice::Shape::Around.new(axis(2))
    plain, turned = [nil, around].map { |a| described_class.new(bent, around: a) }
    sum = ->(reading) { %w[stress_xx stress_yy].map { |n| reading.at_corners(n, 0, 0) }.reduce(:+) }
    expect((sum[plain] - sum[turned]).abs.max).to be < 1e-6 * sum[plain].abs.max
    expect(turned.at_corners("von_mises", 0, 0)).to eq(plain.at_corners("von_mises", 0, 0))
  end

  it "reads envelopes of what the frames have" do
    problem = problem({ force: { "case" => "A" } }, { "id" => "a", "kind" => "case", "name" => "A" }, { "id" => "b", "kind" => "case", "name" => "B" },
                      { "id" => "f2", "kind" => "force", "target" => "tip", "value" => "2 kN", "direction" => "+x", "case" => "B" },
                      { "id" => "e", "kind" => "envelope", "name" => "worst", "over" => %w[A B] })
    result = solve(problem)
    reading = described_class.new(result)
    single = [0, 1].map { |f| reading.at_corners("stress_xx", f, 0) }
    expect(result.frames[2].name).to eq("worst: greatest")
    expect(reading.at_corners("stress_xx", 2, 0)).to eq(Numo::DFloat.maximum(*single))
  end

  it "refuses what is known at points alone" do
    result = Lattice::Result::Scalars.new(scalars: { "damage" => Numo::DFloat.zeros(3) }, grid: bent.grid, frames: bent.frames, states: [bent.state])
    expect { described_class.new(result) }.to raise_error(Lattice::InvalidInput, /points alone/)
  end
end
