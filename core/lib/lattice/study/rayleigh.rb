# frozen_string_literal: true

module Lattice
  module Study
    # Damping by mass and by stiffness, α M + β K, from the ratios at two frequencies: ζ = α / 2ω + β ω / 2.
    # Lord Rayleigh, The Theory of Sound, 1877.
    class Rayleigh
      POINTS = 61
      BEYOND = 3.0 # times below the lower frequency, and above the higher one, that its curve is told for

      # @param low [Float] Hz
      # @param high [Float] Hz, above low
      # @param ratios [Array(Float, Float)] at both
      def initialize(low, high, ratios)
        @ends = [low, high]
        @ratios = ratios
      end

      # Whether the frequencies are in order, and no part drives what it should damp.
      def damps? = @ends[0].positive? && @ends[1] > @ends[0] && @ends[1].finite? && parts.min >= 0

      # @return [Array(Float, Float)] α in 1/s and β in s
      def parts
        @parts ||= begin
          one, two = @ends.map { |f| 2 * Math::PI * f }
          first, second = @ratios
          beta = 2 * ((second * two) - (first * one)) / ((two**2) - (one**2))
          [(2 * first * one) - (beta * (one**2)), beta]
        end
      end

      # @param frequencies [Numo::DFloat] Hz
      # @return [Numo::DFloat] the ratio at each
      def of(frequencies)
        speeds = (frequencies * 2 * Math::PI).clip(1e-9, nil)
        alpha, beta = parts
        (alpha / speeds / 2) + (speeds * beta / 2)
      end

      # @return [Hash] frequencies and ratios of its curve, the two ends that are given, α and β
      def to_h
        low, high = @ends
        along = Numo::NMath.exp(Numo::DFloat.linspace(Math.log(low / BEYOND), Math.log(high * BEYOND), POINTS))
        { frequencies: along.to_a, ratios: of(along).to_a, ends: @ends.zip(@ratios), mass: parts[0], stiffness: parts[1] }
      end
    end
  end
end
