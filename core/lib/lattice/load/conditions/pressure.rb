# frozen_string_literal: true

module Lattice
  module Load
    module Conditions
      # Pressure onto faces, or onto the sides of plane regions. On shells it acts against the normal of the face.
      class Pressure < Condition
        def loads? = true
        def check! = places && super
        def places = problem.groups.target!(statement, [problem.parts.dimension == 3 ? :faces : :edges])

        def apply(structure)
          value = statement.quantity("value", "stress")
          places.each do |place|
            structure.push(self, structure.grid.places.fetch(place.key), structure.surface(place).pressed[true, true, 0...structure.grid.dimension] * value)
          end
        end
      end
    end
  end
end
