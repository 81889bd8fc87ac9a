# frozen_string_literal: true

# Members, from their corners.
module Verify
  # Members of a rectangular section, from their corners; answers the result and the constants of the section.
  def self.members(corners, *more, width: 0.2, height: 0.1, **section)
    line = { "kind" => "line", "name" => "line", "corners" => corners.map { |at| %w[x y z].zip(at).to_h { |k, v| [k, "#{v} m"] } } }
    outline = outline(rectangle(-width / 2, -height / 2, width, height))
    result, problem = solve(line, outline, { "kind" => "body", "name" => "part", "make" => "members", "outline" => "line" }, material(1e7, 0.3, density: 1),
                            { "kind" => "section", "target" => "part", "outline" => "outline" }.merge(section.transform_keys(&:to_s)), *more, *static(10.0).then do |mesh, study|
                                                                                                                                                [mesh.merge("size" => "1 m"), study]
                                                                                                                                              end)
    [result, Lattice::Matter::SectionConstants.of(problem.document.outline(problem.document.active("outline")[0]))]
  end

  def self.end_of(name, x) = { "kind" => "group", "name" => name, "of" => "points", "rule" => { "plane" => { "axis" => "x", "at" => "#{x} m" } } }
end

Verify.define("slender cantilever as members", source: "R. H. MacNeal, R. L. Harder, 1985 (6 × 0.2 × 0.1, E 1e7, ν 0.3): 3.0e-5, 0.1081, 0.4321; and beam theory with shear, exactly") do |report|
  root = [Verify.end_of("root", 0), Verify.end_of("tip", 6), Verify.held("root", "x", "y", "z", "rx", "ry", "rz")]
  shear = 1e7 / 2.6
  { "+x" => [0, 3.0e-5, ->(_) { 6 / 1e7 / 0.02 }], "+y" => [1, 0.1081, ->(s) { (216 / 3.0 / 1e7 / s.yy) + (6 * s.compliance[0] / shear) }],
    "+z" => [2, 0.4321, ->(s) { (216 / 3.0 / 1e7 / s.xx) + (6 * s.compliance[1] / shear) }] }.each do |direction, (component, published, exact)|
    result, section = Verify.members([[0, 0, 0], [6, 0, 0]], *root, Verify.force("tip", 1, direction))
    moved = result.displacement[Verify.node(result, 6, 0, 0), component]
    report.check("tip along #{direction[1]}, published", reference: published, value: moved, tolerance: 0.002, mesh: Verify.mesh_text(result))
    report.check("tip along #{direction[1]}, beam theory", reference: exact.call(section), value: moved, tolerance: 1e-9, mesh: Verify.mesh_text(result))
  end
  load = { "kind" => "line_load", "target" => "part", "value" => "2 N/m", "direction" => "-z" }
  result, section = Verify.members([[0, 0, 0], [6, 0, 0]], *root, load)
  report.check("tip under a uniform load", reference: -((2 * (6**4) / 8.0 / 1e7 / section.xx) + (2 * 36 / 2.0 * section.compliance[1] / shear)),
                                           value: result.displacement[Verify.node(result, 6, 0, 0), 2], tolerance: 1e-9, mesh: Verify.mesh_text(result))
  moment = Lattice::Result::Members.new(result.grid, result.state).rows[0][:forces].slice("M2", "M3").values.flat_map(&:values).map(&:abs).max
  report.check("moment at the root under a uniform load", reference: 36.0, value: moment, tolerance: 1e-9, mesh: Verify.mesh_text(result))
end

Verify.define("portal frame", source: "A. Kleinlogel, Rahmenformeln, 1914: fixed feet, load at the beam's end (long members: shear and stretching are of no account)") do |report|
  height = 20.0
  span = 30.0
  corners = [[0, 0, 0], [0, 0, height], [span, 0, height], [span, 0, 0]]
  feet = { "kind" => "group", "name" => "feet", "of" => "points", "rule" => { "plane" => { "axis" => "z", "at" => "0 m" } } }
  knee = { "kind" => "group", "name" => "knee", "of" => "points", "rule" => { "all" => [{ "plane" => { "axis" => "x", "at" => "0 m" } }, { "plane" => { "axis" => "z", "at" => "#{height} m" } }] } }
  result, = Verify.members(corners, feet, knee, Verify.held("feet", "x", "y", "z", "rx", "ry", "rz"), Verify.force("knee", 1, "+x"), up: "+y")
  stiffness = height / span # of beam and columns of one section
  wanted = height / 2 * ((3 * stiffness) + 1) / ((6 * stiffness) + 1)
  column = Lattice::Result::Members.new(result.grid, result.state).rows.find { |row| row[:name] == "member 1" }
  found = column[:forces].slice("M2", "M3").values.map { |f| f[:start].abs }.max
  report.check("moment at the foot", reference: wanted, value: found, tolerance: 1e-3, mesh: Verify.mesh_text(result))
end

Verify.define("bars of a truss", source: "equilibrium, and Hooke's law") do |report|
  result, = Verify.members([[0, 0, 0], [3, 0, 4], [6, 0, 0]], Verify.end_of("apex", 3), { "kind" => "group", "name" => "feet", "of" => "points", "rule" => { "plane" => { "axis" => "z", "at" => "0 m" } } },
                           Verify.held("feet", "x", "y", "z"), Verify.held("apex", "y"), Verify.force("apex", 8, "-z"), bar: true)
  rows = Lattice::Result::Members.new(result.grid, result.state).rows
  report.check("force in a bar", reference: -5.0, value: rows[0][:forces]["N"][:start], tolerance: 1e-9, mesh: Verify.mesh_text(result))
  report.check("sag of the apex", reference: -8 * 5 / (2 * 1e7 * 0.02 * (0.8**2)), value: result.displacement[Verify.node(result, 3, 0, 4), 2], tolerance: 1e-9, mesh: Verify.mesh_text(result))
end
