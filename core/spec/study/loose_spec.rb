# frozen_string_literal: true

RSpec.describe Lattice::Study::Loose do
  def failure(problem)
    solve(problem)
    raise "it solved"
  rescue Lattice::SolveFailed => e
    e.faults[0]
  end

  it "says how a body moves that nothing holds along an axis, and gives the motion" do
    found = failure(problem(support: { "components" => %w[x y] }))
    expect(found.message).to include("“bar” slides, mostly along z")
    motion = found.motions[0]
    expect(motion[:bodies]).to eq(["bar"])
    expect(motion[:slide][2].abs).to be_near(1.0, 1e-3)
  end

  it "says that a bar turns that is held along one edge alone" do
    edge = { "id" => "e", "kind" => "group", "name" => "edge", "of" => "edges", "rule" => { "box" => { "from" => spot(-1, -1, -1), "to" => spot(1, 1, 11) } } }
    found = failure(problem({ support: { "target" => "edge" } }, edge))
    expect(found.message).to include("“bar” turns about an axis along z")
  end

  it "does not take a slender but held part for a loose one" do
    expect(solve(problem(outline: { "boundary" => rectangle("0 mm", "0 mm", "200 mm", "1 mm") }, tip: { "rule" => { "plane" => { "axis" => "x", "at" => "200 mm" } } })).displacement.abs.max).to be > 0
  end
end

RSpec.describe Lattice::Load::RigidMotion do
  it "gives the free motions that it names, to be drawn" do
    face = Numo::DFloat[[0, 0, 0], [0, 1, 0], [0, 0, 1]]
    found = described_class.new([[face, [0]]], [0.5, 0.5, 0.5], 2.0, "solid").motions
    expect(found.size).to eq(3)
    expect(found[0]).to eq(slide: [0.0, 1.0, 0.0], turn: [0.0, 0.0, 0.0], centre: [0.5, 0.5, 0.5])
    expect(found[2][:turn][0].abs).to be_near(0.5, 1e-9)
    expect(found[2][:turn][1..]).to be_near([0, 0], 1e-9)
  end
end
