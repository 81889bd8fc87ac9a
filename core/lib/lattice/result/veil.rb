# frozen_string_literal: true

module Lattice
  module Result
    # What of a close-up lies too near to its cut to be read: within a depth of the sides of the block, of
    # the ball, or of the faces, that cut it.
    class Veil
      # @param grid [Mesh::Grid]
      # @param sides [Array(Integer, Float)] axis 0 to 2 and the place on it, m
      # @param ball [Array<Float>, nil] centre and radius, m, in place of sides
      # @param near [Array(String, String), nil] body and name of faces, in place of sides
      # @param depth [Float] m
      def initialize(grid, depth:, sides: [], ball: nil, near: nil)
        @grid = grid
        @sides = sides
        @ball = ball
        @near = near
        @depth = depth
      end

      ON_CUT = 0.02 # of the depth, within which a point lies on the cut itself

      # @return [Numo::Bit] [p] of the points of the mesh
      def points = @points ||= within(@depth)

      # @return [Numo::Bit] [p] those that move as the whole does
      def on_cut = @on_cut ||= within(@depth * ON_CUT)

      # @param depth [Float] m
      def within(depth)
        at = @grid.nodes[@grid.points.nodes, true]
        next_to_ball(at, depth) || next_to_faces(at, depth) || @sides.map { |axis, place| (at[true, axis] - place).abs < depth }.reduce(:|) || Numo::Bit.zeros(@grid.points.size)
      end

      # @return [Numo::Bit, nil]
      def next_to_ball(points, depth)
        @ball && (Shape::Vectors.norm(points - Numo::DFloat.cast(@ball.first(3)).reshape(1, 3)) - @ball[3]).abs < depth
      end

      # @return [Numo::Bit, nil]
      def next_to_faces(points, depth)
        return unless @near

        faces = @grid.nodes[Algebra::Gather.distinct(@near.filter_map { |key| @grid.places[key.map(&:to_s)] }), true].dup
        boxed = (0..2).map { |k| (points[true, k] > faces[true, k].min - depth) & (points[true, k] < faces[true, k].max + depth) }.reduce(:&).where
        Numo::Bit.zeros(points.shape[0]).tap do |found|
          boxed.to_a.each_slice(CHUNK) { |rows| found[rows] = apart(points[rows, true].dup, faces) < depth }
        end
      end

      CHUNK = 2000 # points, whose distances from all nodes of the cut are told at once

      # @return [Numo::DFloat] [k] from each point to the nearest of others
      def apart(points, others)
        square = (0..2).map { |k| (points[true, k].reshape(points.shape[0], 1) - others[true, k].reshape(1, others.shape[0]))**2 }.reduce(:+)
        Numo::NMath.sqrt(square.min(1))
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
