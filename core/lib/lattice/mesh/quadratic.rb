# frozen_string_literal: true

module Lattice
  module Mesh
    # Adds mid-side nodes to a plane mesh; those on a side of the outline lie on its curve.
    class Quadratic
      attr_reader :points, :quads, :sides, :corners

      # @param plane [PlaneMesher::Result]
      def initialize(plane)
        pairs = Algebra::Pairs.new([[plane.quads, [[0, 1], [1, 2], [2, 3], [3, 0]]]])
        first = plane.points.shape[0]
        middles = (plane.points[pairs.low, true] + plane.points[pairs.high, true]) / 2
        on_border = pairs.find(plane.border.from, plane.border.to)
        middles[on_border, true] = plane.border.middles(plane.segments)
        @points = Numo::DFloat.vstack([plane.points, middles])
        @quads = Numo::Int32.hstack([plane.quads, pairs.of(0) + first])
        read_border(plane, on_border + first)
      end

      private

      # +sides+: key => [k, 3] (from, to, middle); +corners+: key of the side that leaves => node.
      def read_border(plane, middles)
        lines = Numo::Int32.vstack([plane.border.from, plane.border.to, middles]).transpose
        @sides = {}
        @corners = {}
        plane.segments.each_with_index do |segment, index|
          on = plane.border.segment.eq(index).where
          @sides[segment.key] = lines[on, true].dup
          first = plane.border.start[on].eq(0).where
          @corners[segment.key] = plane.border.from[on][first][0] unless segment.closed?
        end
      end
    end
  end
end
