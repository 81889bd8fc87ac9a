# frozen_string_literal: true

module Lattice
  module Element
    # Modes in which bricks of eight nodes and quadrilaterals of four bend without stretching: parabolas along their own
    # axes, mapped by the middle of the element so that constant strain is passed exactly.
    # E. L. Wilson and others, Incompatible displacement models, 1973; R. L. Taylor, P. J. Beresford, E. L. Wilson, 1976.
    module IncompatibleModes
      KINDS = %i[hex8 quad4].freeze

      module_function

      # @param kind [Kind]
      # @param coordinates [Numo::DFloat] [e, n, d]
      # @param mapping [Mapping] at the points of a rule
      # @param points [Numo::DFloat] [g, d] those points
      # @return [Numo::DFloat] [e, g, d, d] slopes of the modes
      def slopes(kind, coordinates, mapping, points)
        d = kind.dimension
        middle = Mapping.new(kind, coordinates, Numo::DFloat.zeros(1, d))
        scale = middle.determinants / mapping.determinants
        e, g = scale.shape
        Numo::DFloat.zeros(e, g, d, d).tap do |result|
          d.times do |mode|
            along = scale * (points[true, mode] * -2).reshape(1, g)
            d.times { |x| result[true, true, x, mode] = along * middle.inverse[x][mode].reshape(e, 1) }
          end
        end
      end
    end
  end
end
