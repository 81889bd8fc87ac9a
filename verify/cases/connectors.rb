# frozen_string_literal: true

# A rod of 0.4 m along x with knots at 0, 0.2 and 0.4 m, held so that it rises and tilts in the xz plane alone.
rod = lambda do |*more|
  knot = lambda { |name, from, upto|
    { "kind" => "group", "name" => name, "of" => "points",
      "rule" => { "box" => { "from" => { "x" => "#{from - 0.001} m", "y" => "-1 mm", "z" => "-1 mm" }, "to" => { "x" => "#{upto + 0.001} m", "y" => "1 mm", "z" => "1 mm" } } } }
  }
  [{ "kind" => "outline", "name" => "round", "boundary" => { "circle" => { "x" => "0 m", "y" => "0 m", "diameter" => "60 mm" } } },
   { "kind" => "line", "name" => "way", "corners" => [0, 0.2, 0.4].map { |x| { "x" => "#{x} m", "y" => "0 m", "z" => "0 m" } } }, { "kind" => "body", "name" => "part", "outline" => "way", "make" => "members" },
   { "kind" => "section", "target" => "part", "outline" => "round" }, Verify.material(210e9, 0.3), knot["knots", 0, 0.4], knot["left", 0, 0], knot["middle", 0.2, 0.2], knot["right", 0.4, 0.4],
   { "kind" => "support", "target" => "left", "components" => %w[x y rx] }, { "kind" => "support", "target" => "right", "components" => ["y"] },
   { "kind" => "one_way", "target" => "knots", "way" => "push", "direction" => "-z", "stiffness" => "1 N/mm" }, *more, *Verify.static(0.2)]
end

Verify.define("three springs that only push", source: "statics: a stiff rod on three equal springs, of which the far one lifts off") do |report|
  push = ->(target, value) { { "kind" => "force", "target" => target, "value" => value, "direction" => "-z" } }
  result, = Verify.solve(*rod[push["left", "75 N"], push["middle", "25 N"]])
  rows = result.state.connectors
  { "under the left end" => [0, -75.0], "under the middle" => [1, -25.0], "under the right end, which lifts off" => [2, 0.0] }.each do |what, (row, force)|
    report.check("force #{what}", reference: force, value: rows[row, 0], tolerance: 1e-3, mesh: "2 members")
  end
  report.check("rise of the right end", reference: 25e-3, value: rows[2, 7], tolerance: 2e-3, mesh: "2 members")
end

# Two plates of a stiff stuff, 20 mm thick, with six bolts; the lower is held, the upper pushed in its plane beside their middle.
plates = lambda do |*more, gap: 0.0|
  at = [0.03, 0.1, 0.17].product([0.03, 0.12])
  holes = at.map { |x, y| { "circle" => { "x" => "#{x} m", "y" => "#{y} m", "diameter" => "13 mm" } } }
  plan = { "kind" => "outline", "name" => "plan", "boundary" => Verify.rectangle(0, 0, 0.2, 0.15), "holes" => holes }
  body = ->(name, z) { { "kind" => "body", "name" => name, "outline" => "plan", "make" => "solid", "thickness" => "20 mm", "on" => { "plane" => "xy", "z" => "#{z} m" } } }
  face = ->(name, body, axis, place) { { "kind" => "group", "name" => name, "of" => "faces", "rule" => { "all" => [{ "body" => body }, { "plane" => { "axis" => axis, "at" => "#{place} m" } }] } } }
  [plan, body["low", 0], body["high", 0.02 + gap], { "kind" => "group", "name" => "holes", "of" => "faces", "rule" => { "bores" => { "diameter" => "13 mm" } } }, face["base", "low", "z", 0],
   face["side", "high", "x", 0.2],
   face["under", "low", "z", 0.02], face["over", "high", "z", 0.02 + gap], face["top", "high", "z", 0.04 + gap],
   { "kind" => "material", "target" => "everything", "material" => "stiff", "properties" => { "young" => "200000 GPa", "poisson" => "0.3" } }, Verify.held("base", "x", "y", "z"),
   *more, { "kind" => "mesh", "size" => "25 mm", "turn" => "60 deg" }, { "kind" => "study", "name" => "case", "type" => "static" }]
end

Verify.define("eccentric bolt group", source: "elastic method: F/n and M r / Σ r² about the centroid of the bolts, on stiff plates; of M = F e the bolts' own torsion takes n G J / L ÷ k Σ r²") do |report|
  at = [0.03, 0.1, 0.17].product([0.03, 0.12])
  force = 12e3
  result, = Verify.solve(*plates[{ "kind" => "bolt", "target" => "holes", "size" => "M12", "class" => "8.8" }, { "kind" => "force", "target" => "side", "value" => "#{force} N", "direction" => "-y" }])
  found = Lattice::Result::BoltForces.rows(result, 0)
  arms = at.map { |x, y| [x - 0.1, y - 0.075] }
  polar = arms.sum { |x, y| (x**2) + (y**2) }
  shear = 205e9 / 2.6
  stiff = 1 / (((0.04**3) / (12 * 205e9 * Math::PI * (0.012**4) / 64)) + (0.04 / (shear * 0.9 * Math::PI * (0.012**2) / 4)))
  moment = -force * 0.1 / (1 + (6 * shear * Math::PI * (0.012**4) / 32 / 0.04 / (stiff * polar)))
  result.bolts.each_with_index do |bolt, i|
    x = bolt[:head][0] - 0.1
    y = bolt[:head][1] - 0.075
    next unless x.positive? || i.zero?

    by_hand = Math.hypot(-moment * y / polar, (-force / 6) + (moment * x / polar))
    report.check("shear of the bolt at #{(bolt[:head][0] * 1000).round}; #{(bolt[:head][1] * 1000).round} mm", reference: by_hand, value: found[i][:shear].max, tolerance: 0.01, mesh: Verify.mesh_text(result))
  end
end

Verify.define("joint diagram of a tightened bolt",
              source: "a pull shared by the bolt and the clamped parts as their stiffnesses: ΔF = P k_b / (k_b + k_p), k_p of an elastic bed between stiff plates") do |report|
  bed = { "kind" => "bed", "target" => "over", "to" => "under", "stiffness" => "0.5 N/mm3", "reach" => "2 mm", "sliding" => "1" }
  cases = %w[tight pull].map { |name| { "kind" => "case", "name" => name } }
  terms = cases.map { |c| { "case" => c["name"], "factor" => "1" } }
  result, = Verify.solve(*plates[bed, *cases, { "kind" => "bolt", "target" => "holes", "size" => "M12", "class" => "8.8", "tighten" => { "force" => "20 kN" }, "case" => "tight" },
                                 { "kind" => "traction", "target" => "top", "value" => "1 MPa", "direction" => "+z", "case" => "pull" },
                                 { "kind" => "combination", "name" => "both", "terms" => terms }, gap: 0.001])
  area = (0.2 * 0.15) - (6 * Math::PI * (0.013**2) / 4)
  bolts = 6 * 205e9 * Math::PI * (0.012**2) / 4 / 0.041
  share = area * 1e6 * bolts / (bolts + (0.5e9 * area)) / 6
  tight, pull, both = (0..2).map { |frame| Lattice::Result::BoltForces.rows(result, frame).sum { |b| b[:tension][0] } / 6 }
  report.check("force after tightening", reference: 20e3, value: tight, tolerance: 1e-6, mesh: Verify.mesh_text(result))
  report.check("what a pull adds to each", reference: share, value: pull, tolerance: 0.01, mesh: Verify.mesh_text(result))
  report.check("both together", reference: 20e3 + share, value: both, tolerance: 0.01, mesh: Verify.mesh_text(result))
end

Verify.define("beam under two moving axles", source: "statics of a simply supported span, position by position") do |report|
  span = [0, 10].map { |x| { "x" => "#{x} m", "y" => "0 m", "z" => "0 m" } }
  result, = Verify.solve(
    { "kind" => "outline", "name" => "section", "boundary" => Verify.rectangle(-0.1, -0.2, 0.2, 0.4) }, { "kind" => "line", "name" => "way", "corners" => span },
    { "kind" => "body", "name" => "part", "outline" => "way", "make" => "members" }, { "kind" => "section", "target" => "part", "outline" => "section" }, Verify.material(210e9, 0.3),
    *{ "left" => 0, "right" => 10 }.map { |name, x| { "kind" => "group", "name" => name, "of" => "points", "rule" => { "plane" => { "axis" => "x", "at" => "#{x} m" } } } },
    { "kind" => "group", "name" => "deck", "of" => "edges", "rule" => { "everything" => true } },
    { "kind" => "support", "target" => "left", "components" => %w[x y z rx] }, { "kind" => "support", "target" => "right", "components" => %w[y z] },
    { "kind" => "moving_load", "name" => "lorry", "target" => "deck", "line" => "way", "axles" => [{ "force" => "60 kN" }, { "force" => "40 kN", "behind" => "3 m" }], "direction" => "-z",
      "spacing" => "500 mm" }, *Verify.static(0.5)
  )
  by_hand = (0..26).map do |i|
    axles = { i * 0.5 => 60e3, (i * 0.5) - 3 => 40e3 }.select { |x, _| x.between?(0, 10) }
    axles.keys.map { |a| (axles.sum { |x, p| p * (10 - x) / 10 } * a) - axles.sum { |x, p| x < a ? p * (a - x) : 0 } }.max || 0.0
  end
  moments = (0..26).map { |frame| Lattice::Result::Members.new(result.grid, result.state(frame)).rows[0][:forces].slice("M2", "M3").values.flat_map { |m| m.values_at(:greatest, :least) }.map(&:abs).max }
  report.check("greatest moment over all positions", reference: by_hand.max, value: moments.max, tolerance: 1e-6, mesh: "20 members")
  report.check("moment in the position that is farthest from statics", reference: 1.0, value: 1 + moments.zip(by_hand).map { |a, b| (a - b).abs / by_hand.max }.max, tolerance: 1e-6, mesh: "20 members")
end

Verify.define("bars embedded in a strip", source: "transformed section: a strip and its bars share an even pull and bend about their common centre") do |report|
  area = 4 * Math::PI * (0.016**2) / 4
  axial = (30e9 * 0.1 * 0.2) + (200e9 * area)
  centre = ((30e9 * 0.1 * 0.2 * 0.05) + (200e9 * area * 0.03)) / axial
  bending = (30e9 * 0.2 * (((0.1**3) / 12) + (0.1 * ((0.05 - centre)**2)))) + (200e9 * area * ((0.03 - centre)**2))
  { "quadrilaterals" => {}, "triangles" => { "elements" => "tetrahedra and triangles" } }.each do |what, mesh|
    result, = Verify.solve(
      Verify.outline(Verify.rectangle(0, 0, 0.4, 0.1)), Verify.body("plane stress", 0.2), Verify.material(30e9, 0), Verify.plane("left", "x", 0, of: "edges"), Verify.plane("right", "x", 0.4, of: "edges"),
      { "kind" => "group", "name" => "foot", "of" => "points", "rule" => { "box" => { "from" => { "x" => "-1 mm", "y" => "-1 mm", "z" => "-1 mm" }, "to" => { "x" => "1 mm", "y" => "1 mm", "z" => "1 mm" } } } },
      Verify.held("left", "x"), Verify.held("foot", "y"), { "kind" => "line", "name" => "low", "corners" => [0, 0.4].map { |x| { "x" => "#{x} m", "y" => "0.03 m" } } },
      { "kind" => "bars", "name" => "bars", "target" => "part", "line" => "low", "count" => 4, "diameter" => "16 mm", "material" => "bar", "properties" => { "young" => "200 GPa", "poisson" => "0.3" } },
      { "kind" => "traction", "target" => "right", "value" => "1 MPa", "direction" => "+x" }, { "kind" => "mesh", "size" => "0.013 m", "order" => "quadratic" }.merge(mesh),
      { "kind" => "study", "name" => "pull", "type" => "static" }
    )
    force = 1e6 * 0.1 * 0.2
    strain = (force / axial) - (force * (0.05 - centre) / bending * (centre - 0.03))
    middle = result.bars.each_index.select { |i| result.bars[i][:at][0].between?(0.15, 0.25) }
    report.check("stress of the bars in mid-length, #{what}", reference: strain * 200e9, value: result.state.bars[middle].mean * 200e9, tolerance: 0.01, mesh: Verify.mesh_text(result))
  end
end

Verify.define("rolling mast", source: "rigid body dynamics: m r A ω² at the end of a roll, and what the lean brings of the weight") do |report|
  span = [0, 2].map { |z| { "x" => "3 m", "y" => "0 m", "z" => "#{z} m" } }
  weight = { "value" => "9.81 m/s2", "direction" => "-z" }
  result, = Verify.solve(
    { "kind" => "outline", "name" => "round", "boundary" => { "circle" => { "x" => "0 m", "y" => "0 m", "diameter" => "0.2 m" } } }, { "kind" => "line", "name" => "way", "corners" => span },
    { "kind" => "body", "name" => "part", "outline" => "way", "make" => "members" }, { "kind" => "section", "target" => "part", "outline" => "round" }, Verify.material(210e9, 0.3, density: 1e-6),
    *{ "foot" => 0, "top" => 2 }.map { |name, z| { "kind" => "group", "name" => name, "of" => "points", "rule" => { "plane" => { "axis" => "z", "at" => "#{z} m" } } } },
    { "kind" => "support", "target" => "foot", "components" => %w[x y z rx ry rz] }, { "kind" => "mass", "target" => "top", "value" => "500 kg" },
    { "kind" => "motion", "how" => "roll", "axis" => "+x", "angle" => "15 deg", "period" => "8 s", "weight" => weight }, *Verify.static(0.5)
  )
  swing = 15 * Math::PI / 180
  rate = 2 * Math::PI / 8
  report.check("sideways reaction", reference: (500 * 2 * swing * (rate**2)) + (500 * 9.81 * Math.sin(swing)), value: result.balance[:reaction][1], tolerance: 1e-8, mesh: "4 members")
  report.check("upward reaction, less than at rest by", reference: -500 * 9.81 * (1 - Math.cos(swing)), value: result.balance[:reaction][2], tolerance: 1e-8, mesh: "4 members")
end

Verify.define("force at a point beside the part", source: "statics: the moment that a force brings about the held end; a cantilever under force and moment") do |report|
  %w[spreading rigid].each do |how|
    result, = Verify.solve(
      Verify.outline(Verify.rectangle(0, 0, 0.2, 0.02)), Verify.body("solid", 0.01), Verify.material(210e9, 0), Verify.plane("root", "x", 0), Verify.plane("tip", "x", 0.2), Verify.held("root", "x", "y", "z"),
      { "kind" => "point", "name" => "hook", "at" => { "x" => "0.3 m", "y" => "0.01 m", "z" => "0.005 m" } }, { "kind" => "link", "target" => "hook", "to" => "tip", "how" => how },
      { "kind" => "force", "target" => "hook", "value" => "1 kN", "direction" => "-y" }, *Verify.static(0.01)
    )
    bending = 210e9 * 0.01 * (0.02**3) / 12
    turn = ((1000 * (0.2**2) / 2) + (100 * 0.2)) / bending
    report.check("moment at the root, #{how}", reference: 300.0, value: result.balance[:reaction_moment][2], tolerance: 1e-6, mesh: Verify.mesh_text(result))
    report.check("turn of the point, #{how}", reference: -turn, value: result.rotation[result.grid.places[%w[hook point]][0], 2], tolerance: 0.01, mesh: Verify.mesh_text(result))
  end
end
