# frozen_string_literal: true

RSpec.describe Lattice::Load::Conditions::OneWay do
  # A stiff member along x from 0 to 400 mm, with knots at every 200 mm.
  def beam(*more, size: 200)
    list = [outline_named("rod", circle(0, 0, 60)), { "kind" => "line", "name" => "way", "corners" => [spot(0, 0, 0), spot(200, 0, 0), spot(400, 0, 0)] },
            { "kind" => "body", "name" => "beam", "outline" => "way", "make" => "members" }, { "kind" => "section", "target" => "beam", "outline" => "rod" },
            { "kind" => "material", "target" => "everything", "material" => "mild steel", "properties" => Models::STEEL },
            *{ "left" => 0, "middle" => 200, "right" => 400 }.map { |name, x| knot(name, x) },
            group_named("knots", { "box" => { "from" => spot(-1, -1, -1), "to" => spot(401, 1, 1) } }, of: "points"),
            { "kind" => "mesh", "size" => "#{size} mm" }, { "kind" => "study", "name" => "lift", "type" => "static" }, *more]
    shape_problem(*list)
  end

  def knot(name, x) = group_named(name, { "all" => [{ "box" => { "from" => spot(x - 1, -1, -1), "to" => spot(x + 1, 1, 1) } }] }, of: "points")
  def held = [{ "kind" => "support", "target" => "left", "components" => %w[x y rx] }, { "kind" => "support", "target" => "right", "components" => ["y"] }]
  def pads(**more) = { "kind" => "one_way", "target" => "knots", "way" => "push", "direction" => "-z", "stiffness" => "1 N/mm" }.merge(more.transform_keys(&:to_s))
  def push(target, value, direction = "-z", **more) = { "kind" => "force", "target" => target, "value" => value, "direction" => direction }.merge(more.transform_keys(&:to_s))

  def links(result, frame = 0) = result.state(frame).connectors
  def forces(result, frame = 0) = links(result, frame)[true, 0].to_a

  it "finds the lift-off of a rigid beam on three springs, as by hand" do
    # 100 N at the left end: the right pad would have to pull, so two carry it: all on the left, none in the middle.
    rows = links(solve(beam(*held, pads, push("left", "100 N"))))
    expect(rows[true, 0].to_a).to match([be_within(1e-3).of(-100), be_within(0.05).of(0), 0])
    expect(rows[true, 6].to_a).to eq([1, 1, 0])
    # Between left and middle: 75 and 25 N; the right end rises by the slope, (75 - 25) N/(N/mm) over 200 mm.
    between = push("left", "75 N")
    rows = links(solve(beam(*held, pads, between, push("middle", "25 N"))))
    expect(rows[true, 0].to_a).to match([be_within(0.05).of(-75), be_within(0.1).of(-25), 0])
    expect(rows[2, 7]).to be_within(2e-4).of(25e-3)
  end

  it "carries a load in the middle on all three" do
    expect(forces(solve(beam(*held, pads, push("middle", "300 N"))))).to all(be_within(0.5).of(-100))
  end

  it "closes a clearance before it pushes, and takes up a slack before it pulls" do
    gap = pads(target: "middle", gap: "20 mm")
    ends = [pads(target: "left"), pads(target: "right")]
    # 30 N sink the ends by 15 mm: the middle stays open by 5 mm. 100 N: 2 s + (s - 20) = 100, s = 40 mm.
    light = links(solve(beam(*held, *ends, gap, push("middle", "30 N"))))
    expect([light[2, 6], light[2, 0], light[2, 7]]).to match([0, 0, be_within(1e-4).of(5e-3)])
    heavy = forces(solve(beam(*held, *ends, gap, push("middle", "100 N"))))
    expect(heavy).to match([be_within(0.01).of(-40), be_within(0.01).of(-40), be_within(0.02).of(-20)])
    slack = pads(target: "middle", way: "pull", direction: "+z", gap: "20 mm")
    expect(forces(solve(beam(*held, *ends, slack, push("middle", "100 N")))).last).to be_within(0.02).of(20)
  end

  it "settles every case and every combination for itself" do
    cases = %w[down up].map { |name| { "kind" => "case", "name" => name } }
    loads = [push("middle", "300 N", case: "down"), push("right", "200 N", "+z", case: "up")]
    both = { "kind" => "combination", "name" => "both", "terms" => [{ "case" => "down", "factor" => "1" }, { "case" => "up", "factor" => "0.25" }] }
    lashing = { "kind" => "one_way", "target" => "right", "way" => "pull", "direction" => "-z", "stiffness" => "1 N/mm" }
    result = solve(beam(*held, pads, lashing, *cases, *loads, both))
    expect(result.frames.map(&:name)).to eq(%w[down up both])
    expect(links(result, 0)[true, 6].to_a).to eq([1, 1, 1, 0])
    expect(links(result, 1)[3, 0]).to be_within(1).of(200)
    expect(result.computed).to eq(3)
    # 300 N in the middle and 50 N up at the right end: all pads still push, and sum to what acts.
    expect(forces(result, 2).sum).to be_within(1e-3).of(-250)
    expect(forces(result, 2)[0..2]).to all(be < 0)
    3.times { |frame| expect(result.balance(frame)[:error]).to be < 1e-9 }
  end

  it "comes after the cases that it is told to: there it does not act, and in combinations it starts from where they end" do
    cases = %w[weight sea].map { |name| { "kind" => "case", "name" => name } }
    springs = { "kind" => "spring", "target" => "knots", "stiffness" => "3 N/mm", "components" => ["z"] }
    stop = { "kind" => "one_way", "target" => "middle", "way" => "push", "direction" => "-z", "stiffness" => "1 N/mm", "after" => ["weight"] }
    all = { "kind" => "combination", "name" => "all", "terms" => [{ "case" => "weight", "factor" => "1" }, { "case" => "sea", "factor" => "1" }] }
    result = solve(beam(*held, springs, stop, *cases, push("middle", "30 N", case: "weight"), push("middle", "40 N", case: "sea"), all))
    expect([0, 1, 2].map { |frame| forces(result, frame)[0] }).to match([0, be_within(0.05).of(-10), be_within(0.05).of(-10)])
    expect(result.displacement(2)[true, 2].min).to be_within(1e-4).of(-20e-3)
  end

  it "says so where everything lifts off" do
    lifted = beam(*held, pads, push("middle", "10 N", "+z"))
    expect { solve(lifted) }.to raise_error(Lattice::SolveFailed, /let go, and nothing holds the model: “knots”.*Hold what lifts off/)
  end

  it "does not stop at a case that finds no state alone, where combinations do: it says how that one is held" do
    cases = %w[weight heave].map { |name| { "kind" => "case", "name" => name } }
    both = { "kind" => "combination", "name" => "both", "terms" => [{ "case" => "weight", "factor" => "1" }, { "case" => "heave", "factor" => "1" }] }
    result = solve(beam(*held, pads, *cases, push("middle", "90 N", case: "weight"), push("middle", "30 N", "+z", case: "heave"), both))
    expect(result.frames.map(&:name)).to eq(["weight", "heave, links holding both ways", "both"])
    expect(forces(result, 2)).to all(be_within(0.1).of(-20))
    expect(forces(result, 1)).to all(be_within(0.1).of(10))
  end

  it "says so where what comes after a case was all that held the model in it" do
    cases = { "kind" => "case", "name" => "still" }
    late = pads(after: ["still"])
    expect { solve(beam(*held, late, cases, push("middle", "10 N", case: "still"))) }.to raise_error(Lattice::SolveFailed, /come after this case, and nothing holds the model: “knots”/)
  end

  it "links to the nearest place of another region, along the line between both" do
    post = [{ "kind" => "line", "name" => "post line", "corners" => [spot(400, 0, -500), spot(400, 0, -100)] }, { "kind" => "body", "name" => "post", "outline" => "post line", "make" => "members" },
            { "kind" => "section", "target" => "post", "outline" => "rod" }, knot("foot", 400).merge("rule" => { "box" => { "from" => spot(399, -1, -501), "to" => spot(401, 1, -499) } }),
            knot("top", 400).merge("rule" => { "box" => { "from" => spot(399, -1, -101), "to" => spot(401, 1, -99) } }), { "kind" => "support", "target" => "foot", "components" => %w[x y z rx ry rz] }]
    pin = { "kind" => "support", "target" => "left", "components" => %w[x y z rx] }
    prop = { "kind" => "one_way", "target" => "right", "to" => "top", "way" => "push" }
    down = solve(beam(pin, held[1], *post, prop, push("middle", "100 N")))
    expect(forces(down)[0]).to be_within(0.01).of(-50)
    expect(down.reaction_sum(down.grid.nodes_of(beam(*post).groups.find("foot")))[2]).to be_within(0.01).of(50)
    expect(down.balance[:error]).to be < 1e-9
  end

  it "names what is wrong with a link, and the cure" do
    { { direction: nil } => /no direction.*-z is below/, { gap: "-1 mm" } => /gap is below zero/, { stiffness: "0 N/m" } => /stiffness is not above zero/,
      { after: ["night"] } => /no case named “night”/ }.each do |fields, words|
      expect { beam(*held, pads(**fields).compact).conditions.last.check! }.to raise_error(Lattice::InvalidInput, words)
    end
  end
end
