# frozen_string_literal: true

module Lattice
  module Mesh
    # Which elements are looked at: on one side of a plane across an axis, of one body, and
    # no better than a value of a measure. Whole elements, by their centres.
    class Choice
      # @param report [QualityReport]
      # @param grid [Grid]
      # @param axis [String, nil] x, y or z; +at+ the share of the extent, +turned+ the other side
      # @param body [String, nil]
      # @param worse [Float, nil] limit of the measure +key+
      def initialize(report, grid, key:, axis: nil, at: 0.5, turned: false, body: nil, worse: nil)
        @report = report
        @grid = grid
        @key = key
        @axis = axis && "xyz".index(axis)
        @at = at
        @turned = turned
        @body = body
        @worse = worse
      end

      # @return [Numo::Bit] one an element
      def call
        blocks = @grid.blocks.reject { |b| Element::Kind[b.kind].dimension == 1 }
        all = blocks.map { |block| of(block) }.reduce { |a, b| a.concatenate(b) }
        chosen = all.ne(0)
        @worse ? chosen & no_better : chosen
      end

      private

      def of(block)
        return Numo::Int8.zeros(block.size) if @body && block.body != @body
        return Numo::Int8.ones(block.size) unless @axis

        corners = block.conn[true, 0...Element::Kind[block.kind].corners]
        centre = @grid.nodes[true, @axis][corners].mean(1)
        low, high = @grid.nodes[true, @axis].minmax
        Numo::Int8.cast(@turned ? centre >= low + (@at * (high - low)) : centre <= low + (@at * (high - low)))
      end

      def no_better
        values = @report.values(@key)
        low = QualityReport::MEASURES.find { |m| m.key == @key }.worse == :low
        low ? values <= @worse : values >= @worse
      end
    end
  end
end
