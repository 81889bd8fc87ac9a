# frozen_string_literal: true

# Stages that go on from those of another study, and what is odd about stages.
RSpec.describe Lattice::Study::Stages do
  steel = { "kind" => "material", "target" => "everything", "material" => "given", "properties" => { "young" => "200 GPa", "poisson" => "0", "yield" => "250 MPa" } }
  stage = ->(name, **loads) { { "name" => name, "loads" => loads.map { |key, factor| { "case" => key.to_s, "factor" => factor } } } }
  define_method(:near) { |name, x| group_named(name, { "plane" => { "axis" => "x", "at" => "#{x} mm" } }, of: "edges") }

  # A bar of 120 × 20 × 10 mm³ that yields at 50 kN.
  define_method(:bar) do |*studies|
    shape_problem(outline_named("plan", rectangle("0 mm", "0 mm", "120 mm", "20 mm")), body_named("bar", "plan", thickness: "10 mm", make: "plane stress"), steel,
                  { "kind" => "yielding", "target" => "bar", "curve" => [{ "strain" => "0", "stress" => "250 MPa" }, { "strain" => "10 %", "stress" => "350 MPa" }] },
                  near("left", 0), near("right", 120), { "kind" => "case", "name" => "pull" }, { "kind" => "support", "target" => "left", "components" => %w[x y] },
                  { "kind" => "force", "target" => "right", "value" => "40 kN", "direction" => "+x", "case" => "pull" }, { "kind" => "mesh", "size" => "20 mm" }, *studies)
  end

  def study(name, list, **more) = { "id" => name.tr(" ", "_"), "kind" => "study", "name" => name, "type" => "stages", "stages" => list }.merge(more.transform_keys(&:to_s))

  def ends(problem, name)
    result = Lattice::Study::Solving.new(problem).call(problem.study!(name))
    found = Lattice::Verdict::Findings.new(problem, problem.study!(name), result).to_h[:findings].find { |f| f[:kind] == "stages" }
    [found[:rows].map { |row| row[:name] }, found[:rows].map { |row| result.field("displacement_x", row[:frame]).max }]
  end

  def notices(problem) = Lattice::Verdict::Readiness.new(problem).notices.map { |n| [n.stops?, n.fault.to_s] }

  it "go on after any stage of another study, as if all were one" do
    overload = study("overload", [stage["pull", pull: "1"], stage["beyond", pull: "1.4"], stage["off", pull: "0"]])
    problem = bar(overload, study("again", [stage["let go", pull: "0"], stage["once more", pull: "1.5"]], of: "overload", stage: "beyond"),
                  study("at the end", [stage["pull again", pull: "1.2"]], of: "overload"), study("in one", [*overload["stages"].first(2), stage["let go", pull: "0"], stage["once more", pull: "1.5"]]))
    expect(notices(problem)).to be_empty
    names, moved = ends(problem, "again")
    expect(names).to eq(["pull", "beyond", "let go", "once more"])
    expect(moved).to be_near(ends(problem, "in one")[1], 1e-12)
    # What has flowed stays.
    expect(moved[2]).to be > 1e-4
    expect(ends(problem, "at the end")[0]).to eq(["pull", "beyond", "off", "pull again"])
    digests = %w[again overload].map { |name| problem.study_digest(problem.study!(name)) }
    changed = bar(study("overload", [stage["pull", pull: "1"], stage["beyond", pull: "1.3"], stage["off", pull: "0"]]),
                  study("again", [stage["let go", pull: "0"], stage["once more", pull: "1.5"]], of: "overload", stage: "beyond"))
    expect(%w[again overload].map { |name| changed.study_digest(changed.study!(name)) }.zip(digests).map { |a, b| a == b }).to eq([false, false])
  end

  { "itself" => [{ of: "one" }, /goes on from itself/], "a stage that is not there" => [{ of: "two", stage: "dig" }, /has no stage named “dig”/],
    "a study that is not there" => [{ of: "three" }, /no study named “three”/] }.each do |words, (fields, message)|
    it "refuse to go on from #{words}" do
      problem = bar(study("one", [stage["more", pull: "1"]], **fields), study("two", [stage["pull", pull: "0.5"]]))
      expect(notices(problem).select(&:first).map(&:last).join).to match(message)
    end
  end

  it "have to be there, of a study as of one that another is of" do
    life = { "id" => "f", "kind" => "study", "name" => "last", "type" => "life", "of" => "one",
             "life" => { "load" => { "duty" => [{ "case" => "a" }, { "case" => "b" }] }, "curve" => { "coefficient" => "900 MPa", "exponent" => "-0.09" } } }
    expect(notices(bar(study("one", nil).compact, life)).select(&:first).map(&:last)).to all(include("“one”: it has no stages"))
  end

  it "finds it odd to tighten bolts and to load in one stage" do
    plates = [0, 10].flat_map do |z|
      [outline_named("plan #{z}", rectangle("0 mm", "0 mm", "60 mm", "60 mm"), holes: [circle(30, 30, 9)]), body_named("plate #{z}", "plan #{z}", thickness: "10 mm", on: on("xy", z: z))]
    end
    faces = { "sole" => 0, "lid" => 20 }.map { |name, z| group_named(name, { "plane" => { "axis" => "z", "at" => "#{z} mm" } }) }
    problem = shape_problem(*plates, steel, group_named("holes", { "bores" => { "diameter" => "9 mm" } }), *faces,
                            { "kind" => "case", "name" => "tighten" }, { "kind" => "case", "name" => "work" }, { "kind" => "support", "target" => "sole", "components" => %w[x y z] },
                            { "kind" => "bolt", "target" => "holes", "size" => "M8", "class" => "8.8", "tighten" => { "force" => "5 kN" }, "case" => "tighten" },
                            { "kind" => "force", "target" => "lid", "value" => "1 kN", "direction" => "-z", "case" => "work" }, { "kind" => "mesh", "size" => "10 mm" },
                            study("both", [stage["all", tighten: "1", work: "1"]]), study("one by one", [stage["first", tighten: "1"], stage["then", work: "1"]]))
    odd = notices(problem).reject(&:first).map(&:last).grep(/bolts are tightened/)
    expect(odd).to contain_exactly(a_string_including("in stage “all” while “work” loads them").and(including("both")))
  end
end
