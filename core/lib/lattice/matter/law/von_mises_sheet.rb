# frozen_string_literal: true

module Lattice
  module Matter
    module Law
      # The same in sheets, where no stress goes across: strains xx, yy, xy. All stays on that plane while it flows:
      # J. C. Simo, R. L. Taylor, A return mapping algorithm for plane stress elastoplasticity, 1986.
      class VonMisesSheet
        ROUNDS = 60
        STATE = VonMises::State
        # ξᵀ P ξ is two thirds of the square of von Mises stress.
        PLANE = Numo::DFloat[[2, -1, 0], [-1, 2, 0], [0, 0, 6]] / 3

        # @see VonMises
        def initialize(young, poisson, hardening, shifting, _strains = 3)
          @hardening = hardening
          @shifting = shifting
          @elasticity = Element::PlaneStress.elasticity(young, poisson)
          @compliance = Numo::Linalg.inv(@elasticity)
          # How fast flow brings the sum, the difference and the shear down.
          @falls = [young / (3 * (1 - poisson)), young / (1 + poisson), young / (1 + poisson)].map { |c| c + (2 * shifting / 3) }
        end

        def start(count) = STATE.new(Numo::DFloat.zeros(count, 3), Numo::DFloat.zeros(count), Numo::DFloat.zeros(count, 3))

        # @see VonMises#respond
        def respond(strain, state)
          stress = (strain - state.plastic).dot(@elasticity)
          shifted = stress - state.back
          over = size(parts(shifted)) - @hardening.at(state.sum)[0]
          at = (over > @hardening.first * 1e-10).where
          return [stress, at, nil, state] if at.empty?

          own = state[at]
          found, more, sum = flow(parts(shifted[at, true].dup), own.sum)
          shifted = whole(found)
          flowed = shifted.dot(PLANE) * more.reshape(more.size, 1)
          after = state.dup
          after.put(at, STATE.new(own.plastic + flowed, sum, own.back + (shifted * (more * 2 * @shifting / 3).reshape(more.size, 1))))
          stress[at, true] = (strain[at, true] - after.plastic[at, true]).dot(@elasticity)
          [stress, at, moduli(shifted, more, sum), after]
        end

        # @return [Numo::DFloat] [k, 3] the stress: nothing goes across
        def full(strain, state) = respond(strain, state)[0]

        # Points without flow need not be looked at one by one.
        def everywhere? = false

        # Where it begins to flow, Pa.
        def first = @hardening.first

        # @param stress [Numo::DFloat] [k, 3]
        # @return [Numo::DFloat] [k] von Mises stress
        def equivalent(stress) = size(parts(stress))

        private

        # Sum and difference of the normal stresses over √2, and the shear: P is diagonal in them, ⅓, 1 and 2.
        def parts(stress) = [(stress[true, 0] + stress[true, 1]) / Math.sqrt(2), (stress[true, 1] - stress[true, 0]) / Math.sqrt(2), stress[true, 2].dup]

        def whole(parts)
          Numo::DFloat.zeros(parts[0].size, 3).tap do |all|
            all[true, 0] = (parts[0] - parts[1]) / Math.sqrt(2)
            all[true, 1] = (parts[0] + parts[1]) / Math.sqrt(2)
            all[true, 2] = parts[2]
          end
        end

        def size(parts) = Numo::NMath.sqrt(((parts[0]**2) / 2) + ((parts[1]**2) * 1.5) + ((parts[2]**2) * 3))

        # @return [Array] parts that remain, how much it flows, and the plastic strain after
        def flow(parts, sum)
          more = Numo::DFloat.zeros(sum.size)
          now = parts
          ROUNDS.times do
            now = parts.zip(@falls).map { |p, fall| p / ((more * fall) + 1) }
            bears = size(now)
            limit, slope = @hardening.at(sum + (more * bears * 2 / 3))
            rest = bears - limit
            break if rest.abs.max < @hardening.first * 1e-13

            turn = now.zip(@falls, [0.5, 1.5, 3]).map { |p, fall, weight| (p**2) * (-fall * weight) / ((more * fall) + 1) }.reduce(:+) / bears
            more -= rest / (turn - (slope * (bears + (more * turn)) * 2 / 3))
          end
          [now, more, sum + (more * size(now) * 2 / 3)]
        end

        def moduli(shifted, more, sum)
          k = more.size
          slope = @hardening.at(sum)[1]
          one = (more * 2 * @shifting / 3) + 1
          two = 1 - (more * slope * 2 / 3)
          flexible = @compliance.reshape(1, 3, 3) + (PLANE.reshape(1, 3, 3) * (more / one).reshape(k, 1, 1))
          stiff = Numo::Linalg.inv(flexible)
          pushed = shifted.dot(PLANE)
          unit = Numo::Linalg.matmul(stiff, pushed.reshape(k, 3, 1)).reshape(k, 3)
          square = (shifted * pushed).sum(1)
          rest = (one / two * 2 / 3) * ((slope * one) + (two * @shifting)) * square
          outer = Numo::Linalg.matmul(unit.reshape(k, 3, 1), unit.reshape(k, 1, 3))
          stiff - (outer / ((unit * pushed).sum(1) + rest).reshape(k, 1, 1))
        end
      end
    end
  end
end
