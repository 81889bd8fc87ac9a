# frozen_string_literal: true

conducting = lambda do |width, conductivity, *more|
  [Verify.outline(Verify.rectangle(0, 0, width, 0.01)), { "kind" => "body", "name" => "part", "outline" => "outline", "make" => "solid", "thickness" => "10 mm" },
   { "kind" => "material", "target" => "everything", "material" => "given", "properties" => { "young" => "210 GPa", "poisson" => "0.3", "conductivity" => "#{conductivity} W/(m K)" } },
   *{ "left" => 0, "right" => width }.map { |name, x| { "kind" => "group", "name" => name, "of" => "faces", "rule" => { "plane" => { "axis" => "x", "at" => "#{x} m" } } } },
   { "kind" => "mesh", "size" => "5 mm" }, *more, { "kind" => "study", "name" => "case", "type" => "heat" }]
end
air = ->(target, temperature, film) { { "kind" => "heat", "target" => target, "how" => "convection", "temperature" => "#{temperature} degC", "film" => "#{film} W/(m2 K)" } }

Verify.define("wall between two airs", source: "H. S. Carslaw, J. C. Jaeger, Conduction of Heat in Solids, 1959: resistances in a row") do |report|
  result, = Verify.solve(*conducting[0.1, 50, air["left", 100, 20], air["right", 20, 10]])
  field = result.field("temperature") - 273.15
  flow = 80 / ((1 / 20.0) + (0.1 / 50) + (1 / 10.0))
  report.check("warm side", reference: 100 - (flow / 20), value: field.max, tolerance: 1e-6, mesh: Verify.mesh_text(result))
  report.check("cold side", reference: 20 + (flow / 10), value: field.min, tolerance: 1e-6, mesh: Verify.mesh_text(result))
  report.check("flow of heat, W/m²", reference: flow, value: result.field("heat_flux").max, tolerance: 1e-6, mesh: Verify.mesh_text(result))
end

Verify.define("fin of 10 by 10 by 100 mm, cooled all round", source: "H. S. Carslaw, J. C. Jaeger, 1959: 1 / cosh mL, with the tip as more length") do |report|
  sides = { "kind" => "group", "name" => "sides", "of" => "faces", "rule" => { "not" => { "plane" => { "axis" => "x", "at" => "0 m" } } } }
  result, = Verify.solve(*conducting[0.1, 200, sides, { "kind" => "heat", "target" => "left", "how" => "held", "temperature" => "100 degC" }, air["sides", 20, 50]])
  m = Math.sqrt(50 * 0.04 / (200 * 1e-4))
  report.check("tip above the air", reference: 80 / Math.cosh(m * 0.1025), value: result.field("temperature").min - 293.15, tolerance: 5e-3, mesh: Verify.mesh_text(result))
end

{ "members" => [2, 0.04], "faces" => [2, 0.01] }.each do |make, (mm, girth)|
  Verify.define("fin as #{make}, cooled along it", source: "H. S. Carslaw, J. C. Jaeger, 1959: 1 / cosh mL, √(h P k A) tanh mL") do |report|
    line = [{ "kind" => "line", "name" => "way", "corners" => [0, 0.1].map { |x| { "x" => "#{x} m", "y" => "0 m", "z" => "0 m" } } },
            { "kind" => "body", "name" => "part", "outline" => "way", "make" => "members" },
            Verify.outline(Verify.rectangle(-0.005, -0.005, 0.01, 0.01)), { "kind" => "section", "target" => "part", "outline" => "outline" }]
    sheet = [Verify.outline(Verify.rectangle(0, 0, 0.1, 0.01)), { "kind" => "body", "name" => "part", "outline" => "outline", "make" => "faces", "by" => "fill", "wall" => "10 mm" }]
    root = { "kind" => "group", "name" => "root", "of" => make == "members" ? "points" : "edges", "rule" => { "plane" => { "axis" => "x", "at" => "0 m" } } }
    result, = Verify.solve(*(make == "members" ? line : [*sheet, { "kind" => "group", "name" => "face", "of" => "faces", "rule" => { "body" => "part" } }]), root,
                           { "kind" => "material", "target" => "everything", "material" => "given", "properties" => { "young" => "210 GPa", "poisson" => "0.3", "conductivity" => "200 W/(m K)" } },
                           { "kind" => "heat", "target" => "root", "how" => "held", "temperature" => "100 degC" }, air[make == "members" ? "part" : "face", 20, 50],
                           { "kind" => "mesh", "size" => "#{mm} mm" }, { "kind" => "study", "name" => "case", "type" => "heat" })
    m = Math.sqrt(50 * girth / (200 * 1e-4))
    report.check("tip above the air", reference: 80 / Math.cosh(m * 0.1), value: result.field("temperature").min - 293.15, tolerance: 1e-3, mesh: Verify.mesh_text(result))
    report.check("flow into the root, W", reference: Math.sqrt(50 * girth * 200 * 1e-4) * 80 * Math.tanh(m * 0.1), value: result.found[:heat][:rows][0][:power], tolerance: 1e-3, mesh: Verify.mesh_text(result))
  end
end

Verify.define("rainflow of the published sequence", source: "ASTM E 1049-85: ranges 3, 4, 6, 8, 9") do |report|
  values = [-2, 1, -3, 5, -1, 3, -4, 4, -2].map(&:to_f)
  counts = Lattice::Life::Rainflow.once(values).group_by { |i, j, _| (values[i] - values[j]).abs }.transform_values { |list| list.sum(&:last) }
  { 3.0 => 0.5, 4.0 => 1.5, 6.0 => 0.5, 8.0 => 1.0, 9.0 => 0.5 }.each do |range, count|
    report.check("cycles of range #{range.to_i}", reference: count, value: counts[range].to_f, tolerance: 0.0, mesh: "9 values")
  end
end

amplitude, mean = [150e6, 100e6].map { |v| Numo::DFloat[v] }
Verify.define("means of stress brought to none", source: "worked by hand: amplitude 150, mean 100, Su 600, Sy 400, σf′ 900 MPa") do |report|
  { "goodman" => [600e6, 180.0], "gerber" => [600e6, 154.2857], "soderberg" => [400e6, 200.0], "morrow" => [900e6, 168.75], "swt" => [nil, 193.6492],
    "walker" => [nil, 179.365] }.each do |rule, (strength, wanted)|
    report.check(rule, reference: wanted, value: Lattice::Life::Means.equivalent(rule, amplitude, mean, strength: strength, exponent: 0.65)[0] / 1e6, tolerance: 1e-5, mesh: "a point")
  end
end

Verify.define("stress and strain in a notch, and life from strain", source: "H. Neuber, 1961; L. F. Coffin, S. S. Manson, 1954: worked by hand") do |report|
  law = Lattice::Life::LocalStrain.new(200_000e6, strength: 1000e6, exponent: -0.09, ductility: 0.5, ductile_exponent: -0.55, hardening: 1200e6, hardening_exponent: 0.15)
  stress, strain = law.neuber(Numo::DFloat[300e6, 600e6, 1200e6])
  [[292.015, 0.00154102], [458.368, 0.00392698], [593.580, 0.0121298]].each_with_index do |(s, e), i|
    report.check("stress of notch #{i + 1}, MPa", reference: s, value: stress[i] / 1e6, tolerance: 1e-5, mesh: "a point")
    report.check("strain of notch #{i + 1}", reference: e, value: strain[i], tolerance: 1e-5, mesh: "a point")
  end
  even = Numo::DFloat[0.005]
  { "none" => 6002.8, "morrow" => 5326.7, "swt" => 4283.6 }.each { |rule, cycles| report.check("cycles at 0.5 %, #{rule}", reference: cycles, value: law.life(even, Numo::DFloat[100e6], Numo::DFloat[500e6], rule)[0], tolerance: 5e-5, mesh: "a point") }
end
