# frozen_string_literal: true

module Lattice
  module Load
    module Conditions
      # A force per area along a direction, the same everywhere or by a formula of place.
      class Traction < Condition
        acts_on :faces, :edges

        def spreads? = true
        def loads? = true

        def check!
          super
          Quantity::Formula.new(statement["value"], "stress")
          return unless problem.parts.dimension == 3 && places.any? { |p| p.of == :edges }

          raise statement.fault("edges in space have no area", path: "target", cure: "Choose faces, or use a line load.")
        end

        def apply(structure)
          check!
          direction = along(structure.grid.dimension)
          formula = Quantity::Formula.new(statement["value"], "stress")
          places.each do |place|
            force = structure.surface(place).tractions { |points, _| formula.at(points, statement).reshape(points.shape[0], 1) * statement.direction.reshape(1, 3) }
            structure.push(self, structure.grid.places.fetch(place.key), force[true, true, 0...direction.size])
          end
        end
      end
    end
  end
end
