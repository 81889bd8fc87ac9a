# frozen_string_literal: true

RSpec.describe Lattice::Load::Conditions::Rigid do
  steel = { "kind" => "material", "target" => "everything", "material" => "given", "properties" => { "young" => "200 GPa", "poisson" => "0" } }
  define_method(:face) { |name, body, axis, at, of = "faces"| group_named(name, { "all" => [{ "body" => body }, { "plane" => { "axis" => axis, "at" => "#{at} mm" } }] }, of: of) }

  # A block of 20 × 20 × 40 mm³ under a plate of 20 × 20 × 5 mm³ that is bonded to it.
  define_method(:press) do |rigid, *more|
    low = [outline_named("low", rectangle("0 mm", "0 mm", "20 mm", "20 mm")), body_named("block", "low", thickness: "40 mm")]
    high = [outline_named("high", rectangle("0 mm", "0 mm", "20 mm", "20 mm")), body_named("plate", "high", thickness: "5 mm", on: on("xy", z: 40))]
    shape_problem(*low, *high, steel, face("sole", "block", "z", 0), face("top", "block", "z", 40), face("under", "plate", "z", 40), face("lid", "plate", "z", 45),
                  { "kind" => "support", "target" => "sole", "components" => %w[x y z] }, { "kind" => "bond", "target" => "under", "to" => "top" },
                  { "kind" => "rigid", "target" => "plate" }.merge(rigid), { "kind" => "mesh", "size" => "10 mm" }, *more, { "kind" => "study", "name" => "still", "type" => "static" })
  end

  def solved(problem) = Lattice::Study::Solving.new(problem).call(problem.study!("still"))
  def moved(result, problem, name) = result.displacement[result.grid.nodes_of(problem.groups.find(name)), true]

  it "moves a body as it is told, and what it is bonded to with it: E A u / L" do
    problem = press({ "moves" => { "x" => "0 mm", "y" => "0 mm", "z" => "-0.04 mm" } })
    result = solved(problem)
    expect(moved(result, problem, "lid").minmax).to be_near([-0.04e-3, 0.0], 1e-9)
    expect(result.reaction_sum(result.grid.body_nodes("plate"), 0)[2]).to be_near(-200e9 * 4e-4 * 1e-3, 1e-4)
    expect(result.field("von_mises", 0)[result.grid.points.of("plate")].max).to be < 1e3
    expect(Lattice::Verdict::Readiness.new(problem).notices.select(&:stops?)).to be_empty
  end

  it "is pushed along the axes that are left open, and turns or does not, as a whole" do
    load = { "kind" => "force", "target" => "edge", "value" => "4 kN", "direction" => "-z" }
    side = group_named("edge", { "all" => [{ "plane" => { "axis" => "x", "at" => "20 mm" } }, { "plane" => { "axis" => "z", "at" => "45 mm" } }] }, of: "edges")
    { "held" => 0.0, "free" => 4000 * 0.01 * 0.04 / (200e9 * (0.02**4) / 12) }.each do |turns, turn|
      problem = press({ "turns" => turns }, side, load)
      lid = moved(solved(problem), problem, "lid")[true, 2].to_a
      # E A u / L in the mean; turned by M L / E I, across 20 mm.
      expect(lid.sum / lid.size).to be_near(-4000 * 0.04 / (200e9 * 4e-4), 5e-2)
      expect(lid.max - lid.min).to be_near(turn * 0.02, 5e-2)
    end
  end

  it "keeps every distance in it for small turns: solids, shells and regions of the plane" do
    random = Random.new(3)
    { "solid" => { thickness: "5 mm" }, "faces" => { make: "faces", by: "fill", wall: "2 mm" }, "plane stress" => { make: "plane stress", thickness: "5 mm" } }.each_value do |fields|
      problem = shape_problem(outline_named("plan", rectangle("0 mm", "0 mm", "40 mm", "30 mm")), body_named("plate", "plan", **fields), steel, { "kind" => "rigid", "target" => "plate", "turns" => "free" },
                              { "kind" => "gravity", "value" => "9.81 m/s2", "direction" => "-y" }, { "kind" => "mesh", "size" => "10 mm" })
      conditions = problem.conditions.reject(&:weight?)
      structure = Lattice::System::Structure.new(problem, problem.mesh, conditions).apply
      free = structure.constraints.free
      expect(free.size).to eq(problem.parts.dimension == 2 ? 3 : 6)
      u = structure.constraints.expand_movements(Numo::DFloat.cast([Array.new(free.size) { random.rand - 0.5 }]))[0, true]
      table = structure.dofs.spread(u)
      at = structure.grid.nodes
      20.times do
        a, b = Array.new(2) { random.rand(at.shape[0]) }
        # Rigid: no change along the line between any two points.
        expect((table[a, true] - table[b, true]).dot(at[a, true] - at[b, true]).abs).to be < 1e-12
      end
    end
  end

  { "a body that nothing moves or pushes" => [{}, /nothing moves or pushes “plate”/], "a movement without a unit of length" => [{ "moves" => { "x" => "3 N" } }, /length/] }.each do |words, (fields, message)|
    it "refuses #{words}" do
      expect { Lattice::Verdict::Readiness.new(press(fields)).check! }.to(raise_error(Lattice::InvalidInput) { |e| expect(e.faults.map(&:message).join(" ")).to match(message) })
    end
  end

  it "refuses another statement that holds the body too" do
    problem = press({ "moves" => { "z" => "-1 mm" } }, { "kind" => "support", "target" => "lid", "components" => ["x"] })
    expect { solved(problem) }.to raise_error(Lattice::InvalidInput, /held by another statement too/)
  end

  it "presses a soft block through touch with the movement, or the force, that it is given" do
    plan = [outline_named("base", rectangle("0 mm", "0 mm", "40 mm", "20 mm")), body_named("base", "base", make: "plane stress", thickness: "10 mm"),
            outline_named("die", rectangle("0 mm", "20 mm", "40 mm", "10 mm")), body_named("die", "die", make: "plane stress", thickness: "10 mm")]
    places = [face("sole", "base", "y", 0, "edges"), face("top", "base", "y", 20, "edges"), face("under", "die", "y", 20, "edges"), face("lid", "die", "y", 30, "edges")]
    touch = { "kind" => "touch", "target" => "under", "to" => "top" }
    study = { "id" => "c", "kind" => "study", "name" => "still", "type" => "stages", "stages" => [{ "name" => "press", "loads" => [{ "case" => "press", "factor" => "1" }] }] }
    press = lambda do |rigid, *more|
      problem = shape_problem(*plan, *places, steel, { "kind" => "support", "target" => "sole", "components" => %w[x y] }, touch, { "kind" => "case", "name" => "press" },
                              { "kind" => "rigid", "target" => "die" }.merge(rigid), *more, { "kind" => "mesh", "size" => "5 mm" }, study)
      result = solved(problem)
      found = Lattice::Verdict::Findings.new(problem, problem.study!("still"), result).to_h[:findings].find { |f| f[:kind] == "stages" }
      [result.displacement(result.frames.size - 1)[result.grid.nodes_of(problem.groups.find("lid")), 1].mean, found[:touches][0][:rows].last]
    end
    # 200 GPa · 4e-4 m² · 0.02 mm / 20 mm = 80 kN.
    down, row = press[{ "moves" => { "x" => "0 mm", "y" => "-0.02 mm" }, "case" => "press" }]
    expect([down, row[:normal].abs]).to be_near([-0.02e-3, 80e3], 1e-3)
    pushed, row = press[{ "moves" => { "x" => "0 mm" } }, { "kind" => "force", "target" => "lid", "value" => "80 kN", "direction" => "-y", "case" => "press" }]
    expect([pushed, row[:normal].abs]).to be_near([-0.02e-3, 80e3], 1e-3)
  end
end
