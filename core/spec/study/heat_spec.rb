# frozen_string_literal: true

RSpec.describe Lattice::Study::Kinds::Heat do
  def heat(target, how, id: target, **more) = { "id" => "h_#{id}", "kind" => "heat", "target" => target, "how" => how }.merge(more.transform_keys(&:to_s))
  def study = { "id" => "q", "kind" => "study", "name" => "warm", "type" => "heat" }

  def bar(*more, conductivity: "50 W/(m K)", **changes)
    problem({ force: nil, support: nil, study: nil, material: { "properties" => Models::STEEL.merge("conductivity" => conductivity, "expansion" => "12e-6 1/K").compact } }.merge(changes), study, *more)
  end

  def solved(problem)
    question = problem.study!("warm")
    result = Lattice::Study::Solving.new(problem).call(question)
    [result, Lattice::Verdict::Findings.new(problem, question, result).to_h[:findings].find { |f| f[:kind] == "heat" }]
  end

  def celsius(result) = result.field("temperature") - 273.15

  # 0.1 m of 50 W/(m K), air of 100 °C with 20 W/(m² K) before it and of 20 °C with 10 behind.
  it "finds the temperatures of a wall between two airs" do
    wall = bar(heat("root", "convection", temperature: "100 degC", film: "20 W/(m2 K)"), heat("tip", "convection", temperature: "20 degC", film: "10 W/(m2 K)"),
               outline: { "boundary" => rectangle("0 mm", "0 mm", "100 mm", "20 mm") }, tip: { "rule" => { "plane" => { "axis" => "x", "at" => "100 mm" } } })
    expect(Lattice::Verdict::Readiness.new(wall)).to be_ready
    result, found = solved(wall)
    expect([celsius(result).max, celsius(result).min]).to be_near([73.6842, 72.6316], 1e-6)
    expect(result.field("heat_flux").minmax).to be_near([526.316, 526.316], 1e-5)
    expect(found[:rows].map { |r| r[:power] }).to be_near([0.105263, -0.105263], 1e-5)
    expect(found).to include(holds: true)
  end

  # Of the whole, not of one section: the tip gives heat off too.
  it "finds a fin: 10 by 10 by 100 mm, held at one end and cooled all round" do
    sides = { "id" => "sides", "kind" => "group", "name" => "sides", "of" => "faces", "rule" => { "not" => { "plane" => { "axis" => "x", "at" => "0 mm" } } } }
    fin = bar(sides, heat("root", "held", temperature: "100 degC"), heat("sides", "convection", temperature: "20 degC", film: "50 W/(m2 K)"),
              conductivity: "200 W/(m K)",
              outline: { "boundary" => rectangle("0 mm", "0 mm", "100 mm", "10 mm") }, tip: nil, mesh: { "size" => "5 mm" })
    result, found = solved(fin)
    m = Math.sqrt(50 * 0.04 / (200 * 1e-4))
    l = 0.1 + (1e-4 / 0.04) # as long as its tip's surface makes it
    expect(celsius(result).min).to be_near(20 + (80 / Math.cosh(m * l)), 2e-3)
    expect(found[:rows].find { |r| r[:how] == "held" }[:power]).to be_near(Math.sqrt(50 * 0.04 * 200 * 1e-4) * 80 * Math.tanh(m * l), 5e-3)
    expect(found[:error]).to be < 1e-9
  end

  it "finds a pipe wall in rings: 100 degrees within, air without" do
    inside, outside = [1, 2].map { |r| { "id" => "r#{r}", "kind" => "group", "name" => "r#{r}", "of" => "edges", "rule" => { "plane" => { "axis" => "x", "at" => "#{r} m" } } } }
    changes = { outline: { "boundary" => rectangle("1 m", "0 m", "1 m", "0.2 m") }, body: nil, root: nil, tip: nil, mesh: { "size" => "0.1 m" } }
    pipe = bar({ "id" => "ring", "kind" => "body", "name" => "bar", "outline" => "profile", "make" => "axisymmetric" }, inside, outside, heat("r1", "held", temperature: "100 degC"),
               heat("r2", "convection", temperature: "20 degC", film: "30 W/(m2 K)"), **changes)
    result, found = solved(pipe)
    expect(celsius(result).min).to be_near(63.6734, 1e-4)
    expect(found[:rows].sum { |r| r[:power] }.abs).to be < 1e-6
  end

  it "has a parabola over its length where heat arises within" do
    warm = bar(heat("bar", "source", power: "40 W"), heat("root", "held", temperature: "20 degC"))
    result, = solved(warm)
    expect(celsius(result).max).to be_near(20 + (40 / (0.2 * 0.02 * 0.01) * (0.2**2) / (2 * 50)), 1e-6)
    flow = bar(heat("tip", "flux", power: "10 W"), heat("root", "held", temperature: "20 degC"))
    expect(celsius(solved(flow)[0]).max).to be_near(20 + (10 * 0.2 / (50 * 0.0002)), 1e-6)
  end

  it "counts heat once where two places that are held meet" do
    side = { "id" => "side", "kind" => "group", "name" => "side", "of" => "faces", "rule" => { "plane" => { "axis" => "y", "at" => "0 mm" } } }
    _, found = solved(bar(side, heat("root", "held", temperature: "20 degC"), heat("side", "held", temperature: "20 degC"), heat("tip", "flux", power: "10 W")))
    expect(found).to include(holds: true)
    expect(found[:rows].sum { |r| r[:power] }).to be_within(1e-9).of(0)
  end

  it "loads a static study: what it warms grows" do
    map = { "id" => "t", "kind" => "temperature_map", "target" => "bar", "study" => "warm", "reference" => "20 degC" }
    list = bar(heat("root", "held", temperature: "20 degC"), heat("tip", "held", temperature: "120 degC"), map, { "id" => "s2", "kind" => "study", "name" => "grow", "type" => "static" },
               { "id" => "hold", "kind" => "support", "target" => "root", "components" => %w[x y z] })
    result = Lattice::Study::Solving.new(list).call(list.study!("grow"))
    expect(result.field("warmth").max).to be_near(100, 1e-9)
    expect(result.displacement[true, 0].max).to be_near(12e-6 * 50 * 0.2, 0.03)
  end

  it "refuses what has nowhere to let its heat go, no conductivity, or is thin" do
    expect { described_class.check!(bar(heat("tip", "flux", power: "10 W")), bar.study!("warm")) }.to raise_error(Lattice::InvalidInput, /nothing holds a temperature/)
    bare = bar(heat("root", "held", temperature: "20 degC"), conductivity: nil)
    expect { described_class.check!(bare, bare.study!("warm")) }.to raise_error(Lattice::InvalidInput, /no thermal conductivity/)
    expect { described_class.check!(bar(heat("root", "held")), bar.study!("warm")) }.to raise_error(Lattice::InvalidInput, /it has no temperature/)
    expect { described_class.check!(bar(heat("root", "convection", temperature: "20 degC", film: "0 W/(m2 K)")), bar.study!("warm")) }.to raise_error(Lattice::InvalidInput, /takes no heat/)
  end
end
