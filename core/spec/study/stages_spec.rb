# frozen_string_literal: true

RSpec.describe Lattice::Study::Kinds::Stages do
  steel = { "kind" => "material", "target" => "everything", "material" => "given", "properties" => { "young" => "200 GPa", "poisson" => "0", "yield" => "250 MPa" } }

  def stages(*list) = { "id" => "c", "kind" => "study", "name" => "case", "type" => "stages", "stages" => list }
  def stage(name, increments = nil, **loads) = { "name" => name, "loads" => loads.map { |key, factor| { "case" => key.to_s, "factor" => factor } }, "increments" => increments }.compact

  # A bar of 20 × 10 mm², 120 mm long, pulled in one case and bent in another.
  def bar(*more, yields: true)
    near = ->(x) { { "plane" => { "axis" => "x", "at" => "#{x} mm" } } }
    shape_problem(outline_named("plan", rectangle("0 mm", "0 mm", "120 mm", "20 mm")), body_named("bar", "plan", thickness: "10 mm", make: "plane stress"), STEEL,
                  *(yields ? [{ "kind" => "yielding", "target" => "bar" }] : []), group_named("left", near[0], of: "edges"), group_named("right", near[120], of: "edges"),
                  { "kind" => "case", "name" => "pull" }, { "kind" => "case", "name" => "turn" }, { "kind" => "support", "target" => "left", "components" => %w[x y] },
                  { "kind" => "force", "target" => "right", "value" => "40 kN", "direction" => "+x", "case" => "pull" },
                  { "kind" => "force", "target" => "right", "value" => "1 kN", "direction" => "+y", "case" => "turn" },
                  { "kind" => "mesh", "size" => "10 mm" }, *more)
  end
  before { stub_const("STEEL", steel) }

  def solved(problem)
    study = problem.study!("case")
    result = Lattice::Study::Solving.new(problem).call(study)
    [result, Lattice::Verdict::Findings.new(problem, study, result).to_h]
  end

  def told(findings) = findings[:findings].find { |f| f[:kind] == "stages" }

  it "carries over what it left behind, and comes back to rest without load while all is elastic" do
    result, findings = solved(bar(stages(stage("pull", pull: "1"), stage("and turn", turn: "1"), stage("let go", pull: "0", turn: "0")), yields: false))
    ends = told(findings)[:rows].map { |row| row[:frame] }
    expect(result.frames[ends[0]]).to have_attributes(name: "pull", value: 1.0, kind: "stage")
    # 200 MPa of 200 GPa.
    expect(result.field("displacement_x", ends[0]).max).to be_near(0.12e-3, 1e-2)
    expect(result.field("displacement_y", ends[1]).max).to be > 1e-4
    expect(result.field("displacement", ends[2]).max).to be < 1e-9
    expect(result.judged(nil)).to eq(ends)
    expect(told(findings)).to include(broken: nil, holds: true)
  end

  it "lets a bonded body come later: the other is free of it before, and it is free of stress as it comes" do
    edge = ->(name, body, axis, at) { group_named(name, { "all" => [{ "body" => body }, { "plane" => { "axis" => axis, "at" => "#{at} mm" } }] }, of: "edges") }
    strip = ->(name, y) { [outline_named("#{name} plan", rectangle("0 mm", "#{y} mm", "120 mm", "20 mm")), body_named(name, "#{name} plan", thickness: "10 mm", make: "plane stress")] }
    pull = ->(target, load) { { "kind" => "force", "target" => target, "value" => "40 kN", "direction" => "+x", "case" => load } }
    problem = shape_problem(*strip["bar", 0], *strip["sleeve", 20], STEEL, edge["top", "bar", "y", 20], edge["sole", "sleeve", "y", 20], edge["end", "bar", "x", 120], edge["other end", "sleeve", "x", 120],
                            group_named("left", { "plane" => { "axis" => "x", "at" => "0 mm" } }, of: "edges"), { "kind" => "support", "target" => "left", "components" => %w[x y] },
                            { "kind" => "bond", "target" => "sole", "to" => "top" }, { "kind" => "case", "name" => "pull" }, { "kind" => "case", "name" => "both" },
                            pull["end", "pull"], pull["end", "both"], pull["other end", "both"], { "kind" => "mesh", "size" => "10 mm" },
                            stages(stage("pull", pull: "1"), stage("sleeve", pull: "1").merge("comes" => ["sleeve"]), stage("both", pull: "1", both: "1")))
    result, findings = solved(problem)
    ends = told(findings)[:rows].map { |row| row[:frame] }
    of = ->(body, frame) { result.field("stress_xx", frame)[result.grid.points.of(body)].minmax }
    # 40 kN on 20 × 10 mm² is 200 MPa; Poisson's ratio is zero.
    expect(ends.first(2).flat_map { |frame| of["bar", frame] }).to be_near([200e6] * 4, 1e-8)
    expect(of["sleeve", ends[1]].map(&:abs).max).to be < 1e3
    # Its sole has come along with the bar by a thousandth of its length.
    expect([*of["bar", ends[2]], *of["sleeve", ends[2]]]).to be_near([400e6, 400e6, 200e6, 200e6], 2e-3)
    expect(told(findings)[:rows].map { |row| row[:residuals].flatten.size }.max).to be <= 6
  end

  it "leaves residual stress after bending beyond yield, as by hand" do
    # Beyond the moment that makes the edge yield by a fifth at the root; what unloading takes is elastic.
    _, findings = solved(bar(stages(stage("bend", 6, turn: "2"), stage("let go", 1, turn: "0")), yields: true).then { |p| p })
    rows = told(findings)[:rows]
    expect(rows[0][:plastic]).to be > 1e-4
    expect(rows[1][:plastic]).to be_near(rows[0][:plastic], 1e-9)
    expect(rows[1][:residuals][0].size).to be <= 3
    expect(rows[1][:von_mises]).to be_between(10e6, 250e6)
  end

  it "holds plastic strain against a limit at the ends of stages, which a static study does not find" do
    limit = { "id" => "l", "kind" => "limit", "study" => "case", "quantity" => "plastic_strain", "target" => "bar", "at_most" => "0.001 %" }
    _, findings = solved(bar(stages(stage("bend", 6, turn: "2"), stage("let go", 1, turn: "0")), limit))
    expect(findings[:findings].find { |f| f[:kind] == "limit" }).to include(holds: false, dimension: "ratio", value: be > 1e-4)
    still = bar({ "id" => "c", "kind" => "study", "name" => "case", "type" => "static" }, limit)
    expect { Lattice::Verdict::Readiness.new(still).check! }.to(raise_error(Lattice::InvalidInput) { |e| expect(e.faults.map(&:message).join).to include("does not find the equivalent plastic strain") })
  end

  it "takes as many equal increments as it is told, and is in balance in each" do
    result, findings = solved(bar(stages(stage("pull", 5, pull: "1")), yields: false))
    expect(result.frames.map(&:value)).to be_near([0.2, 0.4, 0.6, 0.8, 1.0], 1e-9)
    expect(findings[:findings].find { |f| f[:kind] == "equilibrium" }).to include(holds: true)
  end

  it "ends where nothing rests any more, keeps all before it, and says where" do
    result, findings = solved(bar(stages(stage("pull", pull: "1"), stage("too much", pull: "1.6"), stage("never", pull: "0"))))
    found = told(findings)
    expect(found[:rows].map { |row| row[:name] }).to eq(["pull", "too much"])
    expect(found).to include(holds: false, broken: include(stage: "too much", level: be_between(0.3, 0.45)))
    expect(found[:broken][:at].size).to eq(3)
    expect(result.frames.last.value).to be_between(1.3, 1.45)
  end

  { "no stages" => [[], /too few/], "a case that is not there" => [[{ "name" => "a", "loads" => [{ "case" => "storm", "factor" => "1" }] }], /“storm” that is not there/],
    "a stage in which nothing changes" => [[{ "name" => "a", "loads" => [{ "case" => "pull", "factor" => "1" }] }, { "name" => "b" }], /nothing changes in stage “b”/],
    "two of one name" => [[{ "name" => "a", "loads" => [{ "case" => "pull", "factor" => "1" }] },
                           { "name" => "a", "loads" => [{ "case" => "pull", "factor" => "0" }] }], /two stages are named/] }.each do |words, (list, message)|
    it "refuses #{words}" do
      expect { Lattice::Verdict::Readiness.new(bar(stages(*list))).check! }.to(raise_error(Lattice::InvalidInput) { |e| expect(e.faults.map(&:message).join(" ")).to match(message) })
    end
  end
end
