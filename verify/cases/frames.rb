# frozen_string_literal: true

# Members that flow fibre by fibre: E 200 GPa, 250 MPa, and earthquakes. Section 100 by 200 mm, bent about its weak axis where nothing else is said.
lines = ->(*corners) { { "kind" => "line", "name" => "axis", "corners" => corners.map { |at| %w[x y z].zip(at).to_h { |k, v| [k, "#{v} m"] } } } }
near = lambda { |name, *at|
  { "kind" => "group", "name" => name, "of" => "points", "rule" => { "box" => { "from" => %w[x y z].zip(at).to_h { |k, v| [k, "#{v - 0.01} m"] }, "to" => %w[x y z].zip(at).to_h do |k, v|
    [k, "#{v + 0.01} m"]
  end } } }
}
members = lambda do |corners, *more, density: 1e-3, up: "+y", bar: false|
  [lines[*corners], { "kind" => "body", "name" => "part", "make" => "members", "outline" => "axis" }, Verify.outline(Verify.rectangle(-0.05, -0.1, 0.1, 0.2)),
   { "kind" => "section", "target" => "part", "outline" => "outline", "up" => up }.merge(bar ? { "bar" => true } : {}),
   { "kind" => "material", "target" => "part", "material" => "given", "properties" => { "young" => "200 GPa", "poisson" => "0.3", "density" => "#{density} kg/m3" } }, *more]
end
yields = ->(**more) { { "kind" => "yielding", "target" => "part", "strength" => "250 MPa" }.merge(more.transform_keys(&:to_s)) }
solved = lambda do |statements, name = "case"|
  _, problem = Verify.solve(*statements)
  [Lattice::Study::Solving.new(problem).call(problem.study!(name)), problem]
end
collapse = ->(**more) { { "kind" => "study", "name" => "case", "type" => "collapse" }.merge(more.transform_keys(&:to_s)) }
clamped = ->(target) { Verify.held(target, "x", "y", "z", "rx", "ry", "rz") }
plastic = 250e6 * 0.2 * (0.1**2) / 4

Verify.define("a portal until it is a mechanism", source: "B. G. Neal, The Plastic Methods of Structural Analysis, 1956: H = 4 Mp / h") do |report|
  height = 3.0
  push = { "kind" => "force", "target" => "top", "value" => "100 kN", "direction" => "+x" }
  feet = { "kind" => "group", "name" => "feet", "of" => "points", "rule" => { "plane" => { "axis" => "z", "at" => "0 m" } } }
  model = members[[[0, 0, 0], [0, 0, height], [4, 0, height], [4, 0, 0]], yields.call, feet, near["top", 0, 0, height], clamped["feet"], push, { "kind" => "mesh", "size" => "0.75 m" },
                  collapse[upto: "5", first: "0.2", far: "250 mm"]]
  result, = solved[model]
  curve = result.found[:collapse][:curve]
  at = curve[:moved].each_index.min_by { |i| (curve[:moved][i] - 0.2).abs }
  report.check("load that it bears, N", reference: 4 * plastic / height, value: curve[:factors][at] * 100e3, tolerance: 0.01, mesh: Verify.mesh_text(result))
end

Verify.define("a clamped beam under a uniform load until it is a mechanism", source: "B. G. Neal, 1956: w = 16 Mp / L²") do |report|
  span = 4.0
  load = { "kind" => "line_load", "target" => "part", "value" => "#{16 * plastic / (span**2)} N/m", "direction" => "-z" }
  model = members[[[0, 0, 0], [span, 0, 0]], yields.call, near["one", 0, 0, 0], near["other", span, 0, 0], clamped["one"], Verify.held("other", "y", "z", "rx", "ry", "rz"), load,
                  { "kind" => "mesh", "size" => "2 m" }, collapse[upto: "2", first: "0.2", far: "80 mm"], up: "+y"]
  result, = solved[model]
  found = result.found[:collapse]
  report.check("load that it bears, of 16 Mp / L²", reference: 1.0, value: found[:curve][:factors].last, tolerance: 0.01, mesh: Verify.mesh_text(result))
  # Whatever flows, its ends and its middle share the moment that statics asks for.
  forces = result.state(result.frames.size - 1).ends.compact[0]
  moments = forces[true, true, 4..5].abs.max(2)
  report.check("moments of end and middle, N m", reference: found[:curve][:factors].last * 2 * plastic, value: moments[0, 0] + moments[0, 1], tolerance: 1e-3, mesh: Verify.mesh_text(result))
end

Verify.define("a section bent on and on under a force along it", source: "B. G. Neal, 1956, of a rectangle: M = Mp (1 − (N / Np)²)") do |report|
  [0.0, 0.5].each do |share|
    held = [{ "kind" => "case", "name" => "pull" }, { "kind" => "case", "name" => "bend" },
            { "kind" => "force", "target" => "tip", "value" => "#{share * 250e6 * 0.02} N", "direction" => "+x", "case" => "pull" },
            { "kind" => "moment", "target" => "tip", "value" => "#{plastic} N*m", "direction" => "-y", "case" => "bend" }]
    model = members[[[0, 0, 0], [0.2, 0, 0]], yields.call, near["root", 0, 0, 0], near["tip", 0.2, 0, 0], clamped["root"], *held, { "kind" => "mesh", "size" => "0.2 m" },
                    collapse[case: "bend", upto: "2", first: "0.2", increments: 80, far: "8 mm", **(share.zero? ? {} : { held: "pull" })], up: "+y"]
    result, = solved[model]
    moment = result.state(result.frames.size - 1).ends.compact[0][0, true, 4..5].abs.max
    report.check("moment at #{(share * 100).round} % of the force that it bears, N m", reference: plastic * (1 - (share**2)), value: moment, tolerance: 0.01, mesh: Verify.mesh_text(result))
  end
end

# A bar of 2 m with 1000 t at its end, 250 MPa, that hardens by a twentieth and yields earlier the other way.
record = (0..400).map { |i| i * 0.01 }.map { |t| Math.exp(-t / 2) * ((9.0 * Math.sin(2 * Math::PI * 3.1 * t)) + (6.0 * Math.sin(2 * Math::PI * 5.3 * t))) }
shaken = lambda do |*more, ratio: "0", mass: "1e6 kg", scale: 1.0|
  [*(mass ? [{ "kind" => "mass", "target" => "tip", "value" => mass }] : []), { "kind" => "ground_motion", "name" => "record", "step" => "10 ms", "unit" => "m/s2", "values" => [record.map { |v| v * scale }] },
   { "kind" => "mesh", "size" => "2 m" }, *more,
   { "kind" => "study", "name" => "case", "type" => "shaking", "ground" => [{ "motion" => "record", "direction" => "+x" }],
     "step" => "2.5 ms", "until" => "2 s", "periods" => { "ratio" => ratio, "longer" => "0.2 s", "shorter" => "0.05 s" } }]
end

Verify.define("a bar that yields to and fro while its foot shakes", source: "steps a thousand times finer of m u″ = −f(u) − m a, with a kinematic bilinear f") do |report|
  hardens = yields[curve: [{ "strain" => "0", "stress" => "250 MPa" }, { "strain" => "1", "stress" => "#{250 + (200e3 / 19)} MPa" }], hardens: "kinematic"]
  model = members[[[0, 0, 0], [2, 0, 0]], hardens, near["root", 0, 0, 0], near["tip", 2, 0, 0], clamped["root"], Verify.held("tip", "y", "z", "rx", "ry", "rz"), *shaken.call, bar: true]
  result, = solved[model]
  stiff = 200e9 * 0.02 / 2
  shift = 200e9 / 19 * 0.02 / 2
  bears = 250e6 * 0.02
  u = v = plastic_part = 0.0
  fine = 2.5e-6
  moved = [0.0]
  force = lambda do
    trial = stiff * (u - plastic_part)
    over = (trial - (shift * plastic_part)).abs - bears
    plastic_part += over / (stiff + shift) * ((trial - (shift * plastic_part)) <=> 0) if over.positive?
    stiff * (u - plastic_part)
  end
  (2.0 / fine).round.times do |n|
    place = n * fine / 0.01
    k = place.floor
    ground = record[k] + ((record[k + 1] - record[k]) * (place - k))
    v += fine * ((-force.call / 1e6) - ground)
    u += fine * v
    moved << u if ((n + 1) % 1000).zero?
  end
  far = result.found[:shaking][:farthest]
  report.check("greatest movement, m", reference: moved.map(&:abs).max, value: result.found[:shaking][:most][:farthest], tolerance: 5e-3, mesh: Verify.mesh_text(result))
  report.check("movement that stays, m", reference: moved.last.abs, value: far.last, tolerance: 2e-2, mesh: Verify.mesh_text(result))
  bears_most = bears + (shift * stiff / (stiff + shift) * (moved.map(&:abs).max - (bears / stiff)))
  report.check("greatest force at its foot, N", reference: bears_most, value: result.found[:shaking][:most][:base], tolerance: 5e-3,
                                                mesh: Verify.mesh_text(result))
end

Verify.define("an elastic frame whose feet shake", source: "the same by its natural shapes, each stepped exactly (N. C. Nigam, P. C. Jennings, 1969)") do |report|
  feet = { "kind" => "group", "name" => "feet", "of" => "points", "rule" => { "plane" => { "axis" => "z", "at" => "0 m" } } }
  tops = { "kind" => "group", "name" => "tops", "of" => "points", "rule" => { "plane" => { "axis" => "z", "at" => "3 m" } } }
  gauge = { "kind" => "gauge", "name" => "top", "study" => "modal", "quantity" => "displacement_x", "target" => "top" }
  one, two = [0.2, 0.05].map { |period| 2 * Math::PI / period }
  more = [{ "kind" => "mass", "target" => "tops", "value" => "20 t" },
          { "kind" => "study", "name" => "modes", "type" => "vibration", "modes" => 24 },
          { "kind" => "study", "name" => "modal", "type" => "transient", "of" => "modes", "until" => "2 s", "step" => "1 ms", "history" => record.each_with_index.flat_map { |v, i| [i * 0.01, v * 0.1] },
            "base" => { "direction" => "+x", "acceleration" => "1 m/s2" },
            "rayleigh" => { "from" => "#{one / 2 / Math::PI} Hz", "from_ratio" => "3 %", "to" => "#{two / 2 / Math::PI} Hz", "to_ratio" => "3 %" } }, gauge]
  model = members[[[0, 0, 0], [0, 0, 3], [4, 0, 3], [4, 0, 0]], feet, tops, near["top", 0, 0, 3], clamped["feet"], *shaken.call(*more, ratio: "3 %").reject do |s|
    s["kind"] == "mass" && s["target"] == "tip"
  end.then do |all|
    seen = []
    all.reject { |s| %w[ground_motion mesh].include?(s["kind"]) && seen.include?(s["kind"]).tap { seen << s["kind"] } }
  end, density: 7850]
  model.each { |s| s["values"] = [record.map { |v| v * 0.1 }] if s["kind"] == "ground_motion" }
  result, problem = solved[model]
  modal = Lattice::Study::Solving.new(problem).call(problem.study!("modal"))
  point = modal.grid.points.nodes.to_a.index(Verify.node(modal, 0, 0, 3))
  exact = modal.series("displacement_x", Numo::Int32[point])[0...-1, 0].abs.max
  top = Verify.node(result, 0, 0, 3)
  found = result.frames.map { |f| result.displacement(f.index)[top, 0].abs }.max
  report.check("greatest movement of its top, m", reference: exact, value: found, tolerance: 1e-2, mesh: Verify.mesh_text(result))
end

# 300 by 500 mm of concrete of 30 MPa, E 30 GPa, so that it is crushed from 0.2 % on; 1500 mm² of bars 200 mm under its middle, 500 MPa.
Verify.define("a section of concrete with bars bends", source: "by hand: T = A f, C = ⅔ f b c with its parabola full at 0.2 %, M = T (d − 3 c / 8)") do |report|
  outline = Verify.outline(Verify.rectangle(-0.15, -0.25, 0.3, 0.5))
  diameter = Math.sqrt(4 * 500e-6 / Math::PI)
  section = { "kind" => "reinforced", "outline" => "outline", "strength" => "30 MPa", "bar_strength" => "500 MPa", "hardens" => "0",
              "rows" => [{ "at" => "-200 mm", "width" => "200 mm", "count" => 3, "diameter" => "#{diameter} m" }] }
  document = Lattice::Model::Document.new(Lattice::Model::Document.empty("case", units: "SI").merge("statements" => [outline.merge("id" => "s1"), section.merge("id" => "s2")]))
  reinforced = Lattice::Matter::Reinforced.all(document)["outline"]
  reinforced.check!
  # Sagging about x presses its upper side.
  curve = reinforced.bending(30e9).find { |c| c[:axis] == "x" && c[:sign] == -1 }
  pull = 1500e-6 * 500e6
  depth = pull / (2.0 / 3 * 30e6 * 0.3)
  curvature = 0.002 / depth
  found = Lattice::Algebra::Search.straight(*%i[curvatures moments].map { |key| Numo::DFloat.cast(curve[key]) }, Numo::DFloat[curvature])[0]
  report.check("moment at a curvature of #{format('%.3g', curvature)} 1/m, N m", reference: pull * (0.45 - (3 * depth / 8)), value: found, tolerance: 0.01, mesh: "8 × 8 cells")
end

Verify.define("a column of concrete with bars is pushed over", source: "the moment of its section at the same force along, by its curvature alone") do |report|
  section = { "kind" => "reinforced", "outline" => "outline", "strength" => "30 MPa", "bar_strength" => "500 MPa", "confined" => { "cover" => "20 mm", "factor" => "1.3" }, "axial" => "-120 kN",
              "rows" => [60, -60].map { |y| { "at" => "#{y} mm", "width" => "50 mm", "count" => 2, "diameter" => "16 mm" } } }
  loads = [{ "kind" => "case", "name" => "weight" }, { "kind" => "case", "name" => "push" }, { "kind" => "force", "target" => "tip", "value" => "120 kN", "direction" => "-z", "case" => "weight" },
           { "kind" => "force", "target" => "tip", "value" => "10 kN", "direction" => "+x", "case" => "push" }]
  model = members[[[0, 0, 0], [0, 0, 2]], section, near["root", 0, 0, 0], near["tip", 0, 0, 2], clamped["root"], *loads, { "kind" => "mesh", "size" => "2 m" },
                  collapse[held: "weight", case: "push", first: "0.1", increments: 80, far: "120 mm"], up: "+x"]
  model = model.map { |s| s["kind"] == "material" ? s.merge("properties" => s["properties"].merge("young" => "30 GPa")) : s }
  result, problem = solved[model]
  moment = result.frames.map { |f| result.state(f.index).ends.compact[0][0, 0, 4..5].abs.max }.max
  bends = problem.yielding.reinforced["outline"].bending(30e9)[0]
  report.check("greatest moment at its foot, N m", reference: bends[:moments].max, value: moment, tolerance: 0.01, mesh: Verify.mesh_text(result))
end
