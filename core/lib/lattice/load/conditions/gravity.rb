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
            density = piece.material.density
            raise statement.fault("the material of “#{piece.body.name}” has no density", cure: "Type its density in the material statement.") unless density

            structure.weigh(self, piece, pull * density)
          end
        end
      end
    end
  end
end
