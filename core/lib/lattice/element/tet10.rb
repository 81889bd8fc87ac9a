# frozen_string_literal: true

module Lattice
  module Element
    # Ten-node tetrahedron on the origin and the three unit points.
    module Tet10
      EDGES = [[0, 1, 4], [1, 2, 5], [2, 0, 6], [0, 3, 7], [1, 3, 8], [2, 3, 9]].freeze
      CORNERS = [[0, 0, 0], [1, 0, 0], [0, 1, 0], [0, 0, 1]].freeze
      NODES = Numo::DFloat.cast(CORNERS + EDGES.map { |a, b, _| CORNERS[a].zip(CORNERS[b]).map { |p, q| (p + q) / 2.0 } })
      SLOPES = [[-1, -1, -1], [1, 0, 0], [0, 1, 0], [0, 0, 1]].freeze

      module_function

      def values(points)
        l = volume_coordinates(points)
        columns = l.map { |a| a * ((a * 2) - 1) } + EDGES.map { |i, j, _| l[i] * l[j] * 4 }
        Numo::DFloat.vstack(columns).transpose.dup
      end

      def gradients(points)
        l = volume_coordinates(points)
        Numo::DFloat.zeros(points.shape[0], 10, 3).tap do |result|
          3.times do |k|
            4.times { |i| result[true, i, k] = ((l[i] * 4) - 1) * SLOPES[i][k] }
            EDGES.each { |i, j, n| result[true, n, k] = ((l[i] * SLOPES[j][k]) + (l[j] * SLOPES[i][k])) * 4 }
          end
        end
      end

      def linear_terms(points)
        Numo::DFloat.vstack([Numo::DFloat.ones(points.shape[0]), *(0..2).map { |k| points[true, k] }]).transpose.dup
      end

      def volume_coordinates(points)
        x, y, z = (0..2).map { |k| points[true, k] }
        [1 - x - y - z, x, y, z]
      end

      KIND = Kind.new(:tet10, shape: self, dimension: 3, nodes: 10, corners: 4, vtk: 24,
                              stiffness_rule: Rule.tetrahedron(8), stress_rule: Rule.tetrahedron(4), edges: EDGES,
                              corner_frames: [[0, 1, 2, 3], [1, 2, 0, 3], [2, 0, 1, 3], [3, 1, 0, 2]], ideal_corner: Math.sqrt(0.5),
                              faces: [[1, 2, 3], [0, 3, 2], [0, 1, 3], [0, 2, 1]], linear: :tet4)
    end
  end
end
