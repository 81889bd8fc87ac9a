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
          Quantity::Formula.new(statement["value"], "stress")
        end

        def apply(structure)
          formula = Quantity::Formula.new(statement["value"], "stress")
          places.each do |place|
            force = structure.surface(place).tractions { |points, outward| outward * -formula.at(points, statement).reshape(points.shape[0], 1) }
            structure.push(self, structure.grid.places.fetch(place.key), force[true, true, 0...structure.grid.dimension])
          end
        end
      end
    end
  end
end
