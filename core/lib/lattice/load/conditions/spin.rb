# frozen_string_literal: true

module Lattice
  module Load
    module Conditions
      # Everything turns about an axis at a constant speed: ρ ω² r away from it.
      class Spin < Condition
        def loads? = true
        def steady? = true
        def spreads? = true

        def check!
          super
          raise statement.fault("rings turn about the y axis alone", path: "direction", cure: "Choose +y, through the origin.") if ring? && !about_y?
          raise statement.fault("plane regions turn about z alone", path: "direction", cure: "Choose +z.") if problem.parts.dimension == 2 && !ring? && axis[2].abs < 1 - 1e-9
        end

        def apply(structure)
          check!
          rate = 2 * Math::PI * statement.quantity("speed", "frequency")
          structure.weigh_all(self) { |points| away(points) * (rate**2) }
          structure.weigh_lumps(self) { |points| away(points)[true, 0...structure.grid.dimension] * (rate**2) }
        end

        private

        def axis = statement.direction
        def through = statement["through"] ? Numo::DFloat.cast(Shape::Placement.spot(statement["through"])) : Numo::DFloat.zeros(3)
        def ring? = problem.parts.bodies.any?(&:axisymmetric?)
        def about_y? = axis[1].abs > 1 - 1e-9 && through.abs.max.zero?

        # @param points [Numo::DFloat] [k, 3]
        # @return [Numo::DFloat] [k, 3] from the axis to them
        def away(points)
          arms = points - through.reshape(1, 3)
          arms - (arms.dot(axis).reshape(points.shape[0], 1) * axis.reshape(1, 3))
        end
      end
    end
  end
end
