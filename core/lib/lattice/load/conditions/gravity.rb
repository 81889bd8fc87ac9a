# frozen_string_literal: true

module Lattice
  module Load
    module Conditions
      # The weight of everything.
      class Gravity < Condition
        def loads? = true
        def steady? = true
        def dead? = true
        def weight? = true
        def spreads? = true

        def apply(structure)
          pull = along(structure.grid.dimension) * statement.quantity("value", "acceleration") * sign
          structure.pieces.each { |piece| structure.weigh(self, piece, pull * density(piece)) }
          structure.weigh_lumps(self) { |points| Numo::DFloat.zeros(points.shape[0], pull.size) + pull.reshape(1, pull.size) }
        end

        private

        def sign = 1
      end
    end
  end
end
