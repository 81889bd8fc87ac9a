# frozen_string_literal: true

module Lattice
  module Load
    module Conditions
      # The weight of everything.
      class Gravity < Condition
        def loads? = true

        def apply(structure)
          pull = along(structure.grid.dimension) * statement.quantity("value", "acceleration")
          structure.pieces.each do |piece|
            density = needed(piece, :density, "density")
            structure.weigh(self, piece, pull * density)
          end
        end
      end
    end
  end
end
