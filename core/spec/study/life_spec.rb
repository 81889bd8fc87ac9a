# frozen_string_literal: true

RSpec.describe Lattice::Study::Kinds::Life do
  # A bar that is pulled evenly; free to shrink, so that its stress is the same all over.
  def pulled(*more, strengths: { "ultimate" => "600 MPa", "yield" => "400 MPa" })
    slide = { "id" => "pin", "kind" => "support", "target" => "bottom", "components" => ["y"] }
    flat = { "id" => "flat", "kind" => "support", "target" => "back", "components" => ["z"] }
    faces = { "bottom" => %w[y], "back" => %w[z] }.map { |name, (axis)| { "id" => name, "kind" => "group", "name" => name, "of" => "faces", "rule" => { "plane" => { "axis" => axis, "at" => "0 mm" } } } }
    problem({ force: { "value" => "50 kN", "direction" => "+x" }, support: { "components" => ["x"] }, material: { "properties" => Models::STEEL.merge(strengths) }, mesh: { "size" => "20 mm" } }, *faces, slide,
            flat, *more)
  end

  # 250 MPa of pull in the bar.
  def life(load, **more)
    { "id" => "f", "kind" => "study", "name" => "last", "type" => "life", "of" => "pull", "life" => { "load" => load, "curve" => power, "design" => "1e6" }.merge(more.transform_keys(&:to_s)) }
  end

  def power = { "coefficient" => "900 MPa", "exponent" => "-0.09" }

  def solved(problem)
    study = problem.study!("last")
    result = Lattice::Study::Solving.new(problem).call(study)
    [result, Lattice::Verdict::Findings.new(problem, study, result).to_h[:findings].find { |f| f[:kind] == "life" }]
  end

  # Amplitude 150 MPa about 100 MPa: 250 down to −50 MPa.
  { "goodman" => [180, 1.34307], "gerber" => [154.286, 1.60638], "swt" => [193.649, 1.34038] }.each do |rule, (equivalent, factor)|
    it "finds life and the factor on the load by #{rule}" do
      result, found = solved(pulled(life({ "ratio" => "-0.2" }, mean: rule)))
      expect(found[:worst][:life]).to be_near((equivalent / 900.0)**(-1 / 0.09), 1e-3)
      expect(found[:worst][:safety]).to be_near(factor, 2e-5)
      expect(result.field("alternating").max / 1e6).to be_near(equivalent, 1e-5)
      expect(result.field("life_power").min).to be_near(Math.log10(found[:worst][:life]), 1e-9)
      expect(found).to include(holds: true, yields: false)
      expect(found[:loops][0]).to include(damage: be_near(1 / found[:worst][:life], 1e-9), amplitude: be_near(150e6, 1e-6), mean: be_near(100e6, 1e-6))
      # The line of equal life in amplitude over mean begins with what the curve bears.
      diagram = found[:diagram]
      expect(diagram[:level]).to be_near(900e6 * (diagram[:life]**-0.09), 1e-9)
      expect(diagram[:line][0]).to be_near([0, diagram[:level]], 1e-9)
      expect(diagram[:line].map(&:last).each_cons(2)).to all(satisfy { |a, b| b < a })
    end
  end

  it "fails a life that is shorter than the design's" do
    _, found = solved(pulled(life({ "ratio" => "-1" }, design: "1e9", unit: { "name" => "nights", "passes" => "40" })))
    expect(found).to include(holds: false, unit: { name: "nights", passes: 40.0 })
    # Of the load, not of the life.
    expect(found[:utilisation]).to be_near(250 / (900 * (1e9**-0.09)), 1e-3)
  end

  it "counts a history once, and scales it: as its cycles summed by hand" do
    history = [[0.2, 1, -0.5, 0.8, -1, 0.4]]
    _, found = solved(pulled(life({ "history" => history })))
    # Loops of the repeated block that begins at the greatest: 1 to −1, 0.8 to −0.5, 0.4 to 0.2.
    hand = [250, 162.5, 25].sum { |s| 1 / ((s / 900.0)**(-1 / 0.09)) }
    expect(found[:worst][:damage]).to be_near(hand, 1e-4)
    expect(found[:of_loops]).to eq(3)
  end

  it "reads the damage of many points between many stresses: within a thousandth of counting each" do
    stress = Numo::DFloat.new(20_000).seq * 2e4
    random = Random.new(3)
    factors = Array.new(400) { random.rand(-1.0..1.0) }
    statement = Lattice::Model::Statement.new(life({ "history" => [factors] }, mean: "goodman"))
    of = Lattice::Life::Damage.new(Lattice::Life::Strength.new(statement, pulled.materials["bar"], "bar"))
    some = Numo::DFloat[1.0e6, 3.1e7, 1.7e8, 3.9e8]
    near = some.to_a.map { |s| (stress - s).abs.min_index }
    quick = of.of_factors(factors, stress)[near]
    whole = of.of_factors(factors, stress[near].dup)
    expect((quick / whole).to_a.last(3)).to all(be_near(1, 1e-3))
  end

  it "walks a duty through cases: what adds up by point, and rests without load" do
    cases = [{ "id" => "a", "kind" => "case", "name" => "pulled" }, { "id" => "b", "kind" => "case", "name" => "pushed" },
             { "id" => "g", "kind" => "force", "target" => "tip", "value" => "30 kN", "direction" => "-x", "case" => "pushed" }]
    steps = [{ "case" => "pulled" }, { "case" => "pushed" }, { "case" => "" }, { "case" => "pushed", "factor" => "0.5" }]
    list = pulled(life({ "duty" => steps }, mean: "goodman"), *cases)
    statements = list.document.statements.map { |s| s.id == "force" ? s.data.merge("case" => "pulled") : s.data }
    again = Lattice::Study::Problem.new(Lattice::Model::Document.new(list.document.data.merge("statements" => statements)))
    _, found = solved(again)
    # 250, −150, 0, −75 repeated: 250 to −150, and 0 to −75.
    hand = [[200, 50], [37.5, -37.5]].sum { |sa, sm| ((sa / (1 - (sm / 600.0))) / 900)**(1 / 0.09) }
    expect(found[:worst][:damage]).to be_near(hand, 1e-3)
    expect(found[:worst][:values].map { |v| v / 1e6 }).to be_near([250, -150, 0, -75], 1e-4)
    factor = found[:worst][:safety]
    scaled = [[200, 50], [37.5, -37.5]].sum { |sa, sm| ((sa * factor / (1 - (sm * factor / 600.0))) / 900)**(1 / 0.09) }
    expect(scaled).to be_near(1e-6, 1e-3)
  end

  it "lowers the strength by finish and the share that bears it, with the formula of the finish" do
    _, found = solved(pulled(life({ "ratio" => "-1" }, surface: "machined", reliability: "99 %", size: "0.9")))
    surface = 4.51 * (600**-0.265)
    expect(found[:factors]).to include(surface: be_near(surface, 1e-9), reliability: 0.814, size: 0.9)
    expect(found[:worst][:life]).to be_near((250 / (surface * 0.814 * 0.9) / 900)**(-1 / 0.09), 1e-3)
  end

  it "finds life by strain where the stress is over yield, and says what it estimated" do
    list = pulled(life({ "ratio" => "-1" }, by: "strain", mean: "swt", scale: "2"))
    result, found = solved(list)
    law = Lattice::Life::LocalStrain.new(210e9, Lattice::Life::LocalStrain.estimate(210e9, 600e6))
    stress, strain = law.neuber(Numo::DFloat[500e6])
    expect(found).to include(estimated: true, yields: true)
    expect(found[:worst][:life]).to be_near(law.life(strain, strain * 0, stress, "swt")[0], 2e-3)
    expect(result.field("damage").max).to be_near(found[:worst][:damage] * 1e6, 1e-9)
  end

  it "looks at chosen bodies alone, and has none of it elsewhere" do
    two = { "id" => "second", "kind" => "body", "name" => "other", "outline" => "profile", "make" => "solid", "thickness" => "10 mm", "on" => { "plane" => "xy", "x" => "0 mm", "y" => "0 mm", "z" => "10 mm" } }
    result, = solved(pulled(two, { "id" => "j", "kind" => "join", "bodies" => %w[bar other] }, life({ "ratio" => "-1" }).merge("target" => "bar")))
    expect(result.field("damage")[result.grid.points.of("other")].max).to eq(0)
    expect(result.field("damage")[result.grid.points.of("bar")].max).to be > 0
  end

  it "says so where the mean alone breaks it, and where nothing is stressed" do
    _, found = solved(pulled(life({ "ratio" => "0" }, mean: "goodman", scale: "6")))
    expect(found[:loops][0]).to include(equivalent: nil, reduced: nil)
    expect(found).to include(above: false, holds: false)
    none = { "id" => "idle", "kind" => "body", "name" => "idle", "outline" => "profile", "make" => "solid", "thickness" => "10 mm", "on" => { "plane" => "xy", "x" => "0 mm", "y" => "0 mm", "z" => "40 mm" } }
    held = { "id" => "hold", "kind" => "support", "target" => "idle", "components" => %w[x y z] }
    _, idle = solved(pulled(none, held, life({ "ratio" => "-1" }).merge("target" => "idle")))
    expect(idle[:worst]).to include(body: "idle", damage: 0.0, life: nil)
    expect(idle).to include(holds: true)
  end

  it "comes back from a file" do
    result, = solved(pulled(life({ "ratio" => "0" }, mean: "gerber")))
    Dir.mktmpdir do |folder|
      Lattice::Format::ResultFile.write(File.join(folder, "r"), result)
      again = Lattice::Format::ResultFile.read(File.join(folder, "r"), result.grid)
      expect(again.catalogue.map(&:name)).to eq(result.catalogue.map(&:name))
      expect((again.field("fatigue_safety") - result.field("fatigue_safety")).abs.max).to eq(0)
      expect(again.displacement).to eq(result.displacement)
    end
  end

  points = ->(*pairs) { { "points" => pairs.map { |n, s| { "cycles" => n, "stress" => s } } } }
  { "a curve that rises" => [{ curve: points[["1e4", "100 MPa"], ["1e5", "200 MPa"]] }, /rises at point 2/], "one point alone" => [{ curve: points[["1e4", "100 MPa"]] }, /one point alone/],
    "no curve" => [{ curve: nil }, /no curve/], "an exponent above zero" => [{ curve: { "coefficient" => "900 MPa", "exponent" => "0.1" } }, /does not fall/],
    "a curve that nobody has" => [{ curve: { "library" => "granite" } }, /no curve named “granite”/],
    "a mean without a strength" => [{ mean: "morrow", curve: points[["1e4", "200 MPa"], ["1e5", "100 MPa"]] }, /Morrow's rule/],
    "one value" => [{ load: { "history" => [[1, 1, 1]] } }, /one value alone/],
    "a duty of a missing case" => [{ load: { "duty" => [{ "case" => "storm" }, { "case" => "" }] } }, /no case or combination named “storm”/],
    "a duty that stays" => [{ load: { "duty" => [{ "case" => "" }, { "case" => "" }] } }, /stays in one case/], "a ratio of one" => [{ load: { "ratio" => "1" } }, /never changes/],
    "curves of a ratio and a mean" => [{ curves: [{ "ratio" => "-1" }, { "mean" => "50 MPa" }].map { |c| c.merge(points[["1e4", "200 MPa"], ["1e5", "100 MPa"]]) } }, /all for a mean/],
    "a rule of stress by strain" => [{ by: "strain", mean: "goodman" }, /one of stress/] }.each do |name, (more, message)|
    it "refuses #{name}" do
      list = pulled(life({ "ratio" => "-1" }, **more).tap { |s| s["life"].compact! })
      expect { described_class.check!(list, list.study!("last")) }.to raise_error(Lattice::InvalidInput, message)
    end
  end

  it "looks at its set-up before anything is solved" do
    odd = ->(list) { described_class.oddities(list, list.study!("last")).map { |fault| [fault.message, fault.cure].join(" ") } }
    expect(odd[pulled(life({ "ratio" => "-1" }))]).to be_empty
    expect(odd[pulled(life({ "history" => [[4500, -3000]] }))]).to contain_exactly(/reaches 4500 times the stress of “pull”.*scale/)
    expect(odd[pulled(life({ "history" => [[4500, -3000]] }, scale: "0.0002"))]).to be_empty
    second = [{ "id" => "second", "kind" => "body", "name" => "other", "outline" => "profile", "make" => "solid", "thickness" => "10 mm", "on" => on("xy", z: 10) },
              { "id" => "alu", "kind" => "material", "target" => "other", "material" => "soft", "properties" => { "young" => "70 GPa", "poisson" => "0.3" } }]
    expect(odd[pulled(life({ "ratio" => "-1" }), *second)]).to contain_exactly(/typed once, for bodies of “mild steel” and “soft”/, /“soft” has no yield strength/)
    expect(odd[pulled(life({ "ratio" => "-1" }).merge("target" => "bar"), *second)]).to be_empty
  end

  it "says so where the ultimate strength is missing" do
    list = pulled(life({ "ratio" => "0" }, mean: "goodman"), strengths: {})
    expect { described_class.check!(list, list.study!("last")) }.to raise_error(Lattice::InvalidInput, /no ultimate strength/)
  end

  it "has a library whose curves fall and have a source" do
    Lattice::Life::Curves.all.each do |row|
      expect(row["points"].each_cons(2)).to all(satisfy { |(n0, s0), (n1, s1)| n1 > n0 && s1 < s0 })
      expect(row["source"]).not_to be_empty
    end
    # A detail bears its name as a range at two million cycles.
    expect(Lattice::Life::Curve.new(Lattice::Life::Curves.find("welded or notched steel, detail 71")["points"]).life(Numo::DFloat[35.5e6])[0]).to be_near(2e6, 1e-3)
  end
end
