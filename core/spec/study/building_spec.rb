# frozen_string_literal: true

# Four posts of 3 m under a floor, E 200 GPa, 250 MPa, sections of 100 by 100 mm; beams stiff beside them.
RSpec.describe "Buildings that are pushed over and shaken" do
  swings = (0..60).map { |i| 3.0 * Math.sin(2 * Math::PI * i / 40.0) }
  motion = { "id" => "m", "kind" => "ground_motion", "name" => "quake", "step" => "20 ms", "unit" => "m/s2", "values" => [swings] }
  shake = { "id" => "c", "kind" => "study", "name" => "shake", "type" => "shaking",
            "ground" => [{ "motion" => "quake", "direction" => "+x" }],
            "periods" => { "ratio" => "3 %", "longer" => "0.5 s", "shorter" => "0.05 s" } }
  push = { "id" => "c", "kind" => "study", "name" => "push", "type" => "collapse", "held" => "weight", "case" => "push", "first" => "0.2", "far" => "200 mm" }
  yields = { "id" => "y", "kind" => "yielding", "target" => "house", "strength" => "250 MPa" }
  mass = { "id" => "mass", "kind" => "mass", "target" => "deck points", "value" => "20 t" }

  def house(*more, floor: true)
    plane = ->(name, at) { group_named(name, { "plane" => { "axis" => "z", "at" => at } }, of: "points") }
    shape_problem({ "kind" => "frame", "name" => "house", "bays" => ["4 m"], "bays_across" => ["4 m"], "storeys" => ["3 m"] },
                  outline_named("post", rectangle("-50 mm", "-50 mm", "100 mm", "100 mm")), outline_named("girder", rectangle("-100 mm", "-150 mm", "200 mm", "300 mm")),
                  group_named("posts", { "named" => "column" }, of: "edges"), group_named("girders", { "named" => "beam" }, of: "edges"), { "kind" => "section", "target" => "posts", "outline" => "post" },
                  { "kind" => "section", "target" => "girders", "outline" => "girder" },
                  { "kind" => "material", "target" => "house", "material" => "given", "properties" => { "young" => "200 GPa", "poisson" => "0.3", "density" => "7850 kg/m3" } },
                  plane["feet", "0 m"], plane["deck points", "3 m"], *(floor ? [{ "kind" => "floor", "name" => "deck", "target" => "deck points" }] : []),
                  { "kind" => "support", "target" => "feet", "components" => %w[x y z rx ry rz] }, { "kind" => "case", "name" => "weight" }, { "kind" => "case", "name" => "push" },
                  { "kind" => "gravity", "value" => "9.81 m/s2", "direction" => "-z", "case" => "weight" },
                  { "kind" => "force", "target" => "deck points", "value" => "100 kN", "direction" => "+x", "case" => "push" },
                  { "kind" => "mesh", "size" => "3 m" }, *more)
  end

  def solved(problem, study = problem.studies.find { |s| s.id == "c" } || problem.studies.last)
    Lattice::Verdict::Readiness.new(problem).check!
    result = Lattice::Study::Solving.new(problem).call(study)
    [result, Lattice::Verdict::Findings.new(problem, study, result).to_h[:findings]]
  end

  def described_class_of(study) = Lattice::Study::Kinds.of(study)
  def found(findings, kind) = findings.find { |f| f[:kind] == kind }
  def faults(problem) = Lattice::Verdict::Readiness.new(problem).notices

  it "is pushed over by the plastic moments at both ends of its posts, while its weight acts" do
    result, findings = solved(house(yields, mass, push))
    # 8 Mp = H h, less what its weight of 20 t and its frame takes by leaning.
    plastic = 250e6 * (0.1**3) / 4
    storeys = found(findings, "storeys")
    moved = storeys[:moved].map { |row| row[0][0] }
    expect(moved.last).to be >= 0.2
    weight = result.mass * 9.81
    expect(storeys[:base].last[0]).to be_near(((8 * plastic) - (weight * moved.last)) / 3, 0.02)
    expect(found(findings, "collapse")).to include(factor: be_near(storeys[:base].map(&:first).max / 100e3, 0.02), yields: nil)
    expect(storeys[:drifts][0][:drift]).to be_near(moved.last / 3, 1e-6)
    expect(found(findings, "equilibrium")).to include(holds: true)
    # The frame's own plastic strain, and stress no more than it bears.
    expect(result.field("von_mises", result.frames.size - 1).max).to be_near(250e6, 1e-6)
    expect(result.field("plastic_strain", result.frames.size - 1).max).to be > 0.005
  end

  it "moves as one where it is a floor" do
    side = { "id" => "side", "kind" => "group", "name" => "side", "of" => "points", "rule" => { "all" => [{ "plane" => { "axis" => "z", "at" => "3 m" } }, { "plane" => { "axis" => "y", "at" => "0 m" } }] } }
    twisted = house(side, { "id" => "f", "kind" => "force", "target" => "side", "value" => "1 kN", "direction" => "+x", "case" => "push" },
                    { "id" => "s", "kind" => "study", "name" => "still", "type" => "static" })
    result, = solved(twisted)
    nodes = [[0, 0, 3], [4, 0, 3], [4, 4, 3], [0, 4, 3]].map { |at| ((result.grid.nodes - Numo::DFloat.cast(at))**2).sum(1).min_index }
    u = result.displacement(1)
    # x as far along each side, and turned about z by one angle.
    expect(u[nodes[0], 0]).to be_near(u[nodes[1], 0], 1e-9)
    turn = (u[nodes[1], 1] - u[nodes[0], 1]) / 4
    expect(u[nodes[3], 0]).to be_near(u[nodes[0], 0] - (4 * turn), 1e-9)
    expect(result.rotation(1)[nodes[2], 2]).to be_near(turn, 1e-9)
    expect(u[nodes[0], 0]).to be > u[nodes[3], 0]
    expect(result.balance(1)[:error]).to be < 1e-6
  end

  it "shakes with its ground: held by its posts while they are strong, and swinging on what they bear once they flow" do
    strong, findings = solved(house(mass, motion, shake))
    course = found(findings, "shaking")
    storeys = found(findings, "storeys")
    # As one mass on a spring, stepped exactly: k of four posts clamped at both ends, and the girders' and half the posts' mass besides.
    stiff = 4 * 12 * 200e9 * (0.1**4) / 12 / (3**3)
    whole = 20e3 + (16 * 0.06 * 7850) + (4 * 3 * 0.01 * 7850 * 13 / 35.0)
    own = Math.sqrt(stiff / whole)
    one, two = [0.5, 0.05].map { |period| 2 * Math::PI / period }
    ratio = (2 * 0.03 * one * two / (one + two) / own / 2) + (2 * 0.03 / (one + two) * own / 2)
    exact, = Lattice::Study::Stepping.new(Numo::DFloat[own], Numo::DFloat[ratio], 0.02).call(Numo::DFloat.cast(swings).reshape(61, 1) * -1)
    expect(course[:most][:farthest]).to be_near(exact.abs.max, 0.06)
    expect(course).to include(stuck: nil, steps: 60, holds: true)
    expect(course[:times].last).to be_near(1.2, 1e-9)
    expect(storeys[:fastest][0]).to be > 0
    # The feet take what the floor's mass and its posts' are pushed by.
    expect(course[:most][:base]).to be_near(whole * storeys[:fastest][0], 0.06)

    weak, more = solved(house(yields, mass, motion, shake))
    bears = 8 * 250e6 * (0.1**3) / 4 / 3
    expect(found(more, "shaking")[:most][:base]).to be < bears * 1.1
    expect(found(more, "shaking")[:most][:base]).to be < course[:most][:base]
    expect(weak.frames.size).to eq(strong.frames.size)
    expect(weak.field("plastic_strain", weak.frames.size - 1).max).to be > 1e-4
  end

  it "is limited by its plastic strain, which keeps its greatest, and by no other field" do
    limit = { "id" => "l", "kind" => "limit", "study" => "shake", "quantity" => "plastic_strain", "target" => "house", "at_most" => "0.01 %" }
    result, findings = solved(house(yields, mass, motion, shake, limit))
    expect(found(findings, "limit")).to include(holds: false, value: be_near(result.field("plastic_strain", result.frames.size - 1).max, 1e-6))
    problem = house(mass, motion, shake, limit.merge("quantity" => "displacement", "at_most" => "1 mm"))
    expect(faults(problem).select(&:stops?).map { |n| n.fault.to_s }.join).to match(/not every moment is kept.*drift of storeys/)
  end

  it "finds steps odd that go over values of the record" do
    odd = ->(step) { faults(house(mass, motion, shake.merge(step ? { "step" => step } : {}))).reject(&:stops?).map { |n| n.fault.to_s }.grep(/goes over values/) }
    expect(odd["50 ms"]).to contain_exactly(/step of 0.05 s goes over values of the record, which has one every 0.02 s/)
    expect(odd["10 ms"] + odd[nil]).to be_empty
  end

  it "shakes in many runs, each as it would alone, and goes on where it was stopped" do
    many = shake.merge("runs" => { "motions" => %w[quake other], "scales" => ["0.5", "1"] })
    other = motion.merge("id" => "o", "name" => "other", "values" => [swings.map { |v| v * 0.4 }])
    problem = house(mass, motion, other, many)
    kept = {}
    keeper = Class.new do
      define_method(:keep) { |kind, digest, *, &made| kind == :result ? (kept[digest] ||= made.call) : made.call }
    end.new
    result = Lattice::Study::Solving.new(problem, keeper: keeper).call(problem.studies.last)
    findings = Lattice::Verdict::Findings.new(problem, problem.studies.last, result).to_h[:findings]
    rows = found(findings, "shaking")[:runs]
    expect(rows.map { |r| r.values_at(:motion, :scale) }).to eq([["quake", 0.5], ["quake", 1.0], ["other", 0.5], ["other", 1.0]])
    _, alone = solved(house(mass, motion, shake))
    expect(rows[1][:drifts][0]).to be_near(found(alone, "storeys")[:drift], 1e-9)
    # Small movements grow with the scale.
    expect(rows[1][:farthest]).to be_near(rows[0][:farthest] * 2, 0.01)
    expect(found(findings, "storeys")[:drift]).to be_near(rows[1][:drifts][0], 1e-9)
    expect(kept.size).to eq(5)

    # Two of them are missing: only those are computed again.
    later = kept.dup.tap { |all| all.keys.first(2).each { |digest| all.delete(digest) } }
    Dir.mktmpdir do |folder|
      again = Class.new { define_method(:keep) { |kind, digest, *, &made| kind == :result ? (later[digest] ||= made.call) : made.call } }.new
      rows_again, = Lattice::Study::Batch.new(Lattice::Study::Solving.new(problem, keeper: again), problem.studies.last).call do |own, single|
        FileUtils.touch(File.join(folder, Process.pid.to_s))
        described_class_of(single).new(own.problem, own.grid, single, own.monitor).call
      end
      expect(Dir.children(folder).size).to be_between(1, 2)
      expect(rows_again).to eq(rows)
    end
  end

  it "comes to an honest end where a step finds no rest, with all before kept" do
    # As soon as posts flow.
    allow_any_instance_of(Lattice::Element::Large::Fibred).to receive(:approached).and_return(nil) # rubocop:disable RSpec/AnyInstance
    result, findings = solved(house(yields, mass, motion.merge("values" => [swings.map { |v| v * 2.5 }]), shake))
    course = found(findings, "shaking")
    expect(course[:steps]).to be_between(2, 59)
    expect(course).to include(holds: false, stuck: { time: be_between((course[:steps] * 0.02) + 1e-6, (course[:steps] + 1) * 0.02), at: have_attributes(size: 3) })
    expect(result.frames.size).to eq(course[:steps])
    expect(result.frames.last.value).to be_near(course[:steps] * 0.02, 1e-9)
  end

  it "says what is wrong, and how to mend it" do
    wrong = ->(*statements, **more) { faults(house(*statements, **more)).select(&:stops?).map { |n| n.fault.to_s }.join("\n") }
    expect(wrong[mass, motion.merge("unit" => "g", "values" => [swings.map { |v| v * 9.8 }]), shake]).to match(%r{more than any ground has shaken.*most likely in m/s2})
    expect(wrong[mass, motion.merge("values" => Array.new(5) { [0.1] * 5000 }), shake]).to match(/25000 values, of which at most 20000.*Leave out every second/)
    expect(wrong[mass, motion.merge("values" => [[]]), shake]).to match(/has no values.*from the station/)
    expect(wrong[mass, shake]).to include("no ground motion named “quake”")
    expect(wrong[mass, motion, shake.merge("ground" => [{ "motion" => "quake", "direction" => "+x" }] * 2)]).to include("twice along the same direction")
    expect(wrong[mass, motion, shake.merge("periods" => { "ratio" => "3 %", "longer" => "0.1 s", "shorter" => "1 s" })]).to include("not in order")
    expect(wrong[mass, motion, shake.merge("drift_at_most" => "1 %"), floor: false]).to include("no floor whose drift")
    expect(wrong[mass, motion, shake.merge("held" => "nothing")]).to include("no case or combination named “nothing”")
    expect(wrong[mass, motion, shake.merge("step" => "5 s")]).to include("step is not above zero, or longer")
    expect(wrong[push.merge("far" => "0 mm")]).to include("ends where nothing has moved")
    single = { "id" => "one", "kind" => "floor", "name" => "shelf", "target" => "corner" }
    corner = { "id" => "g1",
               **group_named("corner", { "all" => [{ "plane" => { "axis" => "z", "at" => "3 m" } }, { "plane" => { "axis" => "x", "at" => "0 m" } }, { "plane" => { "axis" => "y", "at" => "0 m" } }] },
                             of: "points") }
    expect(wrong[corner, single, push]).to include("floor tied to nothing")
    weak = faults(house(mass, motion.merge("unit" => "m/s2", "values" => [swings.map { |v| v / 30 }]), shake)).reject(&:stops?).map { |n| n.fault.to_s }.join
    expect(weak).to match(/hardly be felt.*may be in g/)
  end

  it "is told on the command line: in findings, and moment by moment as tables" do
    problem = house(mass, motion, shake.merge("drift_at_most" => "1 %"))
    study = problem.studies.last
    result = Lattice::Study::Solving.new(problem).call(study)
    findings = Lattice::Verdict::Findings.new(problem, study, result).to_h
    out = StringIO.new
    Lattice::Command::FindingsTable.new(findings).print(out)
    expect(out.string).to match(/quake times 1: moves by, in 60 steps .*feet take .* N/).and match(/drift of the storey below deck, of its height .*at most 1 %/).and match(/deck +3.000 mm/)
    tables = Lattice::Command::ResultTables.new(findings, result, problem)
    expect(tables.names & %w[storeys courses capacity runs]).to eq(%w[storeys courses])
    courses = tables.table("courses")
    expect(courses[0]).to eq(["time, s", "ground: quake, m/s2", "feet take along x, N", "feet take along y, N",
                              "deck moves along x, mm", "deck moves along y, mm", "deck accelerates along x, m/s2", "deck accelerates along y, m/s2"])
    expect(courses.size).to eq(61)
    expect(courses.drop(1).map { |row| row[4].abs }.max).to be_near(findings[:findings].find { |f| f[:kind] == "storeys" }[:drift] * 3000, 1e-4)
    # Of all steps, not of those that are drawn alone.
    expect(tables.table("storeys")[1]).to match(["deck", be_near(3000, 1e-9), be_near(3000, 1e-9), be_near(result.found[:shaking][:storeys][:drifts][0][:drift] * 3000, 1e-9), be > 0, be > 0])
  end

  it "bears as much where its fibres bend smoothly, and yields sooner the other way" do
    straight = { "curve" => [{ "strain" => "0", "stress" => "250 MPa" }, { "strain" => "100 %", "stress" => "3 GPa" }], "hardens" => "kinematic" }
    sharp, smooth = [{}, { "bends" => "smoothly" }].map { |bends| found(solved(house(yields.except("strength").merge(straight, bends), push.merge("held" => "")))[1], "storeys")[:base].map(&:first) }
    expect(smooth.max).to be_near(sharp.max, 0.03)
    expect do
      house(yields.merge("bends" => "smoothly",
                         "curve" => [{ "strain" => "0", "stress" => "250 MPa" }, { "strain" => "1 %", "stress" => "300 MPa" }])).yielding.check!
    end.to raise_error(Lattice::InvalidInput, /yields earlier the other way/)
    solid = shape_problem(*block, { "kind" => "material", "target" => "block", "material" => "steel S355" }, { "kind" => "yielding", "target" => "block", "bends" => "smoothly" })
    expect { solid.yielding.check! }.to raise_error(Lattice::InvalidInput, /fibres alone bend smoothly/)
  end

  it "says that weight is more than it bears, before the ground shakes" do
    problem = house(yields.merge("strength" => "1 MPa"), mass, motion, shake.merge("held" => "weight"))
    expect { Lattice::Study::Solving.new(problem).call(problem.studies.last) }.to raise_error(Lattice::SolveFailed, /does not bear what acts first.*static study/)
  end
end
