# frozen_string_literal: true

RSpec.describe Lattice::Load::Condition do
  let(:cloud) do
    path = File.join(Dir.tmpdir, "lattice-cloud-#{Process.pid}.csv")
    File.write(path, "x,y,z,t,u,v\n#{[0, 70, 140, 210].product([-5, 25], [-5, 15]).map { |p| [*p, 60, 1, 1].join(',') }.join("\n")}")
    Digest::SHA256.file(path).hexdigest.tap { |digest| Lattice::Shape::Store.shared.lend(digest, path) }
  end
  let(:valid) do
    { "temperature_map" => { "target" => "bar", "file" => "cloud.csv", "digest" => cloud, "unit" => "mm", "reach" => "60 mm" },
      "displacement_map" => { "target" => "root", "file" => "cloud.csv", "digest" => cloud, "unit" => "mm", "per" => "mm", "reach" => "300 mm" },
      "pressure_map" => { "target" => "tip", "file" => "cloud.csv", "digest" => cloud, "unit" => "mm", "per" => "kPa", "reach" => "300 mm" },
      "force" => { "target" => "tip", "value" => "1 kN", "direction" => "-y" }, "pressure" => { "target" => "tip", "value" => "1 MPa" }, "gravity" => { "value" => "9.81 m/s2", "direction" => "-y" },
      "support" => { "target" => "root", "components" => ["x"] }, "displacement" => { "target" => "root", "component" => "x", "value" => "1 mm" },
      "rigid" => { "target" => "bar", "moves" => { "x" => "1 mm", "y" => "0 mm" } },
      "spin" => { "speed" => "10 Hz", "direction" => "+z" },
      "spring" => { "target" => "root", "stiffness" => "5 kN/mm", "components" => ["x"] },
      "temperature" => { "target" => "bar", "value" => "60 degC" },
      "acceleration" => { "value" => "9.81 m/s2", "direction" => "-y" }, "traction" => { "target" => "tip", "value" => "1 MPa", "direction" => "-y" },
      "torque" => { "target" => "tip", "value" => "10 N m", "direction" => [1, 0, 0] }, "bearing_load" => { "target" => "bore", "value" => "1 kN", "direction" => "-y" },
      "mass" => { "target" => "tip", "value" => "3 kg" }, "rotation" => { "target" => "tip", "value" => "1 deg", "direction" => "-y" },
      "bond" => { "target" => "tip", "to" => "stub end", "reach" => "1 mm" }, "touch" => { "target" => "tip", "to" => "stub end", "reach" => "1 mm", "friction" => "0.2" },
      "bolt" => { "target" => "stack", "size" => "M6", "class" => "8.8" },
      "joint" => { "target" => "tip", "to" => "stub end", "how" => "hinge", "axis" => "-y" }, "one_way" => { "target" => "tip", "way" => "push", "direction" => "-y", "gap" => "1 mm" },
      "bed" => { "target" => "root", "stiffness" => "50 N/mm3" }, "spot_welds" => { "target" => "tip", "to" => "stub end", "from" => spot(200, 5, 5), "until" => spot(200, 15, 5),
                                                                                    "count" => 2, "diameter" => "5 mm" },
      "bars" => { "name" => "rod", "target" => "bar", "line" => "lane", "count" => 2, "diameter" => "1 mm", "material" => "steel S355" },
      "anchor" => { "name" => "tie", "target" => "bar", "line" => "lane", "free" => "20 mm", "diameter" => "1 mm", "force" => "1 kN", "material" => "steel S355" },
      "moving_load" => { "name" => "cart", "target" => "above", "line" => "lane", "axles" => [{ "force" => "1 kN" }], "direction" => "-y" }, "motion" => { "how" => "roll", "axis" => "-y",
                                                                                                                                                           "angle" => "1 deg", "period" => "8 s" },
      "link" => { "target" => "foot", "to" => "root", "how" => "spreading" },
      "line_load" => { "target" => "rim", "value" => "1 kN/m", "direction" => "-y" } }
  end

  def with(kind, fields)
    stub = [outline_named("stub outline", rectangle("200 mm", "0 mm", "20 mm", "20 mm")), body_named("stub", "stub outline", thickness: "10 mm"),
            group_named("stub end", { "all" => [{ "body" => "stub" }, { "plane" => { "axis" => "x", "at" => "200 mm" } }] })]
    arm = [{ "kind" => "line", "name" => "way", "corners" => [spot(0, 10, 5), spot(-50, 10, 5)] }, { "kind" => "body", "name" => "arm", "outline" => "way", "make" => "members" },
           outline_named("rod", circle(0, 0, 12)),
           { "kind" => "section", "target" => "arm", "outline" => "rod" }, group_named("foot", { "all" => [{ "body" => "arm" }, { "plane" => { "axis" => "x", "at" => "0 mm" } }] }, of: "points")]
    pad = [outline_named("pad outline", rectangle("90 mm", "0 mm", "20 mm", "20 mm"), holes: [circle(100, 10, 8)]), body_named("pad", "pad outline", thickness: "10 mm", on: on("xy", z: 10)),
           group_named("stack", { "bores" => { "diameter" => "8 mm" } })]
    lane = [{ "kind" => "line", "name" => "lane", "corners" => [spot(10, 20, 5), spot(60, 20, 5)] }, group_named("above", { "all" => [{ "body" => "bar" }, { "plane" => { "axis" => "y", "at" => "20 mm" } }] })]
    beside = { "bond" => stub, "touch" => stub, "joint" => stub, "spot_welds" => stub, "link" => arm, "bolt" => pad, **%w[bars anchor moving_load].to_h { |one| [one, lane] } }
    more = beside.fetch(kind, []).each_with_index.map do |s, i|
      { "id" => "more#{i}" }.merge(s)
    end
    bore = { "id" => "bore" }.merge(group_named("bore", { "bores" => { "diameter" => "8 mm" } }))
    drilled = { "holes" => [circle(100, 10, 8)] }
    rim = { "id" => "rim" }.merge(group_named("rim", { "plane" => { "axis" => "x", "at" => "200 mm" } }, of: "edges"))
    tip = { "rule" => { "all" => [{ "body" => "bar" }, { "plane" => { "axis" => "x", "at" => "200 mm" } }] } }
    stuff = { "properties" => Models::STEEL.merge("expansion" => "12e-6 /K") }
    problem({ outline: drilled, force: nil, support: nil, tip: tip, material: stuff }, rim, bore, *more, { "id" => "it", "kind" => kind }.merge(fields))
  end

  # What an anchor pushes as it comes.
  def pulled(structure, condition) = Lattice::Engine::Anchor.new(structure, condition).tap { |anchor| anchor.come(Numo::DFloat.zeros(structure.dofs.size)) }.push

  it "has an example for every kind that there is" do
    expect(described_class::KINDS.sort).to eq([*valid.keys, "moment", "floor"].sort) # these want members: see those
  end

  (described_class::KINDS - %w[moment floor]).each do |kind|
    it "checks, signs by meaning and applies: #{kind}" do
      condition = with(kind, valid[kind]).conditions[0]
      expect { condition.check! }.not_to raise_error
      expect { Lattice::Verdict::Readiness.new(condition.problem).notices }.not_to raise_error
      does = { loads?: ->(s) { s.loads.abs.max.positive? }, holds?: ->(s) { !s.constraints.held.empty? || s.constraints.ties? || %w[spring bed].include?(kind) || !s.connectors.empty? },
               weighs?: ->(s) { s.lumps.sum.positive? }, comes?: ->(s) { pulled(s, condition).abs.max.positive? },
               touches?: ->(s) { Lattice::Engine::Touch.new(s, condition, s.grid.nodes).start[:area].positive? },
               joins?: ->(s) { (s.constraints.ties? && s.reports.any?) || !s.bolts.empty? || !s.connectors.empty? } }
      found = does.select { |what, _| condition.public_send(what) }
      does = kind == "bars" ? found.merge(bars: ->(s) { !s.bars.empty? }) : found
      expect(does.size).to eq(1)
      structure = Lattice::System::Structure.new(condition.problem, condition.problem.mesh).apply
      expect(does.values[0].call(structure)).to be(true)
      spellings = { "10 Hz" => "600/min", "+z" => [0, 0, 2],
                    "5 kN/mm" => "5e6 N/m", "60 degC" => "333.15 K", "1 kN/m" => "1 N/mm", "1 kN" => "1000 N", "1 MPa" => "1e6 Pa", "9.81 m/s2" => "981 cm/s^2",
                    "10 N m" => "10 kN mm", "3 kg" => "3000 g", "1 deg" => "0.017453292519943295 rad", "50 N/mm3" => "5e10 N/m3", "8 s" => "8000 ms", "5 mm" => "0.5 cm", "1 mm" => "0.1 cm", "-y" => [0, -3, 0] }
      spelled = valid[kind].transform_values { |v| spellings.fetch(v, v) }
      digest = ->(fields) { Lattice::Model::Digest.of(with(kind, fields).conditions[0].signature) }
      expect(digest.call(spelled)).to eq(digest.call(valid[kind]))
    end

    it "is told of before a solve, and nothing fails, while its places are not chosen yet: #{kind}" do
      bare = valid[kind].merge(valid[kind].slice("target", "to").transform_values { "" })
      notices = Lattice::Verdict::Readiness.new(with(kind, bare)).notices
      expect(notices.map { |n| n.fault.to_s }).to include(/has no target yet/) if bare.key?("target")
    end

    it "names the statement and the cure where a field of it is wrong: #{kind}" do
      cased = Lattice::Model::Schema::DOCUMENT.dig("$defs", "statement_#{kind}", "properties").key?("case")
      broken = { "target" => "nowhere", "to" => "nowhere", "direction" => [0, 0, 0], "case" => "none" }.select { |key, _| valid[kind].key?(key) || (key == "case" && cased) }
      broken.each do |key, value|
        expect { with(kind, valid[kind].merge(key => value)).conditions[0].check! }.to raise_error(Lattice::InvalidInput) { |e|
          expect(e.faults[0]).to have_attributes(statement: "it", cure: /\w/)
        }
      end
    end
  end
end
