# frozen_string_literal: true

module Lattice
  module Matter
    module Line
      # Steel bars that bend smoothly from stiff to soft, the sooner the farther they were strained before. M. Menegotto, P. E. Pinto,
      # Method of analysis for cyclically loaded R.C. plane frames, 1973.
      class Smooth
        SHARP = 20.0
        LESS = [0.925, 0.15].freeze
        NEVER = 1e-14

        attr_reader :young

        # @param young [Float] Pa
        # @param strength [Float] Pa
        # @param hardening [Float] of the modulus, that is left beyond
        def initialize(young, strength, hardening)
          @young = young
          @strength = strength
          @share = hardening
        end

        def first = nil

        # @return [Numo::DFloat] [8, k]: strain and stress where it last turned round, where its two straight lines meet, the greatest and least strain,
        #   and strain and stress that it came to
        def start(count)
          Numo::DFloat.zeros(8, count).tap do |all|
            all[2, true] = @strength / @young
            all[3, true] = @strength
          end
        end

        # @return [Numo::DFloat] [k] beyond where it began to yield
        def plastic(state) = (Numo::DFloat.maximum(state[4, true], state[5, true] * -1) - (@strength / @young)).clip(0, nil)

        # @see Metal#respond
        def respond(strain, state)
          after = turned(strain, state)
          from, held, meets, at = (0..3).map { |row| after[row, true].dup }
          span = meets - from
          part = (strain - from) / span
          bend = sharpness(after, meets)
          inner = (part.abs**bend) + 1
          curve = inner**(1 / bend)
          shape = (part * @share) + (part * (1 - @share) / curve)
          slope = @share + ((1 - @share) / (curve * inner))
          stress = held + (shape * (at - held))
          after[6, true] = strain
          after[7, true] = stress
          [stress, slope * (at - held) / span, after]
        end

        private

        # Where the strain goes the other way than it came, it starts anew from there.
        def turned(strain, state)
          after = state.dup
          came = state[6, true] - state[0, true]
          goes = strain - state[6, true]
          # At first either way is onward.
          fresh = (state[0, true].eq(0) & state[6, true].eq(0) & (strain < 0)).where
          mirrored(after, fresh)
          back = ((came * goes) < -NEVER * ((@strength / @young)**2)).where
          return after if back.empty?

          after[0, back] = state[6, back]
          after[1, back] = state[7, back]
          after[4, back] = Numo::DFloat.maximum(state[4, back], state[6, back])
          after[5, back] = Numo::DFloat.minimum(state[5, back], state[6, back])
          meet(after, back, goes[back].dup.sign)
          after
        end

        # The elastic line from where it turned meets the hardening line of the other way.
        def meet(after, at, way)
          strain, stress = [0, 1].map { |row| after[row, at].dup }
          line = way * (@strength * (1 - @share))
          meets = (line - stress + (strain * @young)) / (@young * (1 - @share))
          after[2, at] = meets
          after[3, at] = stress + ((meets - strain) * @young)
        end

        def mirrored(after, at)
          return if at.empty?

          [2, 3].each { |row| after[row, at] = after[row, at].abs * -1 }
        end

        def sharpness(after, meets)
          way = meets - after[0, true]
          far = Algebra::Gather.put(after[4, true].dup, way < 0, 0.0) + Algebra::Gather.put(after[5, true].dup, way >= 0, 0.0)
          passed = ((far - meets).abs / (@strength / @young))
          passed = Algebra::Gather.put(passed, after[0, true].eq(0) & after[1, true].eq(0), 0.0)
          (SHARP - ((passed * LESS[0] * SHARP) / (passed + LESS[1]))).clip(1.2, nil)
        end
      end
    end
  end
end
