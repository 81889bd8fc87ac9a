# frozen_string_literal: true

# Ground of solids in stages, at rest first.
RSpec.describe "Ground of solids" do
  stage = ->(name, goes: nil, comes: nil) { { "name" => name, "goes" => goes, "comes" => comes, "loads" => [{ "case" => "weight", "factor" => "1" }] }.compact }
  sand = { "kind" => "material", "target" => "everything", "material" => "sand", "properties" => { "young" => "40 MPa", "poisson" => "0.3", "density" => "2000 kg/m3" } }
  soil = { "kind" => "soil", "target" => "everything", "cohesion" => "8 kPa", "friction" => "30 deg" }
  metres = ->(x, y, w, h) { { "rectangle" => { "x" => "#{x} m", "y" => "#{y} m", "width" => "#{w} m", "height" => "#{h} m" } } }
  define_method(:plane) { |name, axis, at, of| group_named(name, { "plane" => { "axis" => axis, "at" => "#{at} m" } }, of: of) }
  def held(target, *components) = { "kind" => "support", "target" => target, "components" => components }
  def weight(way) = [{ "kind" => "case", "name" => "weight" }, { "kind" => "gravity", "value" => "10 m/s2", "direction" => way, "case" => "weight" }]

  # A pit of 2 × 2 m, 1.5 m deep, in the corner of a block of 6 × 6 × 4 m that stands for four such; z is up.
  define_method(:corner) do |*more, stages: [stage["rest"], stage["dig", goes: ["pit"]]]|
    high = { "plane" => "xy", "z" => "2.5 m" }
    angle = { "corners" => [[2, 0], [6, 0], [6, 6], [0, 6], [0, 2], [2, 2]].map { |x, y| { "x" => "#{x} m", "y" => "#{y} m" } } }
    walls = { "west" => ["x", 0], "east" => ["x", 6], "south" => ["y", 0], "north" => ["y", 6], "base" => ["z", 0] }
    shape_problem(outline_named("whole", metres[0, 0, 6, 6]), body_named("low", "whole", thickness: "2.5 m"), outline_named("angle", angle), body_named("side", "angle", thickness: "1.5 m", on: high),
                  outline_named("corner", metres[0, 0, 2, 2]), body_named("pit", "corner", thickness: "1.5 m", on: high), { "kind" => "join", "bodies" => %w[low side pit] }, sand, soil,
                  { "kind" => "at_rest", "target" => "everything", "coefficient" => "0.5" },
                  *walls.flat_map { |name, (axis, at)| [plane(name, axis, at, "faces"), held(name, *(name == "base" ? %w[x y z] : [axis]))] }, *weight("-z"), { "kind" => "mesh", "size" => "1.4 m" },
                  *more, { "id" => "c", "kind" => "study", "name" => "case", "type" => "stages", "stages" => stages })
  end

  def solved(problem)
    study = problem.study!("case")
    result = Lattice::Study::Solving.new(problem).call(study)
    [result, Lattice::Verdict::Findings.new(problem, study, result).to_h[:findings].find { |f| f[:kind] == "stages" }]
  end

  it "rests without moving, heaves where it is dug, and bears less by what went" do
    result, found = solved(corner)
    expect(found).to include(holds: true, broken: nil)
    rest, dug = result.judged(nil)
    expect(result.field("displacement", rest).max).to be < 1e-7
    # Upright the weight above, half of it sideways: between the points as straight as they are.
    middle = result.grid.points.of("low")
    deep = result.grid.nodes[result.grid.points.nodes[middle], 2]
    across = result.field("stress_xx", rest)[middle] + ((4 - deep) * 10_000)
    expect(across.abs.max).to be < 1500
    low = (result.grid.nodes[true, 2] < 1e-9).where
    bears = [rest, dug].map { |frame| result.reaction(frame)[low, 2].sum }
    expect(bears[0] - bears[1]).to be_near(2 * 2 * 1.5 * 20_000, 5e-3)
    floor = ((result.grid.nodes[true, 2] - 2.5).abs < 1e-9) & (result.grid.nodes[true, 0] < 1.5) & (result.grid.nodes[true, 1] < 1.5)
    expect(result.displacement(dug)[floor.where, 2].min).to be > 1e-4
    expect(found[:rows][1][:plastic]).to be > 0
  end

  # One metre between two smooth walls is a slice, on like meshes whose points lie elsewhere.
  it "moves as a slice of plane strain does" do
    stages = [stage["rest"], stage["dig", goes: ["pit"]]]
    study = { "id" => "c", "kind" => "study", "name" => "case", "type" => "stages", "stages" => stages }
    rest = { "kind" => "at_rest", "target" => "everything", "coefficient" => "0.5" }
    slice = lambda do |make|
      of = make == "solid" ? "faces" : "edges"
      boxes = { "low" => [0, 0, 3, 3], "deep" => [3, 0, 5, 3], "side" => [3, 3, 5, 2], "pit" => [0, 3, 3, 2] }
      bodies = boxes.flat_map { |name, box| [outline_named("#{name} plan", metres[*box]), body_named(name, "#{name} plan", thickness: "1 m")] } + [{ "kind" => "join", "bodies" => boxes.keys }]
      lines = [[[0, 3], [8, 3]], [[3, 0], [3, 5]]].map { |points| { "corners" => points.map { |x, y| { "x" => "#{x} m", "y" => "#{y} m" } } } }
      regions = boxes.map { |name, (x, y, *)| { "name" => name, "x" => "#{x + 1} m", "y" => "#{y + 1} m" } }
      bodies = [outline_named("plan", metres[0, 0, 8, 5], dividers: lines, regions: regions), body_named("section", "plan", make: make)] unless make == "solid"
      walls = { "west" => ["x", 0, %w[x]], "east" => ["x", 8, %w[x]], "base" => ["y", 0, %w[x y]] }
      walls = walls.merge("front" => ["z", 0, %w[z]], "back" => ["z", 1, %w[z]]) if make == "solid"
      shape_problem(*bodies, sand, soil.merge("cohesion" => "6 kPa", "tension" => "12 kPa"), rest, *walls.flat_map { |name, (axis, at, way)| [plane(name, axis, at, of), held(name, *way)] }, *weight("-y"),
                    { "kind" => "mesh", "size" => "0.5 m" }, study)
    end
    moved = ["plane strain", "solid"].map do |make|
      result, = solved(slice[make])
      edge = ((result.grid.nodes[true, 0] - 3).abs < 1e-9) & ((result.grid.nodes[true, 1] - 5).abs < 1e-9)
      result.displacement(result.judged(nil)[1])[edge.where, 0..1].mean(0).to_a
    end
    expect(moved[1]).to be_near(moved[0], 0.1)
  end

  it "wants weight along an axis" do
    tilted = shape_problem(*block, sand, { "kind" => "at_rest", "target" => "everything", "coefficient" => "0.5" },
                           { "kind" => "gravity", "value" => "10 m/s2", "direction" => [0, 1, -1] }, { "kind" => "mesh", "size" => "20 mm" })
    expect { tilted.at_rest.check! }.to raise_error(Lattice::InvalidInput, /weighs along an axis/)
  end
end
