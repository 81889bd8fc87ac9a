# frozen_string_literal: true

RSpec.describe Lattice::Study::Kinds::Static do
  let(:area) { 0.02 * 0.01 }

  it "stretches a bar by F L / E A, and pulls back with the same force" do
    result = solve(problem(force: { "direction" => "+x" }, material: { "properties" => Models::STEEL.merge("poisson" => "0") }))
    tip = result.grid.places[["bar", "side 2"]].flatten
    expect(result.displacement[tip, 0].mean).to be_near(1000 * 0.2 / (210e9 * area), 1e-9)
    expect(result.stress[true, 0].min).to be_near(1000 / area, 1e-8)
    expect(result.balance[:reaction][0]).to be_near(-1000, 1e-9)
    expect(result.balance[:error]).to be < 1e-9
    expect(result.mass).to be_near(7850 * 4e-5, 1e-9)
    expect(result.energy).to be_near(0.5 * 1000 * 1000 * 0.2 / (210e9 * area), 1e-9)
  end

  it "shares a force over faces, edges and points with the right sum" do
    { "faces" => "side 2", "edges" => "side 2 at top", "points" => "start of side 2 at top" }.each do |of, name|
      group = { "id" => "g", "kind" => "group", "name" => "here", "of" => of, "pick" => [{ "body" => "bar", "name" => name }] }
      result = solve(problem({ force: { "target" => "here", "direction" => [3, 0, 4] } }, group))
      [600, 0, 800].zip(result.load.sum(0).to_a) { |wanted, got| expect((wanted - got).abs).to be < 1e-9 }
    end
  end

  it "presses along the inward normal" do
    pressure = { "id" => "p", "kind" => "pressure", "target" => "tip", "value" => "2 MPa" }
    result = solve(problem({ force: nil }, pressure))
    expect(result.load.sum(0)[0]).to be_near(-2e6 * area, 1e-12)
  end

  it "weighs what it weighs" do
    gravity = { "id" => "g", "kind" => "gravity", "value" => "9.81 m/s2", "direction" => "-y" }
    expect(solve(problem({ force: nil }, gravity)).load.sum(0)[1]).to be_near(-9.81 * 7850 * 4e-5, 1e-9)
  end

  it "moves a place as prescribed and finds the force that it takes" do
    moved = { "id" => "d", "kind" => "displacement", "target" => "tip", "component" => "x", "value" => "0.1 mm" }
    result = solve(problem({ force: nil, material: { "properties" => Models::STEEL.merge("poisson" => "0") } }, moved))
    tip = result.grid.places[["bar", "side 2"]].flatten
    expect(result.displacement[tip, 0].to_a.uniq).to eq([1e-4])
    expect(result.reaction_sum(Lattice::Algebra::Gather.distinct([tip]))[0]).to be_near(1e-4 * 210e9 * area / 0.2, 1e-9)
  end

  it "multiplies all loads by the study's factor" do
    plain, doubled = [nil, "2"].map { |f| solve(problem(study: f ? { "load_factor" => f } : {})).displacement.abs.max }
    expect(doubled).to be_near(2 * plain, 1e-9)
  end

  it "solves plane stress, plane strain and rings" do
    flat = { root: { "of" => "edges" }, tip: { "of" => "edges" }, force: { "direction" => "+x" }, support: { "components" => %w[x y] } }
    thin = solve(problem(**flat, body: { "make" => "plane stress" }, material: { "properties" => Models::STEEL.merge("poisson" => "0") }))
    expect(thin.displacement[true, 0].max).to be_near(1000 * 0.2 / (210e9 * area), 1e-9)
    slice = solve(problem(**flat, body: { "make" => "plane strain" }))
    middle = slice.grid.nodes[true, 0].gt(0.09).where.to_a & slice.grid.nodes[true, 0].lt(0.11).where.to_a
    expect(slice.stress[middle, 2].mean).to be_near(0.3 * slice.stress[middle, 0].mean, 1e-3)
    expect(thin.displacement[true, 2].abs.max).to eq(0)
  end

  it "follows each phase and logs" do
    events = []
    monitor = Lattice::Study::Monitor.new { |event, text, share| events << [event, text, share] }
    checked = problem
    described_class.call(checked, checked.mesh(monitor), checked.study!, monitor)
    expect(events.map { |e| e[1] }).to include("mesh", "stiffness", "assembly", "factorisation", "recovery", a_string_matching(/unknowns/))
    expect(events.map(&:last)).to eq(events.map(&:last).sort)
    expect(monitor.phases.values).to all(be >= 0)
  end

  it "refuses forces that leave the plane and supports that contradict each other" do
    flat = { body: { "make" => "plane stress" }, root: { "of" => "edges" }, tip: { "of" => "edges" } }
    expect(refusal { solve(problem(**flat, force: { "direction" => "+z" })) }).to include("acts along z, but the model lies in the xy plane")
    moved = { "id" => "d", "kind" => "displacement", "target" => "root", "component" => "x", "value" => "1 mm" }
    expect(refusal { solve(problem({}, moved)) }).to include("gives x another value where an earlier statement already holds it")
  end

  it "needs a density for gravity" do
    gravity = { "id" => "g", "kind" => "gravity", "value" => "9.81 m/s2", "direction" => "-y" }
    expect(refusal { solve(problem({ material: { "properties" => Models::STEEL.except("density") } }, gravity)) }).to match(/has no density. Type its density/)
  end

  it "says that a model can move, when nothing warned before" do
    free = problem(support: nil)
    expect { described_class.call(free, free.mesh, free.study!) }.to raise_error(Lattice::SolveFailed, /can still move|not finite/)
  end
end
