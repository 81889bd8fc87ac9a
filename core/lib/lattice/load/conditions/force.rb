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
          found = places
          shares = found.map { |place| structure.surface(place).shares }
          per_share = direction * (statement.quantity("value", "force") / shares.sum(&:sum))
          found.zip(shares) { |place, share| put(structure, place, share, per_share) }
        end

        private

        # A share of a place is a length of an edge, an area of a face, or a point.
        def put(structure, place, share, per_share)
          return structure.push_along(self, place, per_share) if place.of == :edges && structure.grid.dimension == 3

          structure.push(self, structure.grid.places.fetch(place.key), share.reshape(*share.shape, 1) * per_share.reshape(1, 1, per_share.size))
        end
      end
    end
  end
end
