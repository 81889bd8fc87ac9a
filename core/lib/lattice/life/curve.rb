# frozen_string_literal: true

module Lattice
  module Life
    # Cycles until a crack, by the amplitude of stress: points with straight lines between them on chosen axes, carried on beyond both
    # ends; below the endurance there is no damage.
    class Curve
      BETWEEN = %w[log-log semi-log linear].freeze
      LEAST = 1e-3 # cycles
      BOUNDS = [1.0, 1e12].freeze # Pa, between which an amplitude is looked for
      HALVINGS = 80

      # @param points [Array(Float, Float)] cycles and Pa, by rising cycles
      # @param between [String] one of BETWEEN
      # @param endurance [Float, nil] Pa
      def initialize(points, between: "log-log", endurance: nil)
        @points = points
        @between = between
        @endurance = endurance
      end

      # σ = coefficient · N^exponent
      def self.of_power(coefficient, exponent, endurance: nil) = new([1.0, 1e6].map { |n| [n, coefficient * (n**exponent)] }, endurance: endurance)

      attr_reader :points, :endurance

      # @param amplitude [Numo::DFloat] Pa
      # @return [Numo::DFloat] cycles; infinite where there is no damage
      def life(amplitude)
        size = amplitude.clip(1e-9, nil)
        found = if @between == "linear"
                  along(size)
                else
                  10**along(@between == "log-log" ? Numo::NMath.log10(size) : size).clip(-300, 300)
                end
        found = found.clip(LEAST, nil)
        Algebra::Gather.put(found, amplitude <= (@endurance || 0.0), Float::INFINITY)
        found
      end

      # @param cycles [Float]
      # @return [Float] Pa, the largest amplitude that is borne so often
      def bears(cycles)
        low, high = [BOUNDS[0], BOUNDS[1]].map { |s| Math.log(s) }
        HALVINGS.times do
          middle = (low + high) / 2
          life(Numo::DFloat[Math.exp(middle)])[0] >= cycles ? low = middle : high = middle
        end
        Math.exp(low)
      end

      private

      # Axes as straight lines: what stress and cycles are on them.
      def knots
        @knots ||= begin
          stress = @points.map { |_, s| @between == "log-log" ? Math.log10(s) : s }
          cycles = @points.map { |n, _| @between == "linear" ? n : Math.log10(n) }
          stress.zip(cycles)
        end
      end

      def along(stress)
        found = Numo::DFloat.zeros(*stress.shape)
        knots.each_cons(2).with_index do |((s0, n0), (s1, n1)), i|
          lower = i == knots.size - 2 ? stress.le(s0) : stress.le(s0) & stress.gt(s1)
          lower |= stress.gt(s0) if i.zero?
          at = lower.where
          found[at] = ((stress[at] - s0) * ((n1 - n0) / (s1 - s0))) + n0 unless at.empty?
        end
        found
      end
    end
  end
end
