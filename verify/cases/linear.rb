# frozen_string_literal: true

# Elements with straight sides and nodes at their corners alone.
Verify.define("elements of first order that bend", source: "R. H. MacNeal, R. L. Harder, 1985 (6 × 0.2 × 0.1): 0.1081; R. D. Cook, 1974: 23.96") do |report|
  linear = ->(size) { Verify.static(size).then { |mesh, study| [mesh.merge("order" => "linear"), study] } }
  { "plane stress" => "edges", "solid" => "faces" }.each do |make, of|
    result, = Verify.solve(Verify.outline(Verify.rectangle(0, 0, 6, 0.2)), Verify.body(make, 0.1), Verify.material(1e7, 0.3), Verify.plane("root", "x", 0, of: of), Verify.plane("tip", "x", 6, of: of),
                           Verify.held("root", *%w[x y z].first(make == "solid" ? 3 : 2)), Verify.force("tip", 1, "+y"), *linear.call(0.2))
    report.check("#{make}: slender cantilever, one element deep", reference: 0.1081, value: result.displacement[Verify.node(result, 6, 0.1, 0), 1], tolerance: 0.02, mesh: Verify.mesh_text(result))
  end
  result, = Verify.solve(Verify.outline(Verify.corners([0, 0], [48, 44], [48, 60], [0, 44])), Verify.body("plane stress", 1), Verify.material(1, "1/3"), Verify.plane("root", "x", 0, of: "edges"),
                         Verify.plane("tip", "x", 48, of: "edges"), Verify.held("root", "x", "y"), Verify.force("tip", 1, "+y"), *linear.call(3.0))
  report.check("skew membrane: tip", reference: 23.96, value: result.displacement[Verify.node(result, 48, 52, 0), 1], tolerance: 0.01, mesh: Verify.mesh_text(result))
end
