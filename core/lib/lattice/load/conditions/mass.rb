# frozen_string_literal: true

module Lattice
  module Load
    module Conditions
      # A mass that a place carries, shared as a force would be; gravity, acceleration and spin act on it.
      class Mass < Condition
        acts_on :faces, :edges, :points

        def weighs? = true

        def check!
          super
          raise statement.fault("its mass is not above zero", path: "value", cure: "Give a mass above zero, such as 3 kg.") unless statement.quantity("value", "mass").positive?
        end

        def apply(structure)
          check!
          shares = places.map { |place| [structure.grid.places.fetch(place.key), structure.surface(place).lumped] }
          each = statement.quantity("value", "mass") / shares.sum { |_, share| share.sum }
          lists = statement["weightless"] ? [structure.lumps, structure.weightless] : [structure.lumps]
          shares.each { |conn, share| lists.each { |list| list.inplace + conn.flatten.bincount((share * each).flatten, minlength: list.size) } }
        end
      end
    end
  end
end
