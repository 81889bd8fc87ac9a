# frozen_string_literal: true

# Heat through shells, members and bonds, against fins and walls by hand.
RSpec.describe Lattice::System::Conduction do
  metal = ->(target, k) { { "kind" => "material", "target" => target, "material" => "given", "properties" => { "young" => "200 GPa", "poisson" => "0.3", "conductivity" => "#{k} W/(m K)" } } }
  held = ->(target, degrees) { { "kind" => "heat", "target" => target, "how" => "held", "temperature" => "#{degrees} degC" } }
  air = ->(target, film) { { "kind" => "heat", "target" => target, "how" => "convection", "temperature" => "20 degC", "film" => "#{film} W/(m2 K)" } }
  define_method(:near) { |name, axis, place, of| group_named(name, { "plane" => { "axis" => axis, "at" => "#{place} mm" } }, of: of) }

  def solved(*statements, size: "10 mm")
    problem = shape_problem(*statements, { "kind" => "mesh", "size" => size }, { "id" => "q", "kind" => "study", "name" => "warm", "type" => "heat" })
    result = Lattice::Study::Solving.new(problem).call(problem.study!("warm"))
    [result, Lattice::Verdict::Findings.new(problem, problem.study!("warm"), result).to_h[:findings].find { |f| f[:kind] == "heat" }, problem]
  end

  # Of a fin whose tip gives nothing: how far over 20 °C its tip is, and what flows into its root.
  def fin(film, girth, area, conductivity, length, hot: 80.0)
    m = Math.sqrt(film * girth / (conductivity * area))
    [hot / Math.cosh(m * length), Math.sqrt(film * girth * conductivity * area) * hot * Math.tanh(m * length)]
  end

  def told(result, found) = [result.field("temperature").min - 293.15, found[:rows].find { |r| r[:how] == "held" }[:power]]

  it "cools a sheet by air over its face as a fin" do
    sheet = [outline_named("plan", rectangle("0 mm", "0 mm", "100 mm", "20 mm")), body_named("sheet", "plan", make: "faces", by: "fill", wall: "2 mm"), metal["sheet", 200], near("root", "x", 0, "edges"),
             group_named("face", { "body" => "sheet" }), held["root", 100], air["face", 50]]
    result, found = solved(*sheet, size: "5 mm")
    expect(told(result, found)).to be_near(fin(50, 0.02, 0.02 * 0.002, 200, 0.1), 3e-3)
    expect(found[:error]).to be < 1e-9
  end

  it "cools a member all round its section as a fin, whose flow is told along it" do
    rod = [{ "kind" => "line", "name" => "way", "corners" => [spot(0, 0, 0), spot(60, 80, 0)] }, { "kind" => "body", "name" => "rod", "outline" => "way", "make" => "members" },
           outline_named("square", rectangle("-5 mm", "-5 mm", "10 mm", "10 mm")), { "kind" => "section", "target" => "rod", "outline" => "square" }, metal["rod", 200],
           group_named("root", { "box" => { "from" => spot(-1, -1, -1), "to" => spot(1, 1, 1) } }, of: "points"), held["root", 100], air["rod", 50]]
    result, found = solved(*rod, size: "2.5 mm")
    tip, flow = fin(50, 0.04, 1e-4, 200, 0.1)
    expect(told(result, found)).to be_near([tip, flow], 1e-3)
    expect(result.field("heat_flux").max).to be_near(flow / 1e-4, 2e-2)
    expect(found[:rows].sum { |r| r[:power] }.abs).to be < 1e-9
  end

  # 0.1 m of 50 and 0.1 m of 200 W/(m K): four fifths of 80 K are lost in the first.
  { "solid" => "faces", "plane stress" => "edges" }.each do |make, of|
    it "flows through a bond of unlike meshes: #{make}" do
      blocks = { "one" => [0, 50], "two" => [100, 200] }.flat_map do |name, (x, k)|
        [outline_named("#{name} plan", rectangle("#{x} mm", "0 mm", "100 mm", "30 mm")), body_named(name, "#{name} plan", make: make, thickness: "20 mm"), metal[name, k]]
      end
      face = ->(name, body, x) { group_named(name, { "all" => [{ "body" => body }, { "plane" => { "axis" => "x", "at" => "#{x} mm" } }] }, of: of) }
      bond = [face["left", "one", 0], face["end", "one", 100], face["begin", "two", 100], face["right", "two", 200], { "kind" => "bond", "target" => "end", "to" => "begin" }]
      result, found = solved(*blocks, *bond, { "kind" => "size", "target" => "two", "size" => "7 mm" }, held["left", 100], held["right", 20])
      body = ->(name) { result.field("temperature")[result.grid.points.of(name)] - 273.15 }
      expect([body["one"].min, body["two"].max]).to be_near([36.0, 36.0], 1e-6)
      expect(result.field("heat_flux").minmax).to be_near([32_000.0, 32_000.0], 1e-5)
      expect(found[:rows].map { |r| r[:power] }).to be_near([32_000 * 0.02 * 0.03, -32_000 * 0.02 * 0.03], 1e-6)
    end
  end

  it "flows from the edge of a sheet into a block that it is bonded to" do
    block = [outline_named("base", rectangle("0 mm", "0 mm", "40 mm", "40 mm")), body_named("block", "base", thickness: "20 mm"), group_named("sole", { "plane" => { "axis" => "z", "at" => "0 mm" } }),
             group_named("lid", { "all" => [{ "body" => "block" }, { "plane" => { "axis" => "z", "at" => "20 mm" } }] })]
    sheet = [outline_named("upright", rectangle("5 mm", "20 mm", "30 mm", "50 mm")), body_named("sheet", "upright", make: "faces", by: "fill", wall: "2 mm", on: on("xz", y: 20))]
    edge = ->(name, z) { group_named(name, { "all" => [{ "body" => "sheet" }, { "plane" => { "axis" => "z", "at" => "#{z} mm" } }] }, of: "edges") }
    joined = [edge["foot", 20], edge["top", 70], { "kind" => "bond", "target" => "foot", "to" => "lid" }]
    result, found = solved(*block, *sheet, *joined, metal["everything", 200], held["sole", 20], held["top", 100], size: "5 mm")
    flow = found[:rows].map { |r| r[:power] }
    expect(flow.sum.abs).to be < flow[1] * 1e-8
    # The sheet alone would let 80 K · 200 W/(m K) · 60 mm² / 50 mm = 19.2 W through; the block beneath adds a little.
    expect(flow[1]).to be_between(15.0, 19.2)
    expect(result.field("temperature")[result.grid.points.of("sheet")].min - 273.15).to be_between(20.5, 40.0)
  end

  it "sets a wall and a fin by hand beside what is computed, and offers to" do
    wall = [outline_named("plan", rectangle("0 mm", "0 mm", "100 mm", "30 mm")), body_named("slab", "plan", thickness: "20 mm"), metal["slab", 50], near("left", "x", 0, "faces"),
            near("right", "x", 100, "faces"), held["left", 100], air["right", 40]]
    check = ->(body, form) { { "kind" => "hand_check", "study" => "warm", "body" => body, "flows" => form } }
    hand = lambda do |statements, body, form|
      _, _, problem = solved(*statements)
      expect(Lattice::Verdict::Hand::Offers.of(problem)).to eq([{ "study" => "warm", "body" => body, "flows" => form }])
      result, _, problem = solved(*statements, check[body, form])
      Lattice::Verdict::Findings.new(problem, problem.study!("warm"), result).to_h[:findings].find { |f| f[:kind] == "hand_check" }
    end
    flow = 80 / ((0.1 / (50 * 6e-4)) + (1 / (40 * 6e-4)))
    expect(hand[wall, "slab", "wall"]).to include(estimate: be_near(flow, 1e-9), computed: be_near(flow, 1e-6), direction: "x", dimension: "power")
    sides = group_named("sides", { "not" => { "plane" => { "axis" => "x", "at" => "0 mm" } } })
    fin = [outline_named("plan", rectangle("0 mm", "0 mm", "100 mm", "10 mm")), body_named("rib", "plan", thickness: "10 mm"), metal["rib", 200], near("root", "x", 0, "faces"), sides,
           held["root", 100], air["sides", 50]]
    found = hand[fin, "rib", "fin"]
    expect(found[:estimate]).to be_near(fin(50, 0.04, 1e-4, 200, 0.1025)[1], 1e-6)
    expect(found[:difference].abs).to be < 0.01
  end

  { "a wall with one side" => ["wall", /wants a temperature or air at either side/], "a fin without air" => ["fin", /no single air cools/] }.each do |words, (form, message)|
    it "refuses #{words}" do
      problem = shape_problem(*block, metal["block", 50], near("left", "x", 0, "faces"), held["left", 100], { "kind" => "mesh", "size" => "10 mm" },
                              { "id" => "q", "kind" => "study", "name" => "warm", "type" => "heat" },
                              { "kind" => "hand_check", "study" => "warm", "body" => "block", "flows" => form })
      expect { Lattice::Verdict::Readiness.new(problem).check! }.to(raise_error(Lattice::InvalidInput) { |e| expect(e.faults.map(&:message).join(" ")).to match(message) })
    end
  end

  it "refuses air on an edge in space, which has no surface; and is solved anew where the mesh changes" do
    rod = [{ "kind" => "line", "name" => "way", "corners" => [spot(0, 0, 0), spot(60, 80, 0)] }, { "kind" => "body", "name" => "rod", "outline" => "way", "make" => "members" },
           outline_named("square", rectangle("-5 mm", "-5 mm", "10 mm", "10 mm")), { "kind" => "section", "target" => "rod", "outline" => "square" }, metal["rod", 200],
           group_named("all", { "body" => "rod" }, of: "edges")]
    bare = shape_problem(*rod, held["all", 20], air["all", 50], { "kind" => "mesh", "size" => "10 mm" }, { "id" => "q", "kind" => "study", "name" => "warm", "type" => "heat" })
    expect { Lattice::Study::Kinds::Heat.check!(bare, bare.study!("warm")) }.to raise_error(Lattice::InvalidInput, /no surface that air could take heat from/)
    digests = ["10 mm", "5 mm"].map { |size| solved(*rod, held["all", 20], size: size)[2].then { |problem| problem.study_digest(problem.study!("warm")) } }
    expect(digests.uniq.size).to eq(2)
  end
end
