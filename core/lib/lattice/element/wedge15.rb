# frozen_string_literal: true

module Lattice
  module Element
    # Fifteen-node wedge: the triangle of Tri6 times [-1, 1].
    module Wedge15
      EDGES = [[0, 1, 6], [1, 2, 7], [2, 0, 8], [3, 4, 9], [4, 5, 10], [5, 3, 11], [0, 3, 12], [1, 4, 13], [2, 5, 14]].freeze
      CORNERS = [[0, 0, -1], [1, 0, -1], [0, 1, -1], [0, 0, 1], [1, 0, 1], [0, 1, 1]].freeze
      NODES = Numo::DFloat.cast(CORNERS + EDGES.map { |a, b, _| CORNERS[a].zip(CORNERS[b]).map { |p, q| (p + q) / 2.0 } })
      SLOPES = [[-1.0, -1.0], [1.0, 0.0], [0.0, 1.0]].freeze

      module_function

      def values(points)
        l, z = coordinates(points)
        columns = Array.new(15)
        6.times { |n| columns[n] = corner(l[n % 3], z, n < 3 ? -1 : 1) }
        EDGES.each do |a, b, n|
          columns[n] = if n < 12
                         l[a % 3] * l[b % 3] * ((z * (n < 9 ? -1 : 1)) + 1) * 2
                       else
                         l[a] * (1 - (z**2))
                       end
        end
        Numo::DFloat.vstack(columns).transpose.dup
      end

      def gradients(points)
        l, z = coordinates(points)
        result = Numo::DFloat.zeros(points.shape[0], 15, 3)
        6.times { |n| corner_slopes(result, n, l[n % 3], z, n < 3 ? -1 : 1) }
        EDGES.each { |a, b, n| n < 12 ? side_slopes(result, n, a % 3, b % 3, l, z) : upright_slopes(result, n, a, l, z) }
        result
      end

      def linear_terms(points)
        l, z = coordinates(points)
        Numo::DFloat.vstack(l + l.map { |a| a * z }).transpose.dup
      end

      def coordinates(points)
        [Tri6.area_coordinates(points[true, 0..1]), points[true, 2]]
      end

      def corner(l, z, s)
        (l * ((l * 2) - 1) * ((z * s) + 1) / 2) - (l * (1 - (z**2)) / 2)
      end

      def corner_slopes(result, n, l, z, s)
        along = ((((l * 4) - 1) * ((z * s) + 1)) - (1 - (z**2))) / 2
        2.times { |k| result[true, n, k] = along * SLOPES[n % 3][k] }
        result[true, n, 2] = (l * ((l * 2) - 1) * s / 2) + (l * z)
      end

      def side_slopes(result, n, a, b, l, z)
        s = n < 9 ? -1 : 1
        2.times { |k| result[true, n, k] = ((l[a] * SLOPES[b][k]) + (l[b] * SLOPES[a][k])) * ((z * s) + 1) * 2 }
        result[true, n, 2] = l[a] * l[b] * 2 * s
      end

      def upright_slopes(result, n, a, l, z)
        2.times { |k| result[true, n, k] = (1 - (z**2)) * SLOPES[a][k] }
        result[true, n, 2] = l[a] * z * -2
      end

      KIND = Kind.new(:wedge15, shape: self, dimension: 3, nodes: 15, corners: 6, vtk: 26,
                                stiffness_rule: Rule.prism(6, 3), stress_rule: Rule.prism(3, 2), edges: EDGES,
                                corner_frames: [[0, 1, 2, 3], [1, 2, 0, 4], [2, 0, 1, 5], [3, 5, 4, 0], [4, 3, 5, 1], [5, 4, 3, 2]],
                                ideal_corner: Math.sqrt(0.75), linear: :wedge6,
                                faces: [[0, 2, 1], [3, 4, 5], [0, 1, 4, 3], [1, 2, 5, 4], [2, 0, 3, 5]])
    end
  end
end
