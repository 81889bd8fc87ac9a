# frozen_string_literal: true

module Lattice
  module Element
    # Small strains of a solid: xx, yy, zz, xy, yz, zx (shears as angles).
    module Solid
      COMPONENTS = 6
      # strain row => [displacement component, derivative] pairs
      TERMS = [[[0, 0]], [[1, 1]], [[2, 2]], [[0, 1], [1, 0]], [[1, 2], [2, 1]], [[2, 0], [0, 2]]].freeze

      module_function

      def dimension = 3
      def terms = TERMS

      # @return [Numo::DFloat] strains of a unit that all directions share; walls along z hold it back
      def free_strain(_poisson) = Numo::DFloat[1, 1, 1, 0, 0, 0]
      def walled? = false

      # @return [Numo::DFloat] [e, g, derivatives, n] what strains are made of
      def slopes(mapping) = mapping.slopes

      # @return [Numo::DFloat, Float] the volume that goes with a unit of determinant
      def measure(_mapping, _thickness) = 1.0

      # @return [Numo::DFloat] [6, 6]
      def elasticity(young, poisson)
        lame = young * poisson / ((1 + poisson) * (1 - (2 * poisson)))
        shear = young / (2 * (1 + poisson))
        d = Numo::DFloat.zeros(6, 6)
        d[0..2, 0..2] = lame
        3.times { |k| d[k, k] = lame + (2 * shear) }
        (3..5).each { |k| d[k, k] = shear }
        d
      end

      # Stress in the six components that results are kept in.
      # @param strain [Numo::DFloat] [..., 6]
      def full_stress(stress, _young, _poisson) = stress
    end
  end
end
