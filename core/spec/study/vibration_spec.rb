# frozen_string_literal: true

RSpec.describe Lattice::Study::Kinds::Vibration do
  def vibration(**more) = { "id" => "v", "kind" => "study", "name" => "swing", "type" => "vibration", "modes" => 6 }.merge(more.transform_keys(&:to_s))

  def solved(problem, name = "swing")
    study = problem.study!(name)
    result = Lattice::Study::Solving.new(problem).call(study)
    [result, Lattice::Verdict::Findings.new(problem, study, result).to_h]
  end

  def modes(found) = found[:findings].find { |f| f[:kind] == "modes" }
  # Of the bar: its bending stiffness over its mass per length, by its lesser and greater depth.
  def bending(depth, width) = Math.sqrt(210e9 * width * (depth**3) / 12 / (7850 * width * depth))

  it "finds the natural frequencies of a cantilever in order, by hand within a percent, and misses none" do
    _, found = solved(problem({ mesh: { "size" => "5 mm" } }, vibration))
    rows = modes(found)[:rows]
    expect(rows[0][:frequency]).to be_near(3.516 / (2 * Math::PI * (0.2**2)) * bending(0.01, 0.02), 0.01)
    expect(rows[1][:frequency]).to be_near(3.516 / (2 * Math::PI * (0.2**2)) * bending(0.02, 0.01), 0.01)
    expect(rows.map { |r| r[:words] }.first(3)).to eq(["bends along z, 1 half wave", "bends along y, 1 half wave", "bends along z, 2 half waves"])
    expect(modes(found)[:counted]).to include(below: 6, found: 6)
    # A clamped beam's first mode carries 61.3 % of its mass across.
    expect(rows[0][:shares]).to be_near([0, 0, 0.613], 0.01)
    expect(rows.last[:sums]).to be_near(rows.map { |r| r[:shares] }.transpose.map(&:sum), 1e-12)
  end

  it "tells the rigid motions of a free part apart, and keeps all its mass" do
    free = problem({ support: nil, study: nil, force: nil }, vibration(modes: 8))
    expect(Lattice::Verdict::Readiness.new(free)).to be_ready
    _, found = solved(free)
    rows = modes(found)[:rows]
    expect(rows.map { |r| r[:rigid] }).to eq(([true] * 6) + ([false] * 2))
    expect(rows[5][:sums]).to be_near([1, 1, 1], 1e-9)
    expect(rows[6][:frequency]).to be_near(22.373 / (2 * Math::PI * (0.2**2)) * bending(0.01, 0.02), 0.02)
  end

  it "finds all up to a frequency, from another, and says what lies where something runs" do
    _, found = solved(problem({}, vibration(to: "3 kHz", from: "300 Hz", running: { "from" => "400 Hz", "to" => "450 Hz" })))
    rows = modes(found)[:rows]
    expect(rows.map { |r| r[:frequency] }).to all(be_between(300, 3000))
    expect(rows.size).to be > 2
    expect(found[:findings].find { |f| f[:kind] == "resonance" }).to include(inside: [1], holds: false)
    expect(found[:holds]).to be(false)
  end

  it "is stiffened by a pull, as a string is" do
    pull = problem({ force: { "value" => "400 kN", "direction" => "+x" } }, vibration, vibration(id: "w", name: "pulled", of: "pull"))
    bare, tight = %w[swing pulled].map { |name| modes(solved(pull, name)[1])[:rows][0][:frequency] }
    expect(tight).to be > 2 * bare
  end

  it "is stressed by the loads of a study times its factor, by what swells too" do
    ends = { "id" => "ends", "kind" => "group", "name" => "ends", "of" => "faces", "rule" => { "any" => [{ "plane" => { "axis" => "x", "at" => "0 mm" } }, { "plane" => { "axis" => "x", "at" => "200 mm" } }] } }
    first = lambda do |warmer, factor|
      warm = { "id" => "t", "kind" => "temperature", "target" => "bar", "value" => warmer, "reference" => "20 degC" }
      list = problem({ force: nil, support: { "target" => "ends" }, material: { "properties" => Models::STEEL.merge("expansion" => "12e-6 1/K") }, study: { "load_factor" => factor } }, ends, warm,
                     vibration(of: "pull", modes: 1))
      modes(solved(list)[1])[:rows][0][:frequency]
    end
    expect(first["40 degC", "2"]).to be_near(first["60 degC", "1"], 1e-9)
    expect(first["60 degC", "1"]).to be < 0.98 * first["20 degC", "1"]
  end

  it "offers a hand check by the sag under its weight, beside the mode that goes that way" do
    _, found = solved(problem({ mesh: { "size" => "5 mm" } }, vibration))
    down = modes(found)[:sags].find { |s| s[:axis] == "z" }
    sag = 7850 * 9.80665 * (0.2**4) / (8 * 210e9 * (0.01**2) / 12)
    expect(down[:sag]).to be_near(sag, 0.01)
    expect(down).to include(mode: 1)
    # Rayleigh's quotient of the sagging line of a cantilever is 0.4 % high.
    expect(down[:whole] / modes(found)[:rows][0][:frequency]).to be_near(1.004, 2e-3)
  end

  it "takes masses at the nodes alone: all of the mass, and frequencies that are near and lower" do
    rows = [{}, { mass: "lumped" }].map { |more| modes(solved(problem({ mesh: { "size" => "10 mm" } }, vibration(modes: 3, **more)))[1]) }
    expect(rows[1][:mass]).to be_near(rows[0][:mass], 1e-9)
    lumped, consistent = rows.reverse.map { |found| found[:rows].map { |r| r[:frequency] } }
    expect(lumped).to be_near(consistent, 0.02)
    expect(lumped.zip(consistent)).to all(satisfy { |a, b| a < b })
  end

  it "carries masses that stand at points" do
    weight = [{ "id" => "p", "kind" => "point", "name" => "load", "at" => spot(200, 10, 5) }, { "id" => "l", "kind" => "link", "target" => "load", "to" => "tip", "how" => "spreading" },
              { "id" => "m", "kind" => "mass", "target" => "load", "value" => "50 kg" }]
    _, found = solved(problem({ force: nil }, vibration(modes: 2), *weight))
    stiffness = 3 * 210e9 * 0.02 * (0.01**3) / 12 / (0.2**3)
    expect(modes(found)[:rows][0][:frequency]).to be_near(Math.sqrt(stiffness / 50) / (2 * Math::PI), 0.01)
    expect(modes(found)[:mass]).to be_near([50.314] * 3, 1e-3)
  end

  it "has shapes whose largest movement is one, without stress, and comes back from a file" do
    result, = solved(problem({}, vibration(modes: 2)))
    expect(result.catalogue.map(&:name)).to eq(%w[displacement displacement_x displacement_y displacement_z])
    expect(result.field("displacement", 1).max).to be_near(1, 1e-12)
    Dir.mktmpdir do |folder|
      Lattice::Format::ResultFile.write(File.join(folder, "r"), result)
      again = Lattice::Format::ResultFile.read(File.join(folder, "r"), result.grid)
      expect(again.displacement(1)).to eq(result.displacement(1))
      expect(again.frames.map(&:value)).to eq(result.frames.map(&:value))
      expect(again.found).to eq(result.found)
    end
  end

  it "names what is wrong, and the cure" do
    notices = ->(changes, study, *more) { Lattice::Verdict::Readiness.new(problem(changes, study, *more)).notices.map { |n| n.fault.to_s } }
    expect(notices[{ material: { "properties" => Models::STEEL.except("density") } }, vibration]).to include(/has no density, without which nothing vibrates/)
    expect(notices[{}, vibration(from: "3 kHz", to: "1 kHz")]).to include(/the range ends before it begins/)
    expect(notices[{}, vibration(running: { "from" => "3 kHz", "to" => "1 kHz" })]).to include(/running range ends before it begins/)
    expect(notices[{}, vibration,
                   { "id" => "x", "kind" => "limit", "study" => "swing", "quantity" => "von_mises", "target" => "bar", "at_most" => "yield" }]).to include(/“swing” finds shapes, which have no size to read/)
    expect { solved(problem({}, vibration(to: "1 Hz"))) }.to raise_error(Lattice::InvalidInput, /no natural frequency lies below 1 Hz/)
    all = { "id" => "h", "kind" => "support", "target" => "bar", "components" => %w[x y z] }
    expect { solved(problem({}, vibration, all)) }.to raise_error(Lattice::SolveFailed, /everything is held/)
  end

  it "is not stale when a load changes, but when a support does" do
    digest = ->(changes) { problem(changes, vibration).then { |p| p.study_digest(p.study!("swing")) } }
    expect(digest[{ force: { "value" => "5 kN" } }]).to eq(digest[{}])
    expect(digest[{ support: { "components" => %w[x y] } }]).not_to eq(digest[{}])
  end
end

RSpec.describe Lattice::Study::Kinds::Buckling do
  def buckling(**more) = { "id" => "b", "kind" => "study", "name" => "fold", "type" => "buckling", "of" => "pull" }.merge(more.transform_keys(&:to_s))

  def solved(changes, study = buckling, *more)
    problem = problem(changes, study, *more)
    result = Lattice::Study::Solving.new(problem).call(problem.study!("fold"))
    [result, Lattice::Verdict::Findings.new(problem, problem.study!("fold"), result).to_h]
  end

  def fold(found) = found[:findings].find { |f| f[:kind] == "buckling" }
  let(:euler) { (Math::PI**2) * 210e9 * 0.02 * (0.01**3) / 12 / (4 * (0.2**2)) }

  it "finds Euler's load of a column, in the load's own unit, and judges it" do
    _, found = solved({ force: { "direction" => "-x", "value" => "10 kN" }, mesh: { "size" => "5 mm" } }, buckling(at_least: "2", modes: 2))
    expect(fold(found)[:factor] * 10e3).to be_near(euler, 0.01)
    expect(fold(found)).to include(holds: true, margin: be_within(0.02).of(1 - (2 / (euler / 10e3))))
    expect(fold(found)[:loads][0]).to include(label: "force “tip”", size: be_within(1e-6).of(10e3), dimension: "force")
    # Across its other axis it bears four times as much.
    expect(fold(found)[:rows][1][:factor] / fold(found)[:factor]).to be_near(4, 0.02)
    expect(solved({ force: { "direction" => "-x", "value" => "10 kN" } }, buckling(at_least: "5"))[1][:holds]).to be(false)
  end

  it "grows a combination, and warns where the material yields before" do
    cases = [{ "id" => "c", "kind" => "case", "name" => "push" }, { "id" => "d", "kind" => "combination", "name" => "twice", "terms" => [{ "case" => "push", "factor" => "2" }] }]
    force = { "direction" => "-x", "value" => "10 kN", "case" => "push" }
    _, once = solved({ force: force, mesh: { "size" => "5 mm" } }, buckling(case: "push"), *cases)
    _, twice = solved({ force: force, mesh: { "size" => "5 mm" } }, buckling, *cases)
    expect(fold(twice)).to include(frame_name: "twice", factor: be_near(fold(once)[:factor] / 2, 1e-9))
    # 107 MPa when it buckles, but 355 MPa at the clamped edge's corner come before a second shape.
    _, short = solved({ force: { "direction" => "-x", "value" => "10 kN" }, outline: { "boundary" => rectangle("0 mm", "0 mm", "60 mm", "20 mm") },
                        tip: { "rule" => { "plane" => { "axis" => "x", "at" => "60 mm" } } } })
    expect(fold(short)[:yields]).to include(body: "bar", factor: be < fold(short)[:factor])
  end

  it "says that what is only pulled does not buckle, and at what it would the other way round" do
    sideways = [{ "id" => "u", "kind" => "group", "name" => "low", "of" => "faces", "rule" => { "plane" => { "axis" => "y", "at" => "0 mm" } } },
                { "id" => "s", "kind" => "support", "target" => "low", "components" => ["y"] },
                { "id" => "w", "kind" => "group", "name" => "back", "of" => "faces", "rule" => { "plane" => { "axis" => "z", "at" => "0 mm" } } },
                { "id" => "t", "kind" => "support", "target" => "back", "components" => ["z"] }]
    expect { solved({ force: { "direction" => "+x" }, support: { "components" => ["x"] } }, buckling, *sideways) }.to raise_error(Lattice::SolveFailed, /they only pull/)
    _, found = solved({ force: { "direction" => "-x" }, support: { "components" => %w[x y z] } })
    # Turned round it pulls, and what little is pressed beside the clamped edge needs far more.
    expect(fold(found)[:reverse]).to be_nil
  end

  it "buckles faces and members as solids do" do
    sheet = shape_problem(outline_named("plan", rectangle("0 mm", "0 mm", "200 mm", "20 mm")), { "kind" => "body", "name" => "strip", "outline" => "plan", "make" => "faces", "by" => "fill", "wall" => "2 mm" },
                          group_named("root", { "plane" => { "axis" => "x", "at" => "0 mm" } }, of: "edges"), group_named("tip",
                                                                                                                          { "plane" => { "axis" => "x", "at" => "200 mm" } }, of: "edges"),
                          { "kind" => "material", "target" => "everything", "material" => "steel", "properties" => Models::STEEL.merge("poisson" => "0") },
                          { "kind" => "support", "target" => "root", "components" => %w[x y z rx ry rz] },
                          { "kind" => "force", "target" => "tip", "value" => "10 N", "direction" => "-x" }, { "kind" => "mesh", "size" => "8 mm" },
                          { "kind" => "study", "name" => "pull", "type" => "static" }, buckling.except("id"))
    result = Lattice::Study::Solving.new(sheet).call(sheet.study!("fold"))
    expect(result.frames[0].value * 10).to be_near((Math::PI**2) * 210e9 * 0.02 * (0.002**3) / 12 / (4 * (0.2**2)), 0.01)
  end

  it "names what is wrong, and the cure" do
    { { "case" => "gone" } => /no case or combination named “gone”/, { "of" => "" } => /names no study to start from/, { "at_least" => "0" } => /is not above zero/ }.each do |change, words|
      expect(Lattice::Verdict::Readiness.new(problem({}, buckling.merge(change))).notices.map { |n| n.fault.to_s }).to include(words)
    end
  end
end
