# frozen_string_literal: true

# What holds regions by stiffness: springs between them, elastic beds, spot welds.
RSpec.describe Lattice::System::Connectors do
  # Two blocks of 40 × 40 × 10 mm, the upper one 2 mm above the lower, which is held from below.
  def blocks(*more, gap: 2)
    list = [outline_named("plan", rectangle("0 mm", "0 mm", "40 mm", "40 mm")), body_named("low", "plan", thickness: "10 mm"), body_named("high", "plan", thickness: "10 mm", on: on("xy", z: 10 + gap)),
            { "kind" => "material", "target" => "everything", "material" => "mild steel", "properties" => Models::STEEL },
            side("base", "low", 0), side("under", "low", 10), side("over", "high", 10 + gap), side("top", "high", 20 + gap), { "kind" => "support", "target" => "base", "components" => %w[x y z] },
            { "kind" => "mesh", "size" => "10 mm" }, { "kind" => "study", "name" => "press", "type" => "static" }, *more]
    shape_problem(*list)
  end

  def side(name, body, z) = group_named(name, { "all" => [{ "body" => body }, { "plane" => { "axis" => "z", "at" => "#{z} mm" } }] })
  def push(direction = "-z", value = "1 kN") = { "kind" => "force", "target" => "top", "value" => value, "direction" => direction }
  def guided = { "kind" => "spring", "target" => "top", "stiffness" => "1 N/mm", "components" => %w[x y] }

  it "puts springs between two regions: their middles come nearer by force over stiffness" do
    spring = { "kind" => "spring", "target" => "over", "to" => "under", "stiffness" => "5 kN/mm", "components" => ["line"], "turning" => "100 kN m", "about" => %w[rx ry rz] }
    result = solve(blocks(spring, guided, push))
    expect(result.state.connectors[0, 0]).to be_within(1e-3).of(-1000)
    sunk = result.field("displacement_z").min
    expect(sunk).to be_within(1e-3 * 1000 / 5e6).of(-1000 / 5e6)
    expect(result.balance[:error]).to be < 1e-9
  end

  it "rests a face on an elastic bed: p = k w, along the surface a share of it" do
    ground = { "kind" => "bed", "target" => "over", "stiffness" => "0.5 N/mm3", "sliding" => "0.25" }
    result = solve(blocks(ground, push))
    expect(result.field("displacement_z").min).to be_within(2e-6).of(-1000 / (0.5e9 * 1.6e-3))
    across = solve(blocks(ground, { "kind" => "force", "target" => "over", "value" => "1 kN", "direction" => "+x" }))
    expect(across.displacement[true, 0].max).to be_within(5e-6).of(1000 / (0.125e9 * 1.6e-3))
    expect(across.balance[:error]).to be < 1e-9
  end

  it "rests one body on another through a bed, whatever their meshes" do
    fine = { "kind" => "mesh", "size" => "10 mm" }
    bed = { "kind" => "bed", "target" => "over", "to" => "under", "stiffness" => "0.5 N/mm3", "reach" => "3 mm" }
    result = solve(blocks(bed, guided, push, fine))
    expect(result.field("displacement_z").min).to be_within(3e-6).of(-1000 / (0.5e9 * 1.6e-3))
    base = blocks(bed).groups.find("base")
    expect(result.reaction_sum(result.grid.nodes_of(base))[2]).to be_within(1e-4).of(1000)
    expect(result.joins[0]).to include(least: be_within(1e-9).of(2e-3), greatest: be_within(1e-9).of(2e-3), left: 0)
  end

  it "lets both bodies turn as one across the gap of a bed without a force, in space and in the plane" do
    bed = { "kind" => "bed", "target" => "over", "to" => "under", "stiffness" => "0.5 N/mm3", "sliding" => "1", "reach" => "3 mm" }
    problem = blocks(bed)
    structure = Lattice::System::Structure.new(problem, problem.mesh).apply
    plane = shape_problem(outline_named("a", rectangle("0 mm", "0 mm", "40 mm", "10 mm")), outline_named("b", rectangle("0 mm", "12 mm", "40 mm", "10 mm")), *%w[a b].map do |n|
      { "kind" => "body", "name" => n, "outline" => n, "make" => "plane stress", "thickness" => "5 mm" }
    end,
                          { "kind" => "material", "target" => "everything", "material" => "mild steel", "properties" => Models::STEEL }, *{ "under" => 10, "over" => 12 }.map do |n, y|
                                                                                                                                           group_named(n, { "plane" => { "axis" => "y",
                                                                                                                                                                         "at" => "#{y} mm" } }, of: "edges")
                                                                                                                                         end, bed, { "kind" => "mesh", "size" => "7 mm" })
    [structure, Lattice::System::Structure.new(plane, plane.mesh).apply].each do |s|
      matrix = s.bolted(s.assembled(Lattice::Study::Monitor.new) { nil })
      at = s.grid.nodes
      turn = Numo::DFloat.zeros(s.dofs.size)
      every = Numo::Int32.new(at.shape[0]).seq
      turn[s.dofs.at(every, :x)] = at[true, 1] * -1e-3
      turn[s.dofs.at(every, :y)] = at[true, 0] * 1e-3
      turn[s.dofs.at(every, :x)] = turn[s.dofs.at(every, :x)] + (at[true, 2] * 2e-3)
      turn[s.dofs.at(every, :z)] = at[true, 0] * -2e-3 if s.grid.dimension == 3
      expect(matrix.dot(turn).abs.max).to be < 1e-9 * matrix.diagonal.max * 1e-4
    end
  end

  it "welds in a row of spots, whose forces sum to what crosses" do
    spots = { "kind" => "spot_welds", "target" => "over", "to" => "under", "from" => spot(5, 20, 10), "until" => spot(35, 20, 10), "count" => 3, "diameter" => "6 mm" }
    result = solve(blocks(spots, push("+x"), gap: 0))
    rows = result.state.connectors
    expect(rows.shape).to eq([3, 8])
    expect(rows[true, 0].sum).to be_within(1e-2).of(-1000)
    expect(result.connectors.map { |c| c[:label] }).to eq(["weld 1 of “over”", "weld 2 of “over”", "weld 3 of “over”"])
    expect(result.connectors.map { |c| c[:at].map { |x| (x * 1000).round(6) } }).to eq([[5, 20, 10], [20, 20, 10], [35, 20, 10]])
    # Moment of the force about the plane of the welds: couple of the outer ones, and their own.
    expect(((rows[0, 2] - rows[2, 2]).abs * 0.015) + rows[true, 4].sum.abs).to be_within(0.2).of(10)
  end

  it "names what is wrong, and the cure" do
    { { "kind" => "bed", "target" => "over", "stiffness" => "0 N/mm3" } => /stiffness is not above zero/, { "kind" => "bed", "target" => "over", "to" => "under", "stiffness" => "1 N/mm3",
                                                                                                            "reach" => "0.1 mm" } => /nothing of “under” lies within reach/,
      { "kind" => "spring", "target" => "over" } => /it has no stiffness/, { "kind" => "spring", "target" => "over", "stiffness" => "1 N/mm" } => /not along what.*Choose its components/,
      { "kind" => "spring", "target" => "over", "turning" => "1 N m" } => /not along what.*about which axes/,
      { "kind" => "spring", "target" => "over", "stiffness" => "1 N/mm", "components" => ["line"] } => /to the ground there is no line/,
      { "kind" => "spring", "target" => "over", "turning" => "-1 N m", "about" => ["rx"] } => /stiffness of turning is not above zero/,
      { "kind" => "spot_welds", "target" => "over", "to" => "under", "from" => spot(5, 20, 10), "until" => spot(95, 20, 10), "count" => 3,
        "diameter" => "6 mm" } => /weld 3 lies beside/ }.each do |statement, words|
      expect { solve(blocks(statement, push)) }.to raise_error(Lattice::InvalidInput, words)
    end
  end
end
