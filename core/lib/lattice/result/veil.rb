# frozen_string_literal: true

module Lattice
  module Result
    # What of a close-up lies too near to its cut to be read: within a depth of the sides of the block, or of the ball, that cut it.
    class Veil
      # @param grid [Mesh::Grid]
      # @param sides [Array(Integer, Float)] axis 0 to 2 and the place on it, m
      # @param ball [Array<Float>, nil] centre and radius, m, in place of sides
      # @param depth [Float] m
      def initialize(grid, depth:, sides: [], ball: nil)
        @grid = grid
        @sides = sides
        @ball = ball
        @depth = depth
      end

      # @return [Numo::Bit] [p] of the points of the mesh
      def points
        @points ||= begin
          at = @grid.nodes[@grid.points.nodes, true]
          next_to_ball(at) || @sides.map { |axis, place| (at[true, axis] - place).abs < @depth }.reduce(:|) || Numo::Bit.zeros(@grid.points.size)
        end
      end

      # @return [Numo::Bit, nil]
      def next_to_ball(points)
        @ball && (Shape::Vectors.norm(points - Numo::DFloat.cast(@ball.first(3)).reshape(1, 3)) - @ball[3]).abs < @depth
      end

      # @param wanted [Numo::Int32] points
      # @return [Numo::Int32] those that are not near the cut; all where none is left
      def outside(wanted)
        open = points[wanted].dup.eq(0).where
        open.empty? ? wanted : wanted[open].dup
      end
    end
  end
end
