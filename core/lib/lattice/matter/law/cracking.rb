# frozen_string_literal: true

module Lattice
  module Matter
    module Law
      # Concrete in plane stress that cracks across the greatest stretch and crushes: along axes that turn with the strain, each by its own
      # curve, and back to nothing along a straight line. The energy of a crack is that of the band of elements it runs in.
      # J. G. Rots, Computational modeling of concrete fracture, 1988; crushing after P. H. Feenstra, R. de Borst, 1996.
      class Cracking
        # Greatest stretches and shortenings seen, of the greater and the lesser axis: [e, 4]
        State = Struct.new(:seen) do
          def dup = self.class.new(seen.dup)
        end

        CRUSHING = 250.0 # times the energy of a crack
        LEFT = 1e-6 # of the elastic modulus, along what has cracked
        ROUNDS = 20

        attr_reader :young

        # @param concrete [Concrete]
        # @param bands [Numo::DFloat] [e] m, the width of the band that a crack in an element takes
        # @raise [SolveFailed] where elements are too large for what a crack takes
        def initialize(young, poisson, concrete, bands)
          @young = young
          @poisson = poisson
          @concrete = concrete
          @bands = bands
          @tension = concrete.tension
          @compression = concrete.compression
          @first = @tension / young
          @fades = (concrete.energy / (bands * @tension)) - (@first / 2)
          coarse!(concrete, bands) if @fades.min < @first / 4
          @crushed = @compression / young * 5 / 3
          @ends = @crushed + (1.5 * CRUSHING * concrete.energy / (bands * @compression))
        end

        # @return [Cracking] the same of some elements
        def part(range) = self.class.new(@young, @poisson, @concrete, @bands[range].dup)

        # @return [State] of elements that have seen nothing
        def start(count) = State.new(Numo::DFloat.zeros(count, 4))

        # Secant moduli in the axes of the strain, which turn with it, and the state after.
        # @param strain [Numo::DFloat] [e, 3]
        # @param state [State] before
        # @return [Array(Numo::DFloat, State)] [e, 3, 3]
        def respond(strain, state)
          greater, lesser, cos, sin = axes(strain)
          x = [greater, lesser]
          stiff = nil
          seen = nil
          ROUNDS.times do
            seen = x.each_with_index.map { |own, i| grown(own, state.seen, i) }
            stiff = x.zip(seen).map { |own, (pulled, pressed)| secant(own, pulled, pressed) }
            stress = x.zip(stiff).map { |own, modulus| own * modulus }
            x = [greater + (stress[1] * (@poisson / @young)), lesser + (stress[0] * (@poisson / @young))]
          end
          [moduli(stiff, x, greater - lesser, cos, sin), State.new(Numo::DFloat.hstack(seen.flatten.map { |v| v.reshape(v.size, 1) }))]
        end

        # How far what has cracked has opened: strain, where the axis is stretched now.
        # @return [Array(Numo::DFloat, Numo::DFloat)] [e], and the angle of the axis that is stretched most, rad
        def opened(strain, state)
          greater, _, cos, sin = axes(strain)
          pulled = state.seen[true, 0]
          cracked = Numo::DFloat.cast(pulled > @first)
          held = bears(pulled) / (pulled + Float::MIN) * greater.clip(0, nil)
          [(greater.clip(0, nil) - (held / @young)) * cracked, Numo::NMath.atan2(sin, cos)]
        end

        private

        def coarse!(concrete, bands)
          most = concrete.energy / (concrete.tension * @first * 0.75)
          raise SolveFailed.new(format("elements of %.3g mm are too large for the energy that a crack takes", bands.max * 1e3), cure: format("Use elements of %.3g mm or less.", most * 1e3))
        end

        # Principal stretches, and the direction of the greater: a unit even where nothing is strained.
        def axes(strain)
          middle = (strain[true, 0] + strain[true, 1]) / 2
          half = (strain[true, 0] - strain[true, 1]) / 2
          shear = strain[true, 2] / 2
          radius = Numo::NMath.sqrt((half**2) + (shear**2))
          angle = Numo::NMath.atan2(shear.dup, half) / 2
          [middle + radius, middle - radius, Numo::NMath.cos(angle), Numo::NMath.sin(angle)]
        end

        def grown(own, seen, axis) = [Numo::DFloat.maximum(seen[true, axis * 2], own), Numo::DFloat.maximum(seen[true, (axis * 2) + 1], -own)]

        def secant(own, pulled, pressed)
          open = Numo::DFloat.cast(own >= 0)
          safe = [pulled, pressed].map { |v| Numo::DFloat.maximum(v, @first * 1e-3) }
          ((bears(safe[0]) / safe[0] * open) + (crushes(safe[1]) / safe[1] * (1 - open))).clip(@young * LEFT, @young)
        end

        # Pa over the greatest stretch seen.
        def bears(seen)
          soft = Numo::DFloat.cast(seen > @first)
          (seen * @young * (1 - soft)) + (Numo::NMath.exp((seen - @first).clip(0, nil) / @fades * -1) * @tension * soft)
        end

        # Pa over the greatest shortening seen: straight to a third, a parabola to all, and another one to nothing.
        def crushes(seen)
          third = @crushed / 5
          rise = ((seen - third) / (@crushed - third)).clip(0, 1)
          fall = ((seen - @crushed) / (@ends - @crushed)).clip(0, 1)
          straight = Numo::DFloat.minimum(seen, third) * @young
          (straight + (((rise * 4) - ((rise**2) * 2)) * (@compression / 3))) * (1 - (fall**2))
        end

        def moduli(stiff, stretches, apart, cos, sin)
          e = cos.size
          fade = @poisson / @young
          divisor = 1 - (stiff[0] * stiff[1] * (fade**2))
          own = Numo::DFloat.zeros(e, 3, 3)
          own[true, 0, 0] = stiff[0] / divisor
          own[true, 1, 1] = stiff[1] / divisor
          own[true, 0, 1] = own[true, 1, 0] = stiff[0] * stiff[1] * fade / divisor
          near = Numo::DFloat.cast(apart <= @first * 1e-6)
          stress = stiff.zip(stretches).map { |modulus, x| modulus * x }
          turning = (stress[0] - stress[1]) / ((apart * 2) + near)
          equal = (own[true, 0, 0] + own[true, 1, 1] - (own[true, 0, 1] * 2)) / 4
          own[true, 2, 2] = ((turning * (1 - near)) + (equal * near)).clip(@young * LEFT / 3, nil)
          turned(own, cos, sin)
        end

        def turned(own, cos, sin)
          t = Numo::DFloat.zeros(cos.size, 3, 3)
          [[[0, 0], cos**2], [[0, 1], sin**2], [[0, 2], cos * sin], [[1, 0], sin**2], [[1, 1], cos**2], [[1, 2], cos * sin * -1],
           [[2, 0], cos * sin * -2], [[2, 1], cos * sin * 2], [[2, 2], (cos**2) - (sin**2)]].each { |(i, j), v| t[true, i, j] = v }
          Numo::Linalg.matmul(t.transpose(0, 2, 1).dup, Numo::Linalg.matmul(own, t))
        end
      end
    end
  end
end
