# frozen_string_literal: true

# Ground in stages: two layers, a wall between what is dug and what stays.
RSpec.describe "Ground" do
  def stage(name, comes: nil, goes: nil, **loads) = { "name" => name, "comes" => comes, "goes" => goes, "loads" => loads.map { |key, factor| { "case" => key.to_s, "factor" => factor } } }.compact

  layers = lambda do |helper|
    [{ "kind" => "outline", "name" => "plan", "boundary" => helper.rectangle("0 m", "-8 m", "12 m", "8 m"),
       "dividers" => [[[5, 0], [5, -6], [5.5, -6], [5.5, 0]], [[5.5, -3], [12, -3]]].map { |points| { "corners" => points.map { |x, y| { "x" => "#{x} m", "y" => "#{y} m" } } } },
       "regions" => { "ground" => [2, -4], "wall" => [5.2, -2], "dig" => [8, -1] }.map { |name, (x, y)| { "name" => name, "x" => "#{x} m", "y" => "#{y} m" } } },
     { "kind" => "body", "name" => "section", "outline" => "plan", "make" => "plane strain" },
     { "kind" => "material", "target" => "everything", "material" => "sand", "properties" => { "young" => "40 MPa", "poisson" => "0.3", "density" => "1900 kg/m3" } },
     { "kind" => "material", "target" => "wall", "material" => "stuff", "properties" => { "young" => "20 GPa", "poisson" => "0.2", "density" => "1900 kg/m3" } },
     *{ "left" => ["x", 0], "right" => ["x", 12], "base" => ["y", -8] }.map { |name, (axis, at)| helper.group_named(name, { "plane" => { "axis" => axis, "at" => "#{at} m" } }, of: "edges") },
     *{ "left" => %w[x], "right" => %w[x], "base" => %w[x y] }.map { |name, held| { "kind" => "support", "target" => name, "components" => held } },
     { "kind" => "case", "name" => "weight" }, { "kind" => "gravity", "value" => "10 m/s2", "direction" => "-y", "case" => "weight" }, { "kind" => "mesh", "size" => "1.5 m" }]
  end
  rest = { "id" => "r", "kind" => "at_rest", "target" => "everything", "coefficient" => "0.5" }
  sand = { "id" => "f", "kind" => "soil", "target" => "ground", "cohesion" => "2 kPa", "friction" => "32 deg" }
  before { stub_const("PIT", layers) }

  def pit(*more, stages: [stage("rest", weight: "1"), stage("dig", goes: ["dig"])], size: "1.5 m", **study)
    own = PIT.call(self).map { |s| s["kind"] == "mesh" ? s.merge("size" => size) : s }
    shape_problem(*own, *more, { "id" => "c", "kind" => "study", "name" => "case", "type" => "stages", "stages" => stages, **study.transform_keys(&:to_s) })
  end

  def solved(problem, name = "case")
    study = problem.study!(name)
    result = Lattice::Study::Solving.new(problem).call(study)
    [result, Lattice::Verdict::Findings.new(problem, study, result).to_h[:findings]]
  end

  def faults(problem)
    Lattice::Verdict::Readiness.new(problem).check!
    ""
  rescue Lattice::InvalidInput => e
    e.faults.map(&:message).join(" ")
  end

  it "rests without moving, lets the wall lean when it is dug, and draws nothing where nothing is" do
    result, findings = solved(pit(rest, sand))
    found = findings.find { |f| f[:kind] == "stages" }
    expect(found).to include(holds: true, broken: nil)
    expect(result.field("displacement", result.judged(nil)[0]).max).to be < 1e-9
    last = result.judged(nil)[1]
    head = (result.grid.nodes[true, 1].abs < 1e-9) & (result.grid.nodes[true, 0] - 5 < 1e-9)
    expect(result.displacement(last)[head.where, 0].max).to be_between(1e-4, 0.1)
    # Nodes of the dug ground alone do not move.
    inside = (result.grid.nodes[true, 0] > 5.6) & (result.grid.nodes[true, 1] > -2.9)
    expect(result.displacement(last)[inside.where, true].abs.max).to eq(0)
    expect(found[:absent][last]).to eq(["dig"])
    expect(findings.find { |f| f[:kind] == "equilibrium" }).to include(holds: true)
  end

  it "tells the forces along the wall, which bends as a cantilever in the ground" do
    _, findings = solved(pit(rest, sand))
    found = findings.find { |f| f[:kind] == "stages" }
    expect(found[:strips].map { |s| s[:name] }).to include("wall")
    moments = found[:rows][1][:strips][:wall].map { |_, _, m| m }
    expect(moments.map(&:abs).max).to be > found[:rows][0][:strips][:wall].map { |_, _, m| m.abs }.max * 5
    # At its foot and at its head it does not.
    expect([moments[0].abs, moments[-1].abs].max).to be < moments.map(&:abs).max * 0.6
  end

  it "moves further where ground slides than where it stays elastic, and counts movement from a stage" do
    plastic, = solved(pit(rest, sand.merge("cohesion" => "0.5 kPa", "friction" => "28 deg")))
    elastic, = solved(pit(rest, sand, elastic: true))
    ends = [plastic, elastic].map { |r| r.field("displacement_x", r.judged(nil)[1]).max }
    expect(ends[0]).to be > ends[1] * 1.1
    counted, = solved(pit(rest, sand, stages: [stage("rest", weight: "1.2"), stage("dig", goes: ["dig"])], counted_from: "rest"))
    expect(counted.displacement(counted.judged(nil)[0]).abs.max).to eq(0)
  end

  # The crest of a cut of 2 m, where ground tears.
  it "moves alike on coarse and fine elements where it bears no pull" do
    metres = ->(points) { { "corners" => points.map { |x, y| { "x" => "#{x} m", "y" => "#{y} m" } } } }
    regions = { "low" => [4, 1], "side" => [5, 4], "pit" => [1, 4] }.map { |name, (x, y)| { "name" => name, "x" => "#{x} m", "y" => "#{y} m" } }
    walls = { "west" => ["x", 0, %w[x]], "east" => ["x", 8, %w[x]], "base" => ["y", 0, %w[x y]] }
    box = { "rectangle" => { "x" => "0 m", "y" => "0 m", "width" => "8 m", "height" => "5 m" } }
    plan = outline_named("plan", box, dividers: [metres[[[0, 3], [8, 3]]], metres[[[3, 3], [3, 5]]]], regions: regions)
    held = walls.flat_map do |name, (axis, at, way)|
      [group_named(name, { "plane" => { "axis" => axis, "at" => "#{at} m" } }, of: "edges"), { "kind" => "support", "target" => name, "components" => way }]
    end
    loam = { "kind" => "material", "target" => "everything", "material" => "loam", "properties" => { "young" => "40 MPa", "poisson" => "0.3", "density" => "2000 kg/m3" } }
    study = { "id" => "c", "kind" => "study", "name" => "case", "type" => "stages", "stages" => [stage("rest", weight: "1"), stage("dig", goes: ["pit"])] }
    crest = lambda do |size|
      result, = solved(shape_problem(plan, body_named("section", "plan", make: "plane strain"), *held, loam, rest, sand.merge("target" => "everything", "cohesion" => "20 kPa", "friction" => "30 deg"),
                                     { "kind" => "case", "name" => "weight" }, { "kind" => "gravity", "value" => "10 m/s2", "direction" => "-y", "case" => "weight" },
                                     { "kind" => "mesh", "size" => size }, study))
      at = (result.grid.nodes[true, 0] - 3).abs.lt(1e-9) & (result.grid.nodes[true, 1] - 5).abs.lt(1e-9)
      result.displacement(result.judged(nil)[1])[at.where, 0].mean
    end
    expect(crest["1 m"]).to be_near(crest["0.5 m"], 0.1)
  end

  it "puts another material where ground was dug, free of stress as it comes" do
    like = { "kind" => "at_rest", "target" => "dig", "coefficient" => "0.5", "as" => "ground" }
    concrete = { "kind" => "material", "target" => "dig", "material" => "fill", "properties" => { "young" => "5 GPa", "poisson" => "0.2", "density" => "2500 kg/m3" } }
    result, = solved(pit(rest, like, concrete, sand, stages: [stage("rest", weight: "1"), stage("dig", goes: ["dig"]), stage("fill", comes: ["dig"])]))
    expect(result.field("displacement", result.judged(nil)[0]).max).to be < 1e-9
    # What comes weighs more than what went.
    low = (result.grid.nodes[true, 1] < -8 + 1e-9).where
    total = ->(frame) { result.reaction(result.judged(nil)[frame])[low, 1].sum }
    expect(total[2] - total[0]).to be_near(600 * 10 * 6.5 * 3, 1e-3)
  end

  it "reduces strength until the ground slides" do
    safety = { "id" => "z", "kind" => "study", "name" => "safety", "type" => "strength", "of" => "case", "at_least" => "1.1" }
    coarse = pit(rest, sand.merge("cohesion" => "0.5 kPa", "friction" => "27 deg"), safety, size: "2.5 m")
    _, findings = solved(coarse, "safety")
    found = findings.find { |f| f[:kind] == "strength" }
    expect(found[:factor]).to be_between(1.1, 4.9)
    expect(found[:slides]).to be > found[:factor]
    expect(found[:moved]).to eq(found[:moved].sort)
    expect(found).to include(holds: true, utilisation: be_near(1.1 / found[:factor], 1e-9))
  end

  { "a stage whose body is not there" => [[[{ "name" => "a", "goes" => ["dig"] }, { "name" => "b", "goes" => ["dig"] }]], /“dig” goes in stage “b”, but is not there/],
    "a body that comes twice" => [[[{ "name" => "a", "goes" => ["dig"] }, { "name" => "b", "comes" => ["dig"] }, { "name" => "c", "comes" => ["dig"] }]], /is there already/],
    "something that is no body" => [[[{ "name" => "a", "goes" => ["shaft"] }]], /no body, group of bodies, anchor, support or join named “shaft”/] }.each do |words, ((stages), message)|
    it("refuses #{words}") { expect(faults(pit(rest, sand, stages: stages))).to match(message) }
  end

  it "refuses ground that bears nothing, widens too much, or hangs on nothing" do
    expect(faults(pit(rest, sand.merge("cohesion" => "0 kPa", "friction" => "0 deg")))).to include("bears nothing")
    expect(faults(pit(rest, sand.merge("dilation" => "40 deg")))).to include("widens more")
    expect(faults(pit(rest.merge("coefficient" => "0"), sand))).to include("not above zero")
    expect(faults(pit(rest.merge("as" => "moon"), sand))).to include("no body named “moon”")
    expect(faults(pit(rest, sand, stages: [stage("rest", weight: "1")], counted_from: "noon"))).to include("no stage named “noon”")
    expect(faults(pit(rest, sand, { "id" => "z", "kind" => "study", "name" => "s", "type" => "collapse" }))).to include("ground at rest is no beginning")
    expect(faults(pit(rest, { "id" => "z", "kind" => "study", "name" => "s", "type" => "strength", "of" => "case" }))).to include("no body has a strength of ground")
  end

  it "tells how ground presses by hand, and finds it odd where it could not rest so" do
    problem = pit(rest, sand)
    expect(problem.yielding.pressures["f"]).to include(active: be_near(0.3073, 1e-3), passive: be_near(3.2546, 1e-3), rest: be_near(0.4701, 1e-3), less: be_near(2217.3, 1e-3))
    told = ->(*more) { Lattice::Verdict::Readiness.new(pit(*more)).notices.map { |n| n.fault.to_s }.join(" ") }
    loose = sand.merge("cohesion" => "0 kPa")
    expect(told[rest.merge("coefficient" => "0.2"), loose]).to match(/slides before it rests so. Give a coefficient between 0.31 and 3.25/)
    expect(told[rest, loose]).not_to include("slides before")
    expect(told[rest.merge("coefficient" => "0.2"), sand]).not_to include("slides before")
  end

  it "refuses bars laid into what goes, and a first stage without the weight that ground at rest holds" do
    line = { "id" => "l", "kind" => "line", "name" => "bar line", "corners" => [{ "x" => "6 m", "y" => "-1 m" }, { "x" => "11 m", "y" => "-1 m" }] }
    bars = { "id" => "b", "kind" => "bars", "name" => "rods", "target" => "dig", "line" => "bar line", "count" => 2, "diameter" => "20 mm", "material" => "steel S355" }
    expect(faults(pit(rest, sand, line, bars))).to include("“rods” lie in a body that is not there in all stages")
    expect(faults(pit(rest, sand, stages: [stage("dig", goes: ["dig"]), stage("weigh", weight: "1")]))).to include("does not bear the weight that ground at rest holds")
  end

  it "tells the envelope of the forces along a wall over all stages, and where they are largest" do
    _, findings = solved(pit(rest, sand))
    found = findings.find { |f| f[:kind] == "stages" }
    wall = found[:strips].find { |s| s[:name] == "wall" }
    cuts = found[:rows].map { |row| row[:strips][:wall] }
    wall[:along].each_index do |k|
      expect(wall[:greatest][k]).to eq(cuts.map { |one| one[k] }.transpose.map(&:max))
      expect(wall[:least][k]).to eq(cuts.map { |one| one[k] }.transpose.map(&:min))
    end
    expect(wall[:peaks][2]).to include(stage: "dig", value: cuts[1].map(&:last).max_by(&:abs))
  end

  it "says which load lost its place" do
    press = { "id" => "p", "kind" => "pressure", "target" => "far top", "value" => "10 kPa", "case" => "press" }
    top = group_named("far top", { "box" => { "from" => { "x" => "5.4 m", "y" => "-0.1 m", "z" => "-1 m" }, "to" => { "x" => "13 m", "y" => "0.1 m", "z" => "1 m" } } }, of: "edges")
    problem = pit(rest, sand, top, press, { "kind" => "case", "name" => "press" }, stages: [stage("rest", weight: "1"), stage("dig", goes: ["dig"]), stage("load", press: "1")])

    expect { solved(problem) }.to raise_error(Lattice::SolveFailed, /what a pressure acts on is not there in stage “load”/)
  end
end
