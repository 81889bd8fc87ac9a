# frozen_string_literal: true

module Lattice
  module Element
    # Six-node triangle on (0,0) (1,0) (0,1).
    module Tri6
      EDGES = [[0, 1, 3], [1, 2, 4], [2, 0, 5]].freeze
      NODES = Numo::DFloat[[0, 0], [1, 0], [0, 1], [0.5, 0], [0.5, 0.5], [0, 0.5]]

      module_function

      def values(points)
        l = area_coordinates(points)
        columns = l.map { |a| a * ((a * 2) - 1) } + EDGES.map { |i, j, _| l[i] * l[j] * 4 }
        Numo::DFloat.vstack(columns).transpose.dup
      end

      def gradients(points)
        l = area_coordinates(points)
        slopes = [[-1, -1], [1, 0], [0, 1]]
        result = Numo::DFloat.zeros(points.shape[0], 6, 2)
        2.times do |k|
          3.times { |i| result[true, i, k] = ((l[i] * 4) - 1) * slopes[i][k] }
          EDGES.each { |i, j, n| result[true, n, k] = ((l[i] * slopes[j][k]) + (l[j] * slopes[i][k])) * 4 }
        end
        result
      end

      def linear_terms(points)
        Numo::DFloat.vstack([Numo::DFloat.ones(points.shape[0]), points[true, 0], points[true, 1]]).transpose.dup
      end

      def area_coordinates(points)
        [1 - points[true, 0] - points[true, 1], points[true, 0], points[true, 1]]
      end

      KIND = Kind.new(:tri6, shape: self, dimension: 2, nodes: 6, corners: 3, vtk: 22,
                             stiffness_rule: Rule.triangle(6), stress_rule: Rule.triangle(3), edges: EDGES,
                             corner_frames: [[0, 1, 2], [1, 2, 0], [2, 0, 1]], ideal_corner: Math.sqrt(0.75), linear: :tri3)
    end
  end
end
