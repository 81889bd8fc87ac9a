# frozen_string_literal: true

module Lattice
  module Load
    module Conditions
      # A force per length on members, or on edges.
      class LineLoad < Condition
        acts_on :edges, :bodies

        def loads? = true

        def check!
          super
          wrong = places.find { |p| p.of == :bodies && !problem.parts.body(p.body).members? }
          raise statement.fault("“#{wrong.body}” is not made of members", path: "target", cure: "Choose members, or edges.") if wrong
        end

        def apply(structure)
          force = along(structure.grid.dimension) * statement.quantity("value", "line load")
          places.each do |place|
            member = problem.parts.body(place.body).members?
            member ? structure.spread(self, place, force) : on_edge(structure, place, force)
          end
        end

        private

        def on_edge(structure, place, force)
          share = structure.surface(place).shares
          structure.push(self, structure.grid.places.fetch(place.key), share.reshape(*share.shape, 1) * force.reshape(1, 1, force.size))
        end
      end
    end
  end
end
