# frozen_string_literal: true

module Lattice
  module Matter
    module Law
      # Metals that flow where von Mises stress reaches what they bear, in bodies, slices and rings. Radial return, with the
      # tangent that goes with it: J. C. Simo, T. J. R. Hughes, Computational Inelasticity, 1998, 3.3.
      class VonMises
        # Rows of the six strains (xx, yy, zz, xy, yz, zx) that a formulation has.
        ROWS = { 6 => (0..5).to_a, 4 => (0..3).to_a, 3 => [0, 1, 3] }.freeze
        ROUNDS = 40
        ROOT = Math.sqrt(1.5)

        # plastic: strain [k, 6], shears as angles; sum: equivalent plastic strain [k]; back: stress that yielding has moved by [k, 6]
        State = Struct.new(:plastic, :sum, :back) do
          def [](rows)
            if rows.is_a?(Symbol)
              super
            else
              self.class.new(*to_a.map { |table| table.ndim == 2 ? table[rows, true].dup : table[rows].dup })
            end
          end

          def put(rows, other)
            plastic[rows, true] = other.plastic
            sum[rows] = other.sum
            back[rows, true] = other.back
          end

          def dup = self.class.new(*to_a.map(&:dup))
        end

        # @param hardening [Hardening]
        # @param shifting [Float] Pa, by which yielding one way makes it yield earlier the other way (kinematic)
        # @param strains [Integer] a key of ROWS
        def initialize(young, poisson, hardening, shifting, strains)
          @hardening = hardening
          @shifting = shifting
          @poisson = poisson
          @rows = ROWS.fetch(strains)
          @shear = young / (2 * (1 + poisson))
          @elasticity = Element::Solid.elasticity(young, poisson)
        end

        # @return [State] of points that have not yielded
        def start(count) = State.new(Numo::DFloat.zeros(count, 6), Numo::DFloat.zeros(count), Numo::DFloat.zeros(count, 6))

        # @param strain [Numo::DFloat] [k, strains]
        # @param state [State] before
        # @return [Array] stress [k, strains], indices of points that yield now, their moduli [y, strains, strains], and the state after
        def respond(strain, state)
          stress, at, moduli, after = flowed(strain, state)
          [stress[true, @rows].dup, at, moduli && moduli[true, @rows, @rows].dup, after]
        end

        # Points without flow need not be looked at one by one.
        def everywhere? = false

        # Where it begins to flow, Pa.
        def first = @hardening.first

        # @param stress [Numo::DFloat] [k, strains] while all is elastic; of slices the stress across follows
        # @return [Numo::DFloat] [k] von Mises stress, or a little more
        def equivalent(stress)
          full = Numo::DFloat.zeros(stress.shape[0], 6).tap { |all| all[true, @rows] = stress }
          full[true, 2] = (stress[true, 0] + stress[true, 1]) * @poisson if @rows.size == 3
          Numo::NMath.sqrt((deviator(full)**2).dot(WEIGHTS)) * ROOT
        end

        # @return [Numo::DFloat] [k, 6] all of the stress
        def full(strain, state) = flowed(strain, state)[0]

        WEIGHTS = Numo::DFloat[1, 1, 1, 2, 2, 2]
        SHEARS = Numo::DFloat[1, 1, 1, 2, 2, 2]
        IDENTITY = Numo::DFloat[1, 1, 1, 0, 0, 0]
        # A unit of strain without change of volume: shears as angles.
        DEVIATOR = Numo::DFloat.zeros(6, 6).tap do |m|
          m[0..2, 0..2] = -1.0 / 3
          3.times { |i| m[i, i] = 2.0 / 3 }
          (3..5).each { |i| m[i, i] = 0.5 }
        end

        private

        def flowed(strain, state)
          full = Numo::DFloat.zeros(strain.shape[0], 6).tap { |all| all[true, @rows] = strain }
          stress = (full - state.plastic).dot(@elasticity)
          shifted = deviator(stress) - state.back
          size = Numo::NMath.sqrt((shifted**2).dot(WEIGHTS))
          over = (ROOT * size) - @hardening.at(state.sum)[0]
          at = (over > @hardening.first * 1e-10).where
          return [stress, at, nil, state] if at.empty?

          stress, moduli, after = yielded(at, stress, shifted[at, true].dup, size[at].dup, state)
          [stress, at, moduli, after]
        end

        def deviator(stress) = stress - ((stress[true, 0..2].sum(1) / 3).reshape(stress.shape[0], 1) * IDENTITY.reshape(1, 6))

        def yielded(at, stress, shifted, size, state)
          own = state[at]
          more = flow(ROOT * size, own.sum)
          unit = shifted / size.reshape(size.size, 1)
          strain = unit * (more * ROOT).reshape(more.size, 1)
          after = state.dup
          after.put(at, State.new(own.plastic + (strain * SHEARS.reshape(1, 6)), own.sum + more, own.back + (strain * (@shifting * 2 / 3))))
          stress[at, true] = stress[at, true] - (strain * (2 * @shear))
          [stress, moduli(unit, more, ROOT * size, own.sum + more), after]
        end

        # How much plastic strain brings the stress down to what is borne: q − (3 G + H) Δp = σ(p + Δp).
        def flow(equivalent, sum)
          more = Numo::DFloat.zeros(sum.size)
          ROUNDS.times do
            bears, slope = @hardening.at(sum + more)
            rest = equivalent - (more * ((3 * @shear) + @shifting)) - bears
            break if rest.abs.max < @hardening.first * 1e-13

            more += rest / (slope + (3 * @shear) + @shifting)
          end
          more
        end

        def moduli(unit, more, equivalent, sum)
          slope = @hardening.at(sum)[1]
          spread = more / equivalent * (3 * @shear)
          along = ((3 * @shear) / (slope + (3 * @shear) + @shifting)) - spread
          k = more.size
          outer = Numo::Linalg.matmul(unit.reshape(k, 6, 1), unit.reshape(k, 1, 6))
          @elasticity.reshape(1, 6, 6) - (DEVIATOR.reshape(1, 6, 6) * (spread * 2 * @shear).reshape(k, 1, 1)) - (outer * (along * 2 * @shear).reshape(k, 1, 1))
        end
      end
    end
  end
end
