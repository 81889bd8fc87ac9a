# frozen_string_literal: true

module Lattice
  module Load
    module Conditions
      # Pressure onto faces, or onto the sides of plane regions; the same everywhere or by a formula of place. On
      # shells it acts against the normal of the face.
      class Pressure < Condition
        def loads? = true
        def spreads? = true
        def places = problem.groups.target!(statement, [problem.parts.dimension == 3 ? :faces : :edges])

        def check!
          super
          places
          check_value
        end

        def apply(structure)
          at = pressures(structure)
          places.each do |place|
            force = structure.surface(place).tractions { |points, outward| outward * -at.call(points).reshape(points.shape[0], 1) }
            structure.push(self, structure.grid.places.fetch(place.key), force[true, true, 0...structure.grid.dimension])
          end
        end

        # Whether it turns with what it presses on, where that moves far.
        def follows? = statement["follows"] == true

        # @return [Proc] from points [k, 3] to Pa [k]
        def pressures(_structure) = check_value.then { |formula| ->(points) { formula.at(points, statement) } }

        private

        def check_value = Quantity::Formula.new(statement["value"], "stress")
      end
    end
  end
end
