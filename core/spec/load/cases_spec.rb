# frozen_string_literal: true

RSpec.describe Lattice::Load::Cases do
  def bar(*more, **changes) = problem({ force: { "case" => "pull", "direction" => "+x" }, material: { "properties" => Models::STEEL.merge("poisson" => "0") }, **changes }, *more)

  let(:statements_of_cases) do
    [{ "id" => "c1", "kind" => "case", "name" => "pull" }, { "id" => "c2", "kind" => "case", "name" => "warm" },
     { "id" => "f2", "kind" => "force", "target" => "tip", "value" => "3 kN", "direction" => "-x", "case" => "warm" },
     { "id" => "k", "kind" => "combination", "name" => "sum", "terms" => [{ "case" => "pull", "factor" => "1.5" }, { "case" => "warm", "factor" => "2" }] },
     { "id" => "e", "kind" => "envelope", "name" => "all", "over" => %w[pull warm sum] }]
  end

  it "solves every case on one factorisation, adds up combinations, and finds what governs" do
    allow(Lattice::Algebra::Factor).to receive(:new).and_call_original
    result = solve(bar(*statements_of_cases))
    expect(Lattice::Algebra::Factor).to have_received(:new).once
    expect(result.frames.map { |f| [f.kind, f.name] }).to eq([%w[case pull], %w[case warm], %w[combination sum], ["envelope", "all: greatest"], ["envelope", "all: least"], ["envelope", "all: largest in size"]])
    tip = result.grid.places[["bar", "side 2"]].flatten
    moved = (0..5).map { |f| result.field("displacement_x", f)[tip].mean }
    expect(moved[1]).to be_near(-3 * moved[0], 1e-9)
    expect(moved[2]).to be_near(-4.5 * moved[0], 1e-9)
    expect(moved[3..]).to eq([moved[0], moved[2], moved[2]])
    expect(result.governing("displacement_x", 4)[tip].to_a.uniq).to eq([2])
    expect([0, 1, 2].map { |f| result.balance(f)[:error] }.max).to be < 1e-9
  end

  it "reads limits over the combinations, and names the frame that decides" do
    limit = { "id" => "l", "kind" => "limit", "study" => "pull", "quantity" => "von_mises", "target" => "bar", "at_most" => "100 MPa" }
    checked = bar(*statements_of_cases, limit)
    finding = Lattice::Verdict::Findings.new(checked, checked.study!, solve(checked)).to_h[:findings].last
    expect(finding).to include(frame: 2, frame_name: "sum")
    expect(finding[:value]).to be_near(4500 / 2e-4, 1e-6)
  end

  it "gives a movement in its own case, and holds the place in the others" do
    moves = %w[pull warm].each_with_index.map { |c, i| { "id" => "m#{i}", "kind" => "displacement", "target" => "tip", "component" => "x", "value" => "#{i + 1} mm", "case" => c } }
    result = solve(bar(*statements_of_cases.first(2), *moves))
    tip = result.grid.places[["bar", "side 2"]].flatten
    expect((0..1).map { |f| result.displacement(f)[tip, 0].to_a.uniq }).to eq([[1e-3], [2e-3]])
  end

  it "tells cases in which nothing acts, and names that are not there" do
    messages = ->(*more) { Lattice::Verdict::Readiness.new(bar(*more)).notices.select(&:stops?).map { |n| n.fault.to_s }.join("\n") }
    expect(messages.call({ "id" => "c1", "kind" => "case", "name" => "pull" }, { "id" => "c2", "kind" => "case", "name" => "idle" })).to include("idle", "nothing acts in it")
    expect(messages.call).to include("there is no case named “pull”")
    wrong = { "id" => "k", "kind" => "combination", "name" => "sum", "terms" => [{ "case" => "push", "factor" => "1" }] }
    expect(messages.call(statements_of_cases[0], wrong)).to include("there is no case or combination named “push”")
    expect(messages.call(statements_of_cases[0], { "id" => "e", "kind" => "envelope", "name" => "e", "over" => ["push"] })).to include("over.0")
  end

  it "keeps frames through a file, read one by one" do
    result = solve(bar(*statements_of_cases))
    Dir.mktmpdir do |folder|
      path = File.join(folder, "result")
      Lattice::Format::ResultFile.write(path, result)
      read = Lattice::Format::ResultFile.read(path, result.grid)
      expect(read.frames).to eq(result.frames)
      6.times { |f| expect(read.field("von_mises", f)).to eq(result.field("von_mises", f)) }
    end
  end

  it "leaves a study's digest alone where only other statements change" do
    digest = ->(p) { p.study_digest(p.study!) }
    same = bar(*statements_of_cases)
    expect(digest.call(bar(*statements_of_cases, { "id" => "l", "kind" => "limit", "study" => "pull", "quantity" => "von_mises", "target" => "bar", "at_most" => "yield" }))).to eq(digest.call(same))
    expect(digest.call(bar(*statements_of_cases.first(3)))).not_to eq(digest.call(same))
  end
end
