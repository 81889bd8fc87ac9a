# frozen_string_literal: true

module Lattice
  module Matter
    module Line
      # Concrete in compression: a parabola to its strength, then straight down to a fifth of it; it unloads straight towards a strain that stays, and
      # bears no tension. D. C. Kent, R. Park, Flexural members with confined concrete, 1971, as B. D. Scott, R. Park, M. J. N. Priestley, 1982, have it; unloading
      # after I. D. Karsan, J. O. Jirsa, Behavior of concrete under compressive loadings, 1969.
      class Concrete
        LEFT = 0.2 # of its strength, that crushed concrete bears
        SLACK = 1e-6 # of its modulus, that is left where it bears nothing

        attr_reader :young

        # @param young [Float] Pa, by which it begins
        # @param strength [Float] Pa
        # @param crushed [Float] strain, from which on it bears a fifth
        def initialize(young, strength, crushed)
          @young = young
          @strength = strength
          @peak = 2 * strength / young
          @crushed = [crushed, @peak * 1.5].max
        end

        # It is looked at everywhere.
        def first = nil

        # @return [Numo::DFloat] [1, k]: the farthest that it was shortened
        def start(count) = Numo::DFloat.zeros(1, count)

        # @return [Numo::DFloat] [k] strain that stays
        def plastic(state) = stays(state[0, true].dup)

        # @see Metal#respond
        def respond(strain, state)
          short = strain * -1
          most = state[0, true].dup
          onward = short >= most
          after = Numo::DFloat.maximum(short, most)
          bears, slope = envelope(after)
          rest = stays(after)
          back = bears / (after - rest).clip(Float::MIN, nil)
          unloaded = (short - rest) * back
          stress = Algebra::Gather.put(bears.dup, ~onward, 0.0) + Algebra::Gather.put(unloaded.clip(0, nil), onward, 0.0)
          moduli = Algebra::Gather.put(slope.dup, ~onward, 0.0) + Algebra::Gather.put(Algebra::Gather.put(back.dup, unloaded <= 0, @young * SLACK), onward, 0.0)
          none = after <= 0
          [Algebra::Gather.put(stress, none, 0.0) * -1, Algebra::Gather.put(moduli, none, @young * SLACK), after.reshape(1, after.size)]
        end

        private

        # Stress by shortening, and its slope.
        def envelope(short)
          part = (short / @peak).clip(0, 1)
          rise = (part * 2) - (part**2)
          fall = (1 - LEFT) / (@crushed - @peak)
          down = ((short - @peak) * -fall) + 1
          level = down < LEFT
          beyond = short > @peak
          bears = Algebra::Gather.put(rise, beyond, 0.0) + Algebra::Gather.put(down.clip(LEFT, nil), ~beyond, 0.0)
          slope = Algebra::Gather.put((1 - part) * (2 / @peak), beyond, 0.0) + Algebra::Gather.put(Numo::DFloat.zeros(short.size).fill(-fall), ~beyond | level, 0.0)
          [bears * @strength, slope * @strength]
        end

        # Strain that stays after a shortening.
        def stays(short)
          part = (short / @peak).clip(0, nil)
          near = (0.145 * (part**2)) + (0.13 * part)
          far = ((part - 2) * 0.707) + 0.834
          Numo::DFloat.minimum(Algebra::Gather.put(near, part > 2, 0.0) + Algebra::Gather.put(far, part <= 2, 0.0), part * 0.98) * @peak
        end
      end
    end
  end
end
