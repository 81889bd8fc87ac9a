# frozen_string_literal: true

RSpec.describe Lattice::Study::Kinds::Stages do # supports and joins that come and go
  length = 400.0
  define_method(:edge) { |name, x| group_named(name, { "plane" => { "axis" => "x", "at" => "#{x} mm" } }, of: "edges") }
  steel = { "kind" => "material", "target" => "everything", "material" => "given", "properties" => { "young" => "200 GPa", "poisson" => "0", "density" => "7800 kg/m3" } }
  line = { "kind" => "line_load", "target" => "top", "value" => "1 N/mm", "direction" => "-y" }
  stage = ->(name, changes) { { "name" => name, "loads" => [{ "case" => "weight", "factor" => "1" }] }.merge(changes) }

  # A beam of 400 × 20 × 10 mm³ that is clamped, and may be propped at its end.
  define_method(:beam) do |*more, prop: true|
    shape_problem(outline_named("plan", rectangle("0 mm", "0 mm", "#{length} mm", "20 mm")), body_named("beam", "plan", thickness: "10 mm", make: "plane stress"), steel,
                  edge("root", 0), edge("tip", length), group_named("top", { "plane" => { "axis" => "y", "at" => "20 mm" } }, of: "edges"),
                  { "kind" => "case", "name" => "weight" }, line.merge("case" => "weight"), { "kind" => "support", "target" => "root", "components" => %w[x y] },
                  *(prop ? [{ "kind" => "support", "name" => "prop", "target" => "tip", "components" => %w[y] }] : []), { "kind" => "mesh", "size" => "10 mm" }, *more)
  end

  def staged(list, **rest) = { "id" => "c", "kind" => "study", "name" => "case", "type" => "stages", "stages" => list, **rest }

  def solved(problem)
    study = problem.study!("case")
    result = Lattice::Study::Solving.new(problem).call(study)
    [result, Lattice::Verdict::Findings.new(problem, study, result).to_h[:findings].find { |f| f[:kind] == "stages" }]
  end

  # Of a static study.
  def sags(prop)
    result, = solved(beam({ "id" => "c", "kind" => "study", "name" => "case", "type" => "static" }, prop: prop))
    result.field("displacement_y", 0)
  end

  def moved(problem)
    result, found = solved(problem)
    [found[:rows].map { |row| result.field("displacement_y", row[:frame]) }, found, result]
  end

  it "lets a prop go: what it bore goes over to the rest, as if it had never been there" do
    (before, after), found = moved(beam(staged([stage["cast", {}], stage["struck", { "goes" => ["prop"] }]])))
    free = sags(false)
    propped = sags(true)
    # w L⁴ / 8 E I, and a five hundredth more by shear.
    expect(free.min).to be_near(-1e3 * (0.4**4) / (8 * 200e9 * 0.01 * (0.02**3) / 12), 1e-2)
    expect((before - propped).abs.max).to be < free.abs.max * 1e-3
    expect((after - free).abs.max).to be < free.abs.max * 1e-3
    expect(found).to include(broken: nil, holds: true)
  end

  it "comes to rest where the load goes with the prop, and nothing is left that acts" do
    (before, after), found = moved(beam(staged([stage["cast", {}], stage["all away", { "goes" => ["prop"], "loads" => [{ "case" => "weight", "factor" => "0" }] }]])))
    expect(found).to include(broken: nil)
    expect(after.abs.max).to be < before.abs.max * 1e-6
  end

  it "holds from where it is, once it comes: only what is loaded later bears on it" do
    (first, second, third), = moved(beam(staged([stage["bare", {}], stage["propped", { "comes" => ["prop"] }], stage["more", { "loads" => [{ "case" => "weight", "factor" => "2" }] }]])))
    free = sags(false)
    propped = sags(true)
    expect((second - first).abs.max).to be < free.abs.max * 1e-6
    expect((third - first - propped).abs.max).to be < free.abs.max * 1e-3
    expect((first - free).abs.max).to be < free.abs.max * 1e-3
  end

  it "keeps static results when a support gets a name, and solves stages anew when a name goes to another" do
    one = { "id" => "c", "kind" => "study", "name" => "case", "type" => "static" }
    digest = ->(problem) { problem.study_digest(problem.study!("case")) }
    nameless = { "kind" => "support", "target" => "tip", "components" => %w[y] }
    expect(digest[beam(one)]).to eq(digest[beam(nameless, one, prop: false)])
    held = ->(name, component) { { "kind" => "support", "name" => name, "target" => "tip", "components" => [component] } }
    both = ->(first, second) { beam(held[first, "y"], held[second, "x"], staged([stage["cast", {}], stage["struck", { "goes" => ["prop"] }]]), prop: false) }
    expect(digest[both["prop", "stop"]]).not_to eq(digest[both["stop", "prop"]])
  end

  it "tells the motion that nothing resists, where the last support goes" do
    list = [stage["cast", {}], stage["struck", { "goes" => ["clamp"] }]]
    problem = beam(staged(list)).then { |p| p.document.statements.map(&:data) }.map { |s| s["target"] == "root" && s["kind"] == "support" ? s.merge("name" => "clamp") : s }
    _, found = solved(Lattice::Study::Problem.new(Lattice::Model::Document.new(beam.document.data.merge("statements" => problem))))
    expect(found[:broken]).to include(stage: "struck", loose: match(/“beam” (slides|turns)/))
  end

  { "a support that nobody named so" => [{ "goes" => ["props"] }, /no body, group of bodies, anchor, support or join named “props”/],
    "what comes though it is there" => [{ "goes" => ["prop"], "comes" => ["prop"] }, /“prop” is not there|is there already/] }.each do |words, (changes, message)|
    it "refuses #{words}" do
      problem = beam(staged([stage["cast", {}], stage["struck", changes]]))
      expect { Lattice::Verdict::Readiness.new(problem).check! }.to(raise_error(Lattice::InvalidInput) { |e| expect(e.faults.map(&:message).join(" ")).to match(message) })
    end
  end
end
