# frozen_string_literal: true

# Two blocks of 30 × 20 × 16 mm end to end, each with a mesh of its own, pulled with 100 MPa through a bond.
patch = lambda do |mesh, size|
  face = ->(name, body, at) { { "kind" => "group", "name" => name, "of" => "faces", "rule" => { "all" => [{ "body" => body }, { "plane" => { "axis" => "x", "at" => "#{at} m" } }] } } }
  block = lambda do |name, from|
    [{ "kind" => "outline", "name" => "#{name} plan", "boundary" => { "rectangle" => { "x" => "#{from} m", "y" => "0 m", "width" => "0.03 m", "height" => "0.02 m" } } },
     { "kind" => "body", "name" => name, "outline" => "#{name} plan", "make" => "solid", "thickness" => "0.016 m" }]
  end
  [*block["left", 0], *block["right", 0.03], face["one", "left", 0.03], face["two", "right", 0.03],
   Verify.plane("root", "x", 0), Verify.plane("under", "y", 0), Verify.plane("back", "z", 0), Verify.plane("tip", "x", 0.06),
   { "kind" => "material", "target" => "everything", "material" => "given", "properties" => { "young" => "210 GPa", "poisson" => "0.3" } },
   Verify.held("root", "x"), Verify.held("under", "y"), Verify.held("back", "z"), { "kind" => "traction", "target" => "tip", "value" => "100 MPa", "direction" => "+x" },
   { "kind" => "bond", "target" => "one", "to" => "two" },
   { "kind" => "mesh", "size" => "0.007 m" }.merge(mesh), { "kind" => "size", "size" => "#{size} m", "target" => "right" }, { "kind" => "study", "name" => "pull", "type" => "static" }]
end

Verify.define("bond, flat joint of unlike meshes", source: "B. I. Wohlmuth, 2000: dual functions let a constant stress through exactly") do |report|
  { "bricks" => [{}, 0.0043], "linear bricks" => [{ "order" => "linear" }, 0.0043], "tetrahedra" => [{ "elements" => "tetrahedra and triangles" }, 0.0043],
    "tetrahedra, coarser on the far side" => [{ "elements" => "tetrahedra and triangles" }, 0.011],
    "wedges" => [{ "elements" => "wedges and triangles" }, 0.005] }.each do |what, (mesh, size)|
    result, = Verify.solve(*patch[mesh, size])
    stress = result.field("stress_xx", 0)
    worst = stress.minmax.max_by { |v| (v - 100e6).abs }
    report.check("stress beside the joint, #{what}", reference: 100e6, value: worst, tolerance: 1e-9, mesh: Verify.mesh_text(result))
  end
end

# A sheet 100 × 30 × 4 mm clamped at both ends carries a stem of 40 mm in its middle, pushed sideways at its top.
Verify.define("T of two sheets, bonded", source: "S. P. Timoshenko, Strength of Materials: a clamped beam turned in its middle by M L / 16 E I, the stem as a cantilever") do |report|
  sheet = lambda do |name, from, to|
    [{ "kind" => "line", "name" => "#{name} line", "corners" => [from, to].map { |x, y| { "x" => "#{x} m", "y" => "#{y} m" } } },
     { "kind" => "body", "name" => name, "outline" => "#{name} line", "make" => "faces", "thickness" => "0.03 m", "wall" => "0.004 m" }]
  end
  on = ->(name, of, rule) { { "kind" => "group", "name" => name, "of" => of, "rule" => rule } }
  plane = ->(axis, at) { { "plane" => { "axis" => axis, "at" => "#{at} m" } } }
  clamp = ->(target) { { "kind" => "support", "target" => target, "components" => %w[x y z rx ry rz] } }
  result, problem = Verify.solve(
    *sheet["flange", [0, 0], [0.1, 0]], *sheet["stem", [0.05, 0], [0.05, 0.04]], on["near", "edges", plane["x", 0]], on["far", "edges", plane["x", 0.1]],
    on["foot", "edges", { "all" => [{ "body" => "stem" }, plane["y", 0]] }],
    on["top", "edges", plane["y", 0.04]], on["sheet", "faces", { "body" => "flange" }],
    { "kind" => "material", "target" => "everything", "material" => "given", "properties" => { "young" => "210 GPa", "poisson" => "0" } },
    clamp["near"], clamp["far"], { "kind" => "bond", "target" => "foot", "to" => "sheet" }, { "kind" => "force", "target" => "top", "value" => "100 N", "direction" => "+x" }, *Verify.static(0.005)
  )
  inertia = 0.03 * (0.004**3) / 12
  by_hand = (100 * 0.04 * 0.1 / (16 * 210e9 * inertia) * 0.04) + (100 * (0.04**3) / (3 * 210e9 * inertia))
  report.check("sideways movement of the stem's top", reference: by_hand, value: result.displacement[result.grid.nodes_of(problem.groups.find("top")), 0].mean, tolerance: 0.01, mesh: Verify.mesh_text(result))
end
