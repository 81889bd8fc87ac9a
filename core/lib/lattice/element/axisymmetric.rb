# frozen_string_literal: true

module Lattice
  module Element
    # A ring about the y axis, x being the radius: strains rr, yy, hoop, ry.
    # Integrals run over the whole turn.
    module Axisymmetric
      # The hoop strain u / r is no derivative; its row is filled by the continuum.
      TERMS = [[[0, 0]], [[1, 1]], [], [[0, 1], [1, 0]]].freeze

      module_function

      def dimension = 2
      def terms = TERMS
      def measure(mapping, _thickness) = mapping.positions[true, true, 0] * (2 * Math::PI)

      # @return [Numo::DFloat] [4, 4]
      def elasticity(young, poisson)
        solid = Solid.elasticity(young, poisson)
        solid[0..3, 0..3].dup
      end

      # @param stress [Numo::DFloat] [e, g, 4]
      # @return [Numo::DFloat] [e, g, 6]; zz is the hoop
      def full_stress(stress, _young, _poisson)
        full = Numo::DFloat.zeros(*stress.shape[0..1], 6)
        full[true, true, 0..3] = stress
        full
      end

      def hoop? = true
    end
  end
end
