# frozen_string_literal: true

module Lattice
  module Element
    # A thin plate in its plane: strains xx, yy, xy; no stress across.
    module PlaneStress
      TERMS = [[[0, 0]], [[1, 1]], [[0, 1], [1, 0]]].freeze

      module_function

      def dimension = 2
      def terms = TERMS
      def slopes(mapping) = mapping.slopes
      def measure(_mapping, thickness) = thickness

      # @return [Numo::DFloat] strains of a unit that all directions share; walls along z hold it back
      def free_strain(_poisson) = Numo::DFloat[1, 1, 0]
      def walled? = false

      # @return [Numo::DFloat] [3, 3]
      def elasticity(young, poisson)
        Numo::DFloat[[1, poisson, 0], [poisson, 1, 0], [0, 0, (1 - poisson) / 2]] * (young / (1 - (poisson**2)))
      end

      # @param stress [Numo::DFloat] [e, g, 3]
      # @return [Numo::DFloat] [e, g, 6]
      def full_stress(stress, _young, _poisson)
        full = Numo::DFloat.zeros(*stress.shape[0..1], 6)
        full[true, true, [0, 1, 3]] = stress
        full
      end
    end
  end
end
