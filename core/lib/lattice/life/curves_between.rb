# frozen_string_literal: true

module Lattice
  module Life
    # Curves that were found at several means, or at several ratios of least to greatest stress: between them the logarithm of life is straight
    # in the mean, or the ratio; beyond them it is as in the last.
    class CurvesBetween
      # @param curves [Hash{Float => Curve}] by ratio, or by mean in Pa
      # @param by [Symbol] :ratio or :mean
      def initialize(curves, by)
        @by = by
        @places = curves.keys.sort
        @curves = @places.map { |place| curves[place] }
      end

      # @param amplitude [Numo::DFloat] Pa
      # @param mean [Numo::DFloat] Pa
      # @param factor [Float] by which each bears more
      # @return [Numo::DFloat] cycles
      def life(amplitude, mean, factor = 1.0)
        place = (@by == :mean ? mean : ratio(amplitude, mean)).clip(@places[0], @places[-1])
        logs = @curves.map { |curve| Numo::NMath.log10(curve.life(amplitude / factor).clip(nil, 1e300)) }
        found = logs[-1].dup
        @places.each_cons(2).with_index do |(low, high), i|
          at = (place.ge(low) & place.le(high)).where
          next if at.empty?

          share = (place[at] - low) / (high - low)
          found[at] = (logs[i][at] * (1 - share)) + (logs[i + 1][at] * share)
        end
        10**found
      end

      private

      # Where even the greatest is a push, as where it is least pulled.
      def ratio(amplitude, mean)
        greatest = mean + amplitude
        ratio = Numo::DFloat.zeros(*mean.shape).tap { |r| greatest.ne(0).where.then { |at| r[at] = (mean[at] - amplitude[at]) / greatest[at] unless at.empty? } }
        Algebra::Gather.put(ratio, greatest <= 0, @places[0])
      end
    end
  end
end
