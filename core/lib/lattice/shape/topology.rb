# frozen_string_literal: true

module Lattice
  module Shape
    # The distinct sides of a set of triangles, and which triangles meet at each.
    class Topology
      # ends: [e, 2] points, low first; sides: [3 t] index of the side of each triangle corner
      # (corner k of triangle i at 3 i + k runs from corner k to the next);
      # forward: [3 t] whether it runs from the low end to the high one.
      attr_reader :ends, :sides, :forward, :counts

      # @param triangles [Numo::Int32] [t, 3]
      def initialize(triangles)
        @triangles = triangles
        from = triangles.flatten.dup
        to = triangles[true, [1, 2, 0]].flatten.dup
        @index = pairs = Algebra::Pairs.new([[triangles, [[0, 1], [1, 2], [2, 0]]]])
        @ends = Numo::Int32.zeros(pairs.size, 2)
        @ends[true, 0] = pairs.low
        @ends[true, 1] = pairs.high
        @sides = pairs.of(0).flatten.dup
        @forward = from < to
        @counts = @sides.bincount(minlength: pairs.size)
      end

      # @return [Numo::Int32] the sides between given points; each must exist
      def between(from, to) = @index.find(from, to)

      # @return [Array(Numo::Int32, Numo::Int32, Numo::Int32)] sides with exactly two triangles, and those two
      def pairs
        @pairs ||= find_pairs
      end

      # @return [Numo::Int32] sides with one triangle only
      def open = Numo::Int32.cast(@counts.eq(1).where)

      # @return [Numo::Int32] sides with more than two triangles
      def crowded = Numo::Int32.cast((@counts > 2).where)

      def closed? = open.empty? && crowded.empty?

      # @return [Boolean] whether triangles on both sides of every pair run opposite ways
      def consistent? = misled.empty?

      # @return [Numo::Int32] sides that both triangles run along the same way
      def misled
        ways = @sides.bincount(Numo::DFloat.cast(@forward), minlength: @counts.size)
        Numo::Int32.cast((@counts.eq(2) & ways.ne(1)).where)
      end

      private

      def find_pairs
        order = @sides.sort_index
        sorted = @sides[order].dup
        twin = @counts[sorted].eq(2)
        first = twin.where.to_a.then { |all| Numo::Int32.cast(all) }
        return Array.new(3) { Numo::Int32.zeros(0) } if first.empty?

        corners = Numo::Int32.cast(order[first].dup) / 3
        half = corners.size / 2
        grid = corners.reshape(half, 2)
        [sorted[first].reshape(half, 2)[true, 0].dup, grid[true, 0].dup, grid[true, 1].dup]
      end
    end
  end
end
