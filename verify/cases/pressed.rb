# frozen_string_literal: true

# What presses, sticks and comes apart, besides touch.rb: E 210 GPa, ν 0.3.
steel = { "kind" => "material", "target" => "everything", "material" => "given", "properties" => { "young" => "210 GPa", "poisson" => "0.3" } }
on = ->(name, body, axis, place, of = "edges") { { "kind" => "group", "name" => name, "of" => of, "rule" => { "all" => [{ "body" => body }, { "plane" => { "axis" => axis, "at" => "#{place} mm" } }] } } }
round = ->(name, body) { { "kind" => "group", "name" => name, "of" => "edges", "rule" => { "all" => [{ "body" => body }, { "surface" => { "kind" => "arc" } }] } } }
held = ->(target, *components) { { "kind" => "support", "target" => target, "components" => components } }
corner = ->(x, y, through = nil) { { "x" => "#{x} mm", "y" => "#{y} mm", "through" => through && { "x" => "#{through[0]} mm", "y" => "#{through[1]} mm" } }.compact }
stages = lambda do |*list|
  { "kind" => "study", "name" => "case", "type" => "stages",
    "stages" => list.map { |name, loads, increments| { "name" => name, "loads" => loads.map { |key, factor| { "case" => key, "factor" => factor } }, "increments" => increments }.compact } }
end

Verify.define("ring pressed into another", source: "G. Lamé, 1852: p = δ / b / ((c² + b²)/(c² − b²) + (b² + a²)/(b² − a²)) · E") do |report|
  a = 0.02
  b = 0.03
  c = 0.05
  over = 0.02e-3
  rings = { "inner" => [20, 10.01], "outer" => [30 - 0.01, 20.01] }.flat_map do |name, (from, wide)|
    [Verify.outline(Verify.rectangle(from * 1e-3, 0, wide * 1e-3, 0.01)).merge("name" => name), { "kind" => "body", "name" => name, "outline" => name, "make" => "axisymmetric" }]
  end
  ends = %w[inner outer].flat_map { |name| [on["foot #{name}", name, "y", 0], held["foot #{name}", "y"]] }
  result, = Verify.solve(*rings, steel, *ends, on["out", "inner", "x", 30.01], on["in", "outer", "x", 29.99], on["bore", "inner", "x", 20],
                         { "kind" => "touch", "target" => "out", "to" => "in", "reach" => "0.5 mm" },
                         { "kind" => "pressure", "target" => "bore", "value" => "1 Pa" }, { "kind" => "mesh", "size" => "2 mm" }, stages[["fit", { "" => "1" }]])
  pressure = 210e9 * over / b / ((((c**2) + (b**2)) / ((c**2) - (b**2))) + (((b**2) + (a**2)) / ((b**2) - (a**2))))
  frame = result.frames.size - 1
  touch = result.state(frame).touch
  report.check("pressure, MPa", reference: pressure / 1e6, value: touch[(touch[true, 0] > 0).where, 0].mean / 1e6, tolerance: 5e-3, mesh: Verify.mesh_text(result))
  bore = result.grid.nodes[result.grid.points.nodes, 0].le(a + 1e-6).where
  report.check("hoop stress in the bore, MPa", reference: -2 * pressure * (b**2) / ((b**2) - (a**2)) / 1e6, value: result.field("stress_zz", frame)[bore].mean / 1e6, tolerance: 1e-2,
                                               mesh: Verify.mesh_text(result))
end

Verify.define("ball pressed on a block", source: "H. Hertz, 1881: a³ = 3 F R / 4 E*, p₀ = 3 F / (2 π a²); a = 2 mm") do |report|
  radius = 0.05
  stiff = 210e9 / 2 / (1 - 0.09)
  width = 2e-3
  force = 4 * stiff * (width**3) / (3 * radius)
  most = 3 * force / (2 * Math::PI * (width**2))
  result, = Verify.solve({ "kind" => "outline", "name" => "a", "boundary" => { "corners" => [corner[0, 0, [19.1342, 3.806]], corner[35.3553, 14.6447], corner[35.3553, 50], corner[0, 50]] } },
                         { "kind" => "outline", "name" => "b", "boundary" => { "corners" => [corner[0, -50], corner[50, -50], corner[50, 0], corner[0, 0]] } },
                         *{ "ball" => "a", "block" => "b" }.map { |name, outline| { "kind" => "body", "name" => name, "outline" => outline, "make" => "axisymmetric" } }, steel,
                         round["round", "ball"], on["seat", "block", "y", 0], on["floor", "block", "y", -50], on["roof", "ball", "y", 50], held["floor", "y"],
                         { "kind" => "touch", "target" => "round", "to" => "seat", "reach" => "0.3 mm" }, { "kind" => "force", "target" => "roof", "value" => "#{force} N", "direction" => "-y" },
                         { "kind" => "mesh", "size" => "6 mm", "order" => "linear" }, { "kind" => "size", "ball" => { "x" => "0 mm", "y" => "0 mm", "z" => "0 mm", "radius" => "3 mm" }, "size" => "0.2 mm" },
                         stages[["press", { "" => "1" }]])
  touch = result.state(result.frames.size - 1).touch
  x = result.grid.nodes[true, 0]
  at = ((touch[true, 3] > 0) & (x < width * 1.5)).where
  hertz = Numo::NMath.sqrt((1 - ((x[at] / width)**2)).clip(0, nil)) * most
  report.check("greatest pressure, MPa", reference: most / 1e6, value: touch[at, 0].max / 1e6, tolerance: 0.03, mesh: Verify.mesh_text(result))
  report.check("all of the pressure, rms of the greatest", reference: 0.0, value: Math.sqrt(((touch[at, 0] - hertz)**2).mean) / most, tolerance: 0.03, mesh: Verify.mesh_text(result))
end

Verify.define("roller pressed and pushed", source: "C. Cattaneo, 1938; R. D. Mindlin, 1949: c / b = √(1 − Q / μ P) sticks") do |report|
  friction = 0.3
  rise = 50 - Math.sqrt((50**2) - (2.5**2))
  near = lambda { |name, body|
    { "kind" => "group", "name" => name, "of" => "edges",
      "rule" => { "all" => [{ "body" => body }, { "box" => { "from" => { "x" => "-2.6 mm", "y" => "-0.1 mm", "z" => "-1 mm" }, "to" => { "x" => "2.6 mm", "y" => "0.1 mm", "z" => "1 mm" } } }] } }
  }
  result, = Verify.solve({ "kind" => "outline", "name" => "a", "boundary" => { "corners" => [corner[-35.3553, 14.6447, [-19.1342, 3.806]], corner[-2.5, rise, [0, 0]], corner[2.5, rise, [19.1342, 3.806]],
                                                                                             corner[35.3553, 14.6447], corner[35.3553, 50], corner[-35.3553, 50]] } },
                         { "kind" => "outline", "name" => "b", "boundary" => { "corners" => [corner[-50, -50], corner[50, -50], corner[50, 0], corner[2.5, 0], corner[-2.5, 0], corner[-50, 0]] } },
                         *{ "roller" => "a", "block" => "b" }.map { |name, outline| { "kind" => "body", "name" => name, "outline" => outline, "make" => "plane strain", "thickness" => "1 m" } }, steel,
                         near["round", "roller"], near["seat", "block"], on["floor", "block", "y", -50], on["roof", "roller", "y", 50], held["floor", "x", "y"],
                         { "kind" => "touch", "target" => "round", "to" => "seat", "reach" => "0.3 mm", "friction" => friction.to_s },
                         { "kind" => "case", "name" => "press" }, { "kind" => "case", "name" => "push" },
                         { "kind" => "displacement", "target" => "roof", "component" => "y", "value" => "-0.12 mm", "case" => "press" },
                         { "kind" => "displacement", "target" => "roof", "component" => "x", "value" => "0.05 mm", "case" => "push" },
                         { "kind" => "mesh", "size" => "8 mm", "order" => "linear" }, *%w[round seat].map { |name| { "kind" => "size", "target" => name, "size" => "0.04 mm" } },
                         stages[["press", { "press" => "1" }, 8], ["push", { "push" => "1" }, 9]])
  rows = result.found[:stages][:touches][0][:rows]
  [0.4, 0.7].each do |wanted|
    row = rows.min_by { |one| ((one[:shear] / (friction * one[:normal])) - wanted).abs }
    share = row[:shear] / (friction * row[:normal])
    report.check("part of the width that sticks at Q / μP = #{share.round(2)}", reference: Math.sqrt(1 - share), value: row[:sticks] / row[:closed], tolerance: 0.05, mesh: Verify.mesh_text(result))
  end
end

Verify.define("bolted joint that opens", source: "elementary: once it has opened the bolt bears all of the load, before that its preload and a part") do |report|
  plates = { "low" => 0, "high" => 20 }.flat_map do |name, z|
    [Verify.outline(Verify.rectangle(0, 0, 0.04, 0.04), [{ "circle" => { "x" => "20 mm", "y" => "20 mm", "diameter" => "11 mm" } }]).merge("name" => name),
     { "kind" => "body", "name" => name, "outline" => name, "make" => "solid", "thickness" => "20 mm", "on" => { "plane" => "xy", "z" => "#{z} mm" } }]
  end
  result, = Verify.solve(*plates, steel, on["sole", "low", "z", 0, "faces"], on["top", "low", "z", 20, "faces"], on["under", "high", "z", 20, "faces"], on["lid", "high", "z", 40, "faces"],
                         { "kind" => "group", "name" => "holes", "of" => "faces", "rule" => { "bores" => { "diameter" => "11 mm" } } }, held["sole", "x", "y", "z"], held["lid", "x", "y"],
                         { "kind" => "touch", "target" => "under", "to" => "top" }, { "kind" => "case", "name" => "tighten" }, { "kind" => "case", "name" => "pull" },
                         { "kind" => "bolt", "target" => "holes", "size" => "M10", "class" => "8.8", "tighten" => { "force" => "20 kN" }, "case" => "tighten" },
                         { "kind" => "force", "target" => "lid", "value" => "30 kN", "direction" => "+z", "case" => "pull" }, { "kind" => "mesh", "size" => "8 mm", "order" => "linear" },
                         stages[["tighten", { "tighten" => "1" }], ["pull", { "pull" => "0.4" }], ["open", { "pull" => "1" }]])
  ends = result.found[:stages][:rows].map { |row| row[:frame] }
  bolts = ends.map { |frame| result.state(frame).bolts[0, 0, 0].abs / 1e3 }
  touch = ends.map { |frame| result.found[:stages][:touches][0][:rows][frame] }
  report.check("tightened, kN", reference: 20.0, value: bolts[0], tolerance: 1e-9, mesh: Verify.mesh_text(result))
  report.check("bolt less clamp under 12 kN, kN", reference: 12.0, value: bolts[1] - (touch[1][:normal] / 1e3), tolerance: 1e-3, mesh: Verify.mesh_text(result))
  report.check("bolt once it has opened, kN", reference: 30.0, value: bolts[2], tolerance: 1e-3, mesh: Verify.mesh_text(result))
  report.check("of it closed", reference: 0.0, value: touch[2][:closed], tolerance: 1e-9, mesh: Verify.mesh_text(result))
end
