# frozen_string_literal: true

module Lattice
  module Matter
    module Law
      # What never flows, but may hold a stress while nothing has moved.
      class Elastic
        NONE = Numo::Int32.zeros(0)

        # @param strains [Integer] a key of VonMises::ROWS
        def initialize(young, poisson, strains)
          @rows = VonMises::ROWS.fetch(strains)
          @elasticity = Element::Solid.elasticity(young, poisson)
          @compliance = Numo::Linalg.inv(@elasticity)
        end

        def everywhere? = true
        def weaken(_factor) = nil
        def start(count) = VonMises::State.new(Numo::DFloat.zeros(count, 6), Numo::DFloat.zeros(count), Numo::DFloat.zeros(count, 6))

        # @see MohrCoulomb#at_rest
        def at_rest(stress) = start(stress.shape[0]).tap { |state| state.plastic = stress.dot(@compliance) * -1 }

        # @see VonMises#respond
        def respond(strain, state) = [full(strain, state)[true, @rows].dup, NONE, nil, state]

        # @return [Numo::DFloat] [k, 6]
        def full(strain, state)
          whole = Numo::DFloat.zeros(strain.shape[0], 6).tap { |all| all[true, @rows] = strain }
          (whole - state.plastic).dot(@elasticity)
        end
      end
    end
  end
end
