# frozen_string_literal: true

RSpec.describe Lattice::Load::Conditions::Bolt do
  # Two plates of 40 × 40 × 12 mm, one on the other, with a hole through both; bonded where they meet, or loose.
  def plates(bolt = {}, *more, bonded: true, hole: 11)
    faces = { "lower face" => "low", "upper face" => "high" }.map { |name, body| group_named(name, { "all" => [{ "body" => body }, { "plane" => { "axis" => "z", "at" => "12 mm" } }] }) }
    shape_problem(outline_named("p", rectangle("0 mm", "0 mm", "40 mm", "40 mm"), holes: [circle(20, 20, hole)]), body_named("low", "p", thickness: "12 mm"),
                  body_named("high", "p", thickness: "12 mm", on: on("xy", z: 12)),
                  group_named("holes", { "bores" => { "diameter" => "#{hole} mm" } }), group_named("base", { "plane" => { "axis" => "z", "at" => "0 mm" } }),
                  group_named("top", { "plane" => { "axis" => "z", "at" => "24 mm" } }), *faces,
                  { "kind" => "material", "target" => "everything", "material" => "steel", "properties" => Models::STEEL },
                  { "kind" => "bolt", "target" => "holes", "size" => "M10", "class" => "8.8" }.merge(bolt),
                  *(bonded ? [{ "kind" => "bond", "target" => "lower face", "to" => "upper face" }] : []), { "kind" => "support", "target" => "base", "components" => %w[x y z] },
                  { "kind" => "mesh", "size" => "7 mm", "turn" => "45 deg" }, { "kind" => "study", "name" => "s", "type" => "static" }, *more)
  end

  def pull(value, direction = "+z", **more) = { "kind" => "force", "target" => "top", "value" => value, "direction" => direction }.merge(more.transform_keys(&:to_s))
  def forces(problem, frame = 0) = Lattice::Result::BoltForces.rows(solve(problem), frame)

  it "carries just what it is tightened to: by force, by torque T = K F d, by a share of the proof force" do
    { { "force" => "20 kN" } => 20e3, { "torque" => "30 N m" } => 15e3, { "torque" => "30 N m", "factor" => "0.15" } => 20e3, { "proof" => "0.6" } => 0.6 * 580e6 * 58e-6 }.each do |how, wanted|
      expect(forces(plates({ "tighten" => how }))[0][:tension]).to be_near([wanted, wanted], 1e-9)
    end
  end

  it "takes a thread and a strength of one's own, as the one that ships with the same figures" do
    size = { "name" => "as M10", "diameter" => "10 mm", "pitch" => "1.5 mm", "head" => "16 mm" }
    strength = { "name" => "as 8.8", "proof" => "580 MPa" }
    own, ships = [{ "size" => size.merge("stress_area" => "58 mm2"), "class" => strength }, {}].map { |kind| forces(plates(kind.merge("tighten" => { "proof" => "0.6" })))[0] }
    expect(own).to eq(ships)
    # ISO 898-1 rounds the area that follows from the pitch: 57.99 mm².
    expect(Lattice::Matter::Threads.new(size, strength).stress_area).to be_near(57.99e-6, 1e-4)
  end

  it "refuses a thread that is none, each time with the statement and a cure" do
    size = { "name" => "odd", "diameter" => "10 mm", "pitch" => "1.5 mm" }
    { size.merge("diameter" => "0 mm") => /its diameter is not above zero/, size.except("pitch") => /neither a pitch nor a stress area/, size.merge("pitch" => "9 mm") => /pitch is not between/,
      size.merge("stress_area" => "90 mm2") => /stress area is not less than its shank/, size.merge("head" => "9 mm") => /head is not wider/ }.each do |one, words|
      expect { solve(plates({ "size" => one })) }.to raise_error(Lattice::InvalidInput, words)
    end
    expect { solve(plates({ "class" => { "name" => "soft", "proof" => "0 MPa" } })) }.to raise_error(Lattice::InvalidInput, /proof strength is not above zero/)
  end

  it "follows the joint diagram: of a pull it takes the share of its own stiffness, on top of its tightening" do
    cases = %w[tight pull].map { |name| { "kind" => "case", "name" => name } }
    sum = { "kind" => "combination", "name" => "both", "terms" => %w[tight pull].map { |c| { "case" => c, "factor" => "1" } } }
    result = solve(plates({ "tighten" => { "force" => "20 kN" }, "case" => "tight" }, *cases, pull("5 kN", case: "pull"), sum))
    tight, pulled, both = (0..2).map { |f| Lattice::Result::BoltForces.rows(result, f)[0][:tension][0] }
    expect(tight).to be_near(20e3, 1e-9)
    expect(both).to be_near(tight + pulled, 1e-9)
    # Stiffness of the plates about the bolt is far above its own.
    expect(pulled / 5e3).to be_between(0.02, 0.12)
    expect((0..2).map { |f| result.balance(f)[:error] }.max).to be < 1e-9
  end

  it "is read by gauges of its force, in every frame" do
    bolt = plates.document.active("bolt")[0].id
    gauge = ->(name, force, **more) { { "kind" => "force_gauge", "name" => name, "study" => "s", "of" => bolt, "force" => force }.merge(more.transform_keys(&:to_s)) }
    cases = %w[pull shove].map { |name| { "kind" => "case", "name" => name } }
    problem = plates({}, *cases, pull("5 kN", case: "pull"), pull("1 kN", "+x", case: "shove"), gauge["pull", "along"], gauge["shove", "across", number: 1], gauge["all", "all"], bonded: false)
    found = Lattice::Verdict::Findings.new(problem, problem.study!, solve(problem)).findings.select { |f| f[:kind] == "gauge" }.to_h { |f| [f[:name], f[:values]] }
    # Alone between the plates it takes all that pulls and shoves them.
    expect([found["pull"][0], found["shove"][1]]).to be_near([5e3, 1e3], 1e-6)
    expect(found["all"][1]).to be_near(Math.hypot(found["pull"][1], found["shove"][1]), 1e-6)
    odd = plates({}, gauge["none", "along", of: "s1"])
    expect(Lattice::Verdict::Readiness.new(odd).notices.map { |n| n.fault.to_s }).to include(/reads no bolts and no joints/)
    many = plates({}, gauge["second", "along", number: 2])
    expect(Lattice::Verdict::Readiness.new(many).notices.map { |n| n.fault.to_s }).to include(/no number 2. There is one alone/)
  end

  it "alone carries the whole pull, and a moment of a sideways one" do
    pulled = forces(plates({}, pull("5 kN"), bonded: false))[0]
    expect(pulled[:tension]).to be_near([5e3, 5e3], 1e-6)
    expect(pulled[:used][:tension]).to be_near(5e3 / (580e6 * 58e-6), 1e-6)
    sheared = forces(plates({}, pull("2 kN", "+x"), bonded: false))[0]
    expect(sheared[:shear]).to be_near([2e3, 2e3], 1e-6)
    expect(sheared[:bending].sum).to be > 2e3 * 0.024 * 0.9
  end

  it "finds a bolt on every axis, and says how far the most used is used" do
    holes = [circle(10, 10, 11), circle(30, 10, 11), circle(10, 30, 11), circle(30, 30, 11)]
    data = plates({}, pull("20 kN"), bonded: false).document.statements.map(&:data)
    data[0] = data[0].merge("holes" => holes)
    problem = Lattice::Study::Problem.new(Lattice::Model::Document.new(model({}).merge("statements" => data)))
    result = solve(problem)
    expect(result.bolts.size).to eq(4)
    expect(Lattice::Result::BoltForces.rows(result, 0).sum { |b| b[:tension][0] }).to be_near(20e3, 1e-9)
    found = Lattice::Verdict::Findings.new(problem, problem.study!, result).to_h
    finding = found[:findings].find { |f| f[:kind] == "bolts" }
    expect(found[:summary][:bolts].map { |b| b[:label] }).to eq(["holes 1", "holes 2", "holes 3", "holes 4"])
    expect(finding).to include(count: 4, holds: true)
    expect(finding[:utilisation]).to be_near(5e3 / (580e6 * 58e-6), 0.05)
    expect(found[:summary][:frames][0][:bolt_forces].size).to eq(4)
  end

  it "puts a bolt of its own through every stack on an axis" do
    far = [body_named("far low", "p", thickness: "12 mm", on: on("xy", z: 100)), body_named("far high", "p", thickness: "12 mm", on: on("xy", z: 112))]
    stacks = Lattice::Load::BoltHoles.new(*plates({}, *far).then { |p| [p.parts, p.groups.find("holes")] }).call
    expect(stacks.map { |h| [h.head[2], h.nut[2], h.first, h.last] }).to match([[0.0, be_near(0.024, 1e-9), "low", "high"], [be_near(0.1, 1e-9), be_near(0.124, 1e-9), "far low", "far high"]])
  end

  it "keeps bolts through a file" do
    result = solve(plates({ "tighten" => { "force" => "20 kN" } }))
    Dir.mktmpdir do |folder|
      path = File.join(folder, "r")
      Lattice::Format::ResultFile.write(path, result)
      read = Lattice::Format::ResultFile.read(path, result.grid)
      expect(Lattice::Result::BoltForces.rows(read, 0)[0][:tension]).to be_near([20e3, 20e3], 1e-9)
      expect(read.bolts[0]).to include(size: "M10", tightened: 20e3)
    end
  end

  it "refuses a hole that is none, one through a single part, a bolt that does not fit, and tightening that nothing resists" do
    expect(refusal { solve(plates({ "target" => "top" })) }).to include("is no hole")
    expect(refusal { solve(plates({ "size" => "M12" })) }).to include("does not go through a hole of 11 mm")
    expect(refusal { solve(plates({ "tighten" => { "force" => "20 kN" } }, bonded: false)) }).to include("nothing resists")
    expect(refusal { solve(plates({ "tighten" => { "force" => "-1 kN" } })) }).to include("not above zero")
    one = { "rule" => { "all" => [{ "body" => "low" }, { "bores" => { "diameter" => "11 mm" } }] } }
    single = plates.document.statements.map { |s| s.name == "holes" ? s.data.merge(one) : s.data }
    expect(refusal { solve(Lattice::Study::Problem.new(Lattice::Model::Document.new(model({}).merge("statements" => single)))) }).to include("grips nothing")
  end

  it "finds tightening above proof odd, but does not refuse it" do
    notices = Lattice::Verdict::Readiness.new(plates({ "tighten" => { "proof" => "1.1" } })).notices
    expect(notices.reject(&:stops?).map { |n| n.fault.message }.join).to include("beyond its proof force of 33.64 kN").or include("33\u202f640 N")
    expect(notices.select(&:stops?)).to be_empty
  end

  describe "bolts of their own" do
    def four(bolt = {}, *more, **how)
      holes = [circle(10, 10, 11), circle(30, 10, 11), circle(10, 30, 11), circle(30, 30, 11)]
      data = plates(bolt, *more, **how).document.statements.map(&:data)
      data[0] = data[0].merge("holes" => holes)
      Lattice::Study::Problem.new(Lattice::Model::Document.new(model({}).merge("statements" => data)))
    end

    it "leaves out those that are ticked off, and tightens others to their own force" do
      result = solve(four({ "tighten" => { "force" => "10 kN" }, "own" => [{ "number" => 2, "off" => true }, { "number" => 3, "tighten" => "4 kN" }] }))
      expect(result.bolts.map { |b| b[:label] }).to eq(["holes 1", "holes 3", "holes 4"])
      expect(Lattice::Result::BoltForces.rows(result, 0).map { |b| b[:tension][0] }).to be_near([10e3, 4e3, 10e3], 1e-9)
      expect { four({ "own" => [{ "number" => 9, "off" => true }] }).conditions[0].check! }.to raise_error(Lattice::InvalidInput, /there is no bolt 9: it has 4/)
      expect { four({ "own" => (1..4).map { |i| { "number" => i, "off" => true } } }).conditions[0].check! }.to raise_error(Lattice::InvalidInput, /all its bolts are left out/)
    end

    it "weighs what a shank, a head and a nut weigh" do
      gravity = { "kind" => "gravity", "value" => "10 m/s2", "direction" => "-z" }
      heavy = [solve(plates({ "mass" => true }, gravity)), solve(plates({}, gravity))].map { |r| r.balance[:reaction][2] }
      mass = 7850 * ((Math::PI * (10e-3**2) / 4 * 24e-3) + (Math::PI * (16e-3**2) / 4 * 10e-3 * 1.45))
      expect(heavy[0] - heavy[1]).to be_near(10 * mass, 1e-6)
    end

    it "holds by its thread where the last part has no nut" do
      result = solve(plates({ "blind" => true, "tighten" => { "force" => "10 kN" } }))
      expect(Lattice::Result::BoltForces.rows(result, 0)[0][:tension]).to be_near([10e3, 10e3], 1e-9)
      # From the head at z = 0 to the middle of 10 mm of thread above z = 12 mm.
      expect(result.bolts[0][:nut]).to be_near([20e-3, 20e-3, 17e-3], 1e-9)
      expect(result.balance[:error]).to be < 1e-9
    end

    it "names what gives way first, bolts beside parts" do
      limit = { "kind" => "limit", "study" => "s", "quantity" => "von_mises", "target" => "high", "at_most" => "yield" }
      problem = plates({}, limit, pull("5 kN"), bonded: false)
      found = Lattice::Verdict::Findings.new(problem, problem.study!, solve(problem)).to_h
      bolts = found[:findings].find { |f| f[:kind] == "bolts" }
      expect(bolts[:safety][:tension]).to be_near(580e6 * 58e-6 / 5e3, 1e-3)
      worst = found[:findings].filter_map { |f| f[:utilisation] }.max
      expect(found[:first][:safety]).to be_near(1 / worst, 1e-12)
      expect(found[:first]).to include(kind: "limit", what: "high")
    end
  end
end
