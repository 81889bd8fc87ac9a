# frozen_string_literal: true

module Lattice
  module Load
    # A record of how the ground shakes: its acceleration in equal steps, straight between.
    class GroundMotion
      G = Study::Kinds::Vibration::GRAVITY
      UNITS = { "m/s2" => 1.0, "g" => G }.freeze
      MOST = 20_000 # values
      STRONGEST = 3 * G # m/s²; no ground has been felt to shake more
      WEAKEST = 0.02 * G # m/s²; hardly felt
      PERIODS = Numo::DFloat.cast((0..60).map { |k| 0.03 * (150.0**(k / 60.0)) }) # s, of its spectrum
      RATIO = 0.05 # of damping, in its spectrum
      SPECTRA = {} # rubocop:disable Style/MutableConstant -- of the last few records, which are asked for with every edit

      class << self
        # @param document [Model::Document]
        # @return [Array<GroundMotion>]
        def all(document) = document.active("ground_motion").map { |statement| new(statement) }

        # @return [GroundMotion, nil]
        def named(document, name) = all(document).find { |motion| motion.name == name }
      end

      attr_reader :statement

      # @param statement [Model::Statement] a ground motion
      def initialize(statement) = @statement = statement

      def name = statement.name
      def step = statement.quantity("step", "time")

      # @return [Numo::DFloat] m/s²
      def values = @values ||= trimmed(Numo::DFloat.cast(statement["values"].flatten))

      # @return [Float] s
      def duration = (values.size - 1) * step

      # @param time [Float] s
      # @return [Float] m/s², nothing after its end
      def at(time)
        place = time / step
        below = place.floor
        return 0.0 if below >= values.size - 1 && place > values.size - 1 + 1e-6
        return values[-1] if below >= values.size - 1

        values[below] + ((values[below + 1] - values[below]) * (place - below))
      end

      def peak = values.abs.max

      # The greatest acceleration of what swings on its own, by its period. N. C. Nigam, P. C. Jennings, 1969.
      # @return [Numo::DFloat] [periods] m/s²
      def spectrum
        speeds = 2 * Math::PI / PERIODS
        SPECTRA.shift if SPECTRA.size > 20
        SPECTRA[signature] ||= begin
          moved, = Study::Stepping.new(speeds, (speeds * 0) + RATIO, step).call(values.reshape(values.size, 1) * Numo::DFloat.ones(1, PERIODS.size))
          moved.abs.max(0) * (speeds**2)
        end
      end

      # @raise [InvalidInput]
      def check!
        count = statement["values"].sum(&:size)
        raise statement.fault("it has no values", path: "values", cure: "Read a record from a file, or take one from the station.") if count < 2
        raise statement.fault("it has #{count} values, of which at most #{MOST} are followed", path: "values", cure: "Leave out every second one, or what is still.") if count > MOST
        raise statement.fault("its step is not above zero", path: "step", cure: "Give the time between values, such as 10 ms.") unless step.positive?
        raise statement.fault("nothing of it is left between its start and its end", path: "to", cure: "Let it end later, or start earlier.") if values.size < 2
        return unless peak > STRONGEST

        other = statement["unit"] == "g" ? "m/s2" : "cm/s2 or the like, which a scale of 0.01 makes m/s2"
        raise statement.fault("its peak of #{(peak / G).round(1)} g is more than any ground has shaken", path: "unit", cure: "Its values are most likely in #{other}.")
      end

      # @return [Array<Fault>]
      def oddities
        return [] if values.size < 2 || peak >= WEAKEST

        [statement.fault_at("its peak of #{format('%.2g', peak / G)} g would hardly be felt", path: "unit",
                                                                                              cure: statement["unit"] == "g" ? "Look whether its values are in g." : "Its values may be in g.")]
      end

      # @return [Hash] peak m/s², duration s, periods s, spectrum m/s²
      def to_h = { peak: peak, duration: duration, step: step, count: values.size, periods: PERIODS.to_a, spectrum: spectrum.to_a, values: drawn }

      # @return [Array] by meaning
      def signature = [step, values.to_a]

      private

      def trimmed(all)
        return all if all.size < 2

        first, last = [["from", 0.0], ["to", all.size * step]].map { |key, other| ((statement.quantity(key, "time") || other) / step).round.clamp(0, all.size - 1) }
        all[first..last] * (UNITS.fetch(statement["unit"]) * (statement.quantity("scale", "ratio") || 1.0))
      end

      DRAWN = 400
      private_constant :DRAWN

      # As many of its values as are drawn: of each part the largest in size.
      def drawn
        return values.to_a if values.size <= DRAWN

        values.to_a.each_slice((values.size.to_f / DRAWN).ceil).map { |part| part.max_by(&:abs) }
      end
    end
  end
end
