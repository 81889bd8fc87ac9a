# frozen_string_literal: true

RSpec.describe Lattice::Result::Strain do
  # A field of movements that is linear: the strains are known.
  slopes = Numo::DFloat[[1e-3, 2e-4, -3e-4], [4e-4, -2e-3, 5e-4], [1e-4, 6e-4, 3e-3]]
  tensor = ((slopes + slopes.transpose) / 2).to_a

  { "solid" => "hex20", "plane stress" => "quad8" }.each do |make, kind|
    it "is what a linear movement says, in #{kind}, with the principal ones" do
      problem = shape_problem(outline_named("plan", rectangle("10 mm", "0 mm", "40 mm", "30 mm")), body_named("part", "plan", make: make, thickness: "20 mm"), { "kind" => "mesh", "size" => "15 mm" })
      grid = problem.mesh
      moved = grid.nodes.dot(slopes.transpose)
      moved[true, 2] = 0.0 if grid.dimension == 2
      strain = described_class.new(grid, false)
      read = ->(name) { strain.field(name, moved) }
      expect([*read["strain_xx"].minmax, *read["strain_xy"].minmax]).to be_near([tensor[0][0], tensor[0][0], tensor[0][1], tensor[0][1]], 1e-9)
      wanted = Numo::Linalg.eigvalsh(grid.dimension == 3 ? Numo::DFloat.cast(tensor) : Numo::DFloat[[*tensor[0].first(2), 0], [*tensor[1].first(2), 0], [0, 0, 0]]).to_a.sort
      expect([read["strain_max"].mean, read["strain_min"].mean]).to be_near([wanted.last, wanted.first], 1e-9)
      next unless grid.dimension == 3

      expect([read["strain_zz"].mean, read["strain_yz"].mean, read["strain_zx"].mean]).to be_near([tensor[2][2], tensor[1][2], tensor[0][2]], 1e-9)
    end
  end

  it "runs round a ring as u / r, and is all alike on its axis" do
    grid = shape_problem(outline_named("plan", rectangle("0 mm", "0 mm", "40 mm", "30 mm")), body_named("part", "plan", make: "axisymmetric"), { "kind" => "mesh", "size" => "10 mm" }).mesh
    moved = Numo::DFloat.zeros(*grid.nodes.shape).tap { |all| all[true, 0] = grid.nodes[true, 0] * 2e-3 }
    expect(described_class.new(grid, true).field("strain_zz", moved).minmax).to be_near([2e-3, 2e-3], 1e-9)
  end

  # 60 MPa of 200 GPa, and 12e-6 times 50 K.
  it "is a field of static studies, free strain within it, that limits and gauges read; not of what moves far" do
    study = { "id" => "q", "kind" => "study", "name" => "still", "type" => "static" }
    edge = ->(name, x) { group_named(name, { "plane" => { "axis" => "x", "at" => "#{x} mm" } }, of: "edges") }
    limit = { "kind" => "limit", "study" => "still", "quantity" => "strain_max", "target" => "bar", "at_most" => "0.08 %" }
    problem = lambda do |question|
      shape_problem(outline_named("plan", rectangle("0 mm", "0 mm", "100 mm", "20 mm")), body_named("bar", "plan", make: "plane stress", thickness: "10 mm"), edge["left", 0], edge["right", 100],
                    { "kind" => "material", "target" => "everything", "material" => "given", "properties" => { "young" => "200 GPa", "poisson" => "0", "expansion" => "12e-6 1/K" } },
                    { "kind" => "support", "target" => "left", "components" => ["x"] }, group_named("pin", { "box" => { "from" => spot(-1, -1, -1), "to" => spot(1, 1, 1) } }, of: "points"),
                    { "kind" => "support", "target" => "pin", "components" => ["y"] }, { "kind" => "force", "target" => "right", "value" => "12 kN", "direction" => "+x" },
                    { "kind" => "temperature", "target" => "bar", "value" => "70 degC" }, { "kind" => "mesh", "size" => "10 mm" }, question, *([limit] if question["type"] == "static"))
    end
    still = problem[study]
    result = Lattice::Study::Solving.new(still).call(still.study!("still"))
    expect([*result.field("strain_xx").minmax, *result.field("strain_yy").minmax]).to be_near([9e-4, 9e-4, 6e-4, 6e-4], 1e-6)
    found = Lattice::Verdict::Findings.new(still, still.study!("still"), result).to_h
    expect(found[:findings].find { |f| f[:kind] == "limit" }).to include(holds: false, value: be_near(9e-4, 1e-6), dimension: "ratio")
    far = problem[study.merge("type" => "collapse", "control" => "loads", "upto" => "1")]
    names = Lattice::Study::Solving.new(far).call(far.study!("still")).then { |way| Lattice::Result::Catalogue::STRAIN.map(&:name) & way.catalogue.map { |f| f[:name] || f["name"] } }
    expect(names).to be_empty
  end
end
