# frozen_string_literal: true

RSpec.describe Lattice::Load::Conditions::Bars do
  def concrete = { "young" => "30 GPa", "poisson" => "0", "density" => "2400 kg/m3" }
  def rebar = { "young" => "200 GPa", "poisson" => "0.3", "yield" => "500 MPa" }

  # A strip of 400 × 100 mm, 200 mm thick, with bars along x at a height.
  def strip(*more, height: 30, from: 0, upto: 400, size: "25 mm", order: nil, holds: nil)
    list = [outline_named("side", rectangle("0 mm", "0 mm", "400 mm", "100 mm")), { "kind" => "body", "name" => "beam", "outline" => "side", "make" => "plane stress", "thickness" => "200 mm" },
            { "kind" => "material", "target" => "beam", "material" => "concrete", "properties" => concrete },
            { "kind" => "line", "name" => "low bars", "corners" => [spot(from, height, 0), spot(upto, height, 0)] }, edge("left", 0), edge("right", 400),
            *(holds || [{ "kind" => "support", "target" => "left", "components" => ["x"] }, corner, { "kind" => "support", "target" => "foot", "components" => ["y"] }]),
            { "kind" => "mesh", "size" => size, "order" => order }.compact, { "kind" => "study", "name" => "bend", "type" => "static" }, *more]
    shape_problem(*list)
  end

  def edge(name, x) = group_named(name, { "plane" => { "axis" => "x", "at" => "#{x} mm" } }, of: "edges")
  def corner = group_named("foot", { "box" => { "from" => spot(-1, -1, -1), "to" => spot(1, 1, 1) } }, of: "points")

  def bars(**more)
    { "kind" => "bars", "name" => "bottom bars", "target" => "beam", "line" => "low bars", "count" => 4, "diameter" => "16 mm", "material" => "bar steel",
      "properties" => rebar }.merge(more.transform_keys(&:to_s))
  end

  def pulled = { "kind" => "displacement", "target" => "right", "component" => "x", "value" => "0.1 mm" }

  let(:area) { 4 * Math::PI * (16e-3**2) / 4 }

  it "adds its stiffness: under a stretch, bars and body share the force by E A, on any mesh" do
    ["25 mm", "17 mm"].each do |size|
      problem = strip(bars, pulled, size: size,
                                    holds: [{ "kind" => "support", "target" => "left", "components" => ["x"] }, corner, { "kind" => "support", "target" => "foot", "components" => ["y"] },
                                            { "kind" => "support", "target" => "beam", "components" => ["y"] }])
      result = solve(problem)
      strain = 0.1 / 400
      expect(result.state.bars.to_a).to all(be_within(strain * 1e-9).of(strain))
      held = result.reaction_sum(result.grid.nodes_of(problem.groups.find("right")))[0]
      expect(held).to be_within(held * 1e-9).of(strain * ((30e9 * 0.1 * 0.2) + (200e9 * area)))
      expect(result.bars.sum { |piece| piece[:upto] - piece[:from] }).to be_within(1e-6).of(0.4)
    end
  end

  it "bends as the transformed section does" do
    turn = { "kind" => "traction", "target" => "right", "value" => "1 MPa", "direction" => "+x" }
    problem = strip(bars, turn, size: "10 mm", order: "quadratic")
    result = solve(problem)
    # Pulled evenly over the concrete alone: force in its middle; both stretch and bend about the common centre.
    stiff = (30e9 * 0.02) + (200e9 * area)
    centre = ((30e9 * 0.02 * 0.05) + (200e9 * area * 0.03)) / stiff
    bending = (30e9 * 0.2 * (((0.1**3) / 12) + (0.1 * ((0.05 - centre)**2)))) + (200e9 * area * ((0.03 - centre)**2))
    force = 1e6 * 0.02
    strain = (force / stiff) - (force * (0.05 - centre) / bending * (centre - 0.03))
    middle = result.bars.each_index.select { |i| result.bars[i][:at][0].between?(0.15, 0.25) }
    expect(result.state.bars[middle].mean).to be_within(strain.abs * 0.01).of(strain)
  end

  it "keeps what two legs of a line do in one element apart: a hairpin is strained along both" do
    hairpin = { "kind" => "line", "name" => "hairpin", "corners" => [spot(0, 30, 0), spot(400, 30, 0), spot(400, 34, 0), spot(0, 34, 0)], "links" => [[1, 2], [3, 4]] }
    result = solve(strip(hairpin, bars(line: "hairpin"), pulled, size: "100 mm"))
    expect(result.bars.size).to eq(8)
    expect(result.bars.map { |piece| piece[:upto] - piece[:from] }).to all(be_within(5e-3).of(0.1))
    expect(result.state.bars.to_a).to all(be_within(2e-6).of(0.1 / 400))
  end

  it "counts only where it crosses an element, and says how much" do
    result = solve(strip(bars, pulled, from: 100, upto: 500))
    expect(result.bars.map { |piece| piece[:from] }.min).to be_within(2e-3).of(0)
    expect(result.joins[0]).to include(covered: be_within(3e-3).of(0.3), whole: be_within(1e-9).of(0.4))
    expect(result.state.bars.size).to eq(12)
  end

  it "lies in solids, at any angle, in unlike elements" do
    diagonal = [{ "kind" => "line", "name" => "way", "corners" => [spot(0, 0, 0), spot(200, 20, 10)] },
                { "kind" => "bars", "name" => "tie", "target" => "bar", "line" => "way", "count" => 1, "diameter" => "0.2 mm", "material" => "bar steel", "properties" => Models::STEEL }]
    [{}, { elements: "tetrahedra and triangles" }].each do |how|
      problem = problem({ mesh: how.transform_keys(&:to_s), force: { "direction" => "+x" }, material: { "properties" => Models::STEEL.merge("poisson" => "0") } }, *diagonal.each_with_index.map do |s, i|
        { "id" => "d#{i}" }.merge(s)
      end)
      result = solve(problem)
      along = (200.0**2) / ((200**2) + (20**2) + (10**2))
      strain = 1000 / (210e9 * 2e-4) * along
      lengths = Numo::DFloat.cast(result.bars.map { |piece| piece[:upto] - piece[:from] })
      expect((result.state.bars * lengths).sum / lengths.sum).to be_within(strain * 0.01).of(strain)
      expect(result.bars.sum { |piece| piece[:upto] - piece[:from] }).to be_within(1e-6).of(Math.sqrt(0.0405))
    end
  end

  it "names what is wrong, and the cure" do
    { { line: "nowhere" } => /no line named “nowhere”/, { material: "wood", properties: nil } => /“wood” is not in the library/, { diameter: "0 mm" } => /diameter is not above zero/ }.each do |fields, words|
      expect { strip(bars(**fields).compact).conditions.last.check! }.to raise_error(Lattice::InvalidInput, words)
    end
    expect { solve(strip(bars, pulled, height: 130)) }.to raise_error(Lattice::InvalidInput, /crosses no element of “beam”.*inside the body/)
  end
end
