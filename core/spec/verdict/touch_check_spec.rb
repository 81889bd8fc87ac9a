# frozen_string_literal: true

RSpec.describe Lattice::Verdict::TouchCheck do
  steel = { "kind" => "material", "target" => "everything", "material" => "given", "properties" => { "young" => "210 GPa", "poisson" => "0.3" } }
  on = ->(name, body, axis, at, of) { { "kind" => "group", "name" => name, "of" => of, "rule" => { "all" => [{ "body" => body }, { "plane" => { "axis" => axis, "at" => "#{at} mm" } }] } } }

  # A block on a block, the upper one pushed along it.
  define_method(:told) do |gap: 0, shift: 0, make: "solid", **touch|
    of = make == "solid" ? "faces" : "edges"
    problem = shape_problem(outline_named("a", rectangle("0 mm", "0 mm", "100 mm", "20 mm")), outline_named("b", rectangle("#{shift} mm", "#{20 + gap} mm", "100 mm", "20 mm")),
                            body_named("low", "a", make: make, thickness: "10 mm"), body_named("high", "b", make: make, thickness: "10 mm"), steel,
                            on["seat", "low", "y", 20, of], on["foot", "high", "y", 20 + gap, of],
                            { "kind" => "touch", "target" => "seat", "to" => "foot", **touch.transform_keys(&:to_s) }, { "kind" => "mesh", "size" => "10 mm" })
    described_class.rows(problem, problem.mesh)[0]
  end

  it "tells what is closed, apart within reach, drawn into each other, and out of reach" do
    ["solid", "plane stress"].each do |make|
      expect(told(make: make)).to include(state: "closed", cure: nil, shares: { closed: be_near(1, 1e-9), apart: 0.0, into: 0.0, beyond: 0.0 })
      expect(told(make: make, gap: 0.5, reach: "1 mm")).to include(state: "gap within reach", even: true, words: /apart by 0.5 mm, within reach/, least: be_near(0.0005, 1e-6))
      expect(told(make: make, gap: 0.5, reach: "1 mm", starts: "touching")).to include(state: "closed")
      expect(told(make: make, gap: -0.3, reach: "1 mm")).to include(state: "into each other", words: "drawn up to 0.3 mm into each other", cure: /interference/)
      expect(told(make: make, gap: 3, reach: "1 mm")).to include(state: "out of reach", shares: include(beyond: 1.0), cure: /./)
    end
  end

  it "tells which share of the finer side finds nothing" do
    partly = told(shift: 50)
    expect(partly).to include(state: "partly closed", words: /\A\d+ % closed, 0 % up to .* apart, \d+ % out of reach/, cure: /Look farther/)
    expect(partly[:shares].values.sum).to be_near(1, 1e-9)
    expect(partly[:shares].values_at(:closed, :beyond)).to all(be_within(0.1).of(0.5))
  end

  it "has nothing to tell where nothing touches" do
    expect(described_class.rows(problem, problem.mesh)).to eq([])
  end
end
