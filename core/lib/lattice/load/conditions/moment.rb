# frozen_string_literal: true

module Lattice
  module Load
    module Conditions
      # A total moment on points or edges of shells and members, whose nodes turn; shared as a force would be.
      class Moment < Condition
        acts_on :edges, :points

        def loads? = true

        def check!
          super
          stiff = places.map { |p| problem.parts.body(p.body) }.find { |b| !b.faces? && !b.members? }
          raise statement.fault("the nodes of “#{stiff.name}” do not turn", path: "target", cure: "Put a pair of forces on it, or choose a place of a shell or member.") if stiff
        end

        def apply(structure)
          check!
          vector = statement.direction * statement.quantity("value", "moment")
          shares = places.map { |place| [structure.grid.places.fetch(place.key), structure.surface(place).shares] }
          whole = shares.sum { |_, share| share.sum }
          shares.each { |conn, share| structure.push(self, conn, share.reshape(*share.shape, 1) * (vector / whole).reshape(1, 1, 3), %i[rx ry rz]) }
        end
      end
    end
  end
end
