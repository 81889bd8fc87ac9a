# frozen_string_literal: true

Verify.define("round shaft under torque", source: "A.-J.-C. Barré de Saint-Venant, 1855: T L / (G J)") do |report|
  shaft = { "kind" => "outline", "name" => "outline", "boundary" => { "circle" => { "x" => "0 m", "y" => "0 m", "diameter" => "0.02 m" } } }
  result, problem = Verify.solve(shaft, Verify.body("solid", 0.2), Verify.plane("root", "z", 0), Verify.plane("tip", "z", 0.2),
                                 { "kind" => "material", "target" => "everything", "material" => "given", "properties" => { "young" => "210 GPa", "poisson" => "0.3" } }, *%w[x y z].map do |c|
                                                                                                                                                                            Verify.held("root", c)
                                                                                                                                                                          end,
                                 { "kind" => "torque", "target" => "tip", "value" => "100 N m", "direction" => "+z" }, *Verify.static(0.005))
  twist = 100 * 0.2 / (210e9 / 2.6 * Math::PI / 32 * (0.02**4))
  rim = result.displacement[result.grid.nodes_of(problem.groups.find("tip")), true]
  report.check("twist", reference: twist, value: Numo::NMath.sqrt((rim**2).sum(1)).max / 0.01, tolerance: 5e-3, mesh: Verify.mesh_text(result))
  report.check("torque that came to the nodes", reference: 100.0, value: result.totals[0][:moment][2], tolerance: 1e-9, mesh: Verify.mesh_text(result))
end

Verify.define("wall under water", source: "hydrostatics: ρ g b h² / 2 at a third of the depth") do |report|
  result, = Verify.solve(Verify.outline(Verify.rectangle(0, 0, 0.4, 3.0)), Verify.body("solid", 1.0), Verify.plane("base", "y", 0), Verify.plane("wet", "x", 0),
                         { "kind" => "material", "target" => "everything", "material" => "given", "properties" => { "young" => "30 GPa", "poisson" => "0.2" } }, *%w[x y z].map { |c| Verify.held("base", c) },
                         { "kind" => "pressure", "target" => "wet", "value" => "9.81 kN/m3 * max(2.5 m - y, 0 m)" }, *Verify.static(0.25))
  report.check("push", reference: 9810 * (2.5**2) / 2, value: result.reaction.sum(0)[0].abs, tolerance: 2e-3, mesh: Verify.mesh_text(result))
  report.check("moment about the base", reference: 9810 * (2.5**3) / 6, value: result.balance[:load_moment][2].abs, tolerance: 2e-3, mesh: Verify.mesh_text(result))
end

# A ring from 0.02 to 0.04 m cut at angles that are no axes, held across its cuts by turned supports: as a whole ring under pressure.
Verify.define("part of a pressed ring, held across its cuts", source: "G. Lamé, 1852") do |report|
  from, to, mid = [0.3, 1.9, 1.1].map { |t| [Math.cos(t), Math.sin(t)] }
  corner = ->(r, (x, y), **more) { { "x" => "#{r * x} m", "y" => "#{r * y} m" }.merge(more.transform_keys(&:to_s)) }
  through = ->(r) { { "x" => "#{r * mid[0]} m", "y" => "#{r * mid[1]} m" } }
  near = lambda { |r, (x, y), reach|
    { "box" => { "from" => { "x" => "#{(r * x) - reach} m", "y" => "#{(r * y) - reach} m", "z" => "-1 m" }, "to" => { "x" => "#{(r * x) + reach} m", "y" => "#{(r * y) + reach} m", "z" => "1 m" } } }
  }
  boundary = { "corners" => [corner[0.02, from], corner[0.04, from, through: through[0.04]], corner[0.04, to], corner[0.02, to, through: through[0.02]]] }
  group = ->(name, rule) { { "kind" => "group", "name" => name, "of" => "edges", "rule" => rule } }
  result, = Verify.solve({ "kind" => "outline", "name" => "outline", "boundary" => boundary }, Verify.body("plane stress", 0.01),
                         group["cuts", { "any" => [near[0.03, from, 0.0105], near[0.03, to, 0.0105]] }], group["bore", near[0.02, mid, 0.019]],
                         { "kind" => "material", "target" => "everything", "material" => "given", "properties" => { "young" => "210 GPa", "poisson" => "0.3" } },
                         { "kind" => "support", "target" => "cuts", "components" => ["y"], "frame" => { "axis" => "+z" } },
                         { "kind" => "pressure", "target" => "bore", "value" => "10 MPa" }, *Verify.static(0.003))
  at = result.grid.nodes
  radius = Numo::NMath.sqrt((at[true, 0]**2) + (at[true, 1]**2))
  radial = ((at[true, 0] * result.displacement[true, 0]) + (at[true, 1] * result.displacement[true, 1])) / radius
  wanted = 10e6 * 0.02 / 210e9 * ((((0.04**2) + (0.02**2)) / ((0.04**2) - (0.02**2))) + 0.3)
  report.check("outward movement of the bore", reference: wanted, value: radial[((radius - 0.02).abs < 1e-9).where].max, tolerance: 2e-3, mesh: Verify.mesh_text(result))
end
