# frozen_string_literal: true

RSpec.describe Lattice::Load::Conditions do
  # The bar of Models with another load at its tip.
  def bar(*loads, **changes) = problem({ force: nil }.merge(changes), *loads.each_with_index.map { |l, i| { "id" => "more#{i}" }.merge(l) })
  def total(problem, number = 0) = solve(problem).totals[number]

  let(:plate) do
    [{ "id" => "outline", "kind" => "outline", "name" => "profile", "boundary" => rectangle("0 mm", "0 mm", "120 mm", "40 mm"), "holes" => [circle(40, 20, 12), circle(80, 20, 12)] },
     { "id" => "bores", "kind" => "group", "name" => "bores", "of" => "faces", "rule" => { "bores" => { "diameter" => "12 mm" } } }]
  end

  def drilled(load, outline, bores)
    problem({ outline: outline, force: nil, mesh: { "size" => "6 mm" }, tip: { "rule" => { "plane" => { "axis" => "x", "at" => "120 mm" } } } }, bores,
            { "id" => "pin", "kind" => "bearing_load", "target" => "bores" }.merge(load))
  end

  it "gives a traction its area, whatever its direction" do
    expect(total(bar({ "kind" => "traction", "target" => "tip", "value" => "5 MPa", "direction" => [0, -1, 1] }))[:force]).to be_near([0, -1000 / Math.sqrt(2), 1000 / Math.sqrt(2)], 1e-9)
  end

  ["plane stress", "plane strain", "axisymmetric"].each do |make|
    it "gives a load per length the length of the edge it acts on, and nothing else: #{make}" do
      made = make == "axisymmetric" ? {} : { thickness: "10 mm" }
      around = shape_problem(outline_named("plan", rectangle("50 mm", "0 mm", "120 mm", "20 mm")), body_named("part", "plan", make: make, **made),
                             { "kind" => "material", "target" => "everything", "material" => "steel S355" }, group_named("top", { "plane" => { "axis" => "y", "at" => "20 mm" } }, of: "edges"),
                             group_named("sole", { "plane" => { "axis" => "y", "at" => "0 mm" } }, of: "edges"), { "kind" => "support", "target" => "sole", "components" => %w[x y] },
                             { "kind" => "line_load", "target" => "top", "value" => "2 kN/m", "direction" => "-y" }, { "kind" => "mesh", "size" => "10 mm" },
                             { "kind" => "study", "name" => "still", "type" => "static" })
      expect(total(around)[:force]).to be_near([0, -240, 0], 1e-9)
    end
  end

  it "lets pressure follow a formula: the resultant and its height are those of a triangle" do
    found = total(bar({ "kind" => "pressure", "target" => "tip", "value" => "10 MPa * (1 - y / 20 mm)" }))
    expect(found[:force]).to be_near([-1000, 0, 0], 1e-9)
    expect(found[:moment][2]).to be_near(1000 * 0.02 / 3, 1e-9)
  end

  it "refuses formulas that name what is unknown, are of another kind, or divide by zero, with the statement" do
    { "2 MPa * w" => /“w” is not a known unit/, "q(x) * 1 MPa" => /coordinates are x, y and z/, "5 kN * x" => /a stress is wanted/, "1 MPa * max(x)" => /two values/,
      "max(2 MPa, x)" => /compares a .* with a length/, "1 MPa * sqrt(x)" => /even power/,
      "1 MPa * exp(x)" => /plain number/ }.each do |text, words|
      expect(refusal { bar({ "kind" => "pressure", "target" => "tip", "value" => text }) }).to match(words).and include("more0, value")
    end
    expect(refusal { solve(bar({ "kind" => "pressure", "target" => "tip", "value" => "1 MPa * y / (x - 200 mm)" })) }).to include("divides by zero")
  end

  it "brings a torque and no force, and twists a round shaft by T L / (G J)" do
    shaft = problem({ outline: { "boundary" => circle(0, 0, 20) }, body: { "thickness" => "200 mm" }, force: nil, mesh: { "size" => "5 mm" },
                      root: { "rule" => { "plane" => { "axis" => "z", "at" => "0 mm" } } }, tip: { "rule" => { "plane" => { "axis" => "z", "at" => "200 mm" } } } },
                    { "id" => "t", "kind" => "torque", "target" => "tip", "value" => "100 N m", "direction" => "+z" })
    found = solve(shaft)
    expect(found.totals[0][:force]).to be_near([0, 0, 0], 1e-9)
    expect(found.totals[0][:moment]).to be_near([0, 0, 100], 1e-9)
    twist = 100 * 0.2 / (210e9 / 2.6 * Math::PI / 32 * (0.02**4))
    expect(found.displacement[found.grid.nodes_of(shaft.groups.find("tip")), true].abs.max / 0.01).to be_near(twist, 5e-3)
  end

  it "shares a pin's push over equal holes, exactly as large as asked, on the far halves alone" do
    [[0.8, -0.6, 0.0], [1, 0, 0], [0, -1, 0]].each do |direction|
      found = solve(drilled({ "value" => "3 kN", "direction" => direction }, *plate))
      expect(found.totals[0][:force]).to be_near(direction.map { |c| c * 3000 }, 1e-6)
    end
    found = solve(drilled({ "value" => "3 kN", "direction" => "+x" }, *plate))
    at = found.grid.nodes
    left = (at[true, 0] < 0.06).where
    expect(found.load[left, 0].sum).to be_near(1500, 2e-3)
    near = ((at[true, 0] > 0.034 - 1e-9) & (at[true, 0] < 0.0385)).where
    expect(found.load[near, 0].abs.max).to be < 1e-6
  end

  it "refuses a pin along its hole, and on flat faces" do
    expect(refusal { solve(drilled({ "value" => "3 kN", "direction" => "+z" }, *plate)) }).to include("along its hole")
    expect(refusal { solve(bar({ "kind" => "bearing_load", "target" => "tip", "value" => "1 kN", "direction" => "+x" })) }).to include("is flat")
  end

  it "carries masses of places: weight, inertia and the sum" do
    found = solve(bar({ "kind" => "mass", "target" => "tip", "value" => "3 kg" }, { "kind" => "acceleration", "value" => "2 m/s2", "direction" => "+x" },
                      { "kind" => "gravity", "value" => "10 m/s2", "direction" => "-y" }))
    mass = 3 + (7850 * 0.2 * 0.02 * 0.01)
    expect(found.mass).to be_near(mass, 1e-9)
    expect(found.totals.map { |t| t[:force] }).to be_near([[-2 * mass, 0, 0], [0, -10 * mass, 0]], 1e-9)
    expect(found.totals[1][:moment][2]).to be_near(-10 * ((3 * 0.2) + (0.314 * 0.1)), 1e-9)
    expect(found.balance[:error]).to be < 1e-9
    expect(refusal { bar({ "kind" => "mass", "target" => "tip", "value" => "-3 kg" }).then { |p| solve(p) } }).to include("above zero")
  end

  it "spins masses about an axis" do
    found = total(bar({ "kind" => "mass", "target" => "tip", "value" => "2 kg" }, { "kind" => "spin", "speed" => "10 Hz", "direction" => "+z", "through" => spot(0, 10, 5) }), 0)
    rate = (20 * Math::PI)**2
    expect(found[:force][0]).to be_near(rate * ((2 * 0.2) + (7850 * 0.2 * 0.02 * 0.01 * 0.1)), 1e-9)
  end
end
