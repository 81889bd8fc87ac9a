# frozen_string_literal: true

# Regions that press on each other: E 210 GPa, ν 0.3.
steel = { "kind" => "material", "target" => "everything", "material" => "given", "properties" => { "young" => "210 GPa", "poisson" => "0.3" } }
on = ->(name, body, rule, of = "edges") { { "kind" => "group", "name" => name, "of" => of, "rule" => { "all" => [{ "body" => body }, rule] } } }
plane = ->(axis, place) { { "plane" => { "axis" => axis, "at" => "#{place} mm" } } }
stages = lambda { |*list|
  { "kind" => "study", "name" => "case", "type" => "stages", "stages" => list.map do |name, loads|
    { "name" => name, "loads" => loads.map do |key, factor|
      { "case" => key, "factor" => factor }
    end }
  end }
}
pressed = ->(result) { result.found[:stages][:touches][0][:rows].last }

Verify.define("roller pressed on a block", source: "H. Hertz, 1881: b² = 4 F R / (π E* L), p₀ = 2 F / (π b L); b = 2 mm") do |report|
  corner = ->(x, y, through = nil) { { "x" => "#{x} mm", "y" => "#{y} mm", "through" => through && { "x" => "#{through[0]} mm", "y" => "#{through[1]} mm" } }.compact }
  force = 3.625e6 # N/m on a half
  stiff = 210e9 / 2 / (1 - 0.09)
  width = Math.sqrt(8 * force * 0.05 / (Math::PI * stiff))
  most = 4 * force / Math::PI / width
  %w[quadratic linear].each do |order|
    result, = Verify.solve({ "kind" => "outline", "name" => "a", "boundary" => { "corners" => [corner[0, 0, [19.1342, 3.806]], corner[35.3553, 14.6447], corner[35.3553, 50], corner[0, 50]] } },
                           { "kind" => "outline", "name" => "b", "boundary" => { "corners" => [corner[0, -50], corner[50, -50], corner[50, 0], corner[0, 0]] } },
                           *{ "roller" => "a", "block" => "b" }.map { |name, outline| { "kind" => "body", "name" => name, "outline" => outline, "make" => "plane strain", "thickness" => "1 m" } }, steel,
                           on["round", "roller", { "surface" => { "kind" => "arc" } }], on["seat", "block", plane["y", 0]], on["floor", "block", plane["y", -50]], on["roof", "roller", plane["y", 50]],
                           on["middle a", "roller", plane["x", 0]], on["middle b", "block", plane["x", 0]],
                           *{ "floor" => "y", "middle a" => "x", "middle b" => "x" }.map { |name, axis| { "kind" => "support", "target" => name, "components" => [axis] } },
                           { "kind" => "touch", "target" => "round", "to" => "seat", "reach" => "0.3 mm" }, { "kind" => "force", "target" => "roof", "value" => "#{force} N", "direction" => "-y" },
                           { "kind" => "mesh", "size" => "6 mm", "order" => order },
                           { "kind" => "size", "ball" => { "x" => "0 mm", "y" => "0 mm", "z" => "0 mm", "radius" => "3 mm" }, "size" => "0.25 mm" },
                           stages[["press", { "" => "1" }]])
    touch = result.state(result.frames.size - 1).touch
    x = result.grid.nodes[true, 0]
    at = ((touch[true, 3] > 0) & (x < width * 1.5)).where
    hertz = Numo::NMath.sqrt((1 - ((x[at] / width)**2)).clip(0, nil)) * most
    report.check("greatest pressure, MPa: #{order}", reference: most / 1e6, value: touch[at, 0].max / 1e6, tolerance: 0.03, mesh: Verify.mesh_text(result))
    report.check("all of the pressure, rms of the greatest: #{order}", reference: 0.0, value: Math.sqrt(((touch[at, 0] - hertz)**2).mean) / most, tolerance: 0.03, mesh: Verify.mesh_text(result))
    report.check("what goes into the other, of an element: #{order}", reference: 0.0, value: pressed[result][:into] / 0.25e-3, tolerance: 1e-3, mesh: Verify.mesh_text(result))
  end
end

Verify.define("block pushed over a plate with friction", source: "C. A. Coulomb, 1781: it holds below μ, and slides above") do |report|
  hold = lambda do |share|
    result, = Verify.solve(Verify.outline(Verify.rectangle(0, 0, 0.06, 0.04)).merge("name" => "a"), Verify.outline(Verify.rectangle(0.01, 0.01, 0.03, 0.02)).merge("name" => "b"),
                           { "kind" => "body", "name" => "plate", "outline" => "a", "make" => "solid", "thickness" => "15 mm" },
                           { "kind" => "body", "name" => "block", "outline" => "b", "make" => "solid", "thickness" => "10 mm", "on" => { "plane" => "xy", "z" => "15 mm" } }, steel,
                           on["floor", "plate", plane["z", 0], "faces"], on["seat", "plate", plane["z", 15], "faces"], on["foot", "block", plane["z", 15], "faces"], on["roof", "block", plane["z", 25], "faces"],
                           { "kind" => "support", "target" => "floor", "components" => %w[x y z] }, { "kind" => "touch", "target" => "foot", "to" => "seat", "friction" => "0.3" },
                           { "kind" => "case", "name" => "press" }, { "kind" => "case", "name" => "push" }, { "kind" => "pressure", "target" => "roof", "value" => "5 MPa", "case" => "press" },
                           { "kind" => "traction", "target" => "roof", "value" => "#{1.5 * share} MPa", "direction" => "+x", "case" => "push" }, { "kind" => "mesh", "size" => "10 mm", "order" => "linear" },
                           stages[["press", { "press" => "1" }], ["push", { "push" => "1" }]])
    result
  end
  held = hold[0.999]
  report.check("shear at 0.999 of what friction holds, of the pressure", reference: 0.3 * 0.999, value: pressed[held].then { |t| t[:shear] / t[:normal] }, tolerance: 1e-5, mesh: Verify.mesh_text(held))
  slid = hold[1.1]
  report.check("share of the push at which it slides", reference: 1 / 1.1, value: slid.found[:stages][:broken][:level], tolerance: 1e-2, mesh: Verify.mesh_text(slid))
end
