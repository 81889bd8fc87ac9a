# frozen_string_literal: true

module Lattice
  module Life
    # What a notch does where it yields: stress and strain from elastic stress, and life from strain. W. Ramberg, W. R. Osgood 1943; H. Neuber
    # 1961 (σ ε = S² / E); doubled branches after G. Masing 1926; L. F. Coffin, S. S. Manson 1954, O. H. Basquin 1910.
    class LocalStrain
      CONSTANTS = %i[strength exponent ductility ductile_exponent hardening hardening_exponent].freeze
      STEPS = 60
      SETTLED = 1e-12

      attr_reader :constants

      # @param young [Float] Pa
      # @param constants [Hash] strength σf′ Pa, exponent b, ductility εf′, ductile_exponent c, hardening K′ Pa, hardening_exponent n′
      def initialize(young, constants)
        @young = young
        @constants = constants
        @k = constants[:hardening]
        @n = constants[:hardening_exponent]
      end

      # Constants of steels and of aluminium or titanium from their ultimate strength alone.
      # A. Bäumel, T. Seeger, Materials Data for Cyclic Loading, 1990 (uniform material law).
      # @param ultimate [Float] Pa
      def self.estimate(young, ultimate)
        return { strength: 1.67 * ultimate, exponent: -0.095, ductility: 0.35, ductile_exponent: -0.69, hardening: 1.61 * ultimate, hardening_exponent: 0.11 } if young < 150e9

        psi = ultimate / young <= 0.003 ? 1.0 : [1.375 - (125 * ultimate / young), 0.05].max
        { strength: 1.5 * ultimate, exponent: -0.087, ductility: 0.59 * psi, ductile_exponent: -0.58, hardening: 1.65 * ultimate, hardening_exponent: 0.15 }
      end

      # @param elastic [Numo::DFloat] size of elastic stress, Pa
      # @return [Array(Numo::DFloat, Numo::DFloat)] stress and strain on the cyclic curve
      def neuber(elastic)
        stress = settle(elastic.clip(1e-6, nil))
        [stress, strain(stress)]
      end

      # The same of ranges, on the doubled curve.
      def branch(range)
        stress, strain = neuber(range / 2)
        [stress * 2, strain * 2]
      end

      # @param stress [Numo::DFloat] Pa
      def strain(stress) = (stress / @young) + ((stress / @k)**(1 / @n))

      # Cycles from amplitude of strain.
      # @param amplitude [Numo::DFloat] of strain
      # @param mean [Numo::DFloat] Pa
      # @param greatest [Numo::DFloat] Pa
      # @param rule [String] none, morrow or swt
      # @return [Numo::DFloat] cycles; infinite where there is no damage
      def life(amplitude, mean, greatest, rule)
        case rule
        when "swt" then swt(amplitude, greatest)
        else
          share = rule == "morrow" ? (1 - (mean / @constants[:strength])).clip(1e-6, nil) : Numo::DFloat.ones(*amplitude.shape)
          solved(amplitude, [[share * (@constants[:strength] / @young), @constants[:exponent]], [Numo::DFloat.zeros(*amplitude.shape) + @constants[:ductility], @constants[:ductile_exponent]]])
        end
      end

      private

      # σ (σ/E + (σ/K)^(1/n)) = S²/E in logarithms is convex: Newton from the lesser of elastic and plastic alone.
      def settle(elastic)
        product = (elastic**2) / @young
        power = (1 / @n) + 1
        x = Numo::NMath.log(Numo::DFloat.minimum(elastic, (product * (@k**(1 / @n)))**(1 / power)))
        wanted = Numo::NMath.log(product)
        STEPS.times do
          one = Numo::NMath.exp(x * 2) / @young
          two = Numo::NMath.exp(x * power) / (@k**(1 / @n))
          step = (Numo::NMath.log(one + two) - wanted) * (one + two) / ((one * 2) + (two * power))
          x -= step
          break if step.abs.max < SETTLED
        end
        Numo::NMath.exp(x)
      end

      # σmax εa = σf′²/E (2N)^2b + σf′ εf′ (2N)^(b+c)
      def swt(amplitude, greatest)
        one = (@constants[:strength]**2) / @young
        two = @constants[:strength] * @constants[:ductility]
        both = Numo::DFloat.ones(*amplitude.shape)
        solved(amplitude * greatest.clip(0, nil), [[both * one, 2 * @constants[:exponent]], [both * two, @constants[:exponent] + @constants[:ductile_exponent]]])
      end

      # value = Σ factor (2N)^exponent: convex in logarithms, begun at the greater of both lives alone.
      def solved(value, terms)
        found = Numo::DFloat.zeros(*value.shape).fill(Float::INFINITY)
        at = (value > 1e-15).where
        return found if at.empty?

        wanted = Numo::NMath.log(value[at])
        logs = terms.map { |factor, exponent| [Numo::NMath.log(factor[at]), exponent] }
        x = logs.map { |factor, exponent| (wanted - factor) / exponent }.reduce { |a, b| Numo::DFloat.maximum(a, b) }.clip(nil, 600)
        STEPS.times do
          parts = logs.map { |factor, exponent| [Numo::NMath.exp(factor + (x * exponent)), exponent] }
          sum = parts.sum { |part, _| part }
          step = (Numo::NMath.log(sum) - wanted) * sum / parts.sum { |part, exponent| part * exponent }
          x -= step
          break if step.abs.max < SETTLED * 100
        end
        found[at] = Numo::NMath.exp(x) / 2
        found
      end
    end
  end
end
