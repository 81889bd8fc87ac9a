# frozen_string_literal: true

RSpec.describe Lattice::Shape::Rule do
  # A plate with two bores and rounded corners, a post on it.
  def bench(*groups, width: "60 mm")
    shape_problem(outline_named("plan", rectangle("0 mm", "0 mm", width, "40 mm").then do |r|
      { "rectangle" => r["rectangle"].merge("fillet" => "5 mm") }
    end, holes: [circle(15, 20, 14), circle(45, 20, 8)]),
                  body_named("plate", "plan", thickness: "10 mm"), outline_named("round", circle(30, 30, 6)), body_named("post", "round", thickness: "20 mm", on: on("xy", z: 10)), *groups)
  end

  def found(rule, of: "faces", groups: [])
    bench(*groups, group_named("found", rule, of: of)).groups.find("found").map { |p| "#{p.body}: #{p.name}" }
  end

  it "finds by kind and radius, by area, by direction, by name and by body" do
    expect(found({ "surface" => { "kind" => "cylinder", "radius" => "5 mm" } })).to match_array((1..4).map { |n| "plate: fillet #{n}" })
    expect(found({ "surface" => { "kind" => "circle" } }, of: "edges").size).to eq(6)
    expect(found({ "size" => { "least" => "20 cm2" } })).to contain_exactly("plate: top", "plate: bottom")
    expect(found({ "size" => { "most" => "30 mm2" } })).to contain_exactly("post: bottom", "post: top")
    expect(found({ "normal" => { "direction" => "+z" } })).to contain_exactly("plate: top", "post: top")
    expect(found({ "normal" => { "direction" => [1, 0, 0.1], "within" => "10 deg" } })).to eq(["plate: side 2"])
    expect(found({ "named" => "HOLE" })).to contain_exactly("plate: hole 1", "plate: hole 2")
    expect(found({ "body" => "post" }).size).to eq(3)
  end

  it "finds within a box, touching another body, grown from a pick, around faces" do
    expect(found({ "box" => { "from" => spot(-1, -1, 9), "to" => spot(70, 50, 11) } })).to contain_exactly("plate: top", "post: bottom")
    expect(found({ "touching" => "plate" })).to eq(["post: bottom"])
    expect(found({ "touching" => "plate" }, of: "bodies")).to eq(["post: post"])
    start = group_named("start", { "all" => [{ "named" => "side 1" }, { "body" => "plate" }] })
    expect(found({ "grown" => { "from" => "start" } }, groups: [start]).size).to eq(8)
    expect(found({ "edges_of" => "start" }, of: "edges",
                                            groups: [start])).to contain_exactly("plate: side 1 at bottom", "plate: side 1 at top", "plate: upright at side 1", "plate: upright at fillet 2")
  end

  it "combines by and, or, not" do
    bores = { "any" => [{ "bores" => { "diameter" => "14 mm" } }, { "bores" => { "diameter" => "8 mm" } }] }
    expect(found(bores)).to contain_exactly("plate: hole 1", "plate: hole 2")
    expect(found({ "all" => [{ "surface" => { "kind" => "cylinder" } }, { "not" => bores }] }).size).to eq(5)
  end

  it "finds its members again after the shape has changed" do
    group = group_named("bores", { "bores" => { "diameter" => "14 mm" } })
    expect(bench(group, width: "90 mm").groups.find("bores").map(&:name)).to eq(["hole 1"])
  end

  it "refuses rules that go round in a circle or name what is not there" do
    members = ->(rule) { bench(group_named("loop", rule)).then { |p| p.groups.members(p.document.named("group", "loop")) } }
    expect(refusal { members.call({ "grown" => { "from" => "loop" } }) }).to include("starts from itself")
    expect(refusal { members.call({ "touching" => "ghost" }) }).to include("no body “ghost”")
    notices = Lattice::Verdict::Readiness.new(bench(group_named("loop", { "edges_of" => "loop" }))).notices
    expect(notices.map { |n| n.fault.to_s }.join).to include("starts from itself")
  end
end

RSpec.describe Lattice::Shape::Picks do
  def pick(parts, body, name)
    place = parts.place(body, name)
    { "body" => body, "name" => name, "kind" => place.kind, "at" => place.at }
  end

  it "follows a name through a change of dimension" do
    before = parts_of(*block)
    plan, body = block
    wider = parts_of(plan.merge("boundary" => rectangle("0 mm", "0 mm", "90 mm", "40 mm")), body)
    expect(described_class.new(wider).find(pick(before, "block", "side 2")).at[0]).to be_near(0.09, 1e-12)
  end

  it "finds by position and kind what has lost its name" do
    before = parts_of(*block)
    plan, body = block
    renamed = parts_of(plan.merge("boundary" => corners([0, 0, { "side" => "front" }], [60, 0], [60, 40], [0, 40])), body)
    expect(described_class.new(renamed).find(pick(before, "block", "side 1")).name).to eq("front")
  end

  it "asks when there is nothing of the kind there any more" do
    before = parts_of(*block)
    expect(described_class.new(parts_of(*ball)).find(pick(before, "block", "side 2"))).to be_nil
    lost = shape_problem(*ball, { "kind" => "group", "name" => "end", "of" => "faces", "pick" => [pick(before, "block", "side 2")] })
    expect(Lattice::Verdict::Readiness.new(lost).notices.map { |n| n.fault.to_s }.join).to include("“side 2” is no longer on the shape")
  end

  it "keeps names of sides when a corner comes before them" do
    named = corners([0, 0, { "side" => "side 1" }], [30, -5, { "side" => "side 5" }], [60, 0, { "side" => "side 2" }], [60, 40, { "side" => "side 3" }], [0, 40, { "side" => "side 4" }])
    after = parts_of(outline_named("plan", named), body_named("block", "plan", thickness: "10 mm"))
    expect(described_class.new(after).find(pick(parts_of(*block), "block", "side 2")).bounds[0][0]).to be_near(0.06, 1e-12)
  end
end

RSpec.describe Lattice::Shape::Measuring do
  def measure(parts, *keys, densities: {})
    described_class.new(parts, densities).call(keys.map { |key| parts.place(*key) }).to_h { |l| [l[:words], l[:value]] }
  end

  let(:parts) do
    parts_of(*block, outline_named("round", circle(30, 20, 8)), body_named("pin", "round", thickness: "30 mm", on: on("xy", z: 25)), *ball.then do |o, b|
      [o, b.merge("name" => "knob")]
    end)
  end

  it "measures one place" do
    expect(measure(parts, %w[block top])).to include("area" => be_near(2.4e-3, 1e-12), "normal" => [0, 0, 1])
    expect(measure(parts, %w[pin side])).to include("diameter" => be_near(0.008, 1e-12))
    expect(measure(parts, ["block", "side 1 at top"])).to include("length" => be_near(0.06, 1e-12))
    whole = measure(parts, %w[block block], densities: { "block" => 2700 })
    expect(whole).to include("mass" => be_near(0.0648, 1e-9), "surface" => be_near(6.8e-3, 1e-9))
    expect(whole["inertia about its centre (xx; yy; zz)"][2]).to be_near(0.0648 * ((0.06**2) + (0.04**2)) / 12, 1e-9)
  end

  it "measures between two places" do
    expect(measure(parts, %w[block top], %w[pin bottom])).to include("least distance" => be_near(0.015, 1e-9), "angle" => be_within(1e-6).of(0))
    expect(measure(parts, ["block", "side 1"], ["block", "side 2"])["angle"]).to be_near(Math::PI / 2, 1e-9)
    expect(measure(parts, ["block", "side 1"], ["block", "upright at side 1"])["angle"]).to be_within(1e-9).of(0)
    corner = measure(parts, ["block", "start of side 1 at bottom"], ["block", "start of side 3 at top"])
    expect(corner).to include("distance" => be_near(Math.sqrt(0.0036 + 0.0016 + 0.0001), 1e-12), "step" => [0.06, 0.04, 0.01])
    expect(measure(parts, ["pin", "side at top"], %w[block top])["least distance"]).to be_near(0.045, 1e-9)
  end

  it "finds the least distance between lines that pass each other, and bodies" do
    figure = ->(a, b) { Lattice::Shape::Nearest::Figure.new(Numo::DFloat[a, b], Numo::DFloat[[a, b]], Numo::DFloat.zeros(0, 3, 3)) }
    expect(Lattice::Shape::Nearest.distance(figure.call([-1, 0, 0], [1, 0, 0]), figure.call([0, -1, 3], [0, 1, 3]))).to be_near(3, 1e-12)
    expect(Lattice::Shape::Nearest.distance(figure.call([0, 0, 0], [1, 0, 0]), figure.call([4, 4, 0], [9, 9, 0]))).to be_near(5, 1e-12)
    expect(measure(parts, %w[pin pin], %w[block block])["least distance"]).to be_near(0.015, 1e-9)
    expect(measure(parts, %w[pin pin], %w[block block])["volume together"]).to be_near(2.4e-5 + (Math::PI * 16e-6 * 0.03), 1e-9)
  end
end
