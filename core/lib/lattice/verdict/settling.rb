# frozen_string_literal: true

module Lattice
  module Verdict
    # What a peak does as meshes get finer: whether it settles, with what order, and where it would end.
    # L. F. Richardson, The approximate arithmetical solution by finite differences, 1911; P. J. Roache, Perspective: a
    # method for uniform reporting of grid refinement studies, 1994.
    class Settling
      SETTLED = 0.01 # of the value, by which the last step may differ
      SINGULAR = 1.0 # ratio of successive steps under halving: corners of 190 to 270 degrees lie between 1.1 and 1.35
      DOUBTFUL = 0.7
      ORDERS = (0.5..4.0) # that an extrapolation is trusted with

      # @param rows [Array<Hash>] value, from coarse to fine
      # @param finer [Float] ratio of sizes from one to the next
      def initialize(rows, finer)
        @rows = rows
        @finer = finer
        @values = rows.map { |row| row[:value].to_f }
      end

      # @return [Hash] rows with their error; state: settled, rising, singular, doubtful or uneven; order, extrapolated, change
      def to_h
        rows = @rows.map { |row| row.merge(error: extrapolated && !extrapolated.zero? ? (row[:value] - extrapolated) / extrapolated : nil) }
        { rows: rows, state: state, order: order, extrapolated: extrapolated, change: change, at: @rows.last[:at] }
      end

      # @return [Float] last step, as a share
      def change = @values.last.zero? ? 0.0 : (steps.last / @values.last).abs

      # @return [Float, nil] ratio of the last two steps, as if the size had been halved; nil when they go both ways
      def ratio
        return if steps.size < 2 || (steps[-1] * steps[-2]) <= 0

        (steps[-1] / steps[-2])**(Math.log(2) / Math.log(@finer))
      end

      # @return [Float, nil] observed order of convergence
      def order = ratio && ratio < 1 ? -Math.log2(ratio) : nil

      # @return [Float, nil]
      def extrapolated
        return unless order && ORDERS.cover?(order) && ratio < DOUBTFUL

        @values.last + (steps.last / ((@finer**order) - 1))
      end

      def state
        left = extrapolated ? ((@values.last - extrapolated) / extrapolated).abs : change
        if change <= SETTLED && left <= 2 * SETTLED then "settled"
        elsif ratio.nil? then "uneven"
        elsif ratio >= SINGULAR then "singular"
        elsif ratio >= DOUBTFUL then "doubtful"
        else "rising"
        end
      end

      private

      def steps = @steps ||= @values.each_cons(2).map { |a, b| b - a }
    end
  end
end
