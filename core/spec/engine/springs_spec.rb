# frozen_string_literal: true

RSpec.describe Lattice::Engine::Springs do
  define_method(:near) { |name, x| group_named(name, { "plane" => { "axis" => "x", "at" => "#{x} mm" } }, of: "edges") }
  steel = { "kind" => "material", "target" => "everything", "material" => "given", "properties" => { "young" => "200 GPa", "poisson" => "0" } }
  stage = ->(name, factor) { { "name" => name, "loads" => [{ "case" => "pull", "factor" => factor.to_s }] } }

  # A stiff block of 40 × 20 mm² between walls, guided along x, which is pulled by 4 kN.
  define_method(:block) do |joins, stages, *more|
    shape_problem(outline_named("plan", rectangle("0 mm", "0 mm", "40 mm", "20 mm")), body_named("block", "plan", make: "plane stress", thickness: "10 mm"), steel, near("left", 0), near("right", 40),
                  *%w[left right].map { |side| { "kind" => "support", "target" => side, "components" => ["y"] } }, *joins, { "kind" => "case", "name" => "pull" }, *more,
                  { "kind" => "force", "target" => "right", "value" => "4 kN", "direction" => "+x", "case" => "pull" }, { "kind" => "mesh", "size" => "10 mm" },
                  { "id" => "c", "kind" => "study", "name" => "case", "type" => "stages", "stages" => stages })
  end

  # @return [Array] at the end of each stage: movement of the left side m, force of the first connector N, rows of connectors, balance
  def told(problem)
    result = Lattice::Study::Solving.new(problem).call(problem.study!("case"))
    found = Lattice::Verdict::Findings.new(problem, problem.study!("case"), result).to_h[:findings].find { |f| f[:kind] == "stages" }
    left = result.grid.nodes_of(problem.groups.find("left"))
    found[:rows].map do |row|
      rows = result.state(row[:frame]).connectors
      { moved: result.displacement(row[:frame])[left, 0].mean, force: rows[0, 0], rows: rows, balance: result.balance(row[:frame])[:error] }
    end
  end

  curve = [["0 mm", "0 kN"], ["1 mm", "2 kN"], ["3 mm", "3 kN"]].map { |at, force| { "at" => at, "force" => force } }
  spring = { "kind" => "spring", "target" => "left", "components" => ["x"], "curve" => curve }

  it "goes along the typed curve, on beyond it, back the same way, and alike the other way" do
    ends = told(block([spring], [stage["pull", 0.625], stage["more", 1], stage["back", 0.25], stage["press", -0.75]]))
    # 2.5 kN at 2 mm; 4 kN half a newton a micron beyond 3 mm; 1 kN at half a millimetre; pressed by 3 kN at 3 mm.
    expect(ends.map { |e| e[:moved] }).to be_near([2e-3, 5e-3, 0.5e-3, -3e-3], 1e-6)
    expect(ends.map { |e| -e[:force] }).to be_near([2500.0, 4000.0, 1000.0, -3000.0], 1e-6)
    expect(ends.map { |e| e[:balance] }.max).to be < 1e-8
  end

  it "holds otherwise the other way where its points say so" do
    ends = told(block([spring.merge("curve" => [{ "at" => "-1 mm", "force" => "-8 kN" }, *curve])], [stage["pull", 0.5], stage["press", -1]]))
    expect(ends.map { |e| e[:moved] }).to be_near([1e-3, -0.5e-3], 1e-6)
  end

  it "has slack where its curve says so" do
    slack = [["0 mm", "0 kN"], ["1 mm", "0 kN"], ["2 mm", "4 kN"]].map { |at, force| { "at" => at, "force" => force } }
    soft = { "kind" => "spring", "target" => "left", "components" => ["x"], "stiffness" => "1 kN/mm" }
    ends = told(block([spring.merge("curve" => slack), soft], [stage["slack", 0.125], stage["taken up", 1.5]]))
    # Half a millimetre on the soft one alone; then 6 kN = s + 4 (s - 1) at 2 mm.
    expect(ends.map { |e| e[:moved] }).to be_near([0.5e-3, 2e-3], 1e-6)
  end

  it "is its slope at rest in a static study" do
    problem = block([spring], [stage["pull", 1]], { "id" => "s", "kind" => "study", "name" => "still", "type" => "static" })
    result = Lattice::Study::Solving.new(problem).call(problem.study!("still"))
    expect(result.displacement[result.grid.nodes_of(problem.groups.find("left")), 0].mean).to be_near(2e-3, 1e-6)
  end

  it "lets a stop act once its gap is taken up, and go again" do
    soft = { "kind" => "spring", "target" => "left", "components" => ["x"], "stiffness" => "1 kN/mm" }
    stop = { "kind" => "one_way", "target" => "right", "way" => "push", "direction" => "+x", "gap" => "2 mm", "stiffness" => "9 kN/mm" }
    ends = told(block([soft, stop], [stage["free", 0.25], stage["pressed", 1], stage["back", 0]]))
    # 1 kN on 1 kN/mm; then 2 mm take 2 kN and the rest meets 10 kN/mm. The block itself gives by less than a hundredth of a millimetre.
    expect(ends.map { |e| e[:moved] }).to be_near([1e-3, 2.2e-3, 0.0], 1e-2)
    stops = ends.map { |e| e[:rows].to_a.last }
    expect(stops.map { |row| row[0].abs }).to be_near([0.0, 1800.0, 0.0], 2e-2)
    expect(stops.map { |row| row[6] }).to eq([0.0, 1.0, 0.0])
    expect(stops[0][7]).to be_near(1e-3, 1e-2)
    expect(ends.map { |e| e[:balance] }.max).to be < 1e-6
  end

  it "finds the same state of pads and ties as a static study does, within its stages" do
    links = [{ "kind" => "one_way", "target" => "left", "way" => "pull", "direction" => "-x" }, { "kind" => "one_way", "target" => "right", "way" => "push", "direction" => "+x", "stiffness" => "5 kN/mm" }]
    problem = block(links, [stage["pull", 1]], { "id" => "s", "kind" => "study", "name" => "still", "type" => "static" })
    still = Lattice::Study::Solving.new(problem).call(problem.study!("still")).state(0).connectors
    expect((told(problem)[0][:rows] - still).abs.max).to be < still.abs.max * 1e-4
  end

  { "a curve that does not pass through rest" => [curve.drop(1), /does not go through rest/], "points that go back" => [curve.reverse, /does not go on/] }.each do |words, (points, message)|
    it "refuses #{words}" do
      problem = block([spring.merge("curve" => points)], [stage["pull", 1]])
      expect(problem.conditions.grep(Lattice::Load::Conditions::Spring)[0].components).to eq([:x])
      expect { Lattice::Verdict::Readiness.new(problem).check! }.to(raise_error(Lattice::InvalidInput) { |e| expect(e.faults.map(&:message).join(" ")).to match(message) })
    end
  end

  it "refuses a link that comes after a case where loads go in increments" do
    stop = { "kind" => "one_way", "target" => "left", "way" => "pull", "direction" => "-x", "after" => ["pull"] }
    expect { told(block([stop], [stage["pull", 1]])) }.to raise_error(Lattice::SolveFailed, /comes after a case is not followed/)
  end
end
