# frozen_string_literal: true

module Lattice
  module Shape
    # A closed chain of sides. +name+ is "side" for the boundary and "hole n" for holes.
    class Loop
      FINE = 0.1 # rad between points of a fine polyline

      attr_reader :segments, :name

      def initialize(segments, name)
        @segments = segments.freeze
        @name = name
        @polylines = {}
        freeze
      end

      # @return [Float] signed area, positive counter-clockwise
      def area = segments.sum { |s| s.moments[0] }

      def oriented(counter_clockwise:)
        return self if area.positive? == counter_clockwise

        Loop.new(segments.reverse.map(&:reverse), name)
      end

      # @return [Arc, nil] the circle, when the loop is just that
      def circle = segments.size == 1 && segments[0].closed? ? segments[0] : nil

      # @return [Array(Numo::DFloat, Array<Integer>)] polyline [n, 2] without its last point,
      #   and the index of the segment that leaves each point
      def polyline(angle = FINE) = @polylines[angle] ||= drawn(angle)

      private

      def drawn(angle)
        owners = []
        parts = segments.each_with_index.map do |segment, index|
          n = segment.radius.infinite? ? 1 : [(segment.sweep.abs / angle).ceil, 2].max
          owners.concat([index] * n)
          segment.points(Numo::DFloat.new(n).seq / n)
        end
        [Numo::DFloat.vstack(parts), owners]
      end
    end
  end
end
