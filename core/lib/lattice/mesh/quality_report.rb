# frozen_string_literal: true

module Lattice
  module Mesh
    # How good the elements of a mesh are: every measure of every element, with its spread,
    # and which elements are worst.
    class QualityReport
      BINS = 20

      # What can be measured: its unit, its range in a histogram, which end is worse, and the
      # value that warns.
      Measure = Struct.new(:key, :name, :unit, :range, :worse, :warns, keyword_init: true)

      MEASURES = [
        Measure.new(key: :mean_ratio, name: "mean ratio", range: [0.0, 1.0], worse: :low, warns: 0.3),
        Measure.new(key: :scaled_jacobian, name: "scaled Jacobian", range: [0.0, 1.0], worse: :low, warns: 0.1),
        Measure.new(key: :aspect, name: "longest side over shortest", range: [1.0, 10.0], worse: :high, warns: 10.0),
        Measure.new(key: :skew, name: "skew", range: [0.0, 1.0], worse: :high, warns: 0.9),
        Measure.new(key: :least_angle, name: "least angle between faces or sides", unit: "deg", range: [0.0, 90.0], worse: :low, warns: 10.0),
        Measure.new(key: :warp, name: "warp of faces", unit: "deg", range: [0.0, 45.0], worse: :high, warns: 20.0),
        Measure.new(key: :distortion, name: "least over mean determinant", range: [0.0, 1.0], worse: :low, warns: 0.1)
      ].freeze

      # @param grid [Grid]
      def initialize(grid)
        @grid = grid
        @blocks = grid.blocks.reject { |b| Element::Kind[b.kind].dimension == 1 }
      end

      def empty? = @blocks.empty?

      # @return [Numo::DFloat] of all elements in the order of the blocks; NaN where it does not apply
      def values(key)
        (@values ||= {})[key] ||= @blocks.map { |b| Quality.measure(key, @grid.nodes, b) }.reduce { |a, b| a.concatenate(b) }
      end

      # @return [Array<Hash>] one a measure: worst, first percentile from the worse end, mean,
      #   histogram and how many warn
      def summary
        return [] if empty?

        MEASURES.filter_map { |m| row(m) }
      end

      # @return [Array<Hash>] the worst elements by a measure: number, kind, body, value, centre
      def worst(key, count: 20)
        measure = MEASURES.find { |m| m.key == key }
        all = values(key)
        order = all.sort_index.to_a.reject { |i| all[i].nan? }
        order.reverse! if measure.worse == :high
        order.first(count).map { |i| element(i).merge(value: all[i]) }
      end

      # @return [Hash] number, kind, body and centre of an element counted over all blocks
      def element(number)
        rest = number
        block = @blocks.find { |b| rest < b.size || ((rest -= b.size) && false) }
        { number: number, kind: block.kind, body: block.body, centre: @grid.nodes[block.conn[rest, true], true].mean(0).to_a }
      end

      # What the note says in one line.
      def statement
        return nil if empty?

        measure = MEASURES.find { |m| m.key == usual }
        all = values(usual)
        { key: usual, measure: measure.name, worst: all.min, first_percentile: all.sort[all.size / 100], mean: all.mean }
      end

      # What is wrong with elements, by the measures that suit them: those that warn, and those
      # that are folded, in which no stress can be computed.
      # @return [Array<Hash>] what (poor or folded), measure, unit, limit, count, and of the worst
      #   value, body and centre
      def poor
        return [] if empty?

        [usual, :distortion].filter_map do |key|
          measure = MEASURES.find { |m| m.key == key }
          all = values(key)
          real = (all - all).eq(0)
          count = ((all <= measure.warns) & real).count
          next if count.zero?

          worst = worst(key, count: 1)[0]
          { what: worst[:value] <= 0 ? "folded" : "poor", measure: measure.name, unit: measure.unit, limit: measure.warns, count: count,
            worst: worst[:value], body: worst[:body], at: worst[:centre] }
        end
      end

      # The measure that suits the elements: long bricks are no bad ones, long tetrahedra are.
      def usual = @blocks.all? { |b| Element::Kind[b.kind].corners == Element::Kind[b.kind].dimension + 1 } ? :mean_ratio : :scaled_jacobian

      private

      def row(measure)
        all = values(measure.key)
        real = all[(all - all).eq(0).where]
        return nil if real.empty?

        sorted = real.sort
        sorted = sorted.reverse if measure.worse == :high
        { key: measure.key, name: measure.name, unit: measure.unit, worse: measure.worse, range: measure.range, warns: measure.warns,
          worst: sorted[0], first_percentile: sorted[sorted.size / 100], mean: real.mean, histogram: histogram(real, measure.range),
          warned: (measure.worse == :low ? real <= measure.warns : real >= measure.warns).count }
      end

      def histogram(values, range)
        share = (values - range[0]) / (range[1] - range[0])
        Numo::Int32.cast((share * BINS).clip(0, BINS - 1).floor).bincount(minlength: BINS).to_a
      end
    end
  end
end
