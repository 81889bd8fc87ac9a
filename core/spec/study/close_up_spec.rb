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

  # A column of three blocks, the middle one taken out of it.
  it "takes whole bodies out, cut where they bear on the others" do
    blocks = %w[low middle high].each_with_index.flat_map do |name, i|
      [outline_named("#{name} plan", rectangle("0 mm", "0 mm", "20 mm", "20 mm")), body_named(name, "#{name} plan", thickness: "30 mm", on: on("xy", z: 30 * i))]
    end
    column = lambda do |joined, *more|
      shape_problem(*blocks, *joined, group_named("foot", { "plane" => { "axis" => "z", "at" => "0 mm" } }), group_named("head", { "plane" => { "axis" => "z", "at" => "90 mm" } }),
                    { "kind" => "material", "target" => "everything", "material" => "stuff", "properties" => { "young" => "200 GPa", "poisson" => "0.3", "density" => "7850 kg/m3" } },
                    { "kind" => "support", "target" => "foot", "components" => %w[x y z] }, { "kind" => "force", "target" => "head", "value" => "4 kN", "direction" => "+x" },
                    { "kind" => "mesh", "size" => "10 mm", "elements" => "bricks and quadrilaterals" }, { "kind" => "study", "name" => "pull", "type" => "static" }, *more)
    end
    bond = lambda { |one, other, z|
      names = [one, other].map { |name| "#{name} at #{z}" }
      [*names.zip([one, other]).map { |name, body| group_named(name, { "all" => [{ "body" => body }, { "plane" => { "axis" => "z", "at" => "#{z} mm" } }] }) },
       { "kind" => "bond", "target" => names[0], "to" => names[1] }]
    }
    close = { "kind" => "study", "name" => "near", "type" => "close_up", "of" => "pull", "body" => "middle", "size" => "4 mm" }
    [[{ "kind" => "join", "bodies" => %w[low middle high] }], [*bond["low", "middle", 30], *bond["middle", "high", 60]]].each do |joined|
      result, found = solved(column[joined, close])
      expect(result.grid.blocks.map(&:body).uniq).to eq(["middle"])
      told = found[:findings].find { |f| f[:kind] == "close_up" }
      # Bending of M = 4 kN · 45 mm in the middle, W = 20³/6 mm³: away from the cut both have it.
      middle = Lattice::Result::Along.new(result, Numo::DFloat[[0, 0.01, 0.045], [0.02, 0.01, 0.045]])
      expect(middle.field("stress_zz")).to be_near([135e6, -135e6], 0.03)
      open = result.grid.nodes[result.grid.points.nodes[result.readable], 2]
      expect(open.minmax).to match([be_between(0.035, 0.0385), be_between(0.0515, 0.055)])
      expect(told[:whole][:value]).to be_near(told[:peak][:value], 0.08)
      # The shear force passes on to what is left out.
      top = result.grid.nodes_of(described_class.problem(column[joined, close], column[joined, close].study!("near")).parts.cut.select { |p| p.at[2] > 0.05 })
      expect(result.reaction(0)[top, 0].sum).to be_near(4000, 0.02)
    end
    joined = { "kind" => "join", "bodies" => %w[low middle high] }
    refused = ->(change) { Lattice::Verdict::Readiness.new(column[[joined], close.merge(change)]).notices.map { |n| n.fault.to_s } }
    expect(refused["body" => "gone"]).to include(/no group or body named “gone”/)
    expect(refused["body" => "everything"]).to include(/is the whole model/)
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
    # What is driven lies on the cut: no more than its own nodes.
    driven = result.grid.nodes[result.grid.points.nodes[result.veil.on_cut.where], true]
    expect(driven[true, 0].to_a.map { |x| x.round(9) }.uniq.sort).to eq([0.06, 0.11])
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
