# frozen_string_literal: true

RSpec.describe Lattice::Load::Conditions::Joint do
  # A second bar of the same section from x = 200 to 400 mm; both ends that meet are groups, and its far end.
  def two_bars(*more, **changes)
    problem({ force: nil, tip: nil, outline: {} }.merge(changes),
            { "id" => "o2" }.merge(outline_named("far profile", rectangle("200 mm", "0 mm", "200 mm", "20 mm"))), { "id" => "b2" }.merge(body_named("far", "far profile", thickness: "10 mm")),
            *{ "end" => ["bar", 200], "start" => ["far", 200], "far end" => ["far", 400] }.map { |name, (body, x)| { "id" => name.tr(" ", "_") }.merge(group_named(name, at(body, x))) },
            *more.each_with_index.map { |s, i| { "id" => "more#{i}" }.merge(s) })
  end

  def at(body, x) = { "all" => [{ "body" => body }, { "plane" => { "axis" => "x", "at" => "#{x} mm" } }] }
  def joint(how, **more) = { "kind" => "joint", "target" => "end", "to" => "start", "how" => how }.merge(more.transform_keys(&:to_s))
  def pull(target, value, direction) = { "kind" => "force", "target" => target, "value" => value, "direction" => direction }

  def middle = { "kind" => "group", "name" => "above", "of" => "faces", "rule" => { "all" => [{ "body" => "far" }, { "plane" => { "axis" => "y", "at" => "20 mm" } }] } }

  def forces(result, frame = 0) = result.state(frame).connectors[result.connectors.index { |c| c[:kind] == "joint" }, 0..5].to_a

  it "welds: the second bar bends on as one with the first" do
    result = solve(two_bars(joint("weld"), pull("far end", "100 N", "-y")))
    beam = 100 * (0.4**3) / (3 * 210e9 * (10e-3 * (20e-3**3) / 12))
    expect(result.field("displacement_y").min).to be_within(beam * 0.01).of(-beam)
    # What the first bar holds of the second: the force, and its moment about the joint.
    expect(forces(result).map { |f| f.round(3) }).to match([0, be_within(0.01).of(-100), 0, 0, 0, be_within(0.01).of(-20)])
  end

  it "is read by a gauge: what passes through the weld" do
    gauge = { "kind" => "force_gauge", "name" => "weld", "study" => "pull", "of" => "more0", "force" => "across" }
    problem = two_bars(joint("weld"), pull("far end", "100 N", "-y"), gauge)
    found = Lattice::Verdict::Findings.new(problem, problem.study!, solve(problem)).findings.find { |f| f[:kind] == "gauge" }
    expect(found).to include(name: "weld", dimension: "force", values: [be_within(0.01).of(100)])
  end

  it "hinges: a load in the middle of the second bar goes half to the hinge, and no moment through it" do
    result = solve(two_bars(joint("hinge", axis: "+z"), middle, pull("above", "100 N", "-y"), { "kind" => "support", "target" => "far end", "components" => ["y"] }))
    # Axes of the joint: along z, then two across it.
    held = result.connectors[0][:axes].transpose.map { |column| column.zip(forces(result).first(3)).sum { |a, f| a * f } }
    expect(held).to match([be_within(1e-3).of(0), be_within(0.05).of(-50), be_within(1e-3).of(0)])
    expect(forces(result)[3]).to eq(0)
    expect(result.balance[:error]).to be < 1e-9
  end

  it "leaves free what it says: a slider carries nothing along its axis, a ball no moments, a pin neither along nor about it" do
    free = { "slider" => [0], "ball" => [3, 4, 5], "pin" => [0, 3], "bearing" => [0, 3, 4, 5], "hinge" => [3] }
    held = { "kind" => "spring", "target" => "far end", "stiffness" => "1 N/mm", "components" => %w[x y z] }
    turns = { "kind" => "spring", "target" => "far end", "turning" => "1 N m", "about" => %w[rx ry rz] }
    free.each do |how, components|
      axis = how == "ball" ? {} : { axis: "+x" }
      result = solve(two_bars(joint(how, **axis), held, turns, middle, pull("above", "100 N", [1, 1, 1])))
      expect(forces(result).values_at(*components)).to all(eq(0.0))
      expect(forces(result).map(&:abs).max).to be > 1
      expect(result.balance[:error]).to be < 1e-8
    end
  end

  it "moves both sides together to a millionth of how they move" do
    problem = two_bars(joint("weld"), pull("far end", "1 kN", "+x"))
    result = solve(problem)
    structure = Lattice::System::Structure.new(problem, result.grid)
    u = Numo::DFloat.zeros(structure.dofs.size)
    %i[x y z].each_with_index { |name, k| u[structure.dofs.at(Numo::Int32.new(result.grid.nodes.shape[0]).seq, name)] = result.displacement[true, k] }
    first, second = %w[end start].map { |name| Lattice::System::RegionMotion.of(structure, problem.groups.find(name)).then { |m| m.table.dot(u[m.dofs]) } }
    expect(first[0]).to be_within(1e-7).of(1000 * 0.2 / (210e9 * 2e-4))
    expect((second - first).abs.max).to be < first[0] * 2e-6
  end

  it "holds one region to the ground" do
    ground = { "kind" => "joint", "target" => "root", "how" => "weld" }
    result = solve(problem({ support: nil }, { "id" => "j" }.merge(ground)))
    expect(result.state.connectors[0, [0, 1, 5]].to_a).to match([be_within(1e-2).of(0), be_within(0.1).of(1000), be_within(0.1).of(200)].map { |m| m })
    expect(result.balance[:reaction][1]).to be_within(1e-3).of(1000)
    expect(result.balance[:error]).to be < 1e-9
  end

  it "hinges about z in the plane, at a point too: there it holds movements alone" do
    plane = { body: { "make" => "plane stress", "thickness" => "10 mm" }, root: { "of" => "edges" }, tip: nil, force: nil, support: { "components" => %w[x y] } }
    spot_at = ->(name, x) { group_named(name, { "box" => { "from" => spot(x - 1, -1, -1), "to" => spot(x + 1, 1, 1) } }, of: "points") }
    more = [outline_named("far profile", rectangle("210 mm", "0 mm", "200 mm", "20 mm")), { "kind" => "body", "name" => "far", "outline" => "far profile", "make" => "plane stress", "thickness" => "10 mm" },
            spot_at["corner", 200], spot_at["other", 210],
            group_named("far end", { "plane" => { "axis" => "x", "at" => "410 mm" } }, of: "edges"), { "kind" => "support", "target" => "far end", "components" => ["y"] },
            { "kind" => "joint", "target" => "corner", "to" => "other", "how" => "hinge", "axis" => "+z" }, { "kind" => "force", "target" => "far end", "value" => "100 N", "direction" => "+x" }]
    result = solve(problem(plane, *more.each_with_index.map { |s, i| { "id" => "p#{i}" }.merge(s) }))
    expect(result.connectors[0][:components]).to eq([1, 2])
    along = result.connectors[0][:axes].transpose[0].zip(forces(result).first(3)).sum { |a, f| a * f }
    expect(along).to be_within(1e-3).of(100)
  end

  it "adds up over combinations without letting go, whatever the factors" do
    cases = %w[a b].map { |name| { "kind" => "case", "name" => name } }
    less = { "kind" => "combination", "name" => "a less b", "terms" => [{ "case" => "a", "factor" => "1" }, { "case" => "b", "factor" => "-1" }] }
    result = solve(two_bars(joint("weld"), *cases, pull("far end", "100 N", "+x").merge("case" => "a"), pull("far end", "40 N", "+x").merge("case" => "b"), less))
    expect(result.state(2).connectors[0, true].to_a.values_at(0, 6, 7)).to match([be_within(0.01).of(60), 1.0, 0.0])
  end

  it "is told of what it lacks" do
    expect { two_bars(joint("hinge")).conditions.last.check! }.to raise_error(Lattice::InvalidInput, /has an axis, but none is told.*direction/)
    points = { "kind" => "group", "name" => "corner", "of" => "points", "rule" => { "all" => [{ "body" => "far" }, { "box" => { "from" => spot(399, -1, -1), "to" => spot(401, 1, 1) } }] } }
    expect { solve(two_bars(points, joint("hinge", axis: "+z", to: "corner"), pull("far end", "1 N", "+x"))) }.to raise_error(Lattice::InvalidInput, /a point of a solid does not turn/)
    expect { two_bars(joint("ball", to: "end")).conditions.last.check! }.to raise_error(Lattice::InvalidInput, /is on both of its sides/)
  end
end
