# frozen_string_literal: true

RSpec.describe Lattice::Study::Kinds::Harmonic do
  def ring(**more) = { "id" => "v", "kind" => "study", "name" => "ring", "type" => "vibration", "modes" => 6 }.merge(more.transform_keys(&:to_s))

  def sweep(**more)
    { "id" => "h", "kind" => "study", "name" => "sweep", "type" => "harmonic", "of" => "ring", "from" => "1 Hz", "to" => "40 Hz", "damping" => "2 %", "points" => 40 }.merge(more.transform_keys(&:to_s))
  end

  def gauge(quantity, **more) = { "id" => "g_#{quantity}", "kind" => "gauge", "name" => quantity, "study" => "sweep", "quantity" => quantity, "spot" => spot(200, 10, 5) }.merge(more.transform_keys(&:to_s))

  # 50 kg at the end of the bar, which is as good as without mass.
  def weighted
    [{ "id" => "p", "kind" => "point", "name" => "load", "at" => spot(200, 10, 5) }, { "id" => "l", "kind" => "link", "target" => "load", "to" => "tip", "how" => "spreading" },
     { "id" => "m", "kind" => "mass", "target" => "load", "value" => "50 kg" }]
  end

  def solved(problem, name = "sweep")
    study = problem.study!(name)
    result = Lattice::Study::Solving.new(problem).call(study)
    [result, Lattice::Verdict::Findings.new(problem, study, result).to_h]
  end

  def gauged(found, name) = found[:findings].find { |f| f[:name] == name }
  def swinging = { force: { "value" => "10 N", "direction" => "+z" } }

  # Of one mass on a spring, damped by ζ, at r times its natural frequency.
  def amplified(r, zeta) = 1 / Math.sqrt(((1 - (r**2))**2) + ((2 * zeta * r)**2))

  it "swings as one mass on a spring does: amplitude, lag, velocity and acceleration" do
    steady, = solved(problem(swinging, *weighted), "pull")
    result, found = solved(problem(swinging, ring, sweep, gauge("displacement_z"), gauge("velocity_z"), gauge("acceleration_z"), *weighted))
    still = steady.field("displacement_z").max
    natural = found[:findings].find { |f| f[:kind] == "sweep" }[:modes][0][:frequency]
    frequencies = result.frequencies.map { |f| result.frames[f].value }
    wanted = frequencies.map { |f| still * amplified(f / natural, 0.02) }
    values, speeds, pushes = %w[displacement_z velocity_z acceleration_z].map { |name| gauged(found, name)[:values] }
    expect(values.first(frequencies.size)).to be_near(wanted, 2e-3)
    expect(speeds.zip(values, frequencies).first(frequencies.size).map { |v, u, f| v / u / (2 * Math::PI * f) }).to all(be_near(1, 1e-9))
    expect(pushes.zip(values, frequencies).first(frequencies.size).map { |a, u, f| a / u / ((2 * Math::PI * f)**2) }).to all(be_near(1, 1e-9))
    peak = gauged(found, "displacement_z")
    expect(frequencies[peak[:peak]]).to be_near(natural, 1e-3)
    expect(peak[:amplification]).to be_near(25, 0.002)
    expect(peak[:one_mass]).to match(mode: 1, amplification: be_within(0.01).of(25))
    expect(peak[:lags][peak[:peak]]).to be_near(90, 0.01)
    expect(peak[:values].last).to be_near(peak[:values][peak[:peak]], 1e-12)
  end

  it "shakes with its base: at rest it goes along, at its frequency it is carried far, beyond it stands still" do
    base = { "direction" => "+z", "displacement" => "1 mm" }
    result, found = solved(problem({ force: nil }, ring, sweep(base: base, to: "200 Hz"), gauge("displacement_z"), *weighted))
    natural = found[:findings].find { |f| f[:kind] == "sweep" }[:modes][0][:frequency]
    frequencies = result.frequencies.map { |f| result.frames[f].value }
    low = frequencies.each_index.select { |i| frequencies[i] < 3 * natural }
    wanted = low.map { |i| (frequencies[i] / natural).then { |r| 0.001 * Math.sqrt(1 + ((2 * 0.02 * r)**2)) * amplified(r, 0.02) } }
    # Damping of modes has no part against the base that stands: 2 ζ r beside 1.
    expect(gauged(found, "displacement_z")[:values].values_at(*low)).to be_near(wanted, 5e-3)
    _, told = solved(problem({ force: nil }, ring, sweep(base: { "direction" => "+z", "acceleration" => "1 m/s2" }, relative: true), gauge("displacement_z"), *weighted))
    expect(gauged(told, "displacement_z")[:values][0]).to be_near(1 / ((2 * Math::PI * natural)**2) * amplified(1 / natural, 0.02), 2e-3)
  end

  it "has what modes left out would add: few answer as many do" do
    values = [3, 30].map do |modes|
      _, found = solved(problem({ force: { "value" => "10 N", "direction" => "+x" } }, ring(modes: modes), sweep(from: "100 Hz", to: "200 Hz", points: 3), gauge("displacement_x"),
                                gauge("von_mises", target: "root", spot: nil).compact))
      [gauged(found, "displacement_x")[:values][0], gauged(found, "von_mises")[:values][0]]
    end
    expect(values[0]).to be_near(values[1], 5e-4)
    expect(values[0][0]).to be_near(10 * 0.2 / (210e9 * 0.0002), 0.01)
  end

  it "tells stress by the greatest of a whole turn, and its envelope over the sweep" do
    result, = solved(problem(swinging, ring, sweep))
    frame = result.frequencies.size / 2
    cosine, sine = %w[cosine sine].map { |way| result.weights[way][frame, true] }
    turn = (0...180).map do |k|
      share = (cosine * Math.cos(k * Math::PI / 180)) - (sine * Math.sin(k * Math::PI / 180))
      sum = Lattice::Result::State.sum((0...share.size).map { |b| [result.basis(b), share[b]] })
      Lattice::Result::Outcome.new(grid: result.grid, frames: result.frames.first(1), states: [sum]).field("von_mises")
    end
    expect((result.field("von_mises", frame) - turn.reduce { |a, b| Numo::DFloat.maximum(a, b) }).abs.max).to be < 2e-4 * result.field("von_mises", frame).max
    all = result.frequencies.map { |f| result.field("von_mises", f) }.reduce { |a, b| Numo::DFloat.maximum(a, b) }
    expect((result.field("von_mises", result.frames.size - 1) - all).abs.max).to eq(0)
  end

  it "radiates as a piston: ½ ρ c v² A" do
    power = { "id" => "r", "kind" => "radiated_power", "name" => "noise", "study" => "sweep", "target" => "tip" }
    nearby = { "end" => [200, 10, 5], "side" => [100, 0, 5], "middle" => [100, 10, 5] }.map { |name, at| gauge("sound_intensity", id: name, name: name, spot: spot(*at)) }
    result, found = solved(problem({ force: nil }, ring, sweep(base: { "direction" => "+x", "velocity" => "10 mm/s" }, to: "2 Hz", points: 2), power, *nearby))
    noise = found[:findings].find { |f| f[:kind] == "radiated_power" }
    expect(noise[:values][0]).to be_near(0.5 * 1.204 * 343 * (0.01**2) * 0.0002, 1e-4)
    expect(noise[:decibels][0]).to be_near(10 * Math.log10(noise[:values][0] / 1e-12), 1e-9)
    expect(result.frequencies.size).to eq(2)
    # The same by area, as a field: on the end, along the sides and inside.
    expect(nearby.map { |g| gauged(found, g["name"])[:values][0] }).to match([be_near(0.5 * 1.204 * 343 * (0.01**2), 1e-4), be_within(1e-9).of(0), be_within(1e-9).of(0)])
    expect(gauged(found, "end")[:amplification]).to be_nil
  end

  it "follows a curve, and what runs out of balance" do
    curve = [{ "at" => "1 Hz", "factor" => "1" }, { "at" => "3 Hz", "factor" => "3" }]
    values = [{}, { curve: curve }, { unbalance_at: "2 Hz" }].map do |more|
      gauged(solved(problem(swinging, ring, sweep(to: "3 Hz", points: 3, **more), gauge("displacement_z")))[1], "displacement_z")[:values].first(3)
    end
    expect(values[1].zip(values[0]).map { |a, b| a / b }).to be_near([1, 2, 3], 1e-9)
    expect(values[2].zip(values[0]).map { |a, b| a / b }).to be_near([0.25, 1, 2.25], 1e-9)
  end

  it "is damped by mass and stiffness as told at two frequencies, or mode by mode" do
    study = Lattice::Model::Statement.new(sweep(rayleigh: { "from" => "10 Hz", "from_ratio" => "1 %", "to" => "40 Hz", "to_ratio" => "3 %" }, damping_of: [{ "mode" => 3, "ratio" => "7 %" }]))
    expect(Lattice::Study::Damping.new(study).of(Numo::DFloat[10, 40, 20]).to_a).to be_near([0.01, 0.03, 0.07], 1e-9)
  end

  it "is never damped beyond critical by stiffness, and refuses a part of it below zero" do
    damping = ->(first, second) { Lattice::Study::Damping.new(Lattice::Model::Statement.new(sweep(rayleigh: { "from" => "10 Hz", "from_ratio" => first, "to" => "40 Hz", "to_ratio" => second }))) }
    expect(damping["1 %", "4 %"].of(Numo::DFloat[1e6])[0]).to be < 1
    expect { damping["1 %", "8 %"].check! }.to raise_error(Lattice::InvalidInput, /by mass would be below zero/)
    expect { damping["8 %", "1 %"].check! }.to raise_error(Lattice::InvalidInput, /by stiffness would be below zero/)
  end

  it "says which share of the mass its modes carry, and where that is too little" do
    _, found = solved(problem(swinging, ring(modes: 1), sweep(enough: "90 %")))
    expect(found[:findings].find { |f| f[:kind] == "sweep" }).to include(short: ["z"])
  end

  it "surveys which modes answer along the load: those across it do not" do
    _, found = solved(problem(swinging, ring, sweep))
    modes = found[:findings].find { |f| f[:kind] == "sweep" }[:modes]
    # A tip load's work goes to 97 % into the first mode that bends its way.
    expect(modes[0][:answer]).to be_near(0.971, 0.01)
    expect(modes[1][:answer]).to be < 1e-6
    expect(modes.sum { |m| m[:answer] }).to be_between(0.98, 1)
  end

  it "comes back from a file" do
    result, = solved(problem(swinging, ring, sweep(points: 5)))
    Dir.mktmpdir do |folder|
      Lattice::Format::ResultFile.write(File.join(folder, "r"), result)
      again = Lattice::Format::ResultFile.read(File.join(folder, "r"), result.grid)
      %w[displacement von_mises velocity_z].each { |name| expect((again.field(name, 2) - result.field(name, 2)).abs.max).to eq(0) }
      expect(again.frames.last.kind).to eq("envelope")
    end
  end

  { "another study" => [{ of: "pull" }, /no vibration study/], "an end below its begin" => [{ to: "0.5 Hz" }, /ends before/], "critical damping" => [{ damping: "120 %" }, /critical/],
    "no damping" => [{ damping: "0" }, /not above zero/], "a curve that is too short" => [{ curve: [{ "at" => "1 Hz", "factor" => "1" }, { "at" => "5 Hz", "factor" => "1" }] }, /from 1 Hz to 5 Hz alone/],
    "a curve that goes back" => [{ curve: [{ "at" => "9 Hz", "factor" => "1" }, { "at" => "5 Hz", "factor" => "1" }] }, /goes back/],
    "no case" => [{ case: "wind" }, /no case or combination named “wind”/] }.each do |name, (more, message)|
    it "refuses #{name}" do
      list = problem(swinging, ring, sweep(**more))
      expect { described_class.check!(list, list.study!("sweep")) }.to raise_error(Lattice::InvalidInput, message)
    end
  end

  it "refuses weight that would swing, and a case in which nothing pushes" do
    heavy = problem({}, ring, sweep, { "id" => "w", "kind" => "gravity", "value" => "9.81 m/s2", "direction" => "-z" })
    expect { described_class.check!(heavy, heavy.study!("sweep")) }.to raise_error(Lattice::InvalidInput, /gravity in the case would swing/)
    turned = problem(swinging, ring, sweep, { "id" => "r", "kind" => "rotation", "target" => "tip", "value" => "1 deg", "direction" => "+z" })
    expect { described_class.check!(turned, turned.study!("sweep")) }.to raise_error(Lattice::InvalidInput, /rotation in the case would swing/)
    warm = problem(swinging, ring, sweep, { "id" => "t", "kind" => "temperature_map", "target" => "bar" })
    expect { described_class.check!(warm, warm.study!("sweep")) }.to raise_error(Lattice::InvalidInput, /temperature map in the case would swing/)
    idle = problem({ force: nil }, ring, sweep)
    expect { described_class.check!(idle, idle.study!("sweep")) }.to raise_error(Lattice::InvalidInput, /nothing pushes/)
  end
end
