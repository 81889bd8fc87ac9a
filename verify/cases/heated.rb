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
