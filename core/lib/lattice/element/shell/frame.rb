# frozen_string_literal: true

module Lattice
  module Element
    module Shell
      # The flat frames of a block of triangles or quadrilaterals: the normal is square to both diagonals
      # (of a triangle, to two sides); the axes in the plane are turned to fit the reference element best, so
      # that renumbering the nodes changes nothing. Corners of warped quadrilaterals lie at a height
      # over or under the plane, and are linked to it rigidly.
      class Frame
        REFERENCE = { 3 => [[-0.5, -0.28867513459481287], [0.5, -0.28867513459481287], [0.0, 0.5773502691896257]], 4 => [[-1, -1], [1, -1], [1, 1], [-1, 1]] }.freeze
        V = Shape::Vectors

        # axes: three times [e, 3]; plane: [e, n, 2] corners in it; heights: [e, n]; centre: [e, 3]
        attr_reader :axes, :plane, :heights, :centre

        # @param coordinates [Numo::DFloat] [e, n, 3]
        def initialize(coordinates)
          @elements, @nodes, = coordinates.shape
          corners = (0...@nodes).map { |a| coordinates[true, a, true].dup }
          @centre = corners.reduce(:+) / @nodes
          arms = corners.map { |p| p - @centre }
          one, two = @nodes == 4 ? [corners[2] - corners[0], corners[3] - corners[1]] : [corners[1] - corners[0], corners[2] - corners[0]]
          normal = V.unit(V.cross(one, two))
          first = V.unit(one - V.times(normal, V.dot(one, normal)))
          turn(arms, first, V.cross(normal, first))
          @axes << normal
          @heights = stacked(arms.map { |arm| V.dot(arm, normal) })
          @plane = Numo::DFloat.zeros(@elements, @nodes, 2)
          arms.each_with_index { |arm, a| 2.times { |k| @plane[true, a, k] = V.dot(arm, @axes[k]) } }
        end

        # @return [Numo::DFloat] [e, 3, 3] rows are the axes
        def rotation = @rotation ||= Numo::DFloat.zeros(@elements, 3, 3).tap { |r| axes.each_with_index { |axis, k| r[true, k, true] = axis } }

        # Local unknowns of a node (u, v, w, and rotations about the axes) from its global ones.
        # @return [Array<Numo::DFloat>] for every node [e, 6, 6]
        def transforms
          @transforms ||= (0...@nodes).map do |a|
            t = Numo::DFloat.zeros(@elements, 6, 6)
            t[true, 0..2, 0..2] = rotation
            t[true, 3..5, 3..5] = rotation
            height = heights[true, a].dup
            t[true, 0, 3..5] = V.times(axes[1], -height)
            t[true, 1, 3..5] = V.times(axes[0], height)
            t
          end
        end

        private

        # The angle in the plane for which Σ reference × corner vanishes.
        def turn(arms, first, second)
          along = Numo::DFloat.zeros(@elements)
          across = Numo::DFloat.zeros(@elements)
          REFERENCE[@nodes].each_with_index do |(x, y), a|
            p = V.dot(arms[a], first)
            q = V.dot(arms[a], second)
            along += (p * x) + (q * y)
            across += (q * x) - (p * y)
          end
          size = Numo::NMath.sqrt((along**2) + (across**2))
          c = along / size
          s = across / size
          @axes = [V.times(first, c) + V.times(second, s), V.times(second, c) - V.times(first, s)]
        end

        def stacked(columns) = Numo::DFloat.zeros(@elements, columns.size).tap { |all| columns.each_with_index { |column, k| all[true, k] = column } }
      end
    end
  end
end
