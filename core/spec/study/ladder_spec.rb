# frozen_string_literal: true

RSpec.describe Lattice::Study::Kinds::Ladder do
  let(:ladder) { { "id" => "ladder", "kind" => "study", "name" => "finer", "type" => "ladder", "of" => "pull", "rungs" => 3, "finer" => "1.5", "quantity" => "displacement_y", "target" => "tip" } }

  def solved(changes, **more)
    problem = problem(changes, ladder.merge(more.transform_keys(&:to_s)))
    study = problem.study!("finer")
    result = Lattice::Study::Solving.new(problem).call(study)
    [Lattice::Verdict::Findings.new(problem, study, result).findings.find { |f| f[:kind] == "ladder" }, result, problem]
  end

  it "solves on ever finer meshes, keeps the finest, and says what the peak does" do
    found, result, problem = solved({})
    expect(found[:rows].map { |r| r[:unknowns] }).to eq(found[:rows].map { |r| r[:unknowns] }.sort.uniq)
    expect(found[:rows].map { |r| r[:finer] }).to eq([1.0, 1.5, 2.25])
    expect(result.grid.unknowns).to eq(found[:rows].last[:unknowns])
    expect(found[:rows][0][:value]).to be_near(solve(problem).field("displacement_y").min, 1e-12)
    # The cantilever of 200 mm: 1 kN deflects it by 1.9 mm, and shear adds a little.
    expect(found).to include(state: "settled", dimension: "length", target: "tip")
    expect(found[:rows].last[:value]).to be_near(-1000 * (0.2**3) / (3 * 210e9 * (0.01 * (0.02**3) / 12)), 0.01)
  end

  it "calls the peak at a sharp inner corner singular, and proposes to refine there" do
    ell = { "corners" => [[0, 0], [60, 0], [60, 20], [20, 20], [20, 60], [0, 60]].map { |x, y| { "x" => "#{x} mm", "y" => "#{y} mm" } } }
    changes = { outline: { "boundary" => ell }, body: { "make" => "plane stress" }, root: { "of" => "edges", "rule" => { "plane" => { "axis" => "y", "at" => "60 mm" } } },
                tip: { "of" => "edges", "rule" => { "plane" => { "axis" => "x", "at" => "60 mm" } } }, support: { "components" => %w[x y] } }
    found, = solved(changes.merge(mesh: { "size" => "5 mm" }), rungs: 4, finer: "2", quantity: "von_mises", target: "bar")
    expect(found[:state]).to eq("singular")
    expect(found[:at].first(2)).to be_near([0.02, 0.02], 1e-6)
    worst = found[:proposed][0]
    expect(Math.hypot(worst[:at][0] - 0.02, worst[:at][1] - 0.02)).to be < worst[:radius]
    expect(worst[:size]).to be < 0.005
  end

  it "names what is wrong, and the cure" do
    { { "of" => "" } => /it names no study to start from/, { "of" => "gone" } => /no study named “gone”/, { "of" => "finer" } => /is no static study/,
      { "finer" => "1" } => /cannot be 1.0 times as fine/, { "target" => "nowhere" } => /no group or body named “nowhere”/,
      { "rungs" => 8, "finer" => "4" } => /the finest of 8 meshes is too much/ }.each do |change, words|
      expect(Lattice::Verdict::Readiness.new(problem({}, ladder.merge(change))).notices.map { |n| n.fault.to_s }).to include(words)
    end
  end

  it "is stale when its study is, and not when another limit is set" do
    digest = ->(changes, *more) { problem(changes, ladder, *more).then { |p| p.study_digest(p.study!("finer")) } }
    first = digest[{}]
    expect(digest[{ force: { "value" => "1000 N" } }]).to eq(first)
    expect(digest[{ force: { "value" => "2 kN" } }]).not_to eq(first)
    expect(digest[{}, { "id" => "l", "kind" => "limit", "study" => "pull", "quantity" => "von_mises", "target" => "bar", "at_most" => "yield" }]).to eq(first)
  end
end

RSpec.describe Lattice::Verdict::Settling do
  def read(finer, count = 4)
    described_class.new(Array.new(count) { |k| { value: yield(finer**-k) } }, finer).to_h
  end

  it "extrapolates a smooth peak by its observed order" do
    found = read(1.5) { |h| 100 - (8 * (h**2)) }
    expect(found).to include(order: be_within(1e-9).of(2), extrapolated: be_within(1e-9).of(100), state: "settled")
    expect(found[:rows][0][:error]).to be_within(1e-12).of(-0.08)
  end

  it "tells what settles from what only slows down, grows without end, or goes up and down" do
    expect(read(1.5) { |h| 100 - (40 * (h**2)) }[:state]).to eq("rising")
    # The stress at a corner of 270 degrees grows with the power 0.456 of the size.
    expect(read(2.0) { |h| h**-0.456 }).to include(state: "singular", extrapolated: nil)
    expect(read(2.0) { |h| 3 - (h**0.2) }[:state]).to eq("doubtful")
    expect(described_class.new([100, 90, 104].map { |v| { value: v } }, 1.5).to_h).to include(state: "uneven", order: nil, extrapolated: nil)
  end
end
