# frozen_string_literal: true

require_relative "../verify/verify"
require_relative "timed"

module Bench
  # Tetrahedra against one raw Delaunay tetrahedralisation of the same points, free and mapped
  # quadrilaterals, and swept bricks: seconds and growth.
  class Meshes
    include Timed

    # @return [Array<Hash>] case, size, seconds, ratio, growth
    def self.call = new.call

    def call
      grown([0.0042, 0.0023, 0.0013].map { |size| tetrahedra(size) }) + [free(0.0033), mapped, swept]
    end

    private

    def outline(holes = [])
      Lattice::Shape::OutlineReader.new(Lattice::Model::Statement.new(Verify.outline(Verify.rectangle(0, 0, 0.1, 0.06), holes))).outline
    end

    def body(outline, thickness)
      prism = Lattice::Shape::Prism.new(outline, thickness, Lattice::Shape::Frame.new)
      facets = Lattice::Shape::Swept.call(Lattice::Shape::SectionLines.of_outline(outline), Lattice::Shape::Ways.extrusion(prism.frame, thickness), solid: true)
      Lattice::Shape::Body.new(name: "block", make: "solid", facets: facets, prism: prism, signature: [])
    end

    def drilled = outline([{ "circle" => { "x" => "0.05 m", "y" => "0.03 m", "diameter" => "0.02 m" } }])
    def settings(size, **options) = Lattice::Mesh::Settings.new(size, **options)

    def tetrahedra(size)
      grid, seconds = timed { Lattice::Mesh::Builder.call([body(drilled, 0.02)], settings(size, family: "tetrahedra and triangles")) }
      corners = Lattice::Algebra::Gather.distinct([grid.blocks[0].conn[true, 0..3].dup])
      _, raw = timed { Lattice::Mesh::Delaunay.tetrahedra(grid.nodes[corners, true].dup) }
      ratios = grid.quality.values(:mean_ratio)
      { case: "tetrahedra, worst mean ratio #{ratios.min.round(2)}", size: grid.size, seconds: seconds.round(2), ratio: (seconds / raw).round(1) }
    end

    def free(size)
      plan = Lattice::Mesh::SizingPlan.of(size * 0.2)
      mesh, seconds = timed { Lattice::Mesh::PlaneMesher.call(drilled, plan) }
      worst = Lattice::Mesh::Quality.quad_jacobian(mesh.points, mesh.quads).min
      { case: "free quadrilaterals, worst scaled Jacobian #{worst.round(2)}", size: mesh.quads.shape[0], seconds: seconds.round(2) }
    end

    def mapped
      mesh, seconds = timed { Lattice::Mesh::PlaneMesher.call(outline, Lattice::Mesh::SizingPlan.of(0.00017)) }
      { case: "mapped quadrilaterals", size: mesh.quads.shape[0], seconds: seconds.round(2) }
    end

    def swept
      grid, seconds = timed { Lattice::Mesh::Builder.call([body(outline, 0.02)], settings(0.00084)) }
      { case: "swept bricks of twenty nodes", size: grid.size, seconds: seconds.round(2) }
    end

    # Exponent p of time ~ size^p from one size to the next.
    def grown(rows)
      rows.each_cons(2) { |a, b| b[:growth] = (Math.log(b[:seconds] / a[:seconds]) / Math.log(b[:size].fdiv(a[:size]))).round(2) }
      rows
    end
  end
end
