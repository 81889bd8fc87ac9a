# frozen_string_literal: true

module Lattice
  module Matter
    # Laws of single fibres: stress by strain along them.
    module Line
      # Metals that flow at a stress, and harden along a curve, or earlier the other way. J. C. Simo, T. J. R. Hughes,
      # Computational Inelasticity, 1998, 1.4.
      class Metal
        ROUNDS = 40

        attr_reader :young

        # @param young [Float] Pa
        # @param hardening [Hardening]
        # @param shifting [Float] Pa, by which yielding one way makes it yield earlier the other way
        def initialize(young, hardening, shifting)
          @young = young
          @hardening = hardening
          @shifting = shifting
        end

        # @return [Float, nil] Pa, under which it is elastic if it always was; nil where every point is looked at
        def first = @hardening.first

        # @return [Numo::DFloat] [3, k]: plastic strain, its sum, and the stress that yielding has moved by
        def start(count) = Numo::DFloat.zeros(3, count)

        # @param state [Numo::DFloat] [3, k]
        # @return [Numo::DFloat] [k] equivalent plastic strain
        def plastic(state) = state[1, true]

        # @param strain [Numo::DFloat] [k]
        # @param state [Numo::DFloat] [3, k] before
        # @return [Array(Numo::DFloat, Numo::DFloat, Numo::DFloat)] stress [k] and modulus [k], Pa, and the state after
        def respond(strain, state)
          stress = (strain - state[0, true]) * @young
          shifted = stress - state[2, true]
          at = ((shifted.abs - @hardening.at(state[1, true])[0]) > first * 1e-12).where
          moduli = Numo::DFloat.zeros(strain.size).fill(@young)
          return [stress, moduli, state] if at.empty?

          own = state[true, at].dup
          way = shifted[at].dup.sign
          more, slope = flow(shifted[at].abs, own[1, true].dup)
          stress[at] = stress[at] - (more * way * @young)
          moduli[at] = @young - ((@young**2) / (slope + @young + @shifting))
          after = state.dup
          [way * more, more, way * more * @shifting].each_with_index { |change, row| after[row, at] = own[row, true] + change }
          [stress, moduli, after]
        end

        private

        # How much plastic strain brings the stress down to what is borne, and the slope there.
        def flow(size, sum)
          more = Numo::DFloat.zeros(sum.size)
          ROUNDS.times do
            bears, slope = @hardening.at(sum + more)
            rest = size - (more * (@young + @shifting)) - bears
            return [more, slope] if rest.abs.max < first * 1e-13

            more += rest / (slope + @young + @shifting)
          end
          [more, @hardening.at(sum + more)[1]]
        end
      end
    end
  end
end
