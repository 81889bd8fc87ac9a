# frozen_string_literal: true

module Lattice
  module Load
    module Conditions
      # A uniform temperature of bodies against the one at which they are free of stress.
      class Temperature < Condition
        acts_on :bodies

        def spreads? = true
        def loads? = true
        def steady? = true
        def change = statement.quantity("value", "temperature") - (statement.quantity("reference", "temperature") || 293.15)

        def apply(structure)
          names = places.map(&:body)
          structure.pieces.select { |p| names.include?(p.body.name) }.each do |piece|
            expansion = needed(piece, :expansion, "thermal expansion")
            structure.warm(self, piece, expansion * change)
          end
        end
      end
    end
  end
end
