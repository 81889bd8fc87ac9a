# frozen_string_literal: true

RSpec.describe Lattice::Verdict::Readiness do
  def notices(...) = described_class.new(problem(...)).notices.map { |n| [n.severity, n.fault.to_s] }
  def text(...) = notices(...).map(&:last).join("\n")

  it "has nothing to say of a model that is ready" do
    expect(notices).to eq([])
  end

  it "says what is missing" do
    expect(text(material: nil)).to match(/body “bar” has no material. Add a material statement/)
    expect(text(mesh: nil)).to match(/no mesh size. Add a mesh statement; 10 mm would suit/)
    expect(text(study: nil)).to include("no study")
    expect(text(body: nil)).to match(/no body. Add an outline/)
    expect(text(force: nil)).to include("nothing loads the model")
  end

  it "says which rigid motions are free" do
    expect(text(support: nil)).to include("“bar” has no support: it is free to slide along x, y and z, and turn about an axis along x, y and z")
    expect(text(support: { "components" => %w[x y] })).to match(/do not hold it: it is free to slide along z. Hold another/)
    pin = { "id" => "edge", "kind" => "group", "name" => "edge", "of" => "edges", "pick" => [{ "body" => "bar", "name" => "upright at side 1" }] }
    expect(text({ support: { "target" => "edge" } }, pin)).to include("free to turn about an axis along z. Hold")
    point = { "id" => "edge", "kind" => "group", "name" => "edge", "of" => "points", "pick" => [{ "body" => "bar", "name" => "start of side 1 at top" }] }
    expect(text({ support: { "target" => "edge" } }, point)).to include("free to turn about an axis along x, y and z")
  end

  it "knows the motions of plane bodies and rings" do
    flat = { body: { "make" => "plane stress" }, root: { "of" => "edges" }, tip: { "of" => "edges" } }
    expect(text(**flat, support: nil)).to include("slide along x and y, and turn about an axis along z")
    expect(text(**flat)).to eq("")
    ring = { **flat, body: { "make" => "axisymmetric" }, outline: { "boundary" => rectangle("200 mm", "0 mm", "20 mm", "20 mm") } }
    expect(text(**ring, support: nil)).to include("it is free to slide along y. Add")
  end

  it "says what is odd without stopping" do
    slip = notices(material: { "properties" => Models::STEEL.merge("density" => "7850 t/m3") })
    expect(slip).to contain_exactly([:odd, a_string_matching(%r{density of 7.850.000 kg/m3 looks like a slip of units})])
    lost = notices({}, { "id" => "g", "kind" => "group", "name" => "lost", "of" => "faces", "pick" => [{ "body" => "bar", "name" => "lid" }] })
    expect(lost.map(&:first).uniq).to eq([:odd])
    expect(lost.map(&:last).join).to include("“lid” is no longer on the shape")
  end

  it "stops at targets, sizes and limits that cannot work" do
    expect(text(force: { "target" => "nowhere" })).to include("no group or body named “nowhere”")
    expect(text(tip: { "rule" => { "plane" => { "axis" => "x", "at" => "7 mm" } } })).to include("group “tip” matches nothing")
    expect(text(mesh: { "size" => "5 m" })).to match(/size of 5.000 mm is larger than the part. Choose about 10 mm/)
    expect(text(mesh: { "size" => "-1 mm" })).to include("size is not above zero")
    expect(text(mesh: { "size" => "1e-6 mm" })).to match(/need about .* of memory/)
    expect(text(material: { "properties" => { "young" => "1 GPa", "poisson" => "0.5" } })).to match(/Poisson's ratio is 0.5/)
    expect(text(material: { "material" => "steel S366", "properties" => {} })).to match(/not in the library.*such as steel S/m)
    limit = { "id" => "l", "kind" => "limit", "study" => "push", "quantity" => "von_mises", "target" => "bar", "at_most" => "1 MPa" }
    expect(text({}, limit)).to include("no study named “push”")
  end
end

RSpec.describe Lattice::Verdict::Findings do
  limits = lambda do |*rows|
    rows.each_with_index.map { |(quantity, target, at_most), i| { "id" => "l#{i}", "kind" => "limit", "study" => "pull", "quantity" => quantity, "target" => target, "at_most" => at_most } }
  end

  def findings(changes, *more)
    checked = problem(changes, *more)
    described_class.new(checked, checked.study!, solve(checked)).to_h
  end

  it "reads limits with their margin" do
    found = findings({ force: { "direction" => "+x" }, material: { "properties" => Models::STEEL.merge("poisson" => "0") } },
                     *limits.call(["von_mises", "bar", "10 MPa"], ["von_mises", "bar", "yield / 71"], ["reaction_x", "root", "4 kN"], ["displacement_x", "tip", "1 um"],
                                  ["principal_min", "bar", "1 MPa"]))
    limit = found[:findings].select { |f| f[:kind] == "limit" }
    expect(limit.map { |f| f[:holds] }).to eq([true, false, true, false, true])
    expect(limit[0]).to include(value: be_near(5e6, 1e-6), margin: be_near(0.5, 1e-6), body: "bar")
    expect(limit[1][:allowed]).to be_near(5e6, 1e-12)
    expect(limit[2]).to include(utilisation: be_near(0.25, 1e-6), at: nil)
    expect(limit[4][:utilisation]).to be < 1e-6
    expect(found[:holds]).to be(false)
    expect(found[:findings].first).to include(kind: "equilibrium", holds: true)
    expect(found[:summary][:supports].first[:reaction][0]).to be_near(-1000, 1e-6)
  end

  it "takes the weakest body when a limit is a share of strength" do
    second = [{ "id" => "o2", "kind" => "outline", "name" => "second", "boundary" => rectangle("0 mm", "50 mm", "200 mm", "20 mm") },
              { "id" => "b2", "kind" => "body", "name" => "twin", "outline" => "second", "make" => "solid", "thickness" => "10 mm" },
              { "id" => "m2", "kind" => "material", "target" => "twin", "material" => "steel S235" },
              { "id" => "l", "kind" => "limit", "study" => "pull", "quantity" => "von_mises", "target" => "all", "at_most" => "yield" },
              { "id" => "g", "kind" => "group", "name" => "all", "of" => "bodies", "rule" => { "everything" => true } }]
    limit = findings({ force: { "direction" => "+x" } }, *second)[:findings].last
    expect(limit).to include(body: "twin", allowed: be_near(235e6, 1e-12))
  end

  it "says what is wrong with a limit" do
    said = ->(row) { Lattice::Verdict::Readiness.new(problem({}, *limits.call(row))).notices.map { |n| n.fault.to_s }.join }
    expect(said.call(["von_mises", "bar", "3 mm"])).to match(%r{“3 mm” is a length, but a stress is wanted.*yield / 1.5}m)
    expect(said.call(["displacement", "bar", "yield / 2"])).to include("a strength limits a stress, not a length")
    expect(said.call(["von_mises", "bar", "ultimate / 2"])).to include("has no ultimate strength")
    expect(said.call(["von_mises", "bar", "yield / 0"])).to include("zero")
    expect(said.call(["von_mises", "bar", "0 MPa"])).to include("not above zero")
  end

  it "sets a hand estimate beside the computed deflection" do
    check = { "id" => "h", "kind" => "hand_check", "study" => "pull", "body" => "bar", "beam" => "cantilever" }
    found = findings({}, check)[:findings].find { |f| f[:kind] == "hand_check" }
    second_moment = 0.01 * (0.02**3) / 12
    by_hand = -((1000 * (0.2**3) / (3 * 210e9 * second_moment)) + (1.2 * 1000 * 0.2 * 2.6 / (210e9 * 0.02 * 0.01)))
    expect(found[:estimate]).to be_near(by_hand, 1e-9)
    expect(found[:second_moment]).to be_near(second_moment, 1e-9)
    expect(found[:difference].abs).to be < 0.02
  end

  it "sets an estimate beside a beam on two supports, bending with E / (1 − ν²) between walls" do
    ends = { support: { "target" => "ends", "components" => ["y"] } }
    pins = { "id" => "g", "kind" => "group", "name" => "ends", "of" => "points", "pick" => %w[1 2].map { |n| { "body" => "bar", "name" => "start of side #{n}" } } }
    flat = { body: { "make" => "plane strain", "thickness" => "10 mm" }, root: { "of" => "edges" }, tip: { "of" => "edges" } }
    slide = { "id" => "x", "kind" => "support", "target" => "left", "components" => ["x"] }
    left = { "id" => "l", "kind" => "group", "name" => "left", "of" => "points", "pick" => [{ "body" => "bar", "name" => "start of side 1" }] }
    check = { "id" => "h", "kind" => "hand_check", "study" => "pull", "body" => "bar", "beam" => "simply supported" }
    own = problem({ **flat, **ends, force: nil }, pins, left, slide, { "id" => "w", "kind" => "gravity", "value" => "9.81 m/s2", "direction" => "-y" }, check)
    found = Lattice::Verdict::Findings.new(own, own.study!, solve(own)).to_h[:findings].find { |f| f[:kind] == "hand_check" }
    second_moment = 0.01 * (0.02**3) / 12
    weight = 7850 * 9.81 * 0.02 * 0.01
    by_hand = -((5 * weight * (0.2**4) * (1 - 0.09) / (384 * 210e9 * second_moment)) + (1.2 * weight * (0.2**2) / 8 * 2.6 / (210e9 * 0.02 * 0.01)))
    expect(found[:span]).to be_near(0.2, 1e-9)
    expect(found[:estimate]).to be_near(by_hand, 0.002)
    expect(found[:difference].abs).to be < 0.05
  end

  it "refuses a hand check where the part is no beam" do
    check = { "id" => "h", "kind" => "hand_check", "study" => "pull", "body" => "bar", "beam" => "cantilever" }
    short = { outline: { "boundary" => rectangle("0 mm", "0 mm", "50 mm", "40 mm") }, tip: { "rule" => { "plane" => { "axis" => "x", "at" => "50 mm" } } } }
    expect(Lattice::Verdict::Readiness.new(problem(short, check)).notices.map { |n| n.fault.to_s }.join).to match(/only 1.3 times as long as it is deep/)
    cut = { "id" => "c", "kind" => "cut", "body" => "bar", "plane" => { "axis" => "x", "at" => "150 mm" }, "keep" => "below" }
    told = Lattice::Verdict::Readiness.new(problem({}, cut, check)).notices.map { |n| n.fault.to_s }.join
    expect(told).to include("“bar” is not drawn as an outline that is extruded, so its section is not known")
  end
end

RSpec.describe Lattice::Matter::Library do
  it "has at least fifteen materials, each readable and with its source" do
    expect(described_class.entries.size).to be >= 15
    expect(described_class.entries.map { |e| e["category"] }.uniq).to include("metal", "concrete", "timber", "glass", "plastic")
    described_class.entries.each do |entry|
      statement = Lattice::Model::Statement.new({ "id" => "m", "kind" => "material", "target" => "everything", "material" => entry["name"] })
      material = Lattice::Matter::Material.read(statement)
      expect(material.young).to be_between(1e8, 1e12)
      expect(material.density).to be_between(100, 20_000)
      expect(material.expansion).to be_between(1e-7, 2e-4)
      expect(material.conductivity).to be_between(0.05, 500)
      expect(material.yield || material.ultimate).to be_between(1e6, 2e9)
      expect(entry["source"]).not_to be_empty
    end
  end
end
