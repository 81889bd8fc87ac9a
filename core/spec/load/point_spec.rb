# frozen_string_literal: true

RSpec.describe Lattice::Shape::Marker do
  # The bar of 200 mm with a point 100 mm beyond its tip, linked to it.
  def reached(how, *more, at: spot(300, 10, 5), **changes)
    statements = [{ "kind" => "point", "name" => "hook", "at" => at }, { "kind" => "link", "target" => "hook", "to" => "tip", "how" => how }, *more]
    problem({ force: { "target" => "hook" } }.merge(changes), *statements.each_with_index.map { |s, i| { "id" => "p#{i}" }.merge(s) })
  end

  it "carries a force beside the part into it, with its moment" do
    inertia = 10e-3 * (20e-3**3) / 12
    %w[spreading rigid].each do |how|
      result = solve(reached(how))
      expect(result.balance[:reaction_moment][2]).to be_within(1e-4).of(1000 * 0.3)
      expect(result.balance[:error]).to be < 1e-9
      # A cantilever of 200 mm under force and moment at its tip, and the turn of the tip over 100 mm.
      l = 0.2
      m = 1000 * 0.1
      sunk = ((1000 * (l**3) / 3) + (m * (l**2) / 2) + (0.1 * ((1000 * (l**2) / 2) + (m * l)))) / (210e9 * inertia)
      hook = result.grid.places[%w[hook point]][0]
      expect(result.displacement[hook, 1]).to be_within(sunk * 0.015).of(-sunk)
      turn = ((1000 * (l**2) / 2) + (m * l)) / (210e9 * inertia)
      expect(result.rotation[hook, 2]).to be_within(turn * 0.015).of(-turn)
    end
  end

  it "takes moments, masses and supports" do
    turned = solve(reached("rigid", { "kind" => "moment", "target" => "hook", "value" => "50 N m", "direction" => "+x" }, force: nil))
    expect(turned.balance[:reaction_moment][0]).to be_within(1e-4).of(-50)
    light = { "properties" => Models::STEEL.merge("density" => "1e-6 kg/m3") }
    hung = [{ "kind" => "mass", "target" => "hook", "value" => "10 kg" }, { "kind" => "gravity", "value" => "10 m/s2", "direction" => "-y" }]
    weight = solve(reached("spreading", *hung, force: nil, material: light))
    expect(weight.balance[:reaction_moment][2]).to be_within(1e-3).of(100 * 0.3)
    held = problem({ support: nil }, { "id" => "p" }.merge("kind" => "point", "name" => "pivot", "at" => spot(-50, 10, 5)), { "id" => "l" }.merge("kind" => "link", "target" => "pivot",
                                                                                                                                                  "to" => "root", "how" => "rigid"),
                   { "id" => "s" }.merge("kind" => "support", "target" => "pivot", "components" => %w[x y z rx ry rz]))
    expect(Lattice::Verdict::Readiness.new(held)).to be_ready
    result = solve(held)
    expect(result.reaction[result.grid.places[%w[pivot point]][0], 1]).to be_within(1e-3).of(1000)
  end

  it "reads limits and results there, and survives being kept" do
    problem = reached("rigid")
    result = solve(problem)
    Dir.mktmpdir do |folder|
      Lattice::Format::GridFile.write("#{folder}/grid", result.grid)
      grid = Lattice::Format::GridFile.read("#{folder}/grid")
      Lattice::Format::ResultFile.write("#{folder}/result", result)
      again = Lattice::Format::ResultFile.read("#{folder}/result", grid)
      points = again.grid.points_of(problem.groups.find("hook"))
      expect(again.field("displacement_y")[points].to_a).to eq([result.displacement[result.grid.places[%w[hook point]][0], 1]])
    end
  end

  it "is told of where nothing ties it, and where its name is taken" do
    loose = problem({ force: { "target" => "hook" } }, { "id" => "p" }.merge("kind" => "point", "name" => "hook", "at" => spot(300, 10, 5)))
    expect(Lattice::Verdict::Readiness.new(loose).notices.select(&:stops?).map { |n| n.fault.to_s }).to include(/“hook” has no support/)
    expect { problem({}, { "id" => "p" }.merge("kind" => "point", "name" => "bar", "at" => spot(300, 10, 5))) }.to raise_error(Lattice::InvalidInput, /name “bar” is used more than once/)
  end

  it "moves in the plane, too" do
    plane = { body: { "make" => "plane stress", "thickness" => "10 mm" }, root: { "of" => "edges" }, tip: { "of" => "edges" }, support: { "components" => %w[x y] } }
    result = solve(reached("rigid", at: spot(300, 10, 0), **plane))
    expect(result.balance[:reaction_moment][2]).to be_within(1e-4).of(300)
  end
end
