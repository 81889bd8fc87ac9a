# frozen_string_literal: true

# One mass of 50 kg at the end of a strip without mass to speak of: E 210 GPa, 10 by 20 mm, 0.5 m long, clamped.
swinging = lambda do |*more|
  steel = { "kind" => "material", "target" => "everything", "material" => "given", "properties" => { "young" => "210 GPa", "poisson" => "0", "density" => "0.01 kg/m3" } }
  line = { "kind" => "line", "name" => "way", "corners" => [0, 0.5].map { |x| { "x" => "#{x} m", "y" => "0 m", "z" => "0 m" } } }
  near = ->(x) { { "box" => { "from" => { "x" => "#{x - 0.001} m", "y" => "-1 m", "z" => "-1 m" }, "to" => { "x" => "#{x + 0.001} m", "y" => "1 m", "z" => "1 m" } } } }
  groups = { "root" => 0, "tip" => 0.5 }.map { |name, x| { "kind" => "group", "name" => name, "of" => "points", "rule" => near[x] } }
  [line, { "kind" => "body", "name" => "strip", "outline" => "way", "make" => "members" },
   { "kind" => "outline", "name" => "outline", "boundary" => Verify.rectangle(-0.01, -0.005, 0.02, 0.01) }, { "kind" => "section", "target" => "strip", "outline" => "outline" },
   steel, *groups, { "kind" => "support", "target" => "root", "components" => %w[x y z rx ry rz] }, { "kind" => "mass", "target" => "tip", "value" => "50 kg" },
   { "kind" => "mesh", "size" => "50 mm" }, { "kind" => "study", "name" => "modes", "type" => "vibration", "modes" => 2 }, *more]
end
stiffness = 3 * 210e9 * 0.02 * (0.01**3) / 12 / (0.5**3)
natural = Math.sqrt(stiffness / 50) / (2 * Math::PI)
zeta = 0.05
sweep = { "kind" => "study", "name" => "case", "type" => "harmonic", "of" => "modes", "from" => "1 Hz", "to" => "10 Hz", "points" => 10, "damping" => zeta.to_s }
amplified = ->(r) { 1 / Math.sqrt(((1 - (r**2))**2) + ((2 * zeta * r)**2)) }
swept = lambda do |*statements|
  _, problem = Verify.solve(*statements)
  [Lattice::Study::Solving.new(problem).call(problem.study!("case")), problem]
end
# At the tip, frequency by frequency.
at_tip = lambda do |result, field|
  point = result.grid.points.nodes.to_a.index(result.grid.nodes[true, 0].max_index)
  result.series(field, Numo::Int32[point])[0...-1, 0].to_a.zip(result.lags(field, point))
end

Verify.define("one mass on a spring that a force swings", source: "S. P. Timoshenko, Vibration Problems in Engineering, 1937: F/k over √((1 − r²)² + (2 ζ r)²)") do |report|
  push = { "kind" => "force", "target" => "tip", "value" => "10 N", "direction" => "+z" }
  result, = swept.call(*swinging[push, sweep])
  mesh = Verify.mesh_text(result)
  found = at_tip[result, "displacement_z"]
  [1.0, natural, 5.0, 10.0].each do |frequency|
    frame = result.frequencies.min_by { |f| (result.frames[f].value - frequency).abs }
    r = result.frames[frame].value / natural
    report.check("amplitude at #{(r * 100).round} % of its frequency", reference: 10 / stiffness * amplified[r], value: found[frame][0], tolerance: 5e-3, mesh: mesh)
    report.check("lag there, degrees", reference: Math.atan2(2 * zeta * r, 1 - (r**2)) * 180 / Math::PI, value: found[frame][1], tolerance: 5e-3, mesh: mesh)
  end
end

Verify.define("one mass on a spring whose base shakes", source: "S. P. Timoshenko, 1937: relative movement a/ω₁² over √((1 − r²)² + (2 ζ r)²)") do |report|
  result, = swept.call(*swinging[sweep.merge("base" => { "direction" => "+z", "acceleration" => "2 m/s2" }, "relative" => true)])
  found = at_tip[result, "displacement_z"]
  result.frequencies.values_at(0, -1).push(result.frequencies.min_by { |f| (result.frames[f].value - natural).abs }).each do |frame|
    r = result.frames[frame].value / natural
    report.check("movement against the base at #{(r * 100).round} % of its frequency", reference: 2 / ((2 * Math::PI * natural)**2) * amplified[r], value: found[frame][0], tolerance: 5e-3,
                                                                                       mesh: Verify.mesh_text(result))
  end
end

Verify.define("sound power of a piston", source: "L. Cremer, M. Heckl, Körperschall, 1967: ½ ρ c v² A") do |report|
  plate = [Verify.outline(Verify.rectangle(0, 0, 0.2, 0.1)), { "kind" => "body", "name" => "part", "outline" => "outline", "make" => "solid", "thickness" => "20 mm" },
           { "kind" => "material", "target" => "everything", "material" => "given", "properties" => { "young" => "210 GPa", "poisson" => "0.3", "density" => "7850 kg/m3" } },
           { "kind" => "group", "name" => "back", "of" => "faces", "rule" => { "plane" => { "axis" => "z", "at" => "0 m" } } },
           { "kind" => "group", "name" => "front", "of" => "faces", "rule" => { "plane" => { "axis" => "z", "at" => "20 mm" } } },
           { "kind" => "support", "target" => "back", "components" => %w[x y z] }, { "kind" => "mesh", "size" => "50 mm" },
           { "kind" => "study", "name" => "modes", "type" => "vibration", "modes" => 2 },
           { "kind" => "radiated_power", "name" => "hum", "study" => "case", "target" => "front" },
           sweep.merge("base" => { "direction" => "+z", "velocity" => "10 mm/s" })]
  result, problem = swept.call(*plate)
  noise = Lattice::Verdict::Findings.new(problem, problem.study!("case"), result).findings.find { |f| f[:kind] == "radiated_power" }
  report.check("power at 1 Hz, W", reference: 0.5 * 1.204 * 343 * (0.01**2) * 0.02, value: noise[:values][0], tolerance: 1e-3, mesh: Verify.mesh_text(result))
end

Verify.define("one mass on a spring under a sudden force", source: "J. M. C. Duhamel, 1834: F/k (1 − e^(−ζωt) (cos ω_d t + ζω/ω_d sin ω_d t))") do |report|
  push = { "kind" => "force", "target" => "tip", "value" => "10 N", "direction" => "+z" }
  result, = swept.call(*swinging[push, { "kind" => "study", "name" => "case", "type" => "transient", "of" => "modes", "until" => "1 s", "step" => "10 ms", "damping" => zeta.to_s }])
  point = result.grid.points.nodes.to_a.index(result.grid.nodes[true, 0].max_index)
  w = 2 * Math::PI * natural
  d = w * Math.sqrt(1 - (zeta**2))
  [10, 24, 50].each do |frame|
    t = frame * 0.01
    wanted = 10 / stiffness * (1 - (Math.exp(-zeta * w * t) * (Math.cos(d * t) + (zeta * w / d * Math.sin(d * t)))))
    report.check("movement after #{t} s", reference: wanted, value: result.series("displacement_z", Numo::Int32[point])[frame, 0], tolerance: 1e-2, mesh: Verify.mesh_text(result))
  end
end

Verify.define("a force that drives over a beam", source: "L. Frýba, Vibration of Solids and Structures under Moving Loads, 1972: series of sines") do |report|
  near = ->(x) { { "box" => { "from" => { "x" => "#{x - 0.001} m", "y" => "-1 m", "z" => "-1 m" }, "to" => { "x" => "#{x + 0.001} m", "y" => "1 m", "z" => "1 m" } } } }
  beam = [{ "kind" => "line", "name" => "way", "corners" => [0, 10].map do |x|
    { "x" => "#{x} m", "y" => "0 m", "z" => "0 m" }
  end }, { "kind" => "body", "name" => "beam", "outline" => "way", "make" => "members" },
          { "kind" => "outline", "name" => "outline", "boundary" => Verify.rectangle(-0.1, -0.15, 0.2, 0.3) }, { "kind" => "section", "target" => "beam", "outline" => "outline" },
          { "kind" => "material", "target" => "everything", "material" => "given", "properties" => { "young" => "210 GPa", "poisson" => "0", "density" => "7850 kg/m3" } },
          *{ "left" => 0, "right" => 10 }.map { |name, x| { "kind" => "group", "name" => name, "of" => "points", "rule" => near[x] } },
          { "kind" => "group", "name" => "deck", "of" => "edges", "rule" => { "body" => "beam" } },
          { "kind" => "support", "target" => "left", "components" => %w[x y z rx] }, { "kind" => "support", "target" => "right", "components" => %w[y z] },
          { "kind" => "moving_load", "name" => "cart", "target" => "deck", "line" => "way", "axles" => [{ "force" => "50 kN" }], "direction" => "-z", "spacing" => "0.25 m" },
          { "kind" => "mesh", "size" => "0.25 m" }, { "kind" => "study", "name" => "modes", "type" => "vibration", "modes" => 20 },
          { "kind" => "study", "name" => "case", "type" => "transient", "of" => "modes", "until" => "0.5 s", "step" => "2.5 ms", "damping" => "0.0001 %", "drive" => { "load" => "cart", "speed" => "20 m/s" } }]
  result, = swept.call(*beam)
  nodes = result.grid.nodes
  point = result.grid.points.nodes.to_a.index((nodes[true, 0] - 5.0).abs.min_index)
  mass = 7850 * 0.06
  bending = 210e9 * 0.2 * (0.3**3) / 12
  at = lambda do |t|
    (1..15).sum do |n|
      w = ((n * Math::PI / 10)**2) * Math.sqrt(bending / mass)
      drive = n * Math::PI * 20 / 10
      2 * 50_000 / (mass * 10) * Math.sin(n * Math::PI / 2) / ((w**2) - (drive**2)) * (Math.sin(drive * t) - (drive / w * Math.sin(w * t)))
    end
  end
  [60, 100, 140].each { |frame| report.check("deflection half way after #{frame * 0.0025} s", reference: at[frame * 0.0025], value: -result.series("displacement_z", Numo::Int32[point])[frame, 0], tolerance: 1e-2, mesh: Verify.mesh_text(result)) }
end
