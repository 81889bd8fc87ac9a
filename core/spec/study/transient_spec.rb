# frozen_string_literal: true

RSpec.describe Lattice::Study::Kinds::Transient do
  describe Lattice::Study::Stepping do
    # Duhamel's integral of a sudden push, and of one that rises straight.
    it "is exact for a sudden push, whatever the step" do
      w = 12.0
      z = 0.05
      h = 0.13
      moved, speed, = described_class.new(Numo::DFloat[w], Numo::DFloat[z], h).call(Numo::DFloat.ones(40, 1))
      d = w * Math.sqrt(1 - (z**2))
      exact = (0...40).map { |n| (n * h).then { |t| (1 - (Math.exp(-z * w * t) * (Math.cos(d * t) + (z * w / d * Math.sin(d * t))))) / (w**2) } }
      expect(moved[true, 0].to_a.drop(1)).to be_near(exact.drop(1), 1e-9)
      expect(speed[1, 0]).to be_near(Math.exp(-z * w * h) * Math.sin(d * h) / d, 1e-9)
    end

    it "is exact for a push that rises" do
      w = 9.0
      h = 0.07
      moved, _, push = described_class.new(Numo::DFloat[w], Numo::DFloat[1e-9], h).call((Numo::DFloat.new(30).seq * h).reshape(30, 1))
      expect(moved[true, 0].to_a.drop(1)).to be_near((1...30).map { |n| (n * h).then { |t| (t - (Math.sin(w * t) / w)) / (w**2) } }, 1e-6)
      expect(push[10, 0]).to be_near(Math.sin(w * 10 * h) / w, 1e-5)
    end
  end

  describe "what nothing holds" do
    it "moves as thrown" do
      stepping = Lattice::Study::Stepping.new(Numo::DFloat[0.0, 5.0], Numo::DFloat[0.02, 0.02], 0.01)
      moved, speed, push = stepping.call(Numo::DFloat.ones(101, 2) * 3)
      expect([moved[100, 0], speed[100, 0], push[100, 0]]).to be_near([1.5, 3, 3], 1e-9)
    end
  end

  def ring(**more) = { "id" => "v", "kind" => "study", "name" => "ring", "type" => "vibration", "modes" => 4 }.merge(more.transform_keys(&:to_s))
  def course(**more) = { "id" => "t", "kind" => "study", "name" => "course", "type" => "transient", "of" => "ring", "until" => "0.5 s", "step" => "5 ms", "damping" => "2 %" }.merge(more.transform_keys(&:to_s))
  def gauge(quantity) = { "id" => "g_#{quantity}", "kind" => "gauge", "name" => quantity, "study" => "course", "quantity" => quantity, "spot" => spot(200, 10, 5) }

  def weighted
    [{ "id" => "p", "kind" => "point", "name" => "load", "at" => spot(200, 10, 5) }, { "id" => "l", "kind" => "link", "target" => "load", "to" => "tip", "how" => "spreading" },
     { "id" => "m", "kind" => "mass", "target" => "load", "value" => "50 kg" }]
  end

  def solved(problem, name = "course")
    study = problem.study!(name)
    result = Lattice::Study::Solving.new(problem).call(study)
    [result, Lattice::Verdict::Findings.new(problem, study, result).to_h]
  end

  def gauged(found, name) = found[:findings].find { |f| f[:name] == name }[:values]
  def swinging = { force: { "value" => "10 N", "direction" => "+z" } }

  it "overshoots under a sudden load as one mass on a spring does, and keeps the largest" do
    list = problem(swinging, ring, course, gauge("displacement_z"), gauge("velocity_z"), *weighted)
    steady, = solved(list, "pull")
    modes, = solved(list, "ring")
    _, found = solved(list)
    still = steady.field("displacement_z").max
    w = 2 * Math::PI * modes.frames[0].value
    z = 0.02
    d = w * Math.sqrt(1 - (z**2))
    exact = (0..100).map { |n| (n * 0.005).then { |t| still * (1 - (Math.exp(-z * w * t) * (Math.cos(d * t) + (z * w / d * Math.sin(d * t))))) } }
    expect(gauged(found, "displacement_z").first(101).zip(exact).map { |a, b| (a - b).abs }.max).to be < 5e-3 * still
    expect(gauged(found, "displacement_z").last).to be_near(exact.max, 5e-3)
    expect(gauged(found, "velocity_z").max).to be_near(still * w * Math.exp(-z * Math::PI / 2), 0.02)
  end

  it "shakes with a base as recorded: seen from the base" do
    list = problem({ force: nil }, ring, course(base: { "direction" => "+z", "acceleration" => "1 m/s2" }, history: [0, 1, 0.5, 1]), gauge("displacement_z"), *weighted)
    modes, = solved(list, "ring")
    _, found = solved(list)
    w = 2 * Math::PI * modes.frames[0].value
    expect(gauged(found, "displacement_z").min).to be_near(-(1 + Math.exp(-0.02 * Math::PI)) / (w**2), 0.01)
  end

  it "has the fields of members too, their stress as the forces at their ends make it" do
    line = { "id" => "way", "kind" => "line", "name" => "way", "corners" => [spot(0, 0, 0), spot(500, 0, 0)] }
    ends = { "near" => 0, "far" => 500 }.map do |name, x|
      { "id" => name, "kind" => "group", "name" => name, "of" => "points", "rule" => { "box" => { "from" => spot(x - 1, -1, -1), "to" => spot(x + 1, 1, 1) } } }
    end
    strip = [line, { "id" => "b", "kind" => "body", "name" => "strip", "outline" => "way", "make" => "members" }, { "id" => "sec", "kind" => "section", "target" => "strip", "outline" => "profile" }, *ends,
             { "id" => "hold", "kind" => "support", "target" => "near", "components" => %w[x y z rx ry rz] }, { "id" => "push", "kind" => "force", "target" => "far", "value" => "10 N", "direction" => "+z" }]
    bare = { body: nil, root: nil, tip: nil, support: nil, force: nil, mesh: { "size" => "100 mm" }, outline: { "boundary" => rectangle("-10 mm", "-5 mm", "20 mm", "10 mm") } }
    result, found = solved(problem(bare, *strip, ring, course(until: "0.1 s")))
    expect(result.catalogue.map(&:name)).to include("displacement", "velocity_z", "von_mises", "principal_max")
    frame = found[:summary][:frames].each_index.max_by { |i| i < 20 ? found[:summary][:frames][i][:peaks][:von_mises][:value] : 0 }
    summed = result.state(frame)
    plain = Lattice::Result::Outcome.new(grid: result.grid, frames: result.frames.first(1), states: [summed])
    expect((result.field("von_mises", frame) - plain.field("von_mises")).abs.max).to be < 1e-9 * plain.field("von_mises").max
  end

  it "comes back from a file" do
    result, = solved(problem(swinging, ring, course(until: "0.05 s"), *weighted))
    Dir.mktmpdir do |folder|
      Lattice::Format::ResultFile.write(File.join(folder, "r"), result)
      again = Lattice::Format::ResultFile.read(File.join(folder, "r"), result.grid)
      %w[displacement_z von_mises velocity].each { |name| expect((again.field(name, 4) - result.field(name, 4)).abs.max).to eq(0) }
    end
  end

  { "no end" => [{ until: nil }, /no end of time/], "too many moments" => [{ step: "0.001 ms" }, /more than 4000/], "a course that goes back" => [{ history: [0, 1, 1, 0, 0.5, 1] }, /goes back/],
    "a time without a value" => [{ history: [0, 1, 1, 0, 2] }, /time without a value/], "a load that does not drive" => [{ drive: { "load" => "cart", "speed" => "1 m/s" } }, /no moving load named/],
    "over critical damping" => [{ damping: "110 %" }, /critical/] }.each do |name, (more, message)|
    it "refuses #{name}" do
      list = problem(swinging, ring, course(**more).compact)
      expect { described_class.check!(list, list.study!("course")) }.to raise_error(Lattice::InvalidInput, message)
    end
  end
end
