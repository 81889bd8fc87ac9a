# frozen_string_literal: true

# A wide plate with a small hole, pulled: what is made finer where the estimate of error asks for it.
RSpec.describe Lattice::Verdict::LocalSizes do
  let(:reference) { 301.13e6 } # on a mesh of 0.2 mm around the hole

  def plate(size, balls = [])
    edge = ->(name, at) { group_named(name, { "plane" => { "axis" => "x", "at" => "#{at} mm" } }, of: "edges") }
    millimetres = ->(v) { "#{(v * 1000).round(4)} mm" }
    sizes = balls.map do |b|
      { "kind" => "size", "size" => millimetres[b[:size]], "ball" => { **%w[x y z].zip(b[:at].map(&millimetres)).to_h, "radius" => millimetres[b[:radius]] } }
    end
    hole = [circle(100, 100, 10)]
    problem = shape_problem(outline_named("o", rectangle("0 mm", "0 mm", "200 mm", "200 mm"), holes: hole), body_named("plate", "o", make: "plane stress", thickness: "5 mm"),
                            { "kind" => "material", "target" => "plate", "material" => "steel S355" }, edge["left", 0], edge["right", 200],
                            group_named("corner", { "box" => { "from" => spot(-1, -1, -1), "to" => spot(1, 1, 1) } }, of: "points"),
                            { "kind" => "support", "target" => "left", "components" => ["x"] }, { "kind" => "support", "target" => "corner", "components" => ["y"] },
                            { "kind" => "force", "target" => "right", "value" => "100 kN", "direction" => "+x" }, { "kind" => "mesh", "size" => "#{size} mm", "turn" => "60 deg" }, *sizes,
                            { "kind" => "study", "name" => "q", "type" => "static" })
    [problem, solve(problem)]
  end

  def error(result) = (result.field("stress_xx").max / reference) - 1

  it "reaches with one round what a mesh of one size takes six times the unknowns for" do
    problem, coarse = plate(20)
    balls = described_class.new(problem, coarse).call
    expect(balls.size).to be_between(1, described_class::MOST)
    # Balls lie in each other, finer inwards, about the hole.
    expect(balls.map { |b| Math.hypot(b[:at][0] - 0.1, b[:at][1] - 0.1) }).to all(be < 0.02)
    expect(balls.min_by { |b| b[:radius] }[:size]).to be_near(balls.map { |b| b[:size] }.min, 1e-6)
    _, local = plate(20, balls)
    _, uniform = plate(2)
    expect(error(coarse).abs).to be > 0.05
    expect(error(local).abs).to be < 0.0105
    expect(error(uniform).abs).to be > error(local).abs
    expect(local.grid.unknowns * 6).to be < uniform.grid.unknowns
  end

  it "asks for nothing where the stress is even" do
    problem = problem({ force: { "direction" => "+x" }, support: { "components" => ["x"] } },
                      *%w[y z].map { |axis| { "id" => "g#{axis}" }.merge(group_named("at #{axis}", { "plane" => { "axis" => axis, "at" => "0 mm" } })) },
                      *%w[y z].map { |axis| { "id" => "h#{axis}", "kind" => "support", "target" => "at #{axis}", "components" => [axis] } })
    expect(described_class.new(problem, solve(problem)).call).to eq([])
  end
end
