# frozen_string_literal: true

at = ->(name, axis, place) { { "kind" => "group", "name" => name, "of" => "edges", "rule" => { "plane" => { "axis" => axis, "at" => "#{place} m" } } } }
held = ->(name, *components) { { "kind" => "support", "target" => name, "components" => components } }
ground = lambda { |young, poisson, density|
  { "kind" => "material", "target" => "everything", "material" => "soil", "properties" => { "young" => "#{young} MPa", "poisson" => poisson, "density" => "#{density} kg/m3" } }
}
loads = ->(**factors) { factors.map { |name, factor| { "case" => name.to_s, "factor" => factor } } }

sole = { "box" => { "from" => { "x" => "-0.1 m", "y" => "-0.01 m", "z" => "-1 m" }, "to" => { "x" => "1.01 m", "y" => "0.01 m", "z" => "1 m" } } }

# Half of a strip footing of 2 m, pressed down by a given movement; pressure at the end of each increment against c.
footing = lambda do |soil, depth, width, size, down, increments|
  result, = Verify.solve({ "kind" => "outline", "name" => "plan", "boundary" => Verify.rectangle(0, -depth, width, depth), "regions" => { "ground" => 0.5, "beside" => 2 }.map do |name, x|
    { "name" => name, "x" => "#{x} m", "y" => "-1 m" }
  end,
                           "dividers" => [{ "corners" => [{ "x" => "1 m", "y" => "0 m" }, { "x" => "1 m", "y" => "#{-depth} m" }] }] },
                         { "kind" => "body", "name" => "section", "outline" => "plan", "make" => "plane strain" }, ground.call(100, "0.3", 0.001),
                         { "kind" => "soil", "target" => "everything", **soil }, at["left", "x", 0], at["right", "x", width], at["base", "y", -depth],
                         { "kind" => "group", "name" => "sole", "of" => "edges", "rule" => sole },
                         held["left", "x"], held["right", "x"], held["base", "x", "y"], { "kind" => "case", "name" => "press" },
                         { "kind" => "displacement", "target" => "sole", "component" => "y", "value" => "-#{down} m", "case" => "press" },
                         { "kind" => "mesh", "size" => "#{size} m", "elements" => "wedges and triangles" }, { "kind" => "size", "target" => "sole", "size" => "#{size / 8.0} m" },
                         { "kind" => "study", "name" => "case", "type" => "stages", "stages" => [{ "name" => "press", "loads" => loads[press: "1"], "increments" => increments }] })
  nodes = ((result.grid.nodes[true, 1].abs < 1e-6) & (result.grid.nodes[true, 0] < 1 + 1e-6)).where
  [result, result.frames.map { |f| result.reaction(f.index)[nodes, 1].sum * -1 }]
end

Verify.define("strip footing on clay", source: "L. Prandtl, 1920: (π + 2) c") do |report|
  result, forces = footing.call({ "cohesion" => "10 kPa", "friction" => "0 deg", "tension" => "1 MPa" }, 4, 8, 0.5, 0.016, 8)
  report.check("pressure at which it sinks, of c", reference: Math::PI + 2, value: forces.map(&:abs).max / 10e3, tolerance: 0.02, mesh: Verify.mesh_text(result))
end

Verify.define("strip footing on sand with cohesion", source: "L. Prandtl, 1920: Nc = (tan²(45° + φ/2) e^(π tan φ) − 1) / tan φ, φ = 20°") do |report|
  phi = 20 * Math::PI / 180
  result, forces = footing.call({ "cohesion" => "10 kPa", "friction" => "20 deg", "dilation" => "20 deg", "tension" => "1 MPa" }, 5, 10, 0.5, 0.045, 8)
  report.check("pressure at which it sinks, of c", reference: (((Math.tan((Math::PI / 4) + (phi / 2))**2) * Math.exp(Math::PI * Math.tan(phi))) - 1) / Math.tan(phi), value: forces.max / 10e3, tolerance: 0.04,
                                                   mesh: Verify.mesh_text(result))
end

# Two layers of 4 m and 6 m, one of 2 m on top of them that goes or comes: confined, so that all is by hand.
layers = lambda do |*statements|
  Verify.solve({ "kind" => "outline", "name" => "plan", "boundary" => Verify.rectangle(0, 0, 3, 12), "dividers" => [4, 10].map do |y|
    { "corners" => [{ "x" => "0 m", "y" => "#{y} m" }, { "x" => "3 m", "y" => "#{y} m" }] }
  end,
                 "regions" => { "low" => 2, "middle" => 8, "top" => 11 }.map { |name, y| { "name" => name, "x" => "1 m", "y" => "#{y} m" } } },
               { "kind" => "body", "name" => "section", "outline" => "plan", "make" => "plane strain" },
               *{ "low" => 2200, "middle" => 1800, "top" => 2000 }.map { |name, density| ground.call(30, "0.3", density).merge("target" => name) },
               at["left", "x", 0], at["right", "x", 3], at["base", "y", 0], held["left", "x"], held["right", "x"], held["base", "x", "y"],
               { "kind" => "case", "name" => "weight" }, { "kind" => "gravity", "value" => "10 m/s2", "direction" => "-y", "case" => "weight" }, { "kind" => "mesh", "size" => "1 m" }, *statements)
end
rests = { "kind" => "at_rest", "target" => "everything", "coefficient" => "0.6" }
study = ->(*stages, **more) { { "kind" => "study", "name" => "case", "type" => "stages", "stages" => stages, **more.transform_keys(&:to_s) } }
confined = 30e6 * 0.7 / (1.3 * 0.4)

Verify.define("layers at rest, one of them dug away and one put on", source: "elementary: σ = Σ γ h, and Σ Δσ h / M with M = E (1 − ν) / ((1 + ν)(1 − 2 ν)); what is put on starts free of stress") do |report|
  result, = layers.call(rests, study[{ "name" => "at rest", "loads" => loads[weight: "1"] }, { "name" => "dig", "goes" => ["top"] }, { "name" => "refill", "comes" => ["top"] }])
  ends = result.judged(nil)
  points = result.grid.points
  low = result.grid.nodes[points.nodes, true]
  foot = (low[true, 1].abs < 1e-9).where
  value = ->(name, frame) { result.field(name, ends[frame])[foot].mean }
  mesh = Verify.mesh_text(result)
  report.check("movement at rest, m", reference: 0.0, value: result.field("displacement", ends[0]).max, tolerance: 1e-9, mesh: mesh)
  report.check("stress upright at the base, kPa", reference: -236.0, value: value["stress_yy", 0] / 1e3, tolerance: 1e-6, mesh: mesh)
  report.check("and across", reference: -0.6 * 236, value: value["stress_xx", 0] / 1e3, tolerance: 1e-6, mesh: mesh)
  top = ->(frame, height) { ((low[true, 1] - height).abs < 1e-9).where.then { |p| result.field("displacement_y", ends[frame])[p] } }
  report.check("heave of the dug ground, mm", reference: 40e3 * 10 / confined * 1e3, value: top[1, 10].max * 1e3, tolerance: 1e-6, mesh: mesh)
  report.check("stress at the base then, kPa", reference: -196.0, value: value["stress_yy", 1] / 1e3, tolerance: 1e-6, mesh: mesh)
  report.check("top of the refill, mm", reference: ((40e3 * 10) + (40e3 * 2 / 2)) / confined * -1e3, value: top[2, 12].min * 1e3, tolerance: 1e-6, mesh: mesh)
  report.check("stress at the base at the end, kPa", reference: -236.0, value: value["stress_yy", 2] / 1e3, tolerance: 1e-6, mesh: mesh)
end

Verify.define("anchor pulled, locked and loaded", source: "elementary: the pull while it is tightened, then by the stiffness of its free part") do |report|
  wall = { "kind" => "line", "name" => "tie", "corners" => [{ "x" => "0 m", "y" => "11.5 m", "z" => "0 m" }, { "x" => "0 m", "y" => "1 m", "z" => "0 m" }] }
  anchor = { "kind" => "anchor", "name" => "rod", "target" => "low", "line" => "tie", "free" => "8 m", "diameter" => "30 mm", "spacing" => "2 m", "force" => "200 kN", "material" => "rod",
             "properties" => { "young" => "200 GPa", "poisson" => "0.3" } }
  result, = layers.call(rests, wall, anchor,
                        study[{ "name" => "at rest", "loads" => loads[weight: "1"] }, { "name" => "pull", "comes" => ["rod"] }, { "name" => "more weight", "loads" => loads[weight: "1.5"] }])
  rows = result.found[:stages][:rows]
  mesh = Verify.mesh_text(result)
  report.check("pull as it is locked, kN", reference: 200.0, value: rows[1][:anchors][0][:force] / 1e3, tolerance: 1e-9, mesh: mesh)
  # What its head and its foot come nearer to each other from one stage to the next.
  moved = ->(stage, y) { (((result.grid.nodes[true, 1] - y).abs < 1e-6) & (result.grid.nodes[true, 0].abs < 1e-6)).where.then { |n| result.displacement(result.judged(nil)[stage])[n, 1].mean } }
  nearer = (moved[2, 3.5] - moved[1, 3.5]) - (moved[2, 11.5] - moved[1, 11.5])
  report.check("slackened by more weight, kN", reference: 200 - (nearer * 200e6 * Math::PI * (0.03**2) / 4 / 8), value: rows[2][:anchors][0][:force] / 1e3, tolerance: 1e-6, mesh: mesh)
end

Verify.define("slope by reduced strength", source: "A. W. Bishop, N. Morgenstern, Stability coefficients for earth slopes, 1960: 1.380 for 2 : 1, c / γ H = 0.05, φ = 20°, no water") do |report|
  result, = Verify.solve(Verify.outline({ "corners" => [[0, -5], [45, -5], [45, 0], [35, 0], [15, 10], [0, 10]].map do |x, y|
    { "x" => "#{x} m", "y" => "#{y} m" }
  end }), { "kind" => "body", "name" => "slope", "outline" => "outline", "make" => "plane strain" },
                         ground.call(100, "0.3", 2000), { "kind" => "soil", "target" => "slope", "cohesion" => "10 kPa", "friction" => "20 deg", "dilation" => "0 deg", "tension" => "1 MPa" }, rests,
                         at["left", "x", 0], at["right", "x", 45], at["base", "y", -5], held["left", "x"], held["right", "x"], held["base", "x", "y"],
                         { "kind" => "case", "name" => "weight" }, { "kind" => "gravity", "value" => "10 m/s2", "direction" => "-y", "case" => "weight" }, { "kind" => "mesh", "size" => "1.5 m" },
                         { "kind" => "study", "name" => "case", "type" => "strength", "of" => "stages" }, study[{ "name" => "at rest", "loads" => loads[weight: "1"] }].merge("name" => "stages"))
  found = result.found[:strength]
  report.check("factor", reference: 1.38, value: found[:factor], tolerance: 0.03, mesh: Verify.mesh_text(result))
end
