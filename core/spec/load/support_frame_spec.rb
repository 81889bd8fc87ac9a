# frozen_string_literal: true

RSpec.describe Lattice::Load::SupportFrame do
  def around(x, y, reach) = { "box" => { "from" => spot(x - reach, y - reach, -1), "to" => spot(x + reach, y + reach, 11) } }

  # A bar turned about z, pulled along itself, held as a straight one would be: it must do the same, turned.
  def turned_bar(angle, support)
    c = Math.cos(angle)
    s = Math.sin(angle)
    at = ->(x, y) { [((c * x) - (s * y)).round(9), ((s * x) + (c * y)).round(9)] }
    points = [[0, 0], [200, 0], [200, 20], [0, 20]].map { |p| at[*p] }
    ends = { "root" => at[0, 10], "tip" => at[200, 10] }.map do |name, (x, y)|
      { "id" => name, "kind" => "group", "name" => name, "of" => "faces", "rule" => around(x, y, 12) }
    end
    problem({ outline: { "boundary" => corners(*points) }, root: nil, tip: nil, force: { "direction" => [c, s, 0], "value" => "10 kN" }, support: support }, *ends)
  end

  it "holds along turned axes as the same support would along those of the model" do
    angle = 0.4
    axes = { "x" => [Math.cos(angle), Math.sin(angle), 0], "y" => "+y" }
    held = [{ "components" => %w[x], "frame" => axes }, { "components" => %w[x], "frame" => { "surface" => true } }]
    held.each do |support|
      more = [{ "id" => "e", "kind" => "support", "target" => "corner", "components" => %w[x y], "frame" => axes }]
      found = solve(with_corner(turned_bar(angle, support), more))
      along = found.displacement.dot(Numo::DFloat[*axes["x"]])
      expect(along.max).to be_near(10e3 * 0.2 / (2e-4 * 210e9), 1e-6)
      expect(found.reaction.sum(0).to_a).to be_near([-10e3 * Math.cos(angle), -10e3 * Math.sin(angle), 0], 1e-9)
    end
  end

  # Held at one edge of the root besides, so that it neither slides in its plane nor turns.
  def with_corner(problem, more)
    groups = [{ "id" => "k", "kind" => "group", "name" => "corner", "of" => "edges", "rule" => around(0, 0, 1) },
              { "id" => "k2", "kind" => "group", "name" => "base", "of" => "faces", "rule" => { "plane" => { "axis" => "z", "at" => "0 mm" } } },
              { "id" => "k3", "kind" => "support", "target" => "base", "components" => %w[z] }]
    Lattice::Study::Problem.new(Lattice::Model::Document.new(model({}).merge("statements" => problem.document.statements.map(&:data) + groups + more)))
  end

  it "holds round an axis: a pressed ring of a quarter moves as the whole does" do
    lame = quarter_ring([{ "target" => "cuts", "components" => %w[y], "frame" => { "axis" => "+z" } }])
    found = solve(lame)
    p = 10e6
    a = 0.02
    b = 0.04
    e = 210e9
    nu = 0.3
    inner = p * a / e * ((((b**2) + (a**2)) / ((b**2) - (a**2))) + nu)
    at = found.grid.nodes
    radius = Numo::NMath.sqrt((at[true, 0]**2) + (at[true, 1]**2))
    radial = ((at[true, 0] * found.displacement[true, 0]) + (at[true, 1] * found.displacement[true, 1])) / radius
    on = ((radius - a).abs < 1e-9).where
    expect(radial[on].max).to be_near(inner, 2e-3)
    expect(radial[on].min).to be_near(inner, 2e-3)
  end

  # Cut at an odd angle, so that no axis of the model lies across the cuts.
  def quarter_ring(supports)
    from, to = [0.3, 1.9].map { |t| [Math.cos(t), Math.sin(t)] }
    mid = [Math.cos(1.1), Math.sin(1.1)]
    corner = ->(r, (x, y), **more) { { "x" => "#{r * x} mm", "y" => "#{r * y} mm" }.merge(more.transform_keys(&:to_s)) }
    through = ->(r) { { "x" => "#{r * mid[0]} mm", "y" => "#{r * mid[1]} mm" } }
    boundary = { "corners" => [corner[20, from], corner[40, from, through: through[40]], corner[40, to], corner[20, to, through: through[20]]] }
    near = ->(r, (x, y), reach) { around(r * x, r * y, reach) }
    shape_problem(outline_named("profile", boundary), { "kind" => "body", "name" => "ring", "outline" => "profile", "make" => "plane stress", "thickness" => "10 mm" },
                  group_named("cuts", { "any" => [near[30, from, 10.5], near[30, to, 10.5]] }, of: "edges"), group_named("bore", near[20, mid, 19], of: "edges"),
                  { "kind" => "material", "target" => "everything", "material" => "steel", "properties" => Models::STEEL },
                  { "kind" => "pressure", "target" => "bore", "value" => "10 MPa" }, { "kind" => "mesh", "size" => "3 mm" }, { "kind" => "study", "name" => "s", "type" => "static" },
                  *supports.map { |s| { "kind" => "support" }.merge(s) })
  end

  it "is counted when readiness looks for free motions" do
    free = ->(problem) { Lattice::Verdict::Readiness.new(problem).notices.select(&:stops?).map { |n| n.fault.message } }
    expect(free[quarter_ring([{ "target" => "cuts", "components" => %w[y], "frame" => { "axis" => "+z" } }])]).to be_empty
    expect(free[quarter_ring([{ "target" => "bore", "components" => %w[x], "frame" => { "axis" => "+z" } }])].join).to include("turn about an axis along z")
    expect(free[quarter_ring([{ "target" => "cuts", "components" => %w[x], "frame" => { "surface" => true } }])]).to be_empty
  end

  it "refuses axes along each other, and surfaces that are none" do
    expect(refusal { solve(problem(support: { "frame" => { "x" => "+x", "y" => [2, 0, 0] } })) }).to include("same way")
    expect(refusal { solve(problem(support: { "components" => %w[x y], "frame" => { "surface" => true } })) }).to include("only one direction")
    edge = { "id" => "e", "kind" => "group", "name" => "edge", "of" => "edges", "rule" => around(0, 0, 1) }
    expect(refusal { solve(problem({ support: { "target" => "edge", "components" => %w[x], "frame" => { "surface" => true } } }, edge)) }).to include("no surface")
  end
end

RSpec.describe Lattice::Load::Conditions::Rotation do
  it "turns an end as a rigid whole, and refuses a place that is held otherwise" do
    found = solve(problem(force: { "kind" => "rotation", "value" => "1 deg", "direction" => "+x" }.merge("id" => "r"), support: {}))
    tip = found.grid.nodes_of(Lattice::Study::Problem.new(document).groups.find("tip"))
    at = found.grid.nodes[tip, true]
    expect((found.displacement[tip, 2] - ((at[true, 1] - 0.01) * Math::PI / 180)).abs.max).to be < 1e-12
    expect(found.reaction_sum(tip)).to be_near([0, 0, 0], 1e-3)
    clash = problem({ force: { "kind" => "rotation", "value" => "1 deg", "direction" => "+x", "target" => "root" } })
    expect(refusal { solve(clash) }).to include("another value")
  end
end
