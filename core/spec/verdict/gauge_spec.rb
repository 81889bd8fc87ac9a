# frozen_string_literal: true

RSpec.describe "What gauges and section cuts record" do
  def gauge(**more) = { "id" => "g", "kind" => "gauge", "name" => "tip sag", "study" => "pull", "quantity" => "displacement_y", "spot" => spot(200, 10, 5) }.merge(more.transform_keys(&:to_s)).compact
  def section(at: "50 mm", axis: "x") = { "id" => "c", "kind" => "section_cut", "name" => "middle", "study" => "pull", "plane" => { "axis" => axis, "at" => at } }

  def found(changes, *statements)
    problem = problem(changes, *statements)
    result = solve(problem)
    [Lattice::Verdict::Findings.new(problem, problem.study!, result).findings, result]
  end

  it "gives a value at a point, and over a place, in every frame" do
    cases = [{ "id" => "c1", "kind" => "case", "name" => "once" }, { "id" => "c2", "kind" => "case", "name" => "twice" },
             { "id" => "f2", "kind" => "force", "target" => "tip", "value" => "2 kN", "direction" => "-y", "case" => "twice" }]
    findings, result = found({ force: { "case" => "once" } }, *cases, gauge, gauge(id: "m", name: "mean", spot: nil, target: "tip", how: "mean"),
                             gauge(id: "r", name: "held", spot: nil, target: "root", quantity: "reaction_y"))
    values = findings.select { |f| f[:kind] == "gauge" }.to_h { |f| [f[:name], f[:values]] }
    expect(values["tip sag"][1]).to be_near(2 * values["tip sag"][0], 1e-9)
    expect(values["tip sag"][0]).to be_between(result.field("displacement_y", 0).min, 0)
    expect(values["mean"][0]).to be_near(values["tip sag"][0], 1e-2)
    expect(values["held"]).to be_near([1000, 2000], 1e-9)
  end

  it "gives the force and the moment through a plane, of a cantilever by statics" do
    findings, = found({ force: { "direction" => [1, -1, 0], "value" => "1414.2135623730951 N" } }, section)
    cut = findings.find { |f| f[:kind] == "section_cut" }
    expect(cut[:forces][0]).to be_near([1000, -1000, 0], 1e-9)
    expect(cut[:about]).to be_near([0.05, 0.01, 0.005], 1e-9)
    # 1 kN at 150 mm, and the pull through the middle.
    expect(cut[:moments][0]).to be_near([0, 0, -150], 1e-6)
  end

  it "sums up the stress of one solid among others: of two strips side by side, each its share" do
    strip = ->(name, y) { [outline_named("#{name} o", rectangle("0 mm", "#{y} mm", "100 mm", "10 mm")), body_named(name, "#{name} o", thickness: "10 mm")] }
    stuff = ->(name, young) { { "kind" => "material", "target" => name, "material" => "stuff", "properties" => { "young" => young, "poisson" => "0" } } }
    cut = ->(name, axis = "x", at = "43 mm") { { "kind" => "section_cut", "name" => name, "study" => "s", "body" => name, "plane" => { "axis" => axis, "at" => at } } }
    pair = lambda do |elements, *cuts|
      shape_problem(*strip["soft", 0], *strip["stiff", 10], { "kind" => "join", "bodies" => %w[soft stiff] }, stuff["soft", "70 GPa"], stuff["stiff", "210 GPa"],
                    *{ "root" => 0, "tip" => 100 }.map do |name, x|
                      group_named(name, { "plane" => { "axis" => "x", "at" => "#{x} mm" } })
                    end, { "kind" => "support", "target" => "root", "components" => %w[x y z] },
                    { "kind" => "displacement", "target" => "tip", "component" => "x", "value" => "0.1 mm" }, { "kind" => "displacement", "target" => "tip", "component" => "y", "value" => "0 mm" },
                    { "kind" => "mesh", "size" => "5 mm", "elements" => elements }, { "kind" => "study", "name" => "s", "type" => "static" }, *cuts)
    end
    ["bricks and quadrilaterals", "tetrahedra and triangles"].each do |elements|
      problem = pair[elements, cut["soft"], cut["stiff"]]
      found = Lattice::Verdict::Findings.new(problem, problem.study!, solve(problem)).findings.select { |f| f[:kind] == "section_cut" }
      # σ = E · 0.001 over 100 mm².
      expect(found.map { |f| f[:forces][0][0] }).to be_near([7e3, 21e3], 1e-6)
      expect(found.map { |f| f[:about] }).to be_near([[0.043, 0.005, 0.005], [0.043, 0.015, 0.005]], 1e-9)
    end
    both = { "kind" => "group", "name" => "strips", "of" => "bodies", "rule" => { "any" => %w[soft stiff].map { |name| { "body" => name } } } }
    problem = pair["bricks and quadrilaterals", both, cut["soft"].merge("body" => "strips")]
    expect(Lattice::Verdict::Findings.new(problem, problem.study!, solve(problem)).findings.find { |f| f[:kind] == "section_cut" }[:forces][0][0]).to be_near(28e3, 1e-6)
    wrong = pair["bricks and quadrilaterals", cut["lid"], cut["soft", "y", "15 mm"]]
    expect(Lattice::Verdict::Readiness.new(wrong).notices.map { |n| n.fault.to_s }).to include(/no solid named “lid”/, /misses “soft”, which reaches from 0 mm to 10 mm/)
  end

  it "bends one solid as statics have it" do
    alone, whole = [{ "body" => "bar" }, {}].map { |more| found({ mesh: { "size" => "5 mm" } }, section.merge(more))[0].find { |f| f[:kind] == "section_cut" } }
    expect(alone[:moments][0]).to be_near(whole[:moments][0], 2e-3)
    expect(alone[:forces][0]).to be_near(whole[:forces][0], 2e-2)
  end

  it "says where a plane misses the part, and what a gauge lacks" do
    { section(at: "1 m") => /its plane misses the part, which reaches from 0 mm to 200 mm/, gauge(spot: nil) => /it reads nowhere/, gauge(spot: nil, target: "gone") => /no group or body named “gone”/,
      gauge(quantity: "reaction") => /a reaction is that of a place/ }.each do |statement, words|
      expect(Lattice::Verdict::Readiness.new(problem({}, statement)).notices.map { |n| n.fault.to_s }).to include(words)
    end
  end

  it "takes the mean over a place by its area or volume, whatever the mesh" do
    held = { "x" => "root", "y" => "under", "z" => "back" }.map { |c, target| { "id" => "h#{c}", "kind" => "support", "target" => target, "components" => [c] } }
    groups = { "under" => "y", "back" => "z" }.map { |name, axis| { "id" => name }.merge(group_named(name, { "plane" => { "axis" => axis, "at" => "0 mm" } })) }
    finer = { "id" => "fine", "kind" => "size", "size" => "3 mm", "target" => "root" }
    over = ->(name, target) { gauge(id: name, name: name, spot: nil, target: target, quantity: "displacement_x", how: "mean") }
    findings, result = found({ force: { "direction" => "+x" }, support: nil }, *groups, *held, finer, over["inside", "bar"], over["below", "under"])
    values = findings.select { |f| f[:kind] == "gauge" }.map { |f| f[:values][0] }
    # A bar that is pulled moves in proportion to the distance from where it is held.
    expect(values).to be_near([result.field("displacement_x").max / 2] * 2, 1e-9)
  end

  it "reads nothing outside the part" do
    findings, = found({}, gauge(spot: spot(300, 0, 0)))
    expect(findings.find { |f| f[:kind] == "gauge" }[:values]).to eq([nil])
  end
end
