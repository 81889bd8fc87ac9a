# frozen_string_literal: true

module Lattice
  module Load
    module Conditions
      # Springs to the ground along components of a place: a total stiffness, shared by area (or length); among
      # points evenly.
      class Spring < Condition
        acts_on :faces, :edges, :points

        def holds? = true
        def components = statement["components"].map(&:to_sym)

        def check!
          super
          return if statement.quantity("stiffness", "stiffness").positive?

          raise statement.fault("its stiffness is not above zero", path: "stiffness", cure: "Give a stiffness above zero, such as 5 kN/mm.")
        end

        def apply(structure)
          check!
          shares = places.map { |place| [structure.grid.places.fetch(place.key), structure.surface(place).shares] }
          each = statement.quantity("stiffness", "stiffness") / shares.sum { |_, share| share.sum }
          shares.each { |conn, share| components.each { |name| structure.stiffen(conn, name, share * each) } }
        end
      end
    end
  end
end
