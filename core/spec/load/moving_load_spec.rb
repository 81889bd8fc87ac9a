# frozen_string_literal: true

RSpec.describe Lattice::Load::Conditions::MovingLoad do
  # A beam of 10 m along x, simply supported, with a knot every half metre.
  def bridge(*more)
    list = [outline_named("section", rectangle("-100 mm", "-200 mm", "200 mm", "400 mm")), { "kind" => "line", "name" => "way", "corners" => [spot(0, 0, 0), spot(10_000, 0, 0)] },
            { "kind" => "body", "name" => "beam", "outline" => "way", "make" => "members" }, { "kind" => "section", "target" => "beam", "outline" => "section" },
            { "kind" => "material", "target" => "everything", "material" => "mild steel", "properties" => Models::STEEL },
            *{ "left" => 0, "right" => 10_000 }.map { |name, x| group_named(name, { "box" => { "from" => spot(x - 1, -1, -1), "to" => spot(x + 1, 1, 1) } }, of: "points") },
            group_named("deck", { "box" => { "from" => spot(-1, -1, -1), "to" => spot(10_001, 1, 1) } }, of: "edges"),
            { "kind" => "support", "target" => "left", "components" => %w[x y z rx] }, { "kind" => "support", "target" => "right", "components" => %w[y z] },
            { "kind" => "mesh", "size" => "500 mm" }, { "kind" => "study", "name" => "drive", "type" => "static" }, *more]
    shape_problem(*list)
  end

  def lorry(**more)
    { "kind" => "moving_load", "name" => "lorry", "target" => "deck", "line" => "way", "axles" => [{ "force" => "60 kN" }, { "force" => "60 kN", "behind" => "3 m" }], "direction" => "-z",
      "spacing" => "500 mm" }.merge(more.transform_keys(&:to_s))
  end

  it "makes a case of every position, from the first axle's coming to the last one's leaving" do
    problem = bridge(lorry)
    expect(problem.cases.names.size).to eq(27)
    expect(problem.cases.names.values_at(0, 6, 26).map { |name| name.tr("\u202f", "") }).to eq(["lorry at 0 mm", "lorry at 3000 mm", "lorry at 13000 mm"])
    result = solve(problem)
    expect([0, 5, 6, 20, 26].map { |frame| result.load(frame)[true, 2].sum.round(3) }).to eq([-60e3, -60e3, -120e3, -120e3, -60e3])
  end

  it "names all positions differently, up to as many as are taken" do
    problem = bridge(lorry(axles: [{ "force" => "1 kN" }], spacing: "25.1 mm"))
    expect { problem.conditions.last.check! }.not_to raise_error
    expect(problem.cases.names.size).to eq(399)
    expect(problem.cases.names.uniq.size).to eq(399)
  end

  it "finds the greatest moment under two axles exactly, and where they stand" do
    result = solve(bridge(lorry, { "kind" => "envelope", "name" => "all positions" }))
    members = (0...27).map { |frame| Lattice::Result::Members.new(result.grid, result.state(frame)).rows[0][:forces] }
    moments = members.map { |forces| %w[M2 M3].flat_map { |m| forces[m].values_at(:greatest, :least) }.map(&:abs).max }
    # Of the positions in whole steps, by statics: M under an axle at a, reaction R = Σ P (L - x) / L.
    by_hand = (0..26).map do |i|
      axles = [i * 0.5, (i * 0.5) - 3].grep(0..10)
      axles.map { |a| (axles.sum { |x| 60e3 * (10 - x) / 10 } * a) - axles.sum { |x| x < a ? 60e3 * (a - x) : 0 } }.max
    end
    moments.zip(by_hand).each { |found, exact| expect(found).to be_within(1e-6 * 300e3).of(exact) }
    expect(by_hand.max).to be_within(1).of(216e3) # near (L - 1.5/…)²: one axle 0.5 m beside the middle
    stress = result.field("von_mises", result.frames.index { |f| f.name == "all positions: greatest" }).max
    expect(stress).to be_within(stress * 1e-6).of(by_hand.max / (0.2 * (0.4**2) / 6))
  end

  it "drives over faces and over the top of a plane section, sharing each axle among the nodes about it" do
    top = group_named("top", { "all" => [{ "plane" => { "axis" => "y", "at" => "20 mm" } }] })
    drive = [{ "kind" => "line", "name" => "lane", "corners" => [spot(10, 20, 5), spot(190, 20, 5)] }, lorry(target: "top", line: "lane", axles: [{ "force" => "1 kN" }], direction: "-y", spacing: "60 mm")]
    result = solve(problem({ force: nil }, *[top, *drive].each_with_index.map { |s, i| { "id" => "d#{i}" }.merge(s) }))
    expect(result.frames.map(&:name)).to eq(["lorry at 0 mm", "lorry at 60 mm", "lorry at 120 mm", "lorry at 180 mm"])
    4.times { |frame| expect(result.balance(frame)[:reaction_moment][2]).to be_within(1e-6).of(1000 * (0.01 + (0.06 * frame))) }
    edge = group_named("top", { "plane" => { "axis" => "y", "at" => "20 mm" } }, of: "edges")
    plane = solve(problem({ force: nil, body: { "make" => "plane strain", "thickness" => "1 m" }, root: { "of" => "edges" }, tip: { "of" => "edges" }, support: { "components" => %w[x y] } },
                          *[edge, *drive].each_with_index.map { |s, i| { "id" => "d#{i}" }.merge(s) }))
    expect(plane.balance(3)[:reaction_moment][2]).to be_within(1e-6).of(190)
  end

  it "names what is wrong, and the cure" do
    { { line: "road" } => /no line named “road”/, { spacing: "1 mm" } => /more than 400 positions/, { spacing: "0 mm" } => /spacing of its positions is not above zero/,
      { axles: [{ "force" => "1 kN", "behind" => "-1 m" }] } => /lies before the first/ }.each do |fields, words|
      expect { bridge(lorry(**fields)).conditions.last.check! }.to raise_error(Lattice::InvalidInput, words)
    end
    aside = { "kind" => "line", "name" => "aside", "corners" => [spot(0, 900, 0), spot(10_000, 900, 0)] }
    expect { solve(bridge(aside, lorry(line: "aside"))) }.to raise_error(Lattice::InvalidInput, /its line leaves “deck” near 0 mm; 900 mm; 0 mm/)
  end
end
