# frozen_string_literal: true

RSpec.describe Lattice::Mesh::PlaneSizing do
  # A plate of 40 × 20 mm² with a piece of 1 mm of its lower side that is asked for sixty times as fine.
  it "is as fine as it is asked to be, however coarse the rest" do
    corners = [[0, 0], [19.5, 0], [20.5, 0], [40, 0], [40, 20], [0, 20]].map { |x, y| { "x" => "#{x} mm", "y" => "#{y} mm" } }
    near = { "all" => [{ "plane" => { "axis" => "y", "at" => "0 mm" } }, { "box" => { "from" => spot(19, -1, -1), "to" => spot(21, 1, 1) } }] }
    problem = shape_problem(outline_named("plan", { "corners" => corners }), body_named("plate", "plan", make: "plane stress", thickness: "5 mm"), group_named("bit", near, of: "edges"),
                            { "kind" => "mesh", "size" => "6 mm", "order" => "linear" }, { "kind" => "size", "target" => "bit", "size" => "0.1 mm" })
    grid = problem.mesh
    along = grid.nodes[grid.nodes_of(problem.groups.find("bit")), 0].to_a.sort
    steps = along.each_cons(2).map { |a, b| b - a }
    expect([along.first, along.last]).to be_near([19.5e-3, 20.5e-3], 1e-9)
    expect(steps.max).to be <= 0.12e-3
    expect(grid.size).to be < 3000
  end
end
