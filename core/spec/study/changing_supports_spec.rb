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

  # Beside it a short post of its own, on which the beam's end may stand: by a spring, a pad or a joint.
  post = lambda do |helper|
    [helper.group_named("end", { "all" => [{ "body" => "beam" }, { "plane" => { "axis" => "x", "at" => "#{length} mm" } }] }, of: "edges"),
     helper.outline_named("foot", helper.rectangle("#{length - 20} mm", "-200 mm", "20 mm", "150 mm")), helper.body_named("post", "foot", thickness: "10 mm", make: "plane stress"),
     helper.group_named("sole", { "plane" => { "axis" => "y", "at" => "-200 mm" } }, of: "edges"), helper.group_named("head", { "plane" => { "axis" => "y", "at" => "-50 mm" } }, of: "edges"),
     { "kind" => "support", "target" => "sole", "components" => %w[x y] }]
  end
  down = ->(problem, values) { values[((problem.mesh.nodes[true, 0] - (length / 1e3)).abs.lt(1e-9) & problem.mesh.nodes[true, 1].abs.lt(1e-9)).where].mean }

  # A spring of 1 N/mm against w: tip (w L⁴ / 8 E I) / (1 + k L³ / 3 E I); of the load that is put on while it is there.
  it "springs back from where it was when it came, and not before it comes or once it has gone" do
    spring = { "kind" => "spring", "name" => "strut", "target" => "end", "to" => "head", "stiffness" => "1 N/mm", "components" => ["y"] }
    twice = { "loads" => [{ "case" => "weight", "factor" => "2" }] }
    list = [stage["bare", {}], stage["strut", { "comes" => ["strut"] }], stage["more", twice], stage["off", { "goes" => ["strut"], **twice }]]
    problem = beam(*post[self], spring, staged(list), prop: false)
    all, found, result = moved(problem)
    bare, held, more, off = all.map { |values| down[problem, values] }
    stiff = 200e9 * 0.01 * (0.02**3) / 12
    share = 1 / (1 + (1e3 * (0.4**3) / (3 * stiff)))
    expect(held).to be_near(bare, 1e-5)
    expect((more - bare) / bare).to be_near(share, 5e-3)
    expect(off).to be_near(2 * bare, 1e-3)
    forces = found[:rows].map { |row| result.state(row[:frame]).connectors[0, 1] }
    expect(forces.values_at(0, 1, 3).map(&:abs).max).to be < forces[2].abs * 1e-5
    expect(forces[2].abs).to be_near((bare - more).abs * 1e3, 1e-3)
  end

  { "a joint" => { "kind" => "joint", "how" => "ball" }, "a pad that only pushes" => { "kind" => "one_way", "way" => "push", "direction" => "-y" } }.each do |words, join|
    it "stands on #{words} from where it is, which holds nothing before the post is there" do
      stands = { "name" => "rest", "target" => "end", "to" => "head" }.merge(join)
      twice = { "loads" => [{ "case" => "weight", "factor" => "2" }] }
      list = [stage["bare", { "goes" => ["post"] }], stage["post", { "comes" => ["post"] }], stage["more", twice], stage["struck", { "goes" => ["rest"], **twice }]]
      problem = beam(*post[self], stands, staged(list), prop: false)
      all, = moved(problem)
      bare, held, more, off = all.map { |values| down[problem, values] }
      expect(bare).to be_near(down[problem, sags(false)], 1e-3)
      expect(held).to be_near(bare, 1e-5)
      expect((more - bare).abs).to be < bare.abs * 0.02
      expect(off).to be_near(2 * bare, 1e-3)
    end
  end

  { "a support that nobody named so" => [{ "goes" => ["props"] }, /no body, group of bodies, anchor, support or join named “props”/],
    "what comes though it is there" => [{ "goes" => ["prop"], "comes" => ["prop"] }, /“prop” is not there|is there already/] }.each do |words, (changes, message)|
    it "refuses #{words}" do
      problem = beam(staged([stage["cast", {}], stage["struck", changes]]))
      expect { Lattice::Verdict::Readiness.new(problem).check! }.to(raise_error(Lattice::InvalidInput) { |e| expect(e.faults.map(&:message).join(" ")).to match(message) })
    end
  end
end
