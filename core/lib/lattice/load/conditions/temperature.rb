# frozen_string_literal: true

module Lattice
  module Load
    module Conditions
      # A uniform temperature of bodies against the one at which they are free of stress.
      class Temperature < Condition
        include Warming

        acts_on :bodies

        def change = statement.quantity("value", "temperature") - reference

        def apply(structure)
          names = places.map(&:body)
          structure.pieces.select { |p| names.include?(p.body.name) }.each { |piece| warm(structure, piece, change) }
        end

        private

        # @return [Array(Float, Float)] K
        def temperatures = [change + reference] * 2
      end
    end
  end
end
