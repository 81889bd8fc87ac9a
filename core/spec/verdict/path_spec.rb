# frozen_string_literal: true

RSpec.describe Lattice::Verdict::PathReading do
  def path(**more) = { "id" => "p", "kind" => "path", "name" => "way", "study" => "pull", "quantity" => "displacement_x" }.merge(more.transform_keys(&:to_s)).compact
  def edges(name, *planes) = { "id" => name }.merge(group_named(name, { "all" => planes.map { |axis, at| { "plane" => { "axis" => axis, "at" => at } } } }, of: "edges"))
  let(:free) { { support: { "components" => ["x"] }, force: { "direction" => "+x", "value" => "20 kN" } } }
  let(:holds) do
    [edges("line", ["x", "0 mm"], ["y", "0 mm"]), { "id" => "h2", "kind" => "support", "target" => "line", "components" => %w[y] },
     { "id" => "h3", "kind" => "group", "name" => "corner", "of" => "points", "rule" => { "box" => { "from" => spot(-1, -1, -1), "to" => spot(1, 1, 1) } } },
     { "id" => "h4", "kind" => "support", "target" => "corner", "components" => %w[z] }]
  end

  def found(*statements)
    problem = problem(free, *holds, *statements)
    Lattice::Verdict::Findings.new(problem, problem.study!, solve(problem)).findings.find { |f| f[:kind] == "path" }
  end

  def refused(*statements) = Lattice::Verdict::Readiness.new(problem(free, *holds, *statements)).notices.map { |n| n.fault.to_s }

  it "reads several fields along a straight line" do
    told = found(path(from: spot(0, 10, 5), to: spot(200, 10, 5), points: 5, more: %w[stress_xx von_mises]))
    expect(told[:distance]).to be_near([0, 0.05, 0.1, 0.15, 0.2], 1e-9)
    stretch = 100e6 / 210e9
    expect(told[:values][0]).to be_near([0, 0.05, 0.1, 0.15, 0.2].map { |x| x * stretch }, 1e-6)
    expect(told[:more].map { |m| m[:quantity] }).to eq(%w[stress_xx von_mises])
    told[:more].each { |m| expect(m[:values][0]).to be_near([100e6] * 5, 1e-6) }
  end

  it "follows an edge from point to point of the mesh" do
    told = found(edges("side", ["y", "20 mm"], ["z", "10 mm"]), path(target: "side"))
    expect(told[:ends]).to be_near([[0, 0.02, 0.01], [0.2, 0.02, 0.01]], 1e-9)
    expect(told[:distance].last).to be_near(0.2, 1e-9)
    expect(told[:distance].size).to be > 10
    expect(told[:values][0]).to be_near(told[:distance].map { |x| x * 100e6 / 210e9 }, 1e-6)
    expect(told[:outside]).to eq(0)
  end

  it "goes round a ring of edges, back to where it began" do
    told = found({ "id" => "round" }.merge(group_named("round", { "edges_of" => "tip" }, of: "edges")), path(target: "round", quantity: "stress_xx"))
    expect(told[:distance].last).to be_near(0.06, 1e-9)
    expect(told[:ends][0]).to be_near(told[:ends][1], 1e-9)
    expect(told[:values][0]).to be_near([100e6] * told[:distance].size, 1e-6)
  end

  it "says what is wrong with its way, and the cure" do
    expect(refused(path)).to include(/it leads nowhere.*two points, or edges/)
    expect(refused(path(from: spot(1, 1, 1), to: spot(1, 1, 1)))).to include(/begins and ends at the same point/)
    expect(refused(path(target: "gone"))).to include(/no group or body named “gone”/)
    expect(refused(path(target: "tip"))).to include(/made of faces, but edges are wanted/)
    two = group_named("two", { "any" => ["0 mm", "20 mm"].map { |at| { "plane" => { "axis" => "y", "at" => at } } } }, of: "edges")
    expect(refused({ "id" => "two" }.merge(two), path(target: "two"))).to include(/“two” are not one line.*without a branch or a gap/)
  end
end
