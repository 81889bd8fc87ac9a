# frozen_string_literal: true

RSpec.describe Lattice::Load::Conditions::Temperature do
  warm = { "id" => "t", "kind" => "temperature", "target" => "bar", "value" => "70 degC", "reference" => "20 degC" }
  stuff = Models::STEEL.merge("expansion" => "12e-6 /K")
  strain = 12e-6 * 50

  def bar(more, **changes) = problem({ force: nil, material: { "properties" => changes.delete(:stuff) } }.merge(changes), *more)
  def greatest(result) = result.stress.abs.max

  it "lets what is free grow without stress, in every formulation" do
    corner = { "id" => "c", "kind" => "group", "name" => "corner", "of" => "points", "pick" => [{ "body" => "bar", "name" => "start of side 1 at bottom" }] }
    edge = { "id" => "e", "kind" => "group", "name" => "edge", "of" => "edges", "pick" => [{ "body" => "bar", "name" => "side 4 at bottom" }] }
    held = [corner, edge, { "id" => "h", "kind" => "support", "target" => "corner", "components" => %w[x y z] },
            { "id" => "h2", "kind" => "support", "target" => "edge", "components" => %w[x z] },
            { "id" => "h3", "kind" => "support", "target" => "foot", "components" => ["z"] },
            { "id" => "fo", "kind" => "group", "name" => "foot", "of" => "faces", "pick" => [{ "body" => "bar", "name" => "bottom" }] }]
    %w[quadratic linear].product(["bricks and quadrilaterals", "tetrahedra and triangles"]).each do |order, family|
      result = solve(bar([warm, *held], stuff: stuff, support: nil, mesh: { "order" => order, "elements" => family, "size" => "20 mm" }))
      expect(greatest(result)).to be < 1e-6 * 210e9 * strain
      expect(result.displacement[true, 0].max).to be_near(strain * 0.2, 1e-9)
    end
  end

  it "presses what is held by E α ΔT, and plane slices by their walls too" do
    both = { "id" => "b", "kind" => "support", "target" => "tip", "components" => ["x"] }
    flat = { root: { "of" => "edges" }, tip: { "of" => "edges" }, support: { "components" => ["x"] } }
    pin = [{ "id" => "p", "kind" => "group", "name" => "pin", "of" => "points", "pick" => [{ "body" => "bar", "name" => "start of side 1" }] },
           { "id" => "ps", "kind" => "support", "target" => "pin", "components" => ["y"] }]
    thin = solve(bar([warm, both, *pin], stuff: stuff, body: { "make" => "plane stress" }, **flat))
    expect(thin.stress[true, 0].mean).to be_near(-210e9 * strain, 1e-9)
    expect(thin.stress[true, 2].abs.max).to eq(0)
    expect(thin.energy).to be_nil
    slice = solve(bar([warm, *pin], stuff: stuff, body: { "make" => "plane strain" }, **flat))
    expect(slice.stress[true, 2].mean).to be_near(-210e9 * strain, 1e-9)
    expect(slice.displacement[true, 0].max).to be_near(strain * 0.2 * 1.3, 1e-9)
  end

  it "warms rings, shells and members" do
    ring = shape_problem(outline_named("o", rectangle("50 mm", "0 mm", "20 mm", "40 mm")), body_named("ring", "o", make: "axisymmetric"),
                         { "kind" => "material", "target" => "everything", "material" => "given", "properties" => stuff }, warm.merge("target" => "ring"),
                         group_named("foot", { "plane" => { "axis" => "y", "at" => "0 mm" } }, of: "edges"), { "kind" => "support", "target" => "foot", "components" => ["y"] },
                         { "kind" => "mesh", "size" => "10 mm" }, { "kind" => "study", "name" => "s", "type" => "static" })
    result = solve(ring)
    expect(greatest(result)).to be < 1e-6 * 210e9 * strain
    expect(result.displacement[true, 0].max).to be_near(strain * 0.07, 1e-9)
    %w[faces members].each do |make|
      line = { "kind" => "line", "name" => "o", "corners" => [{ "x" => "0 m", "y" => "0 m" }, { "x" => "1 m", "y" => "0.5 m" }] }
      figure = make == "faces" ? outline_named("o", rectangle("0 mm", "0 mm", "1 m", "200 mm")) : line
      more = make == "faces" ? { by: "fill", wall: "5 mm" } : {}
      section = [outline_named("s", rectangle("0 mm", "0 mm", "20 mm", "40 mm")), { "kind" => "section", "target" => "part", "outline" => "s" }]
      both = [["left", "0 m"], ["right", "1 m"]].flat_map do |name, at|
        [group_named(name, { "plane" => { "axis" => "x", "at" => at } }, of: make == "faces" ? "edges" : "points"),
         { "kind" => "support", "target" => name, "components" => make == "faces" ? %w[x z rx ry rz] : %w[x y z rx ry rz] }]
      end
      both << { "kind" => "support", "target" => "part", "components" => ["y"] } if make == "faces"
      held = shape_problem(figure, body_named("part", "o", make: make, **more), *(make == "members" ? section : []),
                           { "kind" => "material", "target" => "everything", "material" => "given", "properties" => stuff.merge("poisson" => "0") },
                           *both, warm.merge("target" => "part"), { "kind" => "mesh", "size" => "100 mm", "order" => "linear" }, { "kind" => "study", "name" => "s", "type" => "static" })
      expect(solve(held).field("von_mises").to_a).to all(be_near(210e9 * strain, 1e-6))
    end
  end

  it "wants a material that says how it grows" do
    expect(refusal { solve(bar([warm], stuff: Models::STEEL)) }).to match(/“bar” has no thermal expansion. Type its expansion/)
  end
end
