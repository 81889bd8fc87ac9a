# frozen_string_literal: true

# Edges of plane regions run with the region to their left, whatever meshed it.
RSpec.describe Lattice::Mesh::Bordered do
  across = { "corners" => [{ "x" => "60 mm", "y" => "0 mm" }, { "x" => "60 mm", "y" => "80 mm" }] }
  level = { "corners" => [{ "x" => "60 mm", "y" => "40 mm" }, { "x" => "120 mm", "y" => "40 mm" }] }
  { "one region" => {}, "regions that share their borders" => { dividers: [across, level] } }.each do |words, parted|
    { "quadrilaterals" => {}, "triangles" => { "elements" => "wedges and triangles" }, "linear elements" => { "order" => "linear" } }.each do |elements, mesh|
      it "bounds #{words} of #{elements} outward: the flow of their places out of them is twice their area" do
        problem = shape_problem(outline_named("plan", rectangle("0 mm", "0 mm", "120 mm", "80 mm"), holes: [circle(30, 40, 20)], **parted), body_named("part", "plan", make: "plane stress", thickness: "5 mm"),
                                { "kind" => "mesh", "size" => "10 mm" }.merge(mesh),
                                { "kind" => "material", "target" => "everything", "material" => "given", "properties" => { "young" => "200 GPa", "poisson" => "0.3" } })
        grid = problem.mesh
        structure = Lattice::System::Structure.new(problem, grid)
        problem.parts.bodies.each do |body|
          edges = problem.parts.places.select { |place| place.of == :edges && place.body == body.name }
          flow = edges.sum do |place|
            at = grid.nodes[grid.places.fetch(place.key).flatten, true]
            (at * structure.surface(place).tractions { |_, outward| outward }.reshape(at.shape[0], 3)).sum
          end
          expect(flow).to be_near(2 * body.outline.area_and_centroid[0] * body.thickness, 2e-3)
        end
      end
    end
  end
end

# The same of solids that share faces.
RSpec.describe Lattice::Mesh::Grid do
  { "bricks" => {}, "wedges" => { "elements" => "wedges and triangles" }, "tetrahedra" => { "elements" => "tetrahedra and triangles" } }.each do |elements, mesh|
    it "bounds joined solids of #{elements} outward: the flow of their places out of them is three times their volume" do
      boxes = { "low" => [0, 40, 0], "side" => [40, 60, 0], "top" => [0, 40, 20] }.flat_map do |name, (x, width, z)|
        [outline_named("#{name} plan", rectangle("#{x} mm", "0 mm", "#{width} mm", "50 mm")), body_named(name, "#{name} plan", thickness: "20 mm", on: on("xy", z: z))]
      end
      problem = shape_problem(*boxes, { "kind" => "join", "bodies" => %w[low side top] }, { "kind" => "mesh", "size" => "20 mm" }.merge(mesh),
                              { "kind" => "material", "target" => "everything", "material" => "given", "properties" => { "young" => "200 GPa", "poisson" => "0.3" } })
      grid = problem.mesh
      structure = Lattice::System::Structure.new(problem, grid)
      problem.parts.bodies.each do |body|
        flow = problem.parts.places.select { |place| place.of == :faces && place.body == body.name }.sum do |place|
          at = grid.nodes[grid.places.fetch(place.key).flatten, true]
          (at * structure.surface(place).tractions { |_, outward| outward }.reshape(at.shape[0], 3)).sum
        end
        expect(flow).to be_near(3 * body.volume, 1e-9)
      end
    end
  end
end
