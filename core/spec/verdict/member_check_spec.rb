# frozen_string_literal: true

RSpec.describe Lattice::Verdict::MemberCheck do
  # A post of 3 m along z, 100 mm square, held at its foot.
  def post(*more, **check)
    list = [outline_named("square", rectangle("-50 mm", "-50 mm", "100 mm", "100 mm")), { "kind" => "line", "name" => "way", "corners" => [spot(0, 0, 0), spot(0, 0, 3000)] },
            { "kind" => "body", "name" => "post", "outline" => "way", "make" => "members" }, { "kind" => "section", "target" => "post", "outline" => "square" },
            { "kind" => "material", "target" => "everything", "material" => "mild steel", "properties" => Models::STEEL },
            *{ "foot" => 0, "top" => 3000 }.map { |name, z| group_named(name, { "box" => { "from" => spot(-1, -1, z - 1), "to" => spot(1, 1, z + 1) } }, of: "points") },
            { "kind" => "support", "target" => "foot", "components" => %w[x y z rx ry rz] }, { "kind" => "mesh", "size" => "300 mm" }, { "kind" => "study", "name" => "stand", "type" => "static" },
            { "kind" => "member_check", "study" => "stand", "target" => "post", "strength" => "yield / 1.1" }.merge(check.transform_keys(&:to_s)), *more]
    shape_problem(*list)
  end

  def force(value, direction, **more) = { "kind" => "force", "target" => "top", "value" => value, "direction" => direction }.merge(more.transform_keys(&:to_s))

  def found(*more, **check)
    problem = post(*more, **check)
    described_class.new(problem.document.active("member_check")[0], problem).read(solve(problem))
  end

  let(:allowed) { 355e6 / 1.1 }

  it "uses tension and bending by the largest stress, shear by the shear area" do
    pulled = found(force("200 kN", "+z"))
    expect(pulled).to include(by: "tension", utilisation: be_within(1e-9).of(200e3 / 0.01 / allowed), holds: true, name: "member 1")
    bent = found(force("10 kN", "+x"))
    expect(bent[:utilisation]).to be_within(1e-6).of(10e3 * 3 / ((0.1**3) / 6) / allowed)
    # A square of ν = 0.3 has a shear area near 5/6 of its own.
    expect(bent[:members][0][:shear]).to be_within(0.002).of(10e3 / (0.01 * 5 / 6) * Math.sqrt(3) / allowed)
  end

  it "reduces what a slender member bears under compression, by hand" do
    slender = 3 / (Math::PI * (0.1 / Math.sqrt(12))) * Math.sqrt(allowed / 210e9)
    phi = 0.5 * (1 + (0.34 * (slender - 0.2)) + (slender**2))
    chi = 1 / (phi + Math.sqrt((phi**2) - (slender**2)))
    pressed = found(force("500 kN", "-z"), force("5 kN", "+y"))
    expect(pressed[:by]).to eq("compression")
    expect(pressed[:utilisation]).to be_within(1e-6).of((500e3 / (chi * 0.01 * allowed)) + (5e3 * 3 / ((0.1**3) / 6) / allowed))
    long = found(force("500 kN", "-z"), buckling_length: "2")
    # Never above what Euler gives.
    expect(long[:utilisation]).to be > 500e3 / ((Math::PI**2) * 210e9 * ((0.1**4) / 12) / 36)
    expect(found(force("500 kN", "-z"), buckling_length: "0.01")[:utilisation]).to be_within(1e-6).of(500e3 / 0.01 / allowed)
  end

  it "takes the worst of all cases, member by member" do
    cases = %w[wind snow].map { |name| { "kind" => "case", "name" => name } }
    worst = found(*cases, force("10 kN", "+x", case: "wind"), force("50 kN", "-z", case: "snow"))
    expect(worst).to include(frame_name: "wind", by: "tension")
    expect(worst[:members].size).to eq(1)
  end

  it "names what is wrong, and the cure" do
    solid = problem({}, { "id" => "c", "kind" => "member_check", "study" => "pull", "target" => "bar", "strength" => "yield" })
    expect { described_class.new(solid.document.active("member_check")[0], solid).check! }.to raise_error(Lattice::InvalidInput, /“bar” is not made of members/)
    { { buckling_length: "0" } => /buckling length is not above zero/, { strength: "ultimate" } => /has no ultimate strength/,
      { strength: "3 kN" } => /is a force, but a stress is wanted/ }.each do |fields, words|
      problem = post(force("1 N", "+x"), **fields)
      expect(Lattice::Verdict::Readiness.new(problem).notices.select(&:stops?).map { |n| n.fault.to_s }).to include(words)
    end
  end
end
