# frozen_string_literal: true

RSpec.describe Lattice::Result::ShellResultants do
  # A strip 200 × 40 × 4 mm of sheet, clamped at x = 0, on a plane of its own.
  def strip(force, plane: "xy")
    edge = ->(name, at) { group_named(name, { "plane" => { "axis" => plane[0], "at" => at } }, of: "edges") }
    shape_problem(outline_named("o", rectangle("0 mm", "0 mm", "200 mm", "40 mm")), body_named("plate", "o", make: "faces", by: "fill", wall: "4 mm", on: on(plane)), edge["root", "0 mm"], edge["tip", "200 mm"],
                  { "kind" => "material", "target" => "everything", "material" => "given", "properties" => Models::STEEL.merge("poisson" => "0") },
                  { "kind" => "support", "target" => "root", "components" => %w[x y z rx ry rz] }, { "kind" => "force", "target" => "tip", "value" => "20 N" }.merge(force),
                  { "kind" => "mesh", "size" => "10 mm" }, { "kind" => "study", "name" => "bend", "type" => "static" })
  end

  def middle(problem, name)
    result = solve(problem)
    values = result.field(name, 0)
    k = problem.document.statements[1].data.dig("on", "plane") == "yz" ? 1 : 0
    at = result.grid.nodes[result.grid.points.nodes, k]
    values[(at - 0.1).abs.lt(1e-6).where].mean
  end

  it "gives the moment, shear and force per width of a bent and pulled strip" do
    bent = strip({ "direction" => "-z" })
    # The top is pulled when the tip goes down.
    expect(middle(bent, "moment_11")).to be_near(20 * 0.1 / 0.04, 5e-3)
    expect(middle(bent, "shear_13").abs).to be_near(20 / 0.04, 0.02)
    expect(middle(bent, "moment_22").abs).to be < 0.02 * 50
    expect(middle(strip({ "direction" => "+x" }), "force_11")).to be_near(500, 1e-6)
  end

  it "takes y for its first axis where the face looks along x" do
    expect(middle(strip({ "direction" => "+y" }, plane: "yz"), "force_11")).to be_near(500, 1e-6)
  end

  it "stands in the catalogue of shells alone" do
    expect(solve(strip({ "direction" => "+x" })).catalogue.map(&:name)).to include("force_11", "moment_12")
    expect(solve(problem).catalogue.map(&:name)).not_to include("force_11")
  end
end
