# frozen_string_literal: true

module Lattice
  module Element
    module Shell
      # A triangle in its plane, with rotations about the normal, of the best behaviour in bending.
      # C. A. Felippa, A study of optimal membrane triangles with drilling freedoms, 2003. Unknowns u, v and
      # rotation of each node.
      class TriangleMembrane
        BULGE = 1.5
        BETA = [1.0, 2.0, 1.0, 0.0, 1.0, -1.0, -1.0, -1.0, -2.0].freeze

        # @param plane [Numo::DFloat] [e, 3, 2]
        # @param stiffness [Numo::DFloat] [3, 3] force per length of strain
        # @param poisson [Float]
        def initialize(plane, stiffness, poisson)
          @stiffness = stiffness
          @poisson = poisson
          @e = plane.shape[0]
          x, y = [0, 1].map { |k| (0..2).map { |a| plane[true, a, k].dup } }
          @x = ->(i, j) { x[i - 1] - x[j - 1] }
          @y = ->(i, j) { y[i - 1] - y[j - 1] }
          @area = ((@x[2, 1] * @y[3, 1]) - (@x[3, 1] * @y[2, 1])) / 2
        end

        # @return [Numo::DFloat] [e, 9, 9]
        def call
          turn = turning
          (twice(lumping.transpose(0, 2, 1).dup, plain(@stiffness)) / @area.reshape(@e, 1, 1)) + (twice(turn, rotational) * (0.75 * spread))
        end

        # @param u [Numo::DFloat] [e, 9]
        # @return [Numo::DFloat] [e, 3] the mean strain
        def strain(u)
          Numo::Linalg.matmul(lumping.transpose(0, 2, 1).dup, u.reshape(@e, 9, 1)).reshape(@e, 3) / @area.reshape(@e, 1)
        end

        private

        def spread = [0.5 * (1 - (4 * (@poisson**2))), 0.01].max
        def plain(matrix) = Numo::DFloat.zeros(@e, *matrix.shape) + matrix
        def twice(outer, inner) = Numo::Linalg.matmul(outer.transpose(0, 2, 1).dup, Numo::Linalg.matmul(inner, outer))

        # [e, rows, columns] out of rows of arrays or numbers
        def laid(rows)
          Numo::DFloat.zeros(@e, rows.size, rows[0].size).tap { |m| rows.each_with_index { |row, i| row.each_with_index { |value, j| m[true, i, j] = value } } }
        end

        # [e, 9, 3]: forces at the nodes of a constant stress
        def lumping
          @lumping ||= begin
            x = @x
            y = @y
            rows = [[1, 2, 3], [2, 3, 1], [3, 1, 2]].flat_map do |a, b, c|
              [[y[b, c], 0.0, x[c, b]], [0.0, x[c, b], y[b, c]],
               [y[b, c] * (y[a, c] - y[b, a]) * (BULGE / 6), x[c, b] * (x[c, a] - x[a, b]) * (BULGE / 6), ((x[c, a] * y[a, c]) - (x[a, b] * y[b, a])) * (BULGE / 3)]]
            end
            laid(rows) * 0.5
          end
        end

        # [e, 3, 9]: rotations of the nodes against the turn of the whole
        def turning
          x = @x
          y = @y
          rows = (0..2).map { |k| [x[3, 2], y[3, 2], 0.0, x[1, 3], y[1, 3], 0.0, x[2, 1], y[2, 1], 0.0].tap { |row| row[(3 * k) + 2] = @area * 4 } }
          laid(rows) / (@area * 4).reshape(@e, 1, 1)
        end

        # [e, 3, 3]: stiffness against them, from the strains along the sides at the middles of the sides
        def rotational
          l21, l32, l13 = [[2, 1], [3, 2], [1, 3]].map { |i, j| (@x[i, j]**2) + (@y[i, j]**2) }
          b = BETA
          tables = [[b[0..2], b[3..5], b[6..8]], [[b[8], b[6], b[7]], [b[2], b[0], b[1]], [b[5], b[3], b[4]]], [[b[4], b[5], b[3]], [b[7], b[8], b[6]], [b[1], b[2], b[0]]]]
          q = tables.map { |table| laid(table.zip([l21, l32, l13]).map { |row, l| row.map { |f| @area * (2 * f / 3) / l } }) }
          natural = twice(sides(l21, l32, l13), plain(@stiffness))
          [[0, 1], [1, 2], [2, 0]].map { |i, j| twice((q[i] + q[j]) / 2, natural) }.reduce(:+) * @area.reshape(@e, 1, 1)
        end

        # [e, 3, 3]: strains from those along the sides
        def sides(l21, l32, l13)
          x = @x
          y = @y
          laid([[y[2, 3] * y[1, 3] * l21, y[3, 1] * y[2, 1] * l32, y[1, 2] * y[3, 2] * l13], [x[2, 3] * x[1, 3] * l21, x[3, 1] * x[2, 1] * l32, x[1, 2] * x[3, 2] * l13],
                [((y[2, 3] * x[3, 1]) + (x[3, 2] * y[1, 3])) * l21, ((y[3, 1] * x[1, 2]) + (x[1, 3] * y[2, 1])) * l32, ((y[1, 2] * x[2, 3]) + (x[2, 1] * y[3, 2])) * l13]]) /
            ((@area**2) * 4).reshape(@e, 1, 1)
        end
      end
    end
  end
end
