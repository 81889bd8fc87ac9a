# frozen_string_literal: true

# Walls and props of members beside ground of a section.
RSpec.describe Lattice::Engine::MemberStrip do
  def stage(name, **more) = { "name" => name, "loads" => [{ "case" => "weight", "factor" => "1" }], **more.transform_keys(&:to_s) }
  stiff = { "kind" => "material", "target" => "everything", "material" => "stuff", "properties" => { "young" => "30 GPa", "poisson" => "0", "density" => "0.001 kg/m3" } }
  define_method(:edges) { |name, *rules| group_named(name, { "all" => rules }, of: "edges") }
  def plane(axis, at) = { "plane" => { "axis" => axis, "at" => "#{at} m" } }
  def held(target, *components) = { "kind" => "support", "target" => target, "components" => components }

  # A line in m with a section of one metre by a height in mm.
  def member(name, *corners, high)
    [{ "kind" => "line", "name" => "#{name} line", "corners" => corners.map { |at| spot(*at.map { |v| v * 1000 }, 0) } },
     { "kind" => "body", "name" => name, "outline" => "#{name} line", "make" => "members" },
     outline_named("#{name} section", rectangle("-500 mm", "-#{high / 2} mm", "1000 mm", "#{high} mm")), { "kind" => "section", "target" => name, "outline" => "#{name} section" },
     group_named("#{name} places", { "body" => name }, of: "edges")]
  end

  def solved(*statements)
    problem = shape_problem(*statements)
    study = problem.study!("case")
    result = Lattice::Study::Solving.new(problem).call(study)
    [result, Lattice::Verdict::Findings.new(problem, study, result).to_h[:findings].find { |f| f[:kind] == "stages" }]
  end

  study = { "id" => "c", "kind" => "study", "name" => "case", "type" => "stages" }

  # A post of 3 m on a foot of its own stuff, pushed at its head and pressed down: as a region, and as a line drawn either way.
  it "tells forces along a line as along the same region" do
    post = lambda do |*how|
      [outline_named("foot", { "rectangle" => { "x" => "-1 m", "y" => "-1 m", "width" => "2 m", "height" => "1 m" } }), body_named("base", "foot", make: "plane strain"), *how, stiff,
       edges("sole", plane("y", -1)), held("sole", "x", "y"), { "kind" => "case", "name" => "weight" }, { "kind" => "mesh", "size" => "0.25 m" }, study.merge("stages" => [stage("push")])]
    end
    push = ->(place) { [["10 kN", "+x"], ["40 kN", "-y"]].map { |value, way| { "kind" => "force", "target" => place, "value" => value, "direction" => way, "case" => "weight" } } }
    region = [outline_named("wall plan", { "rectangle" => { "x" => "-0.1 m", "y" => "0 m", "width" => "0.2 m", "height" => "3 m" } }), body_named("wall", "wall plan", make: "plane strain")]
    tied = [edges("under", { "body" => "wall" }, plane("y", 0)), edges("over", { "body" => "base" }, plane("y", 0)), { "kind" => "bond", "target" => "under", "to" => "over" }]
    ground = { "kind" => "soil", "target" => "base", "cohesion" => "100 MPa", "friction" => "30 deg", "tension" => "50 MPa" }
    head = group_named("head", { "box" => { "from" => spot(-200, 2999, -1), "to" => spot(200, 3001, 1) } }, of: "edges")
    along = lambda do |found, wanted|
      strip = found[:strips].find { |s| s[:name] == "wall" }
      rows = strip[:along].zip(found[:rows][0][:strips][:wall])
      rows.min_by { |at, _| (at - wanted).abs }
    end
    _, thick = solved(*post[*region, *tied, ground, head, *push["head"]])
    at, forces = along[thick, 1.5]
    expect(forces).to be_near([-40e3, -10e3, -10e3 * (3 - at)], 0.02)
    { "up" => [[0, -0.75], [0, 3]], "down" => [[0, 3], [0, -0.75]] }.each_value do |from, upto|
      tip = group_named("tip", { "box" => { "from" => spot(-1, 2999, -1), "to" => spot(1, 3001, 1) } }, of: "points")
      # Below the ground it follows what is round it.
      divider = { "corners" => [{ "x" => "0 m", "y" => "-1 m" }, { "x" => "0 m", "y" => "0 m" }] }
      regions = { "base" => -0.5, "other" => 0.5 }.map { |name, x| { "name" => name, "x" => "#{x} m", "y" => "-0.5 m" } }
      parted = [outline_named("foot", { "rectangle" => { "x" => "-1 m", "y" => "-1 m", "width" => "2 m", "height" => "1 m" } }, dividers: [divider], regions: regions)]
      lines = [*member("wall", from, upto, 200), edges("side", { "body" => "base" }, plane("x", 0)), { "kind" => "bond", "target" => "wall places", "to" => "side" }]
      _, thin = solved(*parted, *post[*lines, tip, *push["tip"]].drop(1))
      at, forces = along[thin, 2.25]
      expect(forces).to be_near([-40e3, -10e3, -10e3 * (3 - (at - 0.75))], 0.02)
    end
  end

  it "bends with the height of its section in the plane, and is odd where it is not as wide as the slice" do
    box = [outline_named("foot", { "rectangle" => { "x" => "-1 m", "y" => "-1 m", "width" => "2 m", "height" => "1 m" } }), body_named("base", "foot", make: "plane strain"), edges("sole", plane("y", -1)),
           held("sole", "x", "y")]
    ends = { "low" => 0, "top" => 3000 }.map { |name, y| group_named(name, { "box" => { "from" => spot(1999, y - 1, -1), "to" => spot(2001, y + 1, 1) } }, of: "points") }
    problem = lambda do |width|
      lines = member("mast", [2, 0], [2, 3], 200).map { |s| s["name"] == "mast section" ? s.merge("boundary" => rectangle("0 mm", "0 mm", width, "200 mm")) : s }
      shape_problem(*box, *lines, *ends, stiff, held("low", "x", "y", "rz"), { "kind" => "force", "target" => "top", "value" => "10 kN", "direction" => "+x" }, { "kind" => "mesh", "size" => "0.5 m" },
                    { "kind" => "study", "name" => "case", "type" => "static" })
    end
    result = Lattice::Study::Solving.new(problem["1000 mm"]).call(problem["1000 mm"].study!("case"))
    bent = 10e3 * 27 / (3 * 30e9 * 1.0 * (0.2**3) / 12)
    expect(result.field("displacement_x").max).to be_near(bent, 5e-3)
    odd = ->(width) { Lattice::Verdict::Readiness.new(problem[width]).notices.map { |n| n.fault.to_s }.grep(/the slice is 1 000 mm thick|the slice is 1.000 mm thick/) }
    expect(odd["1000 mm"]).to be_empty
    expect(odd["400 mm"]).to contain_exactly(/“mast section” of “mast” is 400 mm wide/)
  end

  it "holds a dug side by a wall of a line that comes later, with a prop in front of it" do
    soil = { "kind" => "material", "target" => "everything", "material" => "sand", "properties" => { "young" => "40 MPa", "poisson" => "0.3", "density" => "2000 kg/m3" } }
    concrete = ->(name) { { "kind" => "material", "target" => name, "material" => "concrete", "properties" => { "young" => "30 GPa", "poisson" => "0.2", "density" => "2400 kg/m3" } } }
    dividers = [[[6, -10], [6, 0]], [[0, -4], [6, -4]]].map { |points| { "corners" => points.map { |x, y| { "x" => "#{x} m", "y" => "#{y} m" } } } }
    regions = { "low" => [3, -7], "pit" => [3, -2], "behind" => [9, -5] }.map { |name, (x, y)| { "name" => name, "x" => "#{x} m", "y" => "#{y} m" } }
    at = ->(name, body, x) { group_named(name, { "all" => [{ "body" => body }, { "box" => { "from" => spot(x - 1, -1001, -1), "to" => spot(x + 1, -999, 1) } }] }, of: "points") }
    ends = [at["far end", "prop", 0], at["near end", "prop", 6000], at["head of wall", "wall", 6000],
            { "kind" => "joint", "name" => "bearing", "target" => "near end", "to" => "head of wall", "how" => "ball" }]
    dig = lambda do |stages|
      [outline_named("plan", { "rectangle" => { "x" => "0 m", "y" => "-10 m", "width" => "14 m", "height" => "10 m" } }, dividers: dividers, regions: regions),
       body_named("section", "plan", make: "plane strain"),
       *member("wall", [6, 0], [6, -1], [6, -7], 400), *member("prop", [0, -1], [6, -1], 300), *ends, soil, concrete["wall"], concrete["prop"],
       { "kind" => "soil", "target" => "everything", "cohesion" => "5 kPa", "friction" => "30 deg" }.merge("target" => "behind"), { "kind" => "at_rest", "target" => "behind", "coefficient" => "0.5" },
       { "kind" => "at_rest", "target" => "low", "coefficient" => "0.5" }, { "kind" => "at_rest", "target" => "pit", "coefficient" => "0.5" },
       edges("side", { "body" => "behind" }, plane("x", 6)), { "kind" => "bond", "name" => "tie", "target" => "wall places", "to" => "side" },
       *{ "west" => ["x", 0, %w[x]], "east" => ["x", 14, %w[x]], "base" => ["y", -10, %w[x y]] }.flat_map { |name, (axis, at, way)| [edges(name, plane(axis, at)), held(name, *way)] },
       held("far end", "x", "y"), { "kind" => "case", "name" => "weight" },
       { "kind" => "gravity", "value" => "10 m/s2", "direction" => "-y", "case" => "weight" }, { "kind" => "mesh", "size" => "1 m" }, study.merge("stages" => stages)]
    end
    free, propped = [%w[wall], %w[wall prop]].map { |come| solved(*dig[[stage("rest"), stage("walls", comes: %w[wall prop]), stage("dig", goes: ["pit", *(%w[prop] - come)])]]) }
    result, found = free
    expect(found).to include(holds: true)
    rest = result.judged(nil)[0]
    expect(result.field("displacement", rest).max).to be < 1e-9
    head = ->(outcome) { outcome.grid.nodes.then { |at| outcome.displacement(outcome.judged(nil).last)[((at[true, 0] - 6).abs.lt(1e-9) & at[true, 1].abs.lt(1e-9)).where, 0].min } }
    expect(head[result]).to be < -1e-3
    expect(head[propped[0]].abs).to be < head[result].abs * 0.5
    moments = ->(one) { one[1][:rows].last[:strips][:wall].map(&:last) }
    expect(moments[free].map(&:abs).max).to be > 10e3
    # Nothing bends it at its ends.
    expect([moments[free][0], moments[free][-1]].map(&:abs).max).to be < moments[free].map(&:abs).max * 0.25
    pull = propped[1][:rows].last[:strips][:prop].map(&:first)
    expect(pull.max).to be < -5e3
    expect(propped[1][:strips].find { |s| s[:name] == "prop" }[:peaks][0]).to include(stage: "dig")
  end
end
