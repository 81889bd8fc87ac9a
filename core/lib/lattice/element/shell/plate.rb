# frozen_string_literal: true

module Lattice
  module Element
    module Shell
      # Bending of a flat plate that may shear: discrete Kirchhoff–Mindlin. Along each side the
      # rotation is quadratic, its middle decided by balance of the side between moment and shear.
      # I. Katili, A new discrete Kirchhoff–Mindlin element, 1993. Shear is interpolated from the sides along
      # the element's own axes (K.-J. Bathe, E. N. Dvorkin, 1985). Unknowns w, θx and θy of each node.
      class Plate
        # @param points [Points]
        # @param bending [Numo::DFloat] [3, 3] moment per length of curvature
        # @param shear [Float] N/m, force per length of shear strain
        def initialize(points, bending, shear)
          @points = points
          @bending = bending
          @shear = shear
          @n = points.sides.size
          @e = points.elements
        end

        # @return [Numo::DFloat] [e, 3n, 3n]
        def call
          @points.integral(curvatures, @bending) + @points.integral(shears, Numo::DFloat[[@shear, 0], [0, @shear]])
        end

        # @param u [Numo::DFloat] [e, 3n]
        # @return [Numo::DFloat] [e, g, 3] curvatures at the points
        def curvature(u) = at_points(curvatures, u)

        # @return [Numo::DFloat] [e, g, 2] shear strains of the element's own at the points
        def shear_strain(u) = at_points(shears, u)

        private

        def at_points(table, u)
          _, g, rows, n = table.shape
          Numo::Linalg.matmul(table.reshape(@e, g * rows, n), u.reshape(*u.shape, 1)).reshape(@e, g, rows)
        end

        # Of every side: how g = Δw / L + the mean rotation along it follows from the unknowns [e, n, 3],
        # and how soft it is in shear against bending.
        def sides
          @sides ||= @points.sides.map do |side|
            row = Numo::DFloat.zeros(@e, @n, 3)
            c = side[:x] / side[:length]
            s = side[:y] / side[:length]
            [side[:from], side[:to]].each_with_index do |node, k|
              row[true, node, 0] = (k.zero? ? -1.0 : 1.0) / side[:length]
              # Rotations of the normal: βx = θy, βy = −θx.
              row[true, node, 1] = s / -2
              row[true, node, 2] = c / 2
            end
            side.merge(row: row.reshape(@e, @n * 3), soft: 12 * @bending[0, 0] / (@shear * (side[:length]**2)), c: c, s: s)
          end
        end

        # [e, g, 3, 3n]
        def curvatures
          @curvatures ||= begin
            g = @points.count
            b = Numo::DFloat.zeros(@e, g, 3, @n, 3)
            slopes = @points.slopes
            b[true, true, 0, true, 2] = slopes[true, true, 0, true]
            b[true, true, 1, true, 1] = -slopes[true, true, 1, true]
            b[true, true, 2, true, 2] = slopes[true, true, 1, true]
            b[true, true, 2, true, 1] = -slopes[true, true, 0, true]
            b = b.reshape(@e, g, 3, @n * 3)
            sides.each_with_index { |side, k| bend(b, side, k) }
            b
          end
        end

        def bend(b, side, index)
          g = @points.count
          row = (side[:row] * (-1.5 / (side[:soft] + 1)).reshape(@e, 1)).reshape(@e, 1, @n * 3)
          x, y = [0, 1].map { |d| @points.bulge_slopes[true, true, d, index] }
          c, s = [side[:c], side[:s]].map { |v| v.reshape(@e, 1) }
          [x * c, y * s, (y * c) + (x * s)].each_with_index { |slope, k| b[true, true, k, true] += slope.reshape(@e, g, 1) * row }
        end

        # [e, g, 2, 3n]: shears along the sides, times half the length, are carried over as components
        # along the element's axes.
        def shears
          @shears ||= begin
            rows = sides.map { |side| side[:row] * (side[:soft] / (side[:soft] + 1) * side[:length]).reshape(@e, 1) }
            g = @points.count
            b = Numo::DFloat.zeros(@e, g, 2, @n * 3)
            g.times do |p|
              natural = @n == 4 ? of_square(rows, *@points.at[p]) : of_triangle(rows, *@points.at[p])
              2.times { |x| b[true, p, x, true] = (0..1).map { |i| natural[i] * @points.inverse[x][i][true, p].reshape(@e, 1) }.reduce(:+) }
            end
            b
          end
        end

        # Sides 1-2 and 3-4 run along the first axis, the latter backwards; 2-3 and 4-1 along the second.
        def of_square(rows, a, b)
          [((rows[0] * (1 - b)) - (rows[2] * (1 + b))) / 4, ((rows[1] * (1 + a)) - (rows[3] * (1 - a))) / 4]
        end

        # The tangential shear of each side is constant along it.
        def of_triangle(rows, a, b)
          [(rows[0] * (1 - b)) - ((rows[1] + rows[2]) * b), ((rows[0] + rows[1]) * a) - (rows[2] * (1 - a))]
        end
      end
    end
  end
end
