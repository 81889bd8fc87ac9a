# frozen_string_literal: true

# Regions that press on each other, in stages.
RSpec.describe Lattice::Engine::Touch do
  steel = { "kind" => "material", "target" => "everything", "material" => "given", "properties" => { "young" => "210 GPa", "poisson" => "0.3", "density" => "7850 kg/m3" } }
  on = ->(name, body, axis, at, of = "edges") { { "kind" => "group", "name" => name, "of" => of, "rule" => { "all" => [{ "body" => body }, { "plane" => { "axis" => axis, "at" => "#{at} mm" } }] } } }

  def stages(*list)
    { "id" => "c", "kind" => "study", "name" => "case", "type" => "stages", "stages" => list.map do |name, loads|
      { "name" => name, "loads" => loads.map do |key, factor|
        { "case" => key.to_s, "factor" => factor }
      end }
    end }
  end

  def solved(*statements)
    problem = shape_problem(*statements)
    Lattice::Verdict::Readiness.new(problem).check!
    study = problem.study!("case")
    result = Lattice::Study::Solving.new(problem).call(study)
    [result, Lattice::Study::Kinds::Stages.findings(problem, study, result)[0]]
  end

  # A block on a block in the plane, the upper one free but for its left side; meshes that do not meet.
  define_method(:blocks) do |*more, touch: {}, order: "quadratic", gap: 0|
    [outline_named("a", rectangle("0 mm", "0 mm", "100 mm", "50 mm")), outline_named("b", rectangle("0 mm", "#{50 + gap} mm", "100 mm", "50 mm")),
     body_named("low", "a", make: "plane stress", thickness: "10 mm"), body_named("high", "b", make: "plane stress", thickness: "10 mm"), steel,
     on["floor", "low", "y", 0], on["seat", "low", "y", 50], on["foot", "high", "y", 50 + gap], on["roof", "high", "y", 100 + gap], on["side a", "low", "x", 0], on["side b", "high", "x", 0],
     { "kind" => "support", "target" => "floor", "components" => ["y"] }, { "kind" => "support", "target" => "side a", "components" => ["x"] },
     { "kind" => "support", "target" => "side b", "components" => ["x"] },
     { "kind" => "touch", "target" => "foot", "to" => "seat" }.merge(touch.transform_keys(&:to_s)), { "kind" => "case", "name" => "press" },
     { "kind" => "pressure", "target" => "roof", "value" => "100 MPa", "case" => "press" },
     { "kind" => "mesh", "size" => "20 mm", "order" => order }, { "kind" => "division", "target" => "seat", "count" => 7 }, *more]
  end

  %w[quadratic linear].each do |order|
    it "passes a constant pressure between unlike meshes of #{order} elements" do
      result, found = solved(*blocks(stages(["press", { press: "1" }]), order: order))
      last = result.frames.size - 1
      expect(result.field("stress_yy", last).to_a).to all(be_near(-100e6, 1e-8))
      touch = found[:touches][0]
      expect(touch[:rows].last).to include(normal: be_near(100e3, 1e-9), closed: be_near(1.0, 1e-12), into: be < touch[:start][:size] * 1e-6)
      expect(result.field("touch_pressure", last).max).to be_near(100e6, 1e-8)
      expect(result.balance(last)[:error]).to be < 1e-9
    end
  end

  it "closes a gap first that is drawn, or takes it as none" do
    # A hundred and a bit millimetres shortened by 100 MPa, and the gap.
    short = 0.1 * 100e6 / 210e9
    { {} => 0.02e-3, { starts: "touching" } => 0.0 }.each do |touch, gap|
      spring = { "kind" => "spring", "target" => "roof", "stiffness" => "1 N/mm", "components" => ["y"] }
      result, found = solved(*blocks(spring, stages(["press", { press: "1" }]), gap: 0.02, touch: touch.merge(reach: "1 mm")))
      expect(found[:touches][0][:start][:least]).to be_within(1e-9).of(gap)
      expect(result.field("displacement_y", result.frames.size - 1).min).to be_near(-short - gap, 1e-3)
    end
  end

  it "holds a part weakly across a gap that nothing else holds, and rests in balance without" do
    short = 0.1 * 100e6 / 210e9
    loose = blocks(stages(["press", { press: "1" }]), gap: 2, touch: { reach: "5 mm" })
    %w[1e-3 1e-5].each do |share|
      result, found = solved(*loose[0..-2], loose[-1].merge("steadied" => share))
      last = result.frames.size - 1
      expect(result.field("displacement_y", last).min).to be_near(-short - 2e-3, 1e-5)
      expect(result.field("stress_yy", last).to_a).to all(be_near(-100e6, 1e-5))
      expect(result.balance(last)[:error]).to be < 1e-6
      expect(found[:steadied]).to be_between(0.01, 1.0)
    end
  end

  it "holds nothing weakly that nothing holds in the end" do
    lift = [{ "kind" => "case", "name" => "lift" }, { "kind" => "pressure", "target" => "roof", "value" => "-50 MPa", "case" => "lift" },
            stages(["press", { press: "1" }], ["lift", { press: "0", lift: "1" }]).merge("steadied" => "1e-3")]
    _, found = solved(*blocks(*lift))
    expect(found[:broken]).to include(stage: "lift")
    expect { solved(*blocks(stages(["press", { press: "1" }]).merge("steadied" => "2"))) }.to raise_error(Lattice::InvalidInput) { |e| expect(e.faults[0].message).to include("no small share") }
  end

  it "says where it ends once nothing holds a part any more" do
    result, found = solved(*blocks({ "kind" => "case", "name" => "lift" }, { "kind" => "pressure", "target" => "roof", "value" => "-50 MPa", "case" => "lift" },
                                   stages(["press", { press: "1" }], ["lift", { lift: "3" }])))
    expect(found[:broken]).to include(stage: "lift", level: be_between(0.5, 0.67))
    expect(result.frames.size).to be > 1
  end

  { "friction below zero" => [{ friction: "-0.1" }, /below zero/], "a reach of nothing" => [{ reach: "0 mm" }, /not above zero/] }.each do |words, (change, message)|
    it "refuses #{words}" do
      expect { solved(*blocks(stages(["press", { press: "1" }]), touch: change)) }.to(raise_error(Lattice::InvalidInput) { |e| expect(e.faults.map(&:message).join).to match(message) })
    end
  end

  it "refuses regions that are out of reach, and says how far it looked" do
    expect { solved(*blocks(stages(["press", { press: "1" }]), gap: 3, touch: { reach: "1 mm" })) }.to raise_error(Lattice::InvalidInput, /lies within 1 mm/)
  end

  it "tells that no other study follows it" do
    problem = shape_problem(*blocks({ "kind" => "study", "name" => "s", "type" => "static" }))
    expect(Lattice::Verdict::Readiness.new(problem).notices.map { |n| n.fault.message }).to include(/no study follows what touches/)
  end

  describe "with friction" do
    # A block on a plate, pressed by 5 MPa and pushed by a share of what friction holds.
    define_method(:pushed) do |share|
      solved(outline_named("a", rectangle("0 mm", "0 mm", "60 mm", "40 mm")), outline_named("b", rectangle("10 mm", "10 mm", "30 mm", "20 mm")), body_named("plate", "a", thickness: "15 mm"),
             body_named("block", "b", thickness: "10 mm", on: { "plane" => "xy", "z" => "15 mm" }), steel,
             on["floor", "plate", "z", 0, "faces"], on["seat", "plate", "z", 15, "faces"], on["foot", "block", "z", 15, "faces"],
             on["roof", "block", "z", 25, "faces"], { "kind" => "support", "target" => "floor", "components" => %w[x y z] }, { "kind" => "touch", "target" => "foot", "to" => "seat", "friction" => "0.3" },
             { "kind" => "case", "name" => "press" }, { "kind" => "case", "name" => "push" }, { "kind" => "pressure", "target" => "roof", "value" => "5 MPa", "case" => "press" },
             { "kind" => "traction", "target" => "roof", "value" => "#{1.5 * share} MPa", "direction" => "+x", "case" => "push" }, { "kind" => "mesh", "size" => "10 mm", "order" => "linear" },
             stages(["press", { press: "1" }], ["push", { push: "1" }]))
    end

    it "holds a part by nothing else, up to its limit" do
      _, found = pushed(0.9)
      expect(found[:broken]).to be_nil
      last = found[:touches][0][:rows].last
      expect([last[:normal], last[:shear]]).to be_near([3000.0, 810.0], 1e-5)
      expect(last[:sticks] + last[:slides]).to be_near(1.0, 1e-9)
    end

    it "gives way beyond it" do
      _, found = pushed(1.2)
      expect(found[:broken]).to include(stage: "push", level: be_between(0.75, 0.84))
      expect(found[:touches][0][:rows].last[:shear]).to be < 900.1
    end
  end
end
