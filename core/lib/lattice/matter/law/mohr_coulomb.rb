# frozen_string_literal: true

module Lattice
  module Matter
    module Law
      # Soil that slides where shear reaches what cohesion and friction bear, and tears where it is pulled. In sorted principal
      # stresses every set of planes that are active is one constant affine map; the set is right where no plane pulls, and
      # none is passed. J. Clausen, L. Damkilde, L. Andersen, An efficient return algorithm for non-associated plasticity
      # with linear yield criteria in principal stress space, 2007.
      class MohrCoulomb
        State = VonMises::State
        # Of the elastic moduli in the tangent, never in the stress: bare tangents of what slides tell of collapses that are none.
        BLEND = 0.03
        EXACT = 0.003 # where flow follows the planes, and the tangent is exact
        # Of the square of flow, whose root of two thirds of it is told.
        EQUIVALENT = Numo::DFloat[[1, 1, 1, 0.5, 0.5, 0.5]] * 2 / 3
        EVEN = 0.1 # the same in the symmetric one that stands in for a tangent that is not

        # @param soil [Soil] cohesion and tension Pa, friction and dilation rad
        # @param strains [Integer] a key of VonMises::ROWS
        def initialize(young, poisson, soil, strains)
          @rows = VonMises::ROWS.fetch(strains)
          @elasticity = Element::Solid.elasticity(young, poisson)
          @compliance = Numo::Linalg.inv(@elasticity)
          @shear = young / (2 * (1 + poisson))
          @soil = soil
          weaken(1.0)
        end

        # Bears less from now on.
        # @param factor [Float] by which cohesion, tension and the tangent of friction are divided
        def weaken(factor)
          soil = @soil.weakened(factor)
          @planes = Planes.new(soil, @elasticity[0..2, 0..2].dup)
          @slants = soil.dilation != soil.friction
        end

        # Points without flow may still hold what they are at rest.
        def everywhere? = true

        def start(count) = State.new(Numo::DFloat.zeros(count, 6), Numo::DFloat.zeros(count), Numo::DFloat.zeros(count, 6))

        # @param stress [Numo::DFloat] [k, 6]
        # @return [State] of points at rest under a stress
        def at_rest(stress) = start(stress.shape[0]).tap { |state| state.plastic = stress.dot(@compliance) * -1 }

        # @see VonMises#respond
        # @return [Array] the same, and by what its moduli differ from the symmetric ones that are told, nil where they do not
        def respond(strain, state)
          stress, at, moduli, after, slant = flowed(strain, state)
          [stress[true, @rows].dup, at, moduli, after, slant]
        end

        # @return [Numo::DFloat] [k, 6] all of the stress
        def full(strain, state) = flowed(strain, state)[0]

        private

        def flowed(strain, state)
          whole = Numo::DFloat.zeros(strain.shape[0], 6).tap { |all| all[true, @rows] = strain }
          stress = (whole - state.plastic).dot(@elasticity)
          values, rows = Principal.call(stress, @rows.size < 6)
          at = @planes.passed(values)
          return [stress, at, nil, state] if at.empty?

          stress, moduli, after, slant = slid(at, stress, values[at, true].dup, rows[at, true, true].dup, state)
          [stress, at, moduli, after, slant]
        end

        def slid(at, stress, values, rows, state)
          found, tangents, evens = @planes.back(values)
          reader = Principal.reader(rows)
          brought = Numo::Linalg.matmul(found.reshape(at.size, 1, 3), reader[true, 0..2, true].dup).reshape(at.size, 6)
          flow = (stress[at, true] - brought).dot(@compliance)
          after = state.dup
          own = state[at]
          size = Numo::NMath.sqrt(((flow**2) * EQUIVALENT).sum(1))
          after.put(at, State.new(own.plastic + flow, own.sum + size, own.back))
          stress[at, true] = brought
          exact = moduli(values, found, tangents, reader, @slants ? BLEND : EXACT)
          return [stress, exact, after, nil] unless @slants

          even = moduli(values, found, evens, reader, EVEN)
          [stress, even, after, exact - even]
        end

        # In the principal directions, and as these turn.
        def moduli(before, after, tangents, reader, blend)
          k = before.shape[0]
          inner = Numo::DFloat.zeros(k, 6, 6)
          inner[true, 0..2, 0..2] = tangents
          [[0, 1], [1, 2], [2, 0]].each_with_index do |(i, j), c|
            apart = before[true, i] - before[true, j]
            near = apart.abs <= before.abs.max(1) * 1e-8
            plain = (after[true, i] - after[true, j]) / (apart + Numo::DFloat.cast(near)) * @shear
            equal = (tangents[true, i, i] + tangents[true, j, j] - tangents[true, i, j] - tangents[true, j, i]) / 4
            near = Numo::DFloat.cast(near)
            inner[true, c + 3, c + 3] = (plain * (1 - near)) + (equal * near)
          end
          own = reader[true, true, @rows].dup
          slid = Numo::Linalg.matmul(own.transpose(0, 2, 1).dup, Numo::Linalg.matmul(inner, own))
          (slid * (1 - blend)) + (@elasticity[@rows, @rows] * blend).reshape(1, @rows.size, @rows.size)
        end
      end
    end
  end
end
