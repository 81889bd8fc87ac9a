# frozen_string_literal: true

module Lattice
  module Shape
    # Cuts open lines where they meet, and leaves each stretch in only once.
    module LineMerge
      module_function

      # @param segments [Array<Line, Arc>]
      # @return [Array(Array<Line, Arc>, Hash)] the stretches, and counts of what became one
      def call(segments)
        low, high = segments.flat_map { |s| [s.from, s.to] }.transpose.map(&:minmax).transpose
        near = Math.hypot(high[0] - low[0], high[1] - low[1]) * 1e-7
        pieces = segments.each_index.flat_map { |i| Meeting.cut(segments, i, near) }
        single = pieces.each_with_object([]) { |piece, kept| kept << piece if kept.none? { |other| same?(piece, other, near) } }
        [single, { edges: pieces.size - single.size }.select { |_, n| n.positive? }]
      end

      def same?(one, other, near)
        ends = [one, other].map { |s| [s.from, s.to].sort }
        middle = [one, other].map { |s| s.points(Numo::DFloat[0.5])[0, true].to_a }
        [*ends[0].zip(ends[1]), middle].all? { |a, b| Polygon.distance(a, b) <= near * 10 }
      end
    end
  end
end
