# frozen_string_literal: true

module Lattice
  module Shape
    # The lines of an outline or open line as points of the plane: what is swept or filled.
    # points [n, 2]; runs: lists of point indices, one a line; keys: for every step of a run
    # the name of the side it belongs to; segments by name.
    class SectionLines
      attr_reader :points, :runs, :keys, :segments

      FINE = 0.1 # rad between points on arcs

      # @param outline [Outline]
      def self.of_outline(outline) = new(outline.loops.map(&:segments), true)

      # @param pieces [Array<Line, Arc>] of open lines, each on its own
      def self.of_pieces(pieces) = new(pieces.map { |piece| [piece] }, false)

      def initialize(chains, closed)
        @closed = closed
        @segments = chains.flatten.to_h { |s| [s.key, s] }
        first = 0
        rows = []
        parts = chains.map do |chain|
          points, keys = sampled(chain)
          range = (first...(first + points.shape[0])).to_a
          first += points.shape[0]
          rows << points
          [closed ? [*range, range.first] : range, keys]
        end
        @runs, @keys = parts.transpose
        @points = Numo::DFloat.vstack(rows)
      end

      def closed? = @closed

      # @return [Array<Array<Integer>>] the loops without their last point again
      def loops = runs.map { |run| closed? ? run[0...-1] : run }

      # Where sides begin: [key, point], for sides that are not full circles.
      # @return [Array<Array(String, Integer)>]
      def starts
        runs.zip(keys).flat_map do |run, names|
          names.each_index.select { |i| i.zero? || names[i] != names[i - 1] }.map { |i| [names[i], run[i]] }
        end.reject { |key, _| segments[key].closed? }
      end

      private

      # Fewer points than these would not tell an arc or circle.
      def steps(segment)
        return 1 if segment.radius.infinite?

        [((segment.sweep.abs / FINE) - 1e-9).ceil, segment.closed? ? 8 : 4].max
      end

      def sampled(chain)
        keys = []
        rows = chain.map do |segment|
          n = steps(segment)
          keys.concat([segment.key] * n)
          segment.points(Numo::DFloat.new(n).seq / n)
        end
        rows << chain.last.points(Numo::DFloat[1.0]) unless @closed
        [Numo::DFloat.vstack(rows), keys]
      end
    end
  end
end
