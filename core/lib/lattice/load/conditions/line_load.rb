# frozen_string_literal: true

module Lattice
  module Load
    module Conditions
      # A force per length on members, or on edges.
      class LineLoad < Condition
        acts_on :edges, :bodies

        def spreads? = true
        def loads? = true

        def check!
          super
          wrong = places.find { |p| p.of == :bodies && !problem.parts.body(p.body).members? }
          raise statement.fault("“#{wrong.body}” is not made of members", path: "target", cure: "Choose members, or edges.") if wrong
        end

        def apply(structure)
          force = along(structure.grid.dimension) * statement.quantity("value", "line load")
          places.each do |place|
            problem.parts.body(place.body).members? ? structure.spread(self, place, force) : structure.push_along(self, place, force)
          end
        end
      end
    end
  end
end
