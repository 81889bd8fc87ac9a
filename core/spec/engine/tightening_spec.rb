# frozen_string_literal: true

# Bolts that are tightened in one stage and kept in the next, over faces that touch.
RSpec.describe Lattice::Engine::Tightening do
  def plates(*more, friction: nil)
    faces = { "lower face" => "low", "upper face" => "high" }.map { |name, body| group_named(name, { "all" => [{ "body" => body }, { "plane" => { "axis" => "z", "at" => "12 mm" } }] }) }
    stages = { "tighten" => ["tight"], "lift" => ["pull"], "rest" => ["pull"] }.map { |name, (load)| { "name" => name, "loads" => [{ "case" => load, "factor" => name == "rest" ? "0" : "1" }] } }
    shape_problem(outline_named("p", rectangle("0 mm", "0 mm", "40 mm", "40 mm"), holes: [circle(20, 20, 11)]), body_named("low", "p", thickness: "12 mm"),
                  body_named("high", "p", thickness: "12 mm", on: on("xy", z: 12)),
                  group_named("holes", { "bores" => { "diameter" => "11 mm" } }), group_named("base", { "plane" => { "axis" => "z", "at" => "0 mm" } }),
                  group_named("top", { "plane" => { "axis" => "z", "at" => "24 mm" } }), *faces,
                  { "kind" => "material", "target" => "everything", "material" => "steel", "properties" => Models::STEEL }, { "kind" => "case", "name" => "tight" }, { "kind" => "case", "name" => "pull" },
                  { "kind" => "bolt", "target" => "holes", "size" => "M10", "class" => "8.8", "tighten" => { "force" => "20 kN" }, "case" => "tight" },
                  { "kind" => "touch", "target" => "lower face", "to" => "upper face", "friction" => friction }.compact, { "kind" => "support", "target" => "base", "components" => %w[x y z] },
                  { "kind" => "support", "target" => "top", "components" => %w[x y] },
                  { "kind" => "mesh", "size" => "9 mm", "turn" => "60 deg", "order" => "linear" }, { "kind" => "study", "name" => "s", "type" => "stages", "stages" => stages }, *more)
  end

  def pull(value) = { "kind" => "force", "target" => "top", "value" => value, "direction" => "+z", "case" => "pull" }

  def solved(problem)
    study = problem.study!("s")
    result = Lattice::Study::Solving.new(problem).call(study)
    [result, Lattice::Study::Kinds::Stages.findings(problem, study, result)[0]]
  end

  def tension(result, frame) = Lattice::Result::BoltForces.rows(result, frame)[0][:tension]

  it "tightens to just what is wanted, takes its share of a pull, and comes back to it" do
    result, found = solved(plates(pull("8 kN")))
    ends = result.judged(nil)
    expect(tension(result, ends[0])).to be_near([20e3, 20e3], 1e-5)
    expect(found[:touches][0][:rows][ends[0]][:normal]).to be_near(20e3, 1e-4)
    lifted = tension(result, ends[1])[0]
    # What the bolt takes, the faces lose the rest of.
    expect((lifted - 20e3) / 8e3).to be_between(0.02, 0.4)
    expect(found[:touches][0][:rows][ends[1]][:normal]).to be_near(lifted - 8e3, 1e-4)
    expect(tension(result, ends[2])[0]).to be_near(20e3, 1e-3)
    expect(found).to include(broken: nil)
  end

  it "bears all of a pull that parts the faces" do
    result, found = solved(plates(pull("30 kN")))
    ends = result.judged(nil)
    expect(tension(result, ends[1])[0]).to be_near(30e3, 1e-3)
    expect(found[:touches][0][:rows][ends[1]]).to include(closed: 0.0)
  end
end
