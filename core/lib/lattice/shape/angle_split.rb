# frozen_string_literal: true

module Lattice
  module Shape
    # Parts a surface into faces where neighbouring triangles meet at more than an angle.
    module AngleSplit
      module_function

      # @param points [Numo::DFloat] [n, 3]
      # @param triangles [Numo::Int32] [t, 3]
      # @param angle [Float] rad
      # @return [Numo::Int32] [t] face of each triangle
      def call(points, triangles, angle)
        a, b, c = (0..2).map { |k| points[triangles[true, k].dup, true].dup }
        normals = Vectors.unit(Vectors.cross(b - a, c - a))
        _, one, two = Topology.new(triangles).pairs
        return Numo::Int32.new(triangles.shape[0]).seq if one.empty?

        smooth = (Vectors.dot(normals[one, true].dup, normals[two, true].dup) > Math.cos(angle)).where
        Components.call(triangles.shape[0], one[smooth].dup, two[smooth].dup)
      end
    end
  end
end
