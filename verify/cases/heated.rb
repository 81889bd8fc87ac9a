# frozen_string_literal: true

Verify.define("two-layer strip, heated", source: "S. P. Timoshenko, Analysis of Bi-Metal Thermostats, 1925: curvature of a strip of two layers") do |report|
  layers = { "lower" => [0.0, 0.0022, 141e9, 1.3e-6], "upper" => [0.0022, 0.0018, 97e9, 20.9e-6] }
  change = 50.0
  (_, t2, e2, a2), (_, t1, e1, a1) = layers.values
  m = t2 / t1
  n = e2 / e1
  curvature = 6 * (a1 - a2) * change * ((1 + m)**2) / ((t1 + t2) * ((3 * ((1 + m)**2)) + ((1 + (m * n)) * ((m**2) + (1 / (m * n))))))
  strip = Verify.outline(Verify.rectangle(0, 0, 0.062, 0.004)).merge(
    "dividers" => [{ "corners" => [{ "x" => "0 m", "y" => "0.0022 m" }, { "x" => "0.062 m", "y" => "0.0022 m" }] }],
    "regions" => [{ "name" => "lower", "x" => "0.03 m", "y" => "0.001 m" }, { "name" => "upper", "x" => "0.03 m", "y" => "0.003 m" }]
  )
  stuff = layers.map do |name, (_, _, young, expansion)|
    { "kind" => "material", "target" => name, "material" => "given", "properties" => { "young" => "#{young} Pa", "poisson" => "0", "expansion" => "#{expansion} 1/K" } }
  end
  pin = { "kind" => "group", "name" => "pin", "of" => "points", "rule" => { "all" => [{ "plane" => { "axis" => "x", "at" => "0 m" } }, { "plane" => { "axis" => "y", "at" => "0 m" } }] } }
  result, = Verify.solve(strip, Verify.body("plane stress", 0.012), *stuff, Verify.plane("end", "x", 0, of: "edges"), pin, Verify.held("end", "x"), Verify.held("pin", "y"),
                         { "kind" => "temperature", "target" => "everything", "value" => "70 degC", "reference" => "20 degC" }, *Verify.static(0.001))
  tip = Verify.node(result, 0.062, 0.0, 0)
  report.check("sag of the tip, κ L² / 2", reference: -curvature * (0.062**2) / 2, value: result.displacement[tip, 1], tolerance: 0.01, mesh: Verify.mesh_text(result))
end

Verify.define("bar between walls, softer and longer as it is warmer", source: "elementary: σ = -E(T) (α(T) (T - 20 °C) - α(T₀) (T₀ - 20 °C))") do |report|
  rows = [[20, 200, 12], [220, 150, 14], [420, 80, 15]].map { |at, young, expansion| { "at" => "#{at} degC", "young" => "#{young} GPa", "expansion" => "#{expansion}e-6 1/K" } }
  metal = { "kind" => "material", "target" => "everything", "material" => "given", "properties" => { "poisson" => "0.3" }, "over_temperature" => rows }
  ends = %w[left right].zip([0, 0.2]).flat_map { |name, at| [Verify.plane(name, "x", at, of: "edges"), Verify.held(name, "x")] }
  result, = Verify.solve(Verify.outline(Verify.rectangle(0, 0, 0.2, 0.02)), Verify.body("plane stress", 0.01), metal, *ends, Verify.plane("sole", "y", 0, of: "edges"), Verify.held("sole", "y"),
                         { "kind" => "temperature", "target" => "everything", "value" => "320 degC", "reference" => "70 degC" }, *Verify.static(0.01))
  free = (14.5e-6 * 300) - (12.5e-6 * 50)
  report.check("stress along", reference: -115e9 * free, value: result.field("stress_xx", 0).mean, tolerance: 1e-9, mesh: Verify.mesh_text(result))
  report.check("stress across", reference: 0.0, value: result.field("stress_yy", 0).abs.max / 115e9, tolerance: 1e-9, mesh: Verify.mesh_text(result))
end

Verify.define("two layers that curl far", source: "S. P. Timoshenko, 1925: κ = 3/2 Δα ΔT / h of two like layers, bent into an arc") do |report|
  curvature = 1.5 * 20e-6 * 100 / 0.001
  strip = Verify.outline(Verify.rectangle(0, 0, 0.12, 0.001)).merge(
    "dividers" => [{ "corners" => [{ "x" => "0 m", "y" => "0.0005 m" }, { "x" => "0.12 m", "y" => "0.0005 m" }] }],
    "regions" => [{ "name" => "lower", "x" => "0.06 m", "y" => "0.0002 m" }, { "name" => "upper", "x" => "0.06 m", "y" => "0.0008 m" }]
  )
  stuff = { "lower" => 24e-6, "upper" => 4e-6 }.map do |name, a|
    { "kind" => "material", "target" => name, "material" => "given", "properties" => { "young" => "200 GPa", "poisson" => "0", "expansion" => "#{a} 1/K" } }
  end
  pin = { "kind" => "group", "name" => "pin", "of" => "points", "rule" => { "all" => [{ "plane" => { "axis" => "x", "at" => "0 m" } }, { "plane" => { "axis" => "y", "at" => "0.0005 m" } }] } }
  result, = Verify.solve(strip, Verify.body("plane stress", 0.012), *stuff, Verify.plane("end", "x", 0, of: "edges"), pin, Verify.held("end", "x"), Verify.held("pin", "y"),
                         { "kind" => "temperature", "target" => "everything", "value" => "120 degC", "reference" => "20 degC" }, { "kind" => "mesh", "size" => "2 mm" },
                         { "kind" => "study", "name" => "case", "type" => "collapse", "control" => "loads", "first" => "0.2", "upto" => "1" })
  tip = Verify.node(result, 0.12, 0.0005, 0)
  moved = result.displacement(result.frames.size - 1)[tip, true]
  long = 0.12 * (1 + (14e-6 * 100))
  report.check("tip across", reference: (1 - Math.cos(curvature * long)) / curvature, value: moved[1].abs, tolerance: 3e-3, mesh: Verify.mesh_text(result))
  report.check("tip along", reference: (Math.sin(curvature * long) / curvature) - 0.12, value: moved[0], tolerance: 1e-2, mesh: Verify.mesh_text(result))
end
