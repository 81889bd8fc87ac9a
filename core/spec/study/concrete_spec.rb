# frozen_string_literal: true

# A strip of concrete, 400 × 100 × 50 mm, pulled or bent, with bars or without.
RSpec.describe "Concrete" do
  concrete = { "id" => "k", "kind" => "concrete", "target" => "strip", "tension" => "3 MPa", "compression" => "30 MPa", "energy" => "100 N/m" }
  bars = { "id" => "b", "kind" => "bars", "name" => "bars", "target" => "strip", "line" => "bar line", "count" => 2, "diameter" => "8 mm", "material" => "bar steel",
           "properties" => { "young" => "200 GPa", "poisson" => "0.3", "yield" => "500 MPa" } }

  def strip(*more, force: "40 kN", factor: "1", order: "linear", increments: 10)
    near = ->(axis, at) { { "plane" => { "axis" => axis, "at" => "#{at} mm" } } }
    shape_problem(outline_named("plan", rectangle("0 mm", "0 mm", "400 mm", "100 mm")), body_named("strip", "plan", thickness: "50 mm", make: "plane stress"),
                  { "kind" => "material", "target" => "strip", "material" => "concrete", "properties" => { "young" => "30 GPa", "poisson" => "0.2" } },
                  { "kind" => "line", "name" => "bar line", "corners" => [[0, 25], [400, 25], [0, 75], [400, 75]].map { |x, y| { "x" => "#{x} mm", "y" => "#{y} mm" } }, "links" => [[1, 2], [3, 4]] },
                  group_named("left", near["x", 0], of: "edges"), group_named("right", near["x", 400], of: "edges"), group_named("low", near["y", 0], of: "edges"),
                  { "kind" => "support", "target" => "left", "components" => %w[x] }, { "kind" => "support", "target" => "low", "components" => %w[y] }, { "kind" => "case", "name" => "pull" },
                  { "kind" => "force", "target" => "right", "value" => force, "direction" => "+x", "case" => "pull" }, { "kind" => "mesh", "size" => "50 mm", "order" => order }, *more,
                  { "id" => "c", "kind" => "study", "name" => "case", "type" => "stages", "stages" => [{ "name" => "pull", "loads" => [{ "case" => "pull", "factor" => factor }], "increments" => increments }] })
  end

  def solved(problem)
    study = problem.study!("case")
    result = Lattice::Study::Solving.new(problem).call(study)
    [result, Lattice::Verdict::Findings.new(problem, study, result).to_h[:findings]]
  end

  it "is elastic until it cracks, and then hangs on its bars alone, which stretch by what they carry" do
    result, findings = solved(strip(concrete.merge("spacing" => "100 mm"), bars, increments: 16))
    found = findings.find { |f| f[:kind] == "stages" }
    expect(found).to include(broken: nil)
    # 40 kN on four bars of 50 mm² each; concrete between cracks still helps.
    area = 4 * Math::PI * (4**2) / 1e6
    row = findings.find { |f| f[:kind] == "bars" }
    expect(row[:stress]).to be_between(0.75 * 40e3 / area, 40e3 / area * 1.001)
    expect(found[:rows][0][:cracks][:width]).to be_between(0.05e-3, 0.3e-3)
    strains = result.state(0).cracks
    expect(strains).to be_nil
    expect(found[:curve][:factors].keys).to eq([:pull])
    expect(found[:curve][:moved].size).to eq(result.frames.size + 1)
    # Concrete and bars together, while all is whole: 40 kN over E A / L.
    whole = ((0.005 - (4 * Math::PI * 16e-6)) * 30e9) + (4 * Math::PI * 16e-6 * 230e9)
    expect(found[:curve][:slopes][:pull]).to be_near(whole / 0.4 / 40e3, 3e-2)
  end

  it "comes to no rest where bars that flow carry no more, and keeps all before" do
    _, findings = solved(strip(concrete, bars, force: "120 kN"))
    found = findings.find { |f| f[:kind] == "stages" }
    expect(found[:broken][:level]).to be_between(0.8, 0.95)
    expect(findings.find { |f| f[:kind] == "bars" }).to include(stress: be_near(500e6, 1e-3))
  end

  it "tells by hand what the section half way bears" do
    low = bars.merge("line" => "low line", "count" => 1)
    line = { "id" => "l", "kind" => "line", "name" => "low line", "corners" => [{ "x" => "0 mm", "y" => "20 mm" }, { "x" => "400 mm", "y" => "20 mm" }] }
    section = Lattice::Verdict::ConcreteSection.all(strip(concrete, line, low))[0]
    # One bar of 50.3 mm² flows: 25.1 kN; block of 16.8 mm at 30 MPa over 50 mm; arm 80 − 8.4 mm.
    pull = Math::PI * 16e-6 * 500e6
    block = pull / (30e6 * 0.05)
    result, = solved(strip(concrete, line, low, force: "1 kN", increments: 1))
    found = section.to_h(result, [0])
    expect(found[:bears][0]).to be_near(pull * (0.08 - (block / 2)), 1e-3)
    expect(found).to include(body: "strip", at: be_near(0.2, 1e-9))
    expect(found[:acts][0].abs).to be < 5
  end

  it "ends where a strip without bars is torn" do
    _, findings = solved(strip(concrete, force: "20 kN"))
    expect(findings.find { |f| f[:kind] == "stages" }[:broken][:level]).to be_near(0.75, 0.06)
  end

  { "elements with curved sides" => [{ order: "quadratic" }, {}, /straight sides/], "more tension than compression" => [{}, { "tension" => "40 MPa" }, /more tension than compression/],
    "no energy" => [{}, { "energy" => "0 N/m" }, /energy is not above zero/] }.each do |words, (how, change, message)|
    it "refuses #{words}" do
      expect { Lattice::Verdict::Readiness.new(strip(concrete.merge(change), **how)).check! }.to(raise_error(Lattice::InvalidInput) { |e| expect(e.faults.map(&:message).join(" ")).to match(message) })
    end
  end

  it "says which elements are too large for what a crack takes" do
    expect { solved(strip(concrete.merge("energy" => "4 N/m"))) }.to raise_error(Lattice::SolveFailed, /too large for the energy that a crack takes.*Use elements of/)
  end
end
