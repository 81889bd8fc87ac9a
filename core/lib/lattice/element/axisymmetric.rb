# frozen_string_literal: true

module Lattice
  module Element
    # A ring about the y axis, x being the radius: strains rr, yy, hoop, ry.
    # Integrals run over the whole turn.
    module Axisymmetric
      # The hoop strain u / r counts as a third derivative of the radial movement.
      TERMS = [[[0, 0]], [[1, 1]], [[0, 2]], [[0, 1], [1, 0]]].freeze

      module_function

      def dimension = 2
      def terms = TERMS

      # The two derivatives, and N / r.
      def slopes(mapping)
        e, g, _, n = mapping.slopes.shape
        radius = mapping.positions[true, true, 0].reshape(e, g, 1, 1)
        mapping.slopes.concatenate(mapping.values.reshape(1, g, 1, n) / radius, axis: 2)
      end

      def measure(mapping, _thickness) = mapping.positions[true, true, 0] * (2 * Math::PI)

      # @return [Numo::DFloat] strains of a unit that all directions share; walls along z hold it back
      def free_strain(_poisson) = Numo::DFloat[1, 1, 1, 0]
      def walled? = false

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
    end
  end
end
