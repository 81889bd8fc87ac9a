# frozen_string_literal: true

module Lattice
  module Load
    module Conditions
      # Pressure onto faces, or onto the sides of plane regions, from points that another program made.
      class PressureMap < Condition
        include Carried

        CARRIES = "pressure"
        DIMENSION = "stress"
        UNIT = "Pa"

        def loads? = true
        def spreads? = true
        def places = problem.groups.target!(statement, [problem.parts.dimension == 3 ? :faces : :edges])

        def check!
          super
          check_scale
          places
          cloud
        end

        def apply(structure)
          check!
          values = cloud.values * Quantity::Unit.find(statement["per"] || UNIT).factor * scale
          carried(structure, structure.grid.nodes[structure.grid.nodes_of(places), true].dup, values)
          from = source(values)
          places.each do |place|
            force = structure.surface(place).tractions { |points, outward| outward * -from.call(points).values.clip(values.min, values.max).reshape(points.shape[0], 1) }
            structure.push(self, structure.grid.places.fetch(place.key), force[true, true, 0...structure.grid.dimension])
          end
        end
      end
    end
  end
end
