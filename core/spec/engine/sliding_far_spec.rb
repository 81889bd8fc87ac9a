# frozen_string_literal: true

RSpec.describe Lattice::Engine::SlidingFar do
  steel = { "kind" => "material", "target" => "everything", "material" => "given", "properties" => { "young" => "200 GPa", "poisson" => "0" } }
  define_method(:face) { |name, body, axis, at| group_named(name, { "all" => [{ "body" => body }, { "plane" => { "axis" => axis, "at" => "#{at} mm" } }] }, of: "edges") }

  # A rigid slider of 20 mm that is pressed onto a base of 100 mm by 10 kN, and then moved along it.
  define_method(:slid) do |slides, along, friction: nil, increments: 10|
    plan = [outline_named("base", rectangle("0 mm", "0 mm", "100 mm", "20 mm")), body_named("base", "base", make: "plane stress", thickness: "10 mm"),
            outline_named("slider", rectangle("10 mm", "20 mm", "20 mm", "10 mm")), body_named("slider", "slider", make: "plane stress", thickness: "10 mm")]
    touch = { "kind" => "touch", "target" => "under", "to" => "top", "slides" => slides, "friction" => friction }.compact
    stages = [{ "name" => "press", "loads" => [{ "case" => "press", "factor" => "1" }] }, { "name" => "slide", "increments" => increments, "loads" => [{ "case" => "slide", "factor" => "1" }] }]
    problem = shape_problem(*plan, steel, face("sole", "base", "y", 0), face("top", "base", "y", 20), face("under", "slider", "y", 20), face("lid", "slider", "y", 30),
                            { "kind" => "support", "target" => "sole", "components" => %w[x y] }, touch, { "kind" => "case", "name" => "press" }, { "kind" => "case", "name" => "slide" },
                            { "kind" => "rigid", "target" => "slider", "moves" => { "x" => along }, "case" => "slide" },
                            { "kind" => "force", "target" => "lid", "value" => "10 kN", "direction" => "-y", "case" => "press" }, { "kind" => "mesh", "size" => "4 mm" },
                            { "id" => "c", "kind" => "study", "name" => "case", "type" => "stages", "stages" => stages })
    result = Lattice::Study::Solving.new(problem).call(problem.study!("case"))
    found = Lattice::Verdict::Findings.new(problem, problem.study!("case"), result).to_h[:findings].find { |f| f[:kind] == "stages" }
    frame = result.frames.size - 1
    sole = result.grid.nodes_of(problem.groups.find("sole"))
    reaction = result.reaction(frame)[sole, true]
    # Where the reaction acts: its moment over it.
    at = (result.grid.nodes[sole, 0] * reaction[true, 1]).sum / reaction[true, 1].sum
    { found: found, row: found[:touches][0][:rows].last, at: at, across: reaction[true, 0].sum, slip: result.field("touch_slip", frame).max, result: result }
  end

  it "carries what presses along with what slides over many elements, and loses none of it" do
    far = slid("far", "40 mm")
    expect(far[:found][:broken]).to be_nil
    expect(far[:row][:normal]).to be_near(10e3, 1e-3)
    # Pressed in its middle, at 20 mm, and 40 mm farther.
    expect(far[:at]).to be_near(0.060, 5e-3)
    # Of every place of the base how far the slider has gone over it.
    expect(far[:slip]).to be_between(0.020, 0.030)
    # What stays where it met at first would still press there.
    expect(slid("near", "40 mm")[:at]).to be_near(0.020, 2e-2)
  end

  it "is held back by friction as it slides on, and back again" do
    { "30 mm" => -1, "-6 mm" => 1 }.each do |along, sign|
      found = slid("far", along, friction: "0.2")
      expect(found[:row][:shear]).to be_near(2e3, 1e-2)
      expect(found[:across]).to be_near(2e3 * sign, 2e-2)
      expect(found[:row][:slides] / found[:row][:closed]).to be > 0.9
    end
  end
end
