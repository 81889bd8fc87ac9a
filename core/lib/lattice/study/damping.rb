# frozen_string_literal: true

module Lattice
  module Study
    # How the modes of a study are damped: by one ratio, by mass and stiffness, and mode by mode.
    class Damping
      DEFAULT = 0.02
      MOST = 0.999 # of critical; what is damped more hardly moves
      LEAST = 1e-9

      # @param study [Model::Statement]
      def initialize(study)
        @study = study
      end

      # @param frequencies [Numo::DFloat] natural ones, Hz
      # @return [Numo::DFloat] damping ratio of each
      def of(frequencies)
        ratios = rayleigh ? by_both(frequencies) : Numo::DFloat.zeros(frequencies.size) + (@study.quantity("damping", "ratio") || DEFAULT)
        own.each_with_index { |mode, i| ratios[mode["mode"] - 1] = @study.quantity("damping_of.#{i}.ratio", "ratio") if mode["mode"] <= ratios.size }
        ratios.clip(0, MOST)
      end

      # @raise [InvalidInput]
      def check!
        ["damping", *own.each_index.map { |i| "damping_of.#{i}.ratio" }, *(rayleigh ? %w[rayleigh.from_ratio rayleigh.to_ratio] : [])].each do |path|
          ratio = @study.quantity(path, "ratio")
          next if ratio.nil? || ratio.between?(LEAST, 1 - LEAST)

          raise @study.fault("a damping ratio of #{(ratio * 100).round(1)} % is #{ratio.positive? ? 'critical or over it: nothing would swing' : 'not above zero'}", path: path,
                                                                                                                                                                     cure: "Give a ratio such as 2 %.")
        end
        check_rayleigh if rayleigh
      end

      private

      def own = @study["damping_of"] || []

      # Frequency and ratio, twice.
      def rayleigh = @study["rayleigh"] && %w[from from_ratio to to_ratio].map { |key| @study.quantity("rayleigh.#{key}", key.end_with?("ratio") ? "ratio" : "frequency") }

      def check_rayleigh
        low, _, high, = rayleigh
        raise @study.fault("the two frequencies of its damping are not in order", path: "rayleigh.to", cure: "Give the lower one first.") unless low.positive? && high > low
        return if parts.min >= 0

        part = parts[0].negative? ? "mass" : "stiffness"
        raise @study.fault("with these two ratios the part of its damping by #{part} would be below zero, and drive what it should damp", path: "rayleigh.to_ratio",
                                                                                                                                          cure: "Bring the two ratios nearer to each other.")
      end

      # α and β of α M + β K: ζ = α / 2ω + β ω / 2, from the ratios at two frequencies. Lord Rayleigh, The Theory of Sound, 1877.
      def parts
        low, first, high, second = rayleigh
        one, two = [low, high].map { |f| 2 * Math::PI * f }
        beta = 2 * ((second * two) - (first * one)) / ((two**2) - (one**2))
        [(2 * first * one) - (beta * (one**2)), beta]
      end

      def by_both(frequencies)
        speeds = (frequencies * 2 * Math::PI).clip(1e-9, nil)
        alpha, beta = parts
        (alpha / speeds / 2) + (speeds * beta / 2)
      end
    end
  end
end
