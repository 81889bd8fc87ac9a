# frozen_string_literal: true

module Lattice
  module Element
    # A slice of a long body: strains xx, yy, xy; no strain along z.
    module PlaneStrain
      module_function

      def dimension = 2
      def terms = PlaneStress::TERMS
      def slopes(mapping) = mapping.slopes
      def measure(_mapping, thickness) = thickness

      # @return [Numo::DFloat] strains of a unit that all directions share; walls along z hold it back
      def free_strain(poisson) = Numo::DFloat[1, 1, 0] * (1 + poisson)
      def walled? = true

      # @return [Numo::DFloat] [3, 3]
      def elasticity(young, poisson)
        PlaneStress.elasticity(young / (1 - (poisson**2)), poisson / (1 - poisson))
      end

      # @param stress [Numo::DFloat] [e, g, 3]
      # @return [Numo::DFloat] [e, g, 6], with the stress that keeps the slice from straining along z
      def full_stress(stress, young, poisson)
        full = PlaneStress.full_stress(stress, young, poisson)
        full[true, true, 2] = (stress[true, true, 0] + stress[true, true, 1]) * poisson
        full
      end
    end
  end
end
