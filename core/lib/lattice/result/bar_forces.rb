# frozen_string_literal: true

module Lattice
  module Result
    # Embedded bars with the strain, stress and force in them, piece by piece.
    module BarForces
      module_function

      # @param result [Outcome]
      # @return [Array<Hash>] strain; stress in Pa; force of all bars side by side in N
      def rows(result, frame)
        state = result.state(frame)
        strains = state.bars or return []
        held = (state.flowed_bars ? strains - state.flowed_bars : strains).to_a
        result.bars.zip(strains.to_a, held).map { |bar, strain, elastic| { strain: strain, stress: elastic * bar[:young], force: elastic * bar[:young] * bar[:area] } }
      end
    end
  end
end
