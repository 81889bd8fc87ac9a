# frozen_string_literal: true

RSpec.describe Lattice::Mesh::WantedSize do
  def at(point, *statements, size: 0.01, **options)
    outline = outline_named("profile", rectangle("0 mm", "0 mm", "100 mm", "60 mm"), holes: [circle(50, 30, 20)])
    problem = shape_problem(outline, body_named("plate", "profile", thickness: "20 mm"), *statements)
    described_class.new(problem.parts.bodies, Lattice::Mesh::Settings.new(size, **options)).at("plate", point)
  end

  it "is the size asked for, less beside curves, in either family" do
    ["bricks and quadrilaterals", "tetrahedra and triangles"].each do |family|
      expect(at([0.095, 0.005, 0.02], family: family)).to be_near(0.01, 0.05)
      expect(at([0.0605, 0.03, 0.02], family: family)).to be_between(0.002, 0.0045)
    end
  end

  it "is less in a ball, and in a thin wall of tetrahedra" do
    ball = Lattice::Mesh::Settings::Local.new(0.002, [], ->(points) { ((points - Numo::DFloat[0.08, 0.05, 0.02])**2).sum(1) <= 0.005**2 }, nil)
    expect(at([0.08, 0.05, 0.02], local: [ball])).to be_near(0.002, 0.05)
    expect(at([0.003, 0.057, 0.02], size: 0.03, family: "tetrahedra and triangles")).to be_between(0.018, 0.031)
    cut = { "kind" => "cut", "body" => "plate", "plane" => { "axis" => "z", "at" => "2 mm" }, "keep" => "below" }
    expect(at([0.02, 0.05, 0.002], cut, size: 0.03, family: "tetrahedra and triangles")).to be_between(0.0025, 0.0035)
  end

  it "tells what the elements' faces will look like" do
    wanted = ->(*statements, **options) { described_class.new(shape_problem(*statements).parts.bodies, Lattice::Mesh::Settings.new(0.01, **options)) }
    block = [outline_named("profile", rectangle("0 mm", "0 mm", "60 mm", "40 mm")), body_named("block", "profile", thickness: "20 mm")]
    expect(wanted[*block].corners("block")).to eq(4)
    expect(wanted[*block, family: "tetrahedra and triangles"].corners("block")).to eq(3)
    subtracted = { "kind" => "combine", "name" => "cut", "how" => "subtract", "body" => "block", "with" => ["tool"] }
    tool = [outline_named("wedge", corners([30, -10], [80, -10], [80, 30])), body_named("tool", "wedge", thickness: "10 mm")]
    expect(wanted[*block, *tool, subtracted].corners("cut")).to eq(4)
    round = [outline_named("half", corners([0, 0], [20, 0], [0, 30])), body_named("tool", "half", by: "revolve")]
    expect(wanted[*block, *round, subtracted].corners("cut")).to eq(3)
  end

  it "knows only the bodies there are" do
    expect { described_class.new([], Lattice::Mesh::Settings.new(1.0)).at("ghost", [0, 0, 0]) }.to raise_error(Lattice::InvalidInput, /no body named “ghost”/)
  end
end
