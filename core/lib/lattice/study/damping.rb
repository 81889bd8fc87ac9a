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
        ratios = rayleigh ? rayleigh.of(frequencies) : Numo::DFloat.zeros(frequencies.size) + (@study.quantity("damping", "ratio") || DEFAULT)
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

      # @return [Rayleigh, nil] where it is by mass and stiffness
      def rayleigh
        return unless @study["rayleigh"]

        @rayleigh ||= begin
          low, high = %w[from to].map { |key| @study.quantity("rayleigh.#{key}", "frequency") }
          Rayleigh.new(low, high, %w[from_ratio to_ratio].map { |key| @study.quantity("rayleigh.#{key}", "ratio") })
        end
      end

      private

      def own = @study["damping_of"] || []

      def check_rayleigh
        low, high = %w[from to].map { |key| @study.quantity("rayleigh.#{key}", "frequency") }
        raise @study.fault("the two frequencies of its damping are not in order", path: "rayleigh.to", cure: "Give the lower one first.") unless low.positive? && high > low
        return if rayleigh.parts.min >= 0

        part = rayleigh.parts[0].negative? ? "mass" : "stiffness"
        raise @study.fault("with these two ratios the part of its damping by #{part} would be below zero, and drive what it should damp", path: "rayleigh.to_ratio",
                                                                                                                                          cure: "Bring the two ratios nearer to each other.")
      end
    end
  end
end
