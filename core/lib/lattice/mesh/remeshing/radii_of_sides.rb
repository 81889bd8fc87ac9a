# frozen_string_literal: true

module Lattice
  module Mesh
    module Remeshing
      # Radii of curvature from how far the normals turn along the sides of triangles.
      module RadiiOfSides
        V = Shape::Vectors

        module_function

        # @param points [Numo::DFloat] [n, 3]
        # @param tri [Numo::Int32] [t, 3]
        # @param normals [Numo::DFloat] [t, 3, 3] at the corners
        # @return [Array(Numo::Int32, Numo::DFloat)] points and the radius along one side there
        def call(points, tri, normals)
          ends = []
          radii = []
          [[0, 1], [1, 2], [2, 0]].each do |i, j|
            length = V.norm(points[tri[true, j].dup, true] - points[tri[true, i].dup, true])
            turn = V.norm(normals[true, j, true].dup - normals[true, i, true].dup)
            bent = Numo::Int32.cast((turn > 1e-3).where)
            next if bent.empty?

            2.times { |k| ends << tri[bent, k.zero? ? i : j].dup }
            2.times { radii << (length[bent] / turn[bent]) }
          end
          return [Numo::Int32.zeros(0), Numo::DFloat.zeros(0)] if ends.empty?

          [ends.reduce { |a, b| a.concatenate(b) }, radii.reduce { |a, b| a.concatenate(b) }]
        end
      end
    end
  end
end
