# frozen_string_literal: true

module Lattice
  module Life
    # The amplitude about no mean that does as much damage as one about a mean. J. Goodman 1899 (on the ultimate strength), W. Gerber 1874, C. R. Soderberg
    # 1930 (on yield), J. Morrow 1968 (on the coefficient of the curve), K. Walker 1970, K. N. Smith, P. Watson, T. H. Topper 1970.
    module Means
      RULES = %w[none goodman gerber soderberg morrow swt walker].freeze
      # What each needs to know.
      NEEDS = { "goodman" => :ultimate, "gerber" => :ultimate, "soderberg" => :yield, "morrow" => :coefficient }.freeze
      ENOUGH = 1e-9
      HALVINGS = 80

      module_function

      # @param rule [String] one of RULES
      # @param amplitude [Numo::DFloat] Pa
      # @param mean [Numo::DFloat] Pa; pushing means help in Goodman's, Soderberg's, Morrow's, Walker's and Smith's rule
      # @param strength [Float, nil] Pa, of NEEDS
      # @param exponent [Float] Walker's
      # @return [Numo::DFloat] Pa; infinite where the mean alone breaks it
      def equivalent(rule, amplitude, mean, strength: nil, exponent: 0.5)
        case rule
        when "none" then amplitude
        when "goodman", "soderberg", "morrow" then over(amplitude, 1 - (mean / strength))
        when "gerber" then over(amplitude, 1 - ((mean.clip(0, nil) / strength)**2))
        else power(amplitude, mean, rule == "swt" ? 0.5 : exponent)
        end
      end

      # The amplitude about a mean that does as much damage as one about no mean: what #equivalent brings back.
      # @param level [Float] Pa, about no mean
      # @param mean [Numo::DFloat] Pa
      # @return [Numo::DFloat] Pa; nothing where the mean alone breaks it
      def amplitude(rule, level, mean, strength: nil, exponent: 0.5)
        case rule
        when "none" then (mean * 0) + level
        when "goodman", "soderberg", "morrow" then ((1 - (mean / strength)) * level).clip(0, nil)
        when "gerber" then ((1 - ((mean.clip(0, nil) / strength)**2)) * level).clip(0, nil)
        else swung(level, mean, rule == "swt" ? 0.5 : exponent)
        end
      end

      # (σm + σa)^(1−γ) σa^γ = level, which grows with σa, by halving.
      def swung(level, mean, exponent)
        low = (-mean).clip(0, nil)
        high = low + level + mean.abs
        HALVINGS.times do
          middle = (low + high) / 2
          above = power(middle, mean, exponent) > level
          high = Algebra::Gather.put(high.dup, above, middle[above.where].dup) if above.any?
          low = Algebra::Gather.put(low.dup, above.eq(0), middle[above.eq(0).where].dup) unless above.all?
        end
        (low + high) / 2
      end

      def over(amplitude, share)
        found = amplitude / share.clip(ENOUGH, nil)
        Algebra::Gather.put(found, share <= ENOUGH, Float::INFINITY)
        found
      end

      # σmax^(1−γ) σa^γ, nothing where it is only pushed.
      def power(amplitude, mean, exponent) = ((mean + amplitude).clip(0, nil)**(1 - exponent)) * (amplitude**exponent)
      private_class_method :over, :power, :swung
    end
  end
end
