# frozen_string_literal: true

RSpec.describe Lattice::Study::Kinds::CloseUp do
  def block(x, dx, **more) = { "x" => "#{x} mm", "y" => "-1 mm", "z" => "-1 mm", "dx" => "#{dx} mm", "dy" => "22 mm", "dz" => "12 mm" }.merge(more.transform_keys(&:to_s))
  let(:near) { { "id" => "near", "kind" => "study", "name" => "near", "type" => "close_up", "of" => "pull", "block" => block(60, 50), "size" => "6 mm" } }
  let(:pull) { { direction: "+x", value: "20 kN" }.transform_keys(&:to_s) }

  # Held along y and z just enough that nothing keeps it from growing thinner.
  let(:free) do
    lines = { "all" => %w[x y].map { |axis| { "plane" => { "axis" => axis, "at" => "0 mm" } } } }
    [{ "id" => "h1", "kind" => "group", "name" => "line", "of" => "edges", "rule" => lines }, { "id" => "h2", "kind" => "support", "target" => "line", "components" => %w[y] },
     { "id" => "h3", "kind" => "group", "name" => "corner", "of" => "points", "rule" => { "box" => { "from" => spot(-1, -1, -1), "to" => spot(1, 1, 1) } } },
     { "id" => "h4", "kind" => "support", "target" => "corner", "components" => %w[z] }]
  end

  def solved(problem)
    study = problem.study!("near")
    result = Lattice::Study::Solving.new(problem).call(study)
    [result, Lattice::Verdict::Findings.new(problem, study, result).to_h]
  end

  it "gives constant stress back, as the whole has it, on a mesh that is not alike" do
    result, found = solved(problem({ support: { "components" => ["x"] }, force: pull }, *free, near))
    expect(result.field("stress_xx").to_a).to all(be_within(1).of(100e6))
    closeness = found[:findings].find { |f| f[:kind] == "close_up" }
    expect(closeness[:difference]).to be < 1e-8
    expect(closeness[:whole][:value]).to be_near(100e6, 1e-8)
    expect(found[:holds]).to be(true)
  end

  it "cuts a ball out too, and does not read what lies near its skin" do
    ball = near.except("block").merge("ball" => { **spot(80, 20, 5), "radius" => "16 mm" }, "size" => "3 mm")
    problem = problem({ support: { "components" => ["x"] }, force: pull }, *free, ball)
    result, found = solved(problem)
    expect(result.field("stress_xx").to_a).to all(be_within(1).of(100e6))
    expect(found[:findings].find { |f| f[:kind] == "close_up" }[:difference]).to be < 1e-8
    open = result.grid.nodes[result.grid.points.nodes[result.readable], true]
    from = Lattice::Shape::Vectors.norm(open - Numo::DFloat[[0.08, 0.02, 0.005]])
    expect(from.max).to be_between(0.008, 0.0116)
    # Of the bar it holds what of its section lies within the ball.
    cut = described_class.problem(problem, problem.study!("near"))
    expect(cut.parts.bodies.sum(&:volume)).to be_near((0..200).sum { |k| (h = Math.sqrt((0.016**2) - ((((k / 200.0) - 0.5) * 0.01)**2))) && (Math::PI * h * h / 2 * 0.01 / 201) }, 0.02)
    told = ->(change) { Lattice::Verdict::Readiness.new(problem({}, ball.merge("ball" => ball["ball"].merge(change)))).notices.map { |n| n.fault.to_s } }
    expect(told["radius" => "0 mm"]).to include(/radius is not above zero/)
    expect(told["x" => "900 mm"]).to include(/its ball holds nothing of the part/)
    expect(told["radius" => "900 mm"]).to include(/takes in the whole part/)
  end

  it "holds its own part of the loads alone, case by case" do
    more = [{ "id" => "c1", "kind" => "case", "name" => "down" }, { "id" => "c2", "kind" => "case", "name" => "weight" },
            { "id" => "g", "kind" => "gravity", "value" => "9.81 m/s2", "direction" => "-z", "case" => "weight" }]
    result, found = solved(problem({ force: { "case" => "down" } }, *more, near))
    frames = found[:summary][:frames]
    expect(frames.map { |f| f[:name] }).to eq(%w[down weight])
    expect(frames[0][:balance][:load]).to be_near([0, 0, 0], 1e-9)
    expect(frames[1][:balance][:load][2]).to be_near(-7850 * 9.81 * 0.05 * 0.02 * 0.01, 1e-9)
    # The cut passes the shear force and the moment of the whole on.
    cut = result.grid.nodes_of(described_class.problem(problem({ force: { "case" => "down" } }, *more, near), document({}, near).statements.last).parts.cut)
    right = cut[(result.grid.nodes[cut, 0] > 0.1).where]
    expect(result.reaction(0)[right, 1].sum).to be_near(-1000, 5e-3)
  end

  it "does not read what lies near the cut" do
    result, found = solved(problem({}, near, { "id" => "l", "kind" => "limit", "study" => "near", "quantity" => "von_mises", "target" => "bar", "at_most" => "yield" }))
    expect(result.veil.points.count_true).to be > 0
    at = found[:findings].find { |f| f[:kind] == "limit" }[:at]
    expect(at[0]).to be_between(0.06 + 0.009, 0.11 - 0.009)
  end

  it "names what is wrong, and the cure" do
    { { "block" => block(300, 20) } => /its block holds nothing of the part, whose box is/, { "block" => block(-10, 400) } => /takes in the whole part/,
      { "block" => block(60, 0) } => /dx is not above zero/,
      { "size" => "0 mm" } => /the size is not above zero/, { "block" => nil } => /it has no block/,
      { "block" => block(150, 100, dy: "12 mm") } => /cuts through what force “tip” acts on/ }.each do |change, words|
      expect(Lattice::Verdict::Readiness.new(problem({}, near.merge(change).compact)).notices.map { |n| n.fault.to_s }).to include(words)
    end
  end
end
