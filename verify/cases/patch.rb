# frozen_string_literal: true

require_relative "../patch"

Verify.define("patch test", source: "B. M. Irons, A. Razzaque, Experience with the patch test, 1972; R. H. MacNeal, R. L. Harder, A proposed standard set of problems, 1985") do |report|
  Verify::Patch::MESHES.each do |name, maker|
    makes = maker[:dimension] == 3 ? ["solid"] : ["plane stress", "plane strain"]
    makes.each do |make|
      patch = Verify::Patch.new(maker, make)
      mesh = "#{patch.elements} #{maker[:kind]}, distorted"
      report.check("#{name}, #{make}: displacement inside", reference: 0.0, value: patch.displacement_error, tolerance: 1e-9, mesh: mesh)
      report.check("#{name}, #{make}: stress", reference: 0.0, value: patch.stress_error, tolerance: 1e-9, mesh: mesh)
      report.check("#{name}, #{make}: force of rigid motions", reference: 0.0, value: patch.rigid_force, tolerance: 1e-9, mesh: mesh)
    end
  end
end

Verify.define("patch test on our meshes", source: "as above, on a plate with a hole and a quarter of a ring: free, with rings, swept, turned and filled, of both orders") do |report|
  triangles = { family: "tetrahedra and triangles" }
  rings = ->(place) { { rings: { ["part", place] => Lattice::Mesh::HoleRings::Ring.new(2, 0.08) }, divisions: { ["part", "side 1#{' at bottom' if place.end_with?('bottom')}"] => Lattice::Mesh::Division.new(8, 3.0) } } }
  meshes = { "free quadrilaterals" => ["plane stress", {}], "rings of quadrilaterals" => ["plane stress", rings["hole 1"]], "triangles" => ["plane stress", triangles],
             "bricks" => ["solid", {}], "rings of bricks" => ["solid", rings["hole 1 at bottom"]], "wedges" => ["solid", { family: "wedges and triangles" }],
             "tetrahedra" => ["solid", triangles], "turned bricks" => ["ring", {}], "turned bricks with a core" => ["ring", { inner: 0.0 }],
             "bricks in levels" => ["levels", {}], "wedges in levels" => ["levels", { family: "wedges and triangles" }] }
  meshes.each do |name, (make, options)|
    %w[quadratic linear].each do |order|
      patch = case make
              when "ring" then Verify::Patch.of_ring(order: order, **options)
              when "levels" then Verify::Patch.of_levels(order: order, **options)
              else Verify::Patch.of_shape(make, make == "solid" ? 0.2 : 0.1, order: order, **options)
              end
      mesh = "#{patch.elements} #{name}, #{order}"
      report.check("#{name}, #{order}: displacement inside", reference: 0.0, value: patch.displacement_error, tolerance: 1e-9, mesh: mesh)
      report.check("#{name}, #{order}: stress", reference: 0.0, value: patch.stress_error, tolerance: 1e-9, mesh: mesh)
    end
  end
end
