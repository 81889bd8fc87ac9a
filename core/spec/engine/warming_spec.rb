# frozen_string_literal: true

# Temperature in studies that go in increments.
RSpec.describe Lattice::Engine::Equations do
  metal = lambda do |target, expansion|
    { "kind" => "material", "target" => target, "material" => "given", "properties" => { "young" => "200 GPa", "poisson" => "0", "expansion" => "#{expansion} 1/K", "yield" => "250 MPa" } }
  end
  warm = ->(target, degrees, load) { { "kind" => "temperature", "target" => target, "value" => "#{degrees} degC", "reference" => "0 degC", "case" => load } }
  define_method(:near) { |name, axis, place, of = "edges"| group_named(name, { "plane" => { "axis" => axis, "at" => "#{place} mm" } }, of: of) }
  def stage(name, loads = {}, **more) = { "name" => name, "loads" => loads.map { |key, factor| { "case" => key.to_s, "factor" => factor } }, **more.transform_keys(&:to_s) }
  def staged(*list) = { "id" => "c", "kind" => "study", "name" => "case", "type" => "stages", "stages" => list }

  def solved(problem)
    study = problem.study!("case")
    result = Lattice::Study::Solving.new(problem).call(study)
    [result, Lattice::Verdict::Findings.new(problem, study, result).to_h[:findings].find { |f| %w[stages collapse].include?(f[:kind]) }]
  end

  it "curls a strip of two layers into the arc of its curvature, far" do
    # κ = 3 (α₁ - α₂) ΔT / 2 h for two like layers of a height of 2 · h/2.
    change = 100.0
    curvature = 1.5 * 20e-6 * change / 0.001
    length = 0.12
    layers = { "low" => "24e-6", "high" => "4e-6" }
    plan = outline_named("plan", rectangle("0 mm", "0 mm", "120 mm", "1 mm"),
                         dividers: [{ "corners" => [{ "x" => "0 mm", "y" => "0.5 mm" }, { "x" => "120 mm", "y" => "0.5 mm" }] }],
                         regions: [{ "name" => "low", "x" => "60 mm", "y" => "0.2 mm" }, { "name" => "high", "x" => "60 mm", "y" => "0.8 mm" }])
    spot_named = ->(name, x) { group_named(name, { "box" => { "from" => spot(x - 1, 0.4, -1), "to" => spot(x + 1, 0.6, 1) } }, of: "points") }
    problem = shape_problem(plan, body_named("strip", "plan", make: "plane stress", thickness: "10 mm"), *layers.map { |name, expansion| metal[name, expansion] }, near("left", "x", 0),
                            spot_named["pin", 0], spot_named["tip", 120],
                            { "kind" => "support", "target" => "left", "components" => ["x"] }, { "kind" => "support", "target" => "pin", "components" => ["y"] }, { "kind" => "case", "name" => "heat" },
                            warm["low", change, "heat"], warm["high", change, "heat"], { "kind" => "mesh", "size" => "2 mm" },
                            { "id" => "c", "kind" => "study", "name" => "case", "type" => "collapse", "control" => "loads", "first" => "0.2", "upto" => "1", "case" => "heat" })
    result, found = solved(problem)
    last = result.frames.size - 1
    tip = result.grid.nodes_of(problem.groups.find("tip"))
    along, across = result.displacement(last)[tip, true].mean(0).to_a
    long = length * (1 + (14e-6 * change))
    expect(curvature * length).to be > 0.3
    expect(across.abs).to be_near((1 - Math.cos(curvature * long)) / curvature, 3e-3)
    expect(along).to be_near((Math.sin(curvature * long) / curvature) - length, 1e-2)
    expect(found[:residuals].map(&:size).max).to be <= 7
  end

  # Free 2.4e-3; 250 MPa of 200 GPa are 1.25e-3, the rest flows, and pulls once it is cold again.
  { "plane stress" => {}, "solid" => {}, "faces" => { by: "fill", wall: "10 mm" }, "axisymmetric" => {} }.each do |make, fields|
    it "flows between walls as it is heated, and pulls at them once it is cold: #{make}" do
      ring = make == "axisymmetric"
      of = make == "solid" ? "faces" : "edges"
      axis = ring ? "y" : "x"
      outline = ring ? rectangle("50 mm", "0 mm", "20 mm", "40 mm") : rectangle("0 mm", "0 mm", "40 mm", "20 mm")
      fields = { thickness: "10 mm" } if ["plane stress", "solid"].include?(make)
      held = ->(target, *components) { { "kind" => "support", "target" => target, "components" => components } }
      more = { "faces" => [group_named("all", { "body" => "bar" }), held["all", "z", "rx", "ry"]], "solid" => [near("back", "z", 0, of), held["back", "z"]] }.fetch(make, [])
      turns = make == "faces" ? ["rz"] : []
      problem = shape_problem(outline_named("plan", outline), body_named("bar", "plan", make: make, **fields), metal["everything", "12e-6"], { "kind" => "yielding", "target" => "bar" },
                              near("left", axis, 0, of),
                              near("right", axis, 40, of), *more, *(ring ? [] : [near("sole", "y", 0, of), held["sole", "y"]]), held["left", axis, *turns], held["right", axis, *turns],
                              { "kind" => "case", "name" => "heat" }, warm["bar", 200, "heat"], { "kind" => "mesh", "size" => "10 mm" }, staged(stage("heat", { heat: "1" }), stage("cool", { heat: "0" })))
      result, found = solved(problem)
      middle = result.grid.nodes[true, ring ? 1 : 0].then { |x| (x.ge(0.015) & x.le(0.025)).where }
      ends = found[:rows].map { |row| result.field(ring ? "stress_yy" : "stress_xx", row[:frame])[middle].mean }
      expect(ends).to be_near([-250e6, 230e6], 1e-6)
      expect(found[:rows].map { |row| row[:plastic] }.max).to be_near(1.15e-3, 1e-6)
    end
  end

  it "takes a body that comes as free of stress, as warm as it is then" do
    strips = { "base" => 0, "layer" => 20 }.flat_map do |name, y|
      [outline_named("#{name} plan", rectangle("0 mm", "#{y} mm", "120 mm", "20 mm")), body_named(name, "#{name} plan", thickness: "10 mm", make: "plane stress")]
    end
    at = ->(name, body, axis, place) { group_named(name, { "all" => [{ "body" => body }, { "plane" => { "axis" => axis, "at" => "#{place} mm" } }] }, of: "edges") }
    walls = %w[base layer].product([0, 120]).flat_map { |body, x| [at["#{body} #{x}", body, "x", x], { "kind" => "support", "target" => "#{body} #{x}", "components" => ["x"] }] }
    sole = [at["sole", "base", "y", 0], { "kind" => "support", "target" => "sole", "components" => ["y"] }]
    problem = shape_problem(*strips, metal["everything", "10e-6"], *walls, *sole, at["top", "base", "y", 20], at["under", "layer", "y", 20], { "kind" => "bond", "target" => "under", "to" => "top" },
                            { "kind" => "case", "name" => "heat" }, warm["base", 50, "heat"], warm["layer", 50, "heat"], { "kind" => "mesh", "size" => "10 mm" },
                            staged(stage("warm", { heat: "1" }), stage("layer", { heat: "1" }, comes: ["layer"]), stage("warmer", { heat: "2" })))
    result, found = solved(problem)
    of = ->(body, row) { result.field("stress_xx", found[:rows][row][:frame])[result.grid.points.of(body)].mean }
    # 10e-6 · 50 K · 200 GPa = 100 MPa for each time as warm.
    expect([of["base", 0], of["base", 1], of["base", 2], of["layer", 2]]).to be_near([-100e6, -100e6, -200e6, -100e6], 2e-3)
    expect(of["layer", 1].abs).to be < 1e5
  end

  it "presses a member between walls, and turns its forces with it" do
    problem = shape_problem({ "kind" => "line", "name" => "way", "corners" => [spot(0, 0, 0), spot(300, 400, 0)] }, { "kind" => "body", "name" => "bar", "outline" => "way", "make" => "members" },
                            outline_named("square", rectangle("-5 mm", "-5 mm", "10 mm", "10 mm")), { "kind" => "section", "target" => "bar", "outline" => "square" }, metal["bar", "12e-6"],
                            group_named("ends", { "any" => [[0, 0], [300, 400]].map { |x, y| { "box" => { "from" => spot(x - 1, y - 1, -1), "to" => spot(x + 1, y + 1, 1) } } } }, of: "points"),
                            { "kind" => "support", "target" => "ends", "components" => %w[x y z rx ry rz] }, { "kind" => "case", "name" => "heat" }, warm["bar", 40, "heat"],
                            { "kind" => "mesh", "size" => "100 mm" }, staged(stage("heat", { heat: "1" })))
    result, found = solved(problem)
    # E A α ΔT = 200 GPa · 100 mm² · 12e-6 · 40 K.
    expect(result.state(found[:rows][0][:frame]).ends.compact[0][true, true, 0].abs.minmax).to be_near([9600.0, 9600.0], 1e-6)
  end

  it "refuses what flows in a way that knows no free strain" do
    problem = shape_problem(outline_named("plan", rectangle("0 mm", "0 mm", "40 mm", "20 mm")), body_named("bar", "plan", make: "plane strain"), metal["everything", "12e-6"],
                            { "kind" => "yielding", "target" => "bar" },
                            near("left", "x", 0), { "kind" => "support", "target" => "left", "components" => %w[x y] }, { "kind" => "case", "name" => "heat" }, warm["bar", 20, "heat"],
                            { "kind" => "mesh", "size" => "10 mm" }, staged(stage("heat", { heat: "1" })))
    expect { solved(problem) }.to raise_error(Lattice::SolveFailed, /beyond its strength is not followed where it is warmed/)
  end
end
