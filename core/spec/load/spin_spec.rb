# frozen_string_literal: true

RSpec.describe Lattice::Load::Conditions::Spin do
  rate = 2 * Math::PI * 25
  spin = { "id" => "spin", "kind" => "spin", "speed" => "1500/min", "direction" => "+z" }
  plain = { "properties" => Models::STEEL.merge("poisson" => "0") }

  it "pulls a bar that turns about its end by ρ ω² L² / 2 at the root, whatever it is made of" do
    wanted = 7850 * (rate**2) * (0.2**2) / 2
    turned = [{ "direction" => "+z", "through" => { "x" => "0 mm", "y" => "10 mm", "z" => "5 mm" } }, { "direction" => "+y", "through" => { "x" => "0 mm", "y" => "10 mm", "z" => "5 mm" } }]
    turned.each do |axis|
      result = solve(problem({ force: nil, material: plain }, spin.merge(axis)))
      root = result.grid.points_of([problem.parts.place("bar", "side 4")])
      expect(result.field("stress_xx")[root].mean).to be_near(wanted, 2e-3)
      expect(result.reaction_sum(result.grid.nodes_of([problem.parts.place("bar", "side 4")]))[0]).to be_near(-wanted * 2e-4, 1e-9)
    end
  end

  it "stretches a thin ring by ρ ω² r²" do
    ring = shape_problem(outline_named("o", rectangle("99 mm", "0 mm", "2 mm", "10 mm")), body_named("ring", "o", make: "axisymmetric"),
                         { "kind" => "material", "target" => "everything", "material" => "given" }.merge(plain),
                         group_named("foot", { "plane" => { "axis" => "y", "at" => "0 mm" } }, of: "edges"), { "kind" => "support", "target" => "foot", "components" => ["y"] },
                         spin.except("id").merge("direction" => "+y"),
                         { "kind" => "mesh", "size" => "1 mm" }, { "kind" => "study", "name" => "s", "type" => "static" })
    expect(solve(ring).stress[true, 2].mean).to be_near(7850 * (rate**2) * (0.1**2), 1e-3)
    wrong = shape_problem(*ring.document.statements.map { |s| s.kind == "spin" ? s.data.merge("direction" => "+x") : s.data })
    expect(Lattice::Verdict::Readiness.new(wrong).notices.map { |n| n.fault.to_s }.join).to include("rings turn about the y axis alone. Choose +y")
  end

  it "wants a density" do
    expect(refusal { solve(problem({ force: nil, material: { "properties" => Models::STEEL.except("density") } }, spin)) }).to include("has no density. Type its density")
  end
end
