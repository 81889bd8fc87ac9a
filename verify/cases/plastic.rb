# frozen_string_literal: true

# Metals that flow: E 210 GPa, ν 0.3, 250 MPa.
metal = lambda do |poisson = "0.3"|
  { "kind" => "material", "target" => "everything", "material" => "given", "properties" => { "young" => "210 GPa", "poisson" => poisson, "yield" => "250 MPa" } }
end
at = ->(name, axis, place) { { "kind" => "group", "name" => name, "of" => "edges", "rule" => { "plane" => { "axis" => axis, "at" => "#{place} m" } } } }
case_named = ->(name) { { "kind" => "case", "name" => name } }

Verify.define("thick tube pressed until all of it flows", source: "R. Hill, The Mathematical Theory of Plasticity, 1950: p = 2/√3 σ ln (b / a), held along its axis") do |report|
  { "quad8" => {}, "quad4" => { "order" => "linear" } }.each do |kind, order|
    result, problem = Verify.solve(Verify.outline(Verify.rectangle(0.1, 0, 0.1, 0.02)), { "kind" => "body", "name" => "tube", "outline" => "outline", "make" => "axisymmetric" }, metal.call,
                                   { "kind" => "yielding", "target" => "tube" }, at["low", "y", 0], at["high", "y", 0.02], at["bore", "x", 0.1],
                                   *%w[low high].map { |name| { "kind" => "support", "target" => name, "components" => ["y"] } }, { "kind" => "pressure", "target" => "bore", "value" => "100 MPa" },
                                   { "kind" => "mesh", "size" => "0.01 m", **order }, { "kind" => "study", "name" => "case", "type" => "collapse", "first" => "0.5", "increments" => 16 })
    found = Lattice::Study::Kinds::Collapse.findings(problem, problem.study!("case"), result)[0]
    report.check("pressure, MPa: #{kind}", reference: 2 / Math.sqrt(3) * 250 * Math.log(2), value: found[:reached] * 100, tolerance: kind == "quad8" ? 2e-3 : 3e-2, mesh: Verify.mesh_text(result))
  end
end

Verify.define("beam bent beyond yield, and let go", source: "S. P. Timoshenko, Strength of Materials II, 1930: κ / κy = 1 / √(3 − 2 M / My)") do |report|
  # 40 mm high, 10 mm thick, 0.2 m long; 0.98 sin (π η / 2) times 250 MPa on the far side stays below yield and is M / My = 1.5 · 0.98 · 8 / π².
  turning = { "kind" => "pressure", "target" => "right", "value" => "-245 MPa*sin(1.5707963*(y - 0.02 m)/(0.02 m))", "case" => "turn" }
  moment = 1.5 * 0.98 * 8 / (Math::PI**2)
  result, = Verify.solve(Verify.outline(Verify.rectangle(0, 0, 0.2, 0.04)), { "kind" => "body", "name" => "beam", "outline" => "outline", "make" => "plane stress", "thickness" => "10 mm" }, metal.call("0"),
                         { "kind" => "yielding", "target" => "beam" }, at["left", "x", 0], at["right", "x", 0.2],
                         { "kind" => "group", "name" => "corner", "of" => "points", "rule" => { "box" => { "from" => "-1 mm", "to" => "1 mm" }.transform_values { |v| { "x" => v, "y" => v, "z" => v } } } },
                         { "kind" => "support", "target" => "left", "components" => ["x"] }, { "kind" => "support", "target" => "corner", "components" => ["y"] }, case_named["turn"], turning,
                         { "kind" => "mesh", "size" => "0.004 m" },
                         { "kind" => "study", "name" => "case", "type" => "stages",
                           "stages" => { "bend" => "1", "let go" => "0" }.map { |name, factor| { "name" => name, "loads" => [{ "case" => "turn", "factor" => factor }] } } })
  # From the middle of the length to the end, away from where the stress is put on.
  bent = lambda do |frame|
    sag = lambda do |x|
      nodes = ((result.grid.nodes[true, 0] - x).abs < 1e-9).where
      result.displacement(frame)[nodes, 1].mean
    end
    (sag[0.08] - (2 * sag[0.04]) + sag[0.0]) / (0.04**2)
  end
  yields = 250e6 / 210e9 / 0.02
  ends = result.judged(nil)
  report.check("curvature under load, of that at yield", reference: 1 / Math.sqrt(3 - (2 * moment)), value: bent[ends[0]].abs / yields, tolerance: 0.02, mesh: Verify.mesh_text(result))
  report.check("curvature that stays", reference: (1 / Math.sqrt(3 - (2 * moment))) - moment, value: bent[ends[1]].abs / yields, tolerance: 0.05, mesh: Verify.mesh_text(result))
end

Verify.define("bar pulled and pushed, that yields earlier the other way", source: "elementary: plastic strain ± (300 − 250) / H, H = 10 GPa, then (300 − 200) / H back") do |report|
  result, = Verify.solve(Verify.outline(Verify.rectangle(0, 0, 0.1, 0.02)), { "kind" => "body", "name" => "bar", "outline" => "outline", "make" => "plane stress", "thickness" => "10 mm" }, metal.call("0"),
                         { "kind" => "yielding", "target" => "bar", "hardens" => "kinematic", "curve" => [{ "strain" => "0", "stress" => "250 MPa" }, { "strain" => "0.01", "stress" => "350 MPa" }] },
                         at["left", "x", 0], at["right", "x", 0.1], at["low", "y", 0], *{ "left" => "x", "low" => "y" }.map { |name, axis| { "kind" => "support", "target" => name, "components" => [axis] } },
                         case_named["pull"], { "kind" => "force", "target" => "right", "value" => "60 kN", "direction" => "+x", "case" => "pull" }, { "kind" => "mesh", "size" => "0.02 m" },
                         { "kind" => "study", "name" => "case", "type" => "stages", "stages" => { "pull" => "1", "push" => "-1", "pull again" => "1" }.map do |name, factor|
                           { "name" => name, "loads" => [{ "case" => "pull", "factor" => factor }] }
                         end })
  sums = result.judged(nil).map { |frame| result.field("plastic_strain", frame).mean }
  [0.005, 0.015, 0.025].each_with_index { |wanted, i| report.check("equivalent plastic strain after stage #{i + 1}", reference: wanted, value: sums[i], tolerance: 1e-2, mesh: Verify.mesh_text(result)) }
end

# A quarter of the tube by bricks, between smooth walls: they do not lock while all of it flows.
Verify.define("thick tube of bricks pressed until all of it flows", source: "R. Hill, The Mathematical Theory of Plasticity, 1950: p = 2/√3 σ ln (b / a), held along its axis") do |report|
  s = Math.sqrt(0.5)
  quarter = Verify.corners([0.1, 0], [0.2, 0, { through: [0.2 * s, 0.2 * s] }], [0, 0.2], [0, 0.1, { through: [0.1 * s, 0.1 * s] }])
  walls = { "level" => ["y", 0], "upright" => ["x", 0], "front" => ["z", 0], "back" => ["z", 0.02] }
  result, problem = Verify.solve(Verify.outline(quarter), Verify.body("solid", 0.02), metal.call, { "kind" => "yielding", "target" => "part" },
                                 *walls.flat_map { |name, (axis, place)| [Verify.plane(name, axis, place), Verify.held(name, axis)] }, Verify.picked("bore", "faces", "side 4"),
                                 { "kind" => "pressure", "target" => "bore", "value" => "100 MPa" }, { "kind" => "mesh", "size" => "0.02 m" },
                                 { "kind" => "study", "name" => "case", "type" => "collapse", "first" => "0.5", "increments" => 16 })
  found = Lattice::Study::Kinds::Collapse.findings(problem, problem.study!("case"), result)[0]
  report.check("pressure, MPa", reference: 2 / Math.sqrt(3) * 250 * Math.log(2), value: found[:reached] * 100, tolerance: 1e-3, mesh: Verify.mesh_text(result))
end
