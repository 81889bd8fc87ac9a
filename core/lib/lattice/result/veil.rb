# frozen_string_literal: true

module Lattice
  module Result
    # What of a close-up lies too near to its cut to be read: within a depth of the sides of the block that cut it.
    class Veil
      # @param grid [Mesh::Grid]
      # @param sides [Array(Integer, Float)] axis 0 to 2 and the place on it, m
      # @param depth [Float] m
      def initialize(grid, sides:, depth:)
        @grid = grid
        @sides = sides
        @depth = depth
      end

      # @return [Numo::Bit] [p] of the points of the mesh
      def points
        @points ||= begin
          at = @grid.nodes[@grid.points.nodes, true]
          @sides.map { |axis, place| (at[true, axis] - place).abs < @depth }.reduce(:|) || Numo::Bit.zeros(@grid.points.size)
        end
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
