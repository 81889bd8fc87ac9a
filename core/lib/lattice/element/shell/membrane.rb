# frozen_string_literal: true

module Lattice
  module Element
    module Shell
      # A quadrilateral in its plane, with rotations about the normal: its sides bend with the
      # rotations of their ends (D. J. Allman, 1984), the rotations follow the turn of the plane (T. J. R. Hughes,
      # F. Brezzi, On drilling degrees of freedom, 1989), and two enhanced modes let it bend without locking
      # (J. C. Simo, M. S. Rifai, 1990). Unknowns u, v and rotation of each node.
      class Membrane
        DRILL = 1.0 # of the shear stiffness

        # @param points [Points]
        # @param stiffness [Numo::DFloat] [3, 3] force per length of strain
        # @param shear [Float] N/m, by which rotations are held to the turn of the plane
        def initialize(points, stiffness, shear)
          @points = points
          @stiffness = stiffness
          @shear = shear
        end

        # @return [Numo::DFloat] [e, 12, 12]
        def call
          inner, coupling = condensed
          total = @points.integral(strains, @stiffness)
          total - Numo::Linalg.matmul(coupling.transpose(0, 2, 1).dup, Numo::Linalg.matmul(inner, coupling)) + drilling
        end

        # @param u [Numo::DFloat] [e, 12]
        # @return [Numo::DFloat] [e, g, 3] strains at the points
        def strain(u)
          inner, coupling = condensed
          column = u.reshape(*u.shape, 1)
          modes = -Numo::Linalg.matmul(inner, Numo::Linalg.matmul(coupling, column))
          g = @points.count
          e = @points.elements
          (Numo::Linalg.matmul(strains.reshape(e, g * 3, 12), column) + Numo::Linalg.matmul(modes_at.reshape(e, g * 3, 2), modes)).reshape(e, g, 3)
        end

        private

        # [e, 2, 2] and [e, 2, 12]: what is left of the modes once they follow the nodes
        def condensed
          @condensed ||= begin
            k = @points.integral(modes_at, @stiffness)
            a = k[true, 0, 0].dup
            b = k[true, 0, 1].dup
            c = k[true, 1, 1].dup
            det = (a * c) - (b * b)
            inner = Numo::DFloat.zeros(@points.elements, 2, 2)
            inner[true, 0, 0] = c / det
            inner[true, 1, 1] = a / det
            inner[true, 0, 1] = inner[true, 1, 0] = -b / det
            [inner, @points.integral(modes_at, @stiffness, strains)]
          end
        end

        # Slopes of the movement along x (0) and y (1) that a rotation brings: [e, g, 2, n].
        def turned(component)
          result = Numo::DFloat.zeros(*@points.slopes.shape)
          @points.sides.each_with_index do |side, k|
            arm = component.zero? ? -side[:y] : side[:x]
            part = @points.bulge_slopes[true, true, true, k] * (arm / 8).reshape(arm.size, 1, 1)
            result[true, true, true, side[:from]] += part
            result[true, true, true, side[:to]] -= part
          end
          result
        end

        # [e, g, 3, 12]
        def strains
          @strains ||= begin
            e, g, _, n = @points.slopes.shape
            b = Numo::DFloat.zeros(e, g, 3, n, 3)
            slopes = @points.slopes
            @u = turned(0)
            @v = turned(1)
            b[true, true, 0, true, 0] = b[true, true, 2, true, 1] = slopes[true, true, 0, true]
            b[true, true, 1, true, 1] = b[true, true, 2, true, 0] = slopes[true, true, 1, true]
            b[true, true, 0, true, 2] = @u[true, true, 0, true]
            b[true, true, 1, true, 2] = @v[true, true, 1, true]
            b[true, true, 2, true, 2] = @u[true, true, 1, true] + @v[true, true, 0, true]
            b.reshape(e, g, 3, n * 3)
          end
        end

        # Rotation less half the turn of the plane.
        def drilling
          strains
          e, g, _, n = @points.slopes.shape
          b = Numo::DFloat.zeros(e, g, 1, n, 3)
          b[true, true, 0, true, 0] = @points.slopes[true, true, 1, true] / 2
          b[true, true, 0, true, 1] = @points.slopes[true, true, 0, true] / -2
          b[true, true, 0, true, 2] = @points.values.reshape(1, g, n) - ((@v[true, true, 0, true] - @u[true, true, 1, true]) / 2)
          @points.integral(b.reshape(e, g, 1, n * 3), Numo::DFloat[[@shear * DRILL]])
        end

        # Strains that grow along the element's axes, mapped by its middle: [e, g, 3, 2].
        def modes_at
          @modes_at ||= begin
            e, g = @points.areas.shape
            middle = Points.new(@points.plane, [[0.0, 0.0]])
            inverse = middle.inverse.map { |row| row.map { |c| c[true, 0].dup } }
            scale = middle.determinants / @points.determinants
            result = Numo::DFloat.zeros(e, g, 3, 2)
            2.times do |mode|
              x = inverse[0][mode]
              y = inverse[1][mode]
              along = Numo::DFloat.cast(@points.at.map { |p| p[mode] }).reshape(1, g) * scale
              [x * x, y * y, x * y * 2].each_with_index { |c, row| result[true, true, row, mode] = along * c.reshape(e, 1) }
            end
            result
          end
        end
      end
    end
  end
end
