# frozen_string_literal: true

module Lattice
  module Study
    # What a harmonic response asks for: at which frequencies, how damped, and by what it is pushed at each.
    class Sweep
      POINTS = 100
      ENOUGH = 0.8
      # About a natural frequency, in half widths of its peak (ζ f): close where it is steep.
      CLUSTER = [-8, -4, -2, -1.5, -1, -0.7, -0.4, -0.2, 0, 0.2, 0.4, 0.7, 1, 1.5, 2, 4, 8].freeze
      SAME = 1e-9 # of a frequency

      attr_reader :study

      # @param study [Model::Statement]
      def initialize(study)
        @study = study
      end

      def from = study.quantity("from", "frequency")
      def to = study.quantity("to", "frequency")
      def points = study["points"] || POINTS
      def enough = study.quantity("enough", "ratio") || ENOUGH
      def relative? = study["relative"] == true

      # @return [Array, nil] direction, order of the derivative (0 displacement, 1 velocity, 2 acceleration) and SI amplitude
      def base
        base = study["base"] or return
        key, order, kind = [["displacement", 0, "length"], ["velocity", 1, "velocity"], ["acceleration", 2, "acceleration"]].find { |name, *| base.key?(name) }
        [study.direction(base["direction"]), order, study.quantity("base.#{key}", kind)]
      end

      # @raise [InvalidInput]
      def check!
        %w[from to].each { |key| raise study.fault("the sweep has no #{key == 'from' ? 'begin' : 'end'}", path: key, cure: "Give a frequency, such as 50 Hz.") unless study[key] }
        raise study.fault("the sweep ends before it begins", path: "to", cure: "Give a higher frequency for its end.") if to <= from
        raise study.fault("a sweep begins above zero", path: "from", cure: "Begin at 1 Hz, say.") unless from.positive?

        damping.check!
        check_curve
        raise study.fault("it does not shake: its amplitude is zero", path: "base", cure: "Give an amplitude, such as 1 m/s2.") if base && base[2].zero?
        raise study.fault("the share is not between zero and one", path: "enough", cure: "Give a share such as 80 %.") unless enough.between?(0, 1)
        raise study.fault("nothing runs out of balance at zero frequency", path: "unbalance_at", cure: "Give the frequency at which the loads are as stated.") if unbalance&.then { |f| f <= 0 }
      end

      # @return [Damping]
      def damping = Damping.new(study)

      # Evenly over the range, and close about every natural frequency in it.
      # @param natural [Numo::DFloat] Hz
      # @param ratios [Numo::DFloat] their damping
      # @return [Numo::DFloat] Hz, ascending
      def frequencies(natural, ratios)
        even = Array.new(points) { |i| from + ((to - from) * i / (points - 1)) }
        close = natural.to_a.zip(ratios.to_a).flat_map { |f, z| f.positive? ? CLUSTER.map { |c| f * (1 + (c * z)) } : [] }
        sorted = (even + close.grep(from..to)).sort
        Numo::DFloat.cast(sorted.each_with_object([]) { |f, kept| kept << f if kept.empty? || f - kept.last > f * SAME })
      end

      # @param frequencies [Numo::DFloat] Hz
      # @return [Numo::DFloat] by what the loads are multiplied
      def factors(frequencies)
        curve = self.curve
        all = curve ? Algebra::Search.straight(*curve.transpose.map { |list| Numo::DFloat.cast(list) }, frequencies) : Numo::DFloat.ones(frequencies.size)
        unbalance ? all * ((frequencies / unbalance)**2) : all
      end

      def signature = Model::Meaning.of(study, except: %w[name of case enough])

      private

      def unbalance = study.quantity("unbalance_at", "frequency")

      def check_curve
        curve = self.curve or return
        fallen = curve.each_cons(2).find_index { |(a, _), (b, _)| b <= a }
        raise study.fault("its curve goes back at #{Quantity::Display.format(curve[fallen + 1][0], 'frequency')}", path: "curve", cure: "Give its points by rising frequency.") if fallen
        return if curve[0][0] <= from * (1 + SAME) && curve[-1][0] >= to * (1 - SAME)

        ends = [curve[0][0], curve[-1][0]].map { |f| Quantity::Display.format(f, "frequency") }
        raise study.fault("its curve is known from #{ends[0]} to #{ends[1]} alone, and the sweep goes beyond", path: "curve", cure: "Add points to the curve, or shorten the sweep.")
      end

      # @return [Array(Float, Float), nil] frequency and factor
      def curve = study["curve"]&.each_index&.map { |i| [study.quantity("curve.#{i}.at", "frequency"), study.quantity("curve.#{i}.factor", "ratio")] }
    end
  end
end
