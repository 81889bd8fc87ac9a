# frozen_string_literal: true

module Lattice
  module Load
    module Conditions
      # A total force shared by area (or length); among points evenly.
      class Force < Condition
        acts_on :faces, :edges, :points

        def loads? = true

        def apply(structure)
          grid = structure.grid
          direction = along(grid.dimension)
          shares = places.map { |place| [grid.places.fetch(place.key), structure.surface(place).shares] }
          per_share = direction * (statement.quantity("value", "force") / shares.sum { |_, share| share.sum })
          shares.each do |conn, share|
            structure.push(self, conn, share.reshape(*share.shape, 1) * per_share.reshape(1, 1, per_share.size))
          end
        end
      end
    end
  end
end
