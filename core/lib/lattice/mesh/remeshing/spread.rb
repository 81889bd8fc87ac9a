# frozen_string_literal: true

module Lattice
  module Mesh
    module Remeshing
      # Points spread evenly over triangles.
      module Spread
        module_function

        # @param corners [Array<Numo::DFloat>] three of [t, 3]
        # @param spacing [Float] m
        # @return [Array(Numo::DFloat, Numo::Int32)] points [k, 3], corners among them, and the triangle of each
        def over(corners, spacing)
          a, b, c = corners
          longest = [b - a, c - b, a - c].map { |s| Shape::Vectors.norm(s) }.reduce { |p, q| Numo::DFloat.maximum(p, q) }
          n = Numo::Int32.cast((longest / spacing).ceil).clip(1, 1000)
          triangle, rank = Algebra::Lists.laid((n + 1) * (n + 1))
          steps = n[triangle].dup
          u = rank / (steps + 1)
          v = rank % (steps + 1)
          rows = Numo::Int32.cast((u + v <= steps).where)
          triangle = triangle[rows].dup
          s, t = [u, v].map { |w| Numo::DFloat.cast(w[rows]) / steps[rows] }
          [Shape::Vectors.times(a[triangle, true], 1 - s - t) + Shape::Vectors.times(b[triangle, true], s) + Shape::Vectors.times(c[triangle, true], t), triangle]
        end
      end
    end
  end
end
