# frozen_string_literal: true

RSpec.describe Lattice::Load::Conditions::Motion do
  # A mast of 2 m along z at x = 3 m, with 500 kg on its top, held at its foot.
  def mast(*more)
    list = [outline_named("rod", circle(0, 0, 200)), { "kind" => "line", "name" => "way", "corners" => [spot(3000, 0, 0), spot(3000, 0, 2000)] },
            { "kind" => "body", "name" => "mast", "outline" => "way", "make" => "members" }, { "kind" => "section", "target" => "mast", "outline" => "rod" },
            { "kind" => "material", "target" => "everything", "material" => "weightless", "properties" => Models::STEEL.merge("density" => "1e-6 kg/m3") },
            *{ "foot" => 0, "top" => 2000 }.map { |name, z| group_named(name, { "box" => { "from" => spot(2999, -1, z - 1), "to" => spot(3001, 1, z + 1) } }, of: "points") },
            { "kind" => "support", "target" => "foot", "components" => %w[x y z rx ry rz] }, { "kind" => "mass", "target" => "top", "value" => "500 kg" },
            { "kind" => "mesh", "size" => "500 mm" }, { "kind" => "study", "name" => "sea", "type" => "static" }, *more]
    shape_problem(*list)
  end

  def motion(how, axis, **more) = { "kind" => "motion", "how" => how, "axis" => axis, "period" => "8 s" }.merge(more.transform_keys(&:to_s))
  def pushed(*more) = solve(mast(*more)).load.sum(0).to_a

  let(:rate) { 2 * Math::PI / 8 }
  let(:swing) { 15 * Math::PI / 180 }

  it "pushes masses as the mast leans: roll about x, by hand" do
    # The mass stands 2 m above and 3 m along the axis: only its height counts.
    force = pushed(motion("roll", "+x", angle: "15 deg"))
    expect(force).to match([0, be_within(1e-6).of(-500 * swing * (rate**2) * 2), be_within(1e-6).of(0)])
    about = pushed(motion("roll", "+x", angle: "15 deg", through: spot(0, 0, 5000)))
    expect(about[1]).to be_within(1e-6).of(500 * swing * (rate**2) * 3)
  end

  it "adds what the weight brings along the deck, and takes off what it loses across it" do
    weight = { "value" => "9.81 m/s2", "direction" => "-z" }
    with = pushed(motion("roll", "+x", angle: "15 deg", weight: weight))
    without = pushed(motion("roll", "+x", angle: "15 deg"))
    expect(with.zip(without).map { |a, b| a - b }).to match([be_within(1e-6).of(0), be_within(1e-6).of(-500 * 9.81 * Math.sin(swing)), be_within(1e-6).of(500 * 9.81 * (1 - Math.cos(swing)))])
  end

  it "pitches and yaws by the arms that it has, and heaves with all alike" do
    pitch = pushed(motion("pitch", "+y", angle: "5 deg"))
    share = 500 * 5 * Math::PI / 180 * (rate**2)
    expect(pitch).to match([be_within(1e-6).of(share * 2), be_within(1e-9).of(0), be_within(1e-6).of(-share * 3)])
    expect(pushed(motion("yaw", "+z", angle: "5 deg"))[1]).to be_within(1e-6).of(share * 3)
    expect(pushed(motion("heave", "+z", amplitude: "1.5 m"))[2]).to be_within(1e-6).of(500 * 1.5 * (rate**2))
  end

  it "is away from its end at another phase: less of the acceleration, and what the speed throws outwards" do
    force = pushed(motion("roll", "+x", angle: "15 deg", phase: "30 deg"))
    expect(force[1]).to be_within(1e-6).of(-500 * swing * (rate**2) * 2 * 0.5)
    expect(force[2]).to be_within(1e-6).of(500 * ((swing * rate * Math.cos(Math::PI / 6))**2) * 2)
  end

  it "makes reactions against itself" do
    result = solve(mast(motion("roll", "+x", angle: "15 deg")))
    expect(result.balance[:reaction][1]).to be_within(1e-6).of(500 * swing * (rate**2) * 2)
    expect(result.balance[:error]).to be < 1e-9
  end

  it "comes with either sign in sets, on top of what is steady" do
    cases = %w[still roll heave].map { |name| { "kind" => "case", "name" => name } }
    loads = [{ "kind" => "gravity", "value" => "9.81 m/s2", "direction" => "-z", "case" => "still" }, motion("roll", "+x", angle: "15 deg", case: "roll"), motion("heave", "+z", amplitude: "1 m", case: "heave")]
    problem = mast(*cases, *loads, { "kind" => "sign_sets", "name" => "sea", "steady" => ["still"], "swinging" => %w[roll heave] })
    result = solve(problem)
    expect(result.frames.map(&:name)).to eq(["still", "roll", "heave", "sea ++", "sea +−", "sea −+", "sea −−"])
    heave = 500 * (rate**2)
    expect((3..6).map { |frame| result.load(frame)[true, 2].sum.round(3) }).to eq([heave, -heave, heave, -heave].map { |h| (h - (500 * 9.81)).round(3) })
    expect((3..6).map { |frame| result.load(frame)[true, 1].sum.round(3).negative? }).to eq([true, true, false, false])
    expect(problem.cases.judged).to eq([3, 4, 5, 6])
  end

  it "names what is wrong, and the cure; an angle beyond 60 degrees is odd" do
    { motion("roll", "+x") => /it has no angle/, motion("heave", "+z", angle: "3 deg") => /it has no amplitude/,
      motion("roll", "+x", angle: "3 deg", period: "0 s") => /period is not above zero/ }.each do |statement, words|
      expect { mast(statement).conditions.last.check! }.to raise_error(Lattice::InvalidInput, words)
    end
    odd = Lattice::Verdict::Readiness.new(mast(motion("roll", "+x", angle: "15 rad"))).notices
    expect(odd.map { |n| n.fault.to_s }).to include(/swings by more than 60 degrees/)
    expect { mast({ "kind" => "sign_sets", "name" => "sea", "swinging" => ["roll"] }).cases.combinations }.to raise_error(Lattice::InvalidInput, /no case or combination named “roll”/)
  end
end
