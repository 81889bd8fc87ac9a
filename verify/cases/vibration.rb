# frozen_string_literal: true

# Beams and columns: E 210 GPa, 10 by 20 mm, 7850 kg/m³. Strips of no lateral contraction, so that beam theory is exact.
bar = lambda do |length, ends, *more|
  steel = { "kind" => "material", "target" => "everything", "material" => "given", "properties" => { "young" => "210 GPa", "poisson" => "0", "density" => "7850 kg/m3" } }
  line = { "kind" => "line", "name" => "way", "corners" => [0, length].map { |x| { "x" => "#{x} m", "y" => "0 m", "z" => "0 m" } } }
  near = ->(x) { { "box" => { "from" => { "x" => "#{x - 0.001} m", "y" => "-1 m", "z" => "-1 m" }, "to" => { "x" => "#{x + 0.001} m", "y" => "1 m", "z" => "1 m" } } } }
  groups = { "left" => 0, "right" => length }.map { |name, x| { "kind" => "group", "name" => name, "of" => "points", "rule" => near[x] } }
  held = ends.filter_map { |name, components| components.empty? ? nil : { "kind" => "support", "target" => name, "components" => components } }
  [line, { "kind" => "body", "name" => "bar", "outline" => "way", "make" => "members" },
   { "kind" => "outline", "name" => "outline", "boundary" => Verify.rectangle(-0.005, -0.01, 0.01, 0.02) }, { "kind" => "section", "target" => "bar", "outline" => "outline" },
   steel, *groups, *held, { "kind" => "mesh", "size" => "#{length / 20.0} m" }, *more]
end
fixed = %w[x y z rx ry rz]
inertia = 0.02 * (0.01**3) / 12
speed = Math.sqrt(210e9 * inertia / (7850 * 0.0002))

{ "clamped and free" => [{ "left" => fixed }, [1.87510407, 4.69409113, 7.85475744]],
  "pinned at both ends" => [{ "left" => %w[x y z rx], "right" => %w[y z] }, [Math::PI, 2 * Math::PI, 3 * Math::PI]],
  "clamped at both ends" => [{ "left" => fixed, "right" => fixed }, [4.73004074, 7.85320462, 10.9956078]],
  "clamped and pinned" => [{ "left" => fixed, "right" => %w[y z] }, [3.92660231, 7.06858275, 10.2101761]] }.each do |name, (ends, roots)|
  Verify.define("vibration of a beam, #{name}", source: "S. P. Timoshenko, Vibration Problems in Engineering, 1937: ω = (β L)² √(E I / ρ A) / L²") do |report|
    result, = Verify.solve(*bar[1.0, ends, { "kind" => "study", "name" => "case", "type" => "vibration", "modes" => 8 }])
    # Of the two directions the softer.
    found = result.frames.map(&:value)
    roots.each_with_index do |root, i|
      wanted = (root**2) * speed / (2 * Math::PI)
      report.check("frequency #{i + 1}", reference: wanted, value: found.min_by { |f| (f - wanted).abs }, tolerance: 5e-3, mesh: Verify.mesh_text(result))
    end
    report.check("modes missed", reference: 0.0, value: (result.found[:counted][:below] - result.found[:counted][:found]).to_f, tolerance: 0.0, mesh: Verify.mesh_text(result))
  end
end

Verify.define("vibration of a beam that is pulled, pinned at both ends", source: "S. P. Timoshenko, 1937: f √(1 + P L² / π² E I)") do |report|
  pull = { "kind" => "force", "target" => "right", "value" => "#{(Math::PI**2) * 210e9 * inertia} N", "direction" => "+x" }
  _, problem = Verify.solve(*bar[1.0, { "left" => %w[x y z rx], "right" => %w[y z] }, pull, { "kind" => "study", "name" => "pull", "type" => "static" },
                                 { "kind" => "study", "name" => "ring", "type" => "vibration", "of" => "pull", "modes" => 4 }])
  result = Lattice::Study::Solving.new(problem).call(problem.study!("ring"))
  report.check("frequency under Euler's load, pulling", reference: Math::PI / 2 * speed * Math.sqrt(2), value: result.frames[0].value, tolerance: 5e-3, mesh: Verify.mesh_text(result))
end

{ "clamped and free" => [{ "left" => fixed }, 0.25], "pinned at both ends" => [{ "left" => %w[x y z rx], "right" => %w[y z] }, 1.0],
  "clamped at both ends" => [{ "left" => fixed, "right" => %w[y z rx ry rz] }, 4.0], "clamped and pinned" => [{ "left" => fixed, "right" => %w[y z] }, 2.0457] }.each do |name, (ends, factor)|
  Verify.define("buckling of a column, #{name}", source: "L. Euler, 1744: c π² E I / L²") do |report|
    push = { "kind" => "force", "target" => "right", "value" => "1 kN", "direction" => "-x" }
    statics = { "kind" => "study", "name" => "push", "type" => "static" }
    _, problem = Verify.solve(*bar[1.0, ends, push, statics, { "kind" => "study", "name" => "fold", "type" => "buckling", "of" => "push", "modes" => 2 }])
    result = Lattice::Study::Solving.new(problem).call(problem.study!("fold"))
    report.check("load", reference: factor * (Math::PI**2) * 210e9 * inertia, value: result.frames[0].value * 1000, tolerance: 5e-3, mesh: Verify.mesh_text(result))
  end
end

# A square plate 1 m by 1 m, 10 mm thick, held across its edges.
plate = lambda do |more|
  edges = { "x low" => ["x", 0], "x high" => ["x", 1], "y low" => ["y", 0], "y high" => ["y", 1] }
  groups = edges.map { |name, (axis, at)| { "kind" => "group", "name" => name, "of" => "edges", "rule" => { "plane" => { "axis" => axis, "at" => "#{at} m" } } } }
  [Verify.outline(Verify.rectangle(0, 0, 1, 1)), { "kind" => "body", "name" => "part", "outline" => "outline", "make" => "faces", "by" => "fill", "wall" => "10 mm" },
   { "kind" => "material", "target" => "everything", "material" => "given", "properties" => { "young" => "210 GPa", "poisson" => "0.3", "density" => "7850 kg/m3" } },
   *groups, *edges.keys.map { |name| { "kind" => "support", "target" => name, "components" => ["z"] } }, { "kind" => "mesh", "size" => "#{1 / 30.0} m" }, *more]
end
rigidity = 210e9 * (0.01**3) / (12 * (1 - (0.3**2)))

Verify.define("vibration of a plate, simply supported", source: "S. P. Timoshenko: ω = π² (m² + n²) √(D / ρ t) / a²") do |report|
  inplane = [{ "kind" => "support", "target" => "x low", "components" => %w[x y] }]
  result, = Verify.solve(*plate[[*inplane, { "kind" => "study", "name" => "case", "type" => "vibration", "modes" => 4 }]])
  [2, 5, 5, 8].each_with_index do |squares, i|
    report.check("frequency #{i + 1}", reference: (Math::PI**2) * squares * Math.sqrt(rigidity / (7850 * 0.01)) / (2 * Math::PI), value: result.frames[i].value, tolerance: 5e-3, mesh: Verify.mesh_text(result))
  end
end

Verify.define("buckling of a plate pressed along one way", source: "G. H. Bryan, 1891: 4 π² D / a²") do |report|
  press = { "kind" => "line_load", "target" => "x high", "value" => "1 kN/m", "direction" => "-x" }
  inplane = [{ "kind" => "support", "target" => "x low", "components" => ["x"] },
             { "kind" => "group", "name" => "corner", "of" => "points",
               "rule" => { "box" => { "from" => { "x" => "-1 mm", "y" => "-1 mm", "z" => "-1 mm" }, "to" => { "x" => "1 mm", "y" => "1 mm", "z" => "1 mm" } } } },
             { "kind" => "support", "target" => "corner", "components" => ["y"] }]
  _, problem = Verify.solve(*plate[[*inplane, press, { "kind" => "study", "name" => "press", "type" => "static" }, { "kind" => "study", "name" => "fold", "type" => "buckling", "of" => "press", "modes" => 2 }]])
  result = Lattice::Study::Solving.new(problem).call(problem.study!("fold"))
  report.check("load per length", reference: 4 * (Math::PI**2) * rigidity, value: result.frames[0].value * 1000, tolerance: 1e-2, mesh: Verify.mesh_text(result))
end

Verify.define("vibration of a solid bar, stretching", source: "c / 4 L, 3 c / 4 L of a bar that is held at one end") do |report|
  bore = { "kind" => "material", "target" => "everything", "material" => "given", "properties" => { "young" => "210 GPa", "poisson" => "0", "density" => "7850 kg/m3" } }
  ["bricks and quadrilaterals", "tetrahedra and triangles", "wedges and triangles"].each do |family|
    result, = Verify.solve(Verify.outline(Verify.rectangle(0, 0, 0.5, 0.05)), Verify.body("solid", 0.05), Verify.plane("root", "x", 0), Verify.plane("under", "y", 0), Verify.plane("back", "z", 0), bore,
                           Verify.held("root", "x"), Verify.held("under", "y"), Verify.held("back", "z"), { "kind" => "mesh", "size" => "0.025 m", "elements" => family },
                           { "kind" => "study", "name" => "case", "type" => "vibration", "modes" => 30 })
    wanted = Math.sqrt(210e9 / 7850) / (4 * 0.5)
    report.check("first, #{family}", reference: wanted, value: result.frames.map(&:value).min_by { |f| (f - wanted).abs }, tolerance: 1e-3, mesh: Verify.mesh_text(result))
    report.check("mass that moves, #{family}", reference: 7850 * 0.5 * 0.05 * 0.05, value: result.about.mass, tolerance: 1e-9, mesh: Verify.mesh_text(result))
  end
end
