# frozen_string_literal: true

Verify.define("skew membrane", source: "R. D. Cook, 1974; converged value 23.96") do |report|
  [4.0, 1.0].each do |size|
    result, = Verify.solve(Verify.outline(Verify.corners([0, 0], [48, 44], [48, 60], [0, 44])), Verify.body("plane stress", 1), Verify.material(1, "1/3"),
                           Verify.plane("root", "x", 0, of: "edges"), Verify.plane("tip", "x", 48, of: "edges"), Verify.held("root", "x", "y"),
                           Verify.force("tip", 1, "+y"), *Verify.static(size))
    report.check("tip movement", reference: 23.96, value: result.displacement[Verify.node(result, 48, 52, 0), 1], tolerance: 0.01, mesh: Verify.mesh_text(result))
  end
end

Verify.define("hole in a wide strip",
              source: "R. C. J. Howland, 1930, as fitted in Peterson's Stress Concentration Factors: Ktn = 3.000 − 3.140 d/W + 3.667 (d/W)² − 1.527 (d/W)³") do |report|
  width = 0.2
  hole = 0.02
  ratio = hole / width
  net = 3.0 - (3.14 * ratio) + (3.667 * (ratio**2)) - (1.527 * (ratio**3))
  stress = 100e6
  [["plane stress", 0.01, "edges", %w[x y], 0.005], ["solid", 0.005, "faces", %w[x y z], 0.006]].each do |make, thickness, of, components, size|
    # A quarter would do; the whole strip tries the free mesher. Poisson's ratio of
    # the solid is zero so that the reference, a plane one, holds through the thickness.
    result, = Verify.solve(Verify.outline(Verify.rectangle(0, 0, 0.5, width), [{ "circle" => { "x" => "0.25 m", "y" => "0.1 m", "diameter" => "#{hole} m" } }]),
                           Verify.body(make, thickness), Verify.material(210e9, make == "solid" ? 0.0 : 0.3), Verify.plane("left", "x", 0, of: of), Verify.plane("right", "x", 0.5, of: of),
                           Verify.held("left", "x"), Verify.picked("pin", "points", make == "solid" ? "start of side 1 at bottom" : "start of side 1"),
                           Verify.picked("second", "points", make == "solid" ? "start of side 4 at bottom" : "start of side 4"),
                           Verify.held("pin", *(components - ["x"])), *(make == "solid" ? [Verify.held("second", "z")] : []),
                           Verify.pressure("right", -stress), *Verify.static(size))
    value = result.stress[Verify.node(result, 0.25, 0.1 + (hole / 2), 0), 0] / stress
    report.check("#{make}: peak over gross stress", reference: net / (1 - ratio), value: value, tolerance: 0.02, mesh: Verify.mesh_text(result))
  end
end

Verify.define("shouldered flat bar in tension", source: "W. D. Pilkey, Peterson's Stress Concentration Factors, chart 3.1 (fit for 0.1 ≤ h/r ≤ 2)") do |report|
  wide = 0.06
  narrow = 0.04
  radius = 0.008
  h = (wide - narrow) / 2
  q = h / radius
  c = [1.006 + (1.008 * Math.sqrt(q)) - (0.044 * q), -0.115 - (0.584 * Math.sqrt(q)) + (0.315 * q),
       0.245 - (1.006 * Math.sqrt(q)) - (0.257 * q), -0.135 + (0.582 * Math.sqrt(q)) - (0.017 * q)]
  factor = c.each_with_index.sum { |ci, i| ci * ((2 * h / wide)**i) }
  stress = 100e6
  step = { fillet: radius }
  bar = Verify.corners([0, 0], [0.12, 0], [0.12, h, step], [0.24, h], [0.24, wide - h], [0.12, wide - h, step], [0.12, wide], [0, wide])
  result, = Verify.solve(Verify.outline(bar), Verify.body("plane stress", 0.01), Verify.material(210e9, 0.3),
                         Verify.plane("left", "x", 0, of: "edges"), Verify.plane("right", "x", 0.24, of: "edges"), Verify.held("left", "x"),
                         Verify.picked("pin", "points", "start of side 1"), Verify.held("pin", "y"), Verify.pressure("right", -stress), *Verify.static(0.0015))
  report.check("greatest principal over nominal stress", reference: factor, value: result.field("principal_max").max / stress, tolerance: 0.02, mesh: Verify.mesh_text(result))
end

# Lamé: inner radius 1, outer 2, pressure within.
module Verify
  # Closed forms of a cylinder whose ends are held.
  module ThickCylinder
    INNER = 1.0
    OUTER = 2.0
    PRESSURE = 1e6
    YOUNG = 1e9
    POISSON = 0.3

    module_function

    def hoop(radius)
      a = (INNER**2) * PRESSURE / ((OUTER**2) - (INNER**2))
      a * (1 + ((OUTER**2) / (radius**2)))
    end

    # Radial movement of the bore with no strain along the axis.
    def movement
      (1 + POISSON) / YOUNG * INNER * PRESSURE * (INNER**2) / ((OUTER**2) - (INNER**2)) * (1 - (2 * POISSON) + ((OUTER**2) / (INNER**2)))
    end

    def quarter
      s = Math.sqrt(0.5)
      Verify.corners([INNER, 0], [OUTER, 0, { through: [OUTER * s, OUTER * s] }], [0, OUTER], [0, INNER, { through: [INNER * s, INNER * s] }])
    end

    def check(report, name, result, bore)
      mesh = Verify.mesh_text(result)
      report.check("#{name}: movement of the bore", reference: movement, value: result.displacement[bore, 0], tolerance: 0.005, mesh: mesh)
      yield mesh
    end
  end
end

Verify.define("thick cylinder under pressure", source: "G. Lamé, 1852; S. P. Timoshenko, J. N. Goodier, Theory of Elasticity") do |report|
  t = Verify::ThickCylinder
  ring, = Verify.solve(Verify.outline(Verify.rectangle(t::INNER, 0, t::OUTER - t::INNER, 0.5)), Verify.body("axisymmetric"), Verify.material(t::YOUNG, t::POISSON),
                       Verify.plane("ends", "y", 0, of: "edges"), Verify.plane("top", "y", 0.5, of: "edges"), Verify.plane("bore", "x", t::INNER, of: "edges"),
                       Verify.held("ends", "y"), Verify.held("top", "y"), Verify.pressure("bore", t::PRESSURE), *Verify.static(0.1))
  bore = Verify.node(ring, t::INNER, 0.25, 0)
  t.check(report, "ring", ring, bore) { |mesh| report.check("ring: hoop stress", reference: t.hoop(t::INNER), value: ring.stress[bore, 2], tolerance: 0.01, mesh: mesh) }

  plane, = Verify.solve(Verify.outline(t.quarter), Verify.body("plane strain"), Verify.material(t::YOUNG, t::POISSON), Verify.plane("along x", "y", 0, of: "edges"),
                        Verify.plane("along y", "x", 0, of: "edges"), Verify.picked("bore", "edges", "side 4"), Verify.held("along x", "y"), Verify.held("along y", "x"),
                        Verify.pressure("bore", t::PRESSURE), *Verify.static(0.1))
  bore = Verify.node(plane, t::INNER, 0, 0)
  t.check(report, "plane strain", plane, bore) { |mesh| report.check("plane strain: hoop stress", reference: t.hoop(t::INNER), value: plane.stress[bore, 1], tolerance: 0.01, mesh: mesh) }

  solid, = Verify.solve(Verify.outline(t.quarter), Verify.body("solid", 0.2), Verify.material(t::YOUNG, t::POISSON), Verify.plane("along x", "y", 0),
                        Verify.plane("along y", "x", 0), Verify.plane("back", "z", 0), Verify.plane("front", "z", 0.2), Verify.picked("bore", "faces", "side 4"),
                        Verify.held("along x", "y"), Verify.held("along y", "x"), Verify.held("back", "z"), Verify.held("front", "z"),
                        Verify.pressure("bore", t::PRESSURE), *Verify.static(0.1))
  bore = Verify.node(solid, t::INNER, 0, 0.1)
  t.check(report, "solid", solid, bore) { |mesh| report.check("solid: hoop stress", reference: t.hoop(t::INNER), value: solid.stress[bore, 1], tolerance: 0.01, mesh: mesh) }
end

# Sides of regions that share their borders, whichever way their mesher runs round them.
Verify.define("strip of four regions pressed all round", source: "all stress in the plane is the pressure; ν (σx + σy) across") do |report|
  dividers = [[[0.06, 0], [0.06, 0.08]], [[0, 0.03], [0.12, 0.03]]].map { |points| { "corners" => points.map { |x, y| { "x" => "#{x} m", "y" => "#{y} m" } } } }
  sides = { "left" => ["x", 0], "right" => ["x", 0.12], "low" => ["y", 0], "high" => ["y", 0.08] }.map { |name, (axis, at)| Verify.plane(name, axis, at, of: "edges") }
  corner = { "kind" => "group", "name" => "corner", "of" => "points", "rule" => { "box" => { "from" => "-1 mm", "to" => "1 mm" }.transform_values { |v| { "x" => v, "y" => v, "z" => v } } } }
  ["bricks and quadrilaterals", "wedges and triangles"].each do |elements|
    result, = Verify.solve(Verify.outline(Verify.rectangle(0, 0, 0.12, 0.08)).merge("dividers" => dividers), Verify.body("plane strain"), Verify.material(210e9, 0.3).merge("target" => "everything"),
                           *sides, corner, Verify.held("corner", "x", "y"), Verify.held("low", "y"), *%w[left right high].map { |name| Verify.pressure(name, 5e6) },
                           { "kind" => "mesh", "size" => "0.02 m", "elements" => elements }, { "kind" => "study", "name" => "static", "type" => "static" })
    { "stress_xx" => -5e6, "stress_yy" => -5e6, "stress_zz" => -3e6 }.each do |name, wanted|
      value = result.field(name).minmax.max_by { |v| (v - wanted).abs }
      report.check("#{name.delete_prefix('stress_')}, worst of all points: #{elements}", reference: wanted, value: value, tolerance: 1e-9, mesh: Verify.mesh_text(result))
    end
  end
end
