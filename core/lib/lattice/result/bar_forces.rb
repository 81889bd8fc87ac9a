# frozen_string_literal: true

module Lattice
  module Result
    # Embedded bars with the strain, stress and force in them, piece by piece.
    module BarForces
      module_function

      # @param result [Outcome]
      # @return [Array<Hash>] strain; stress in Pa; force of all bars side by side in N
      def rows(result, frame)
        strains = result.state(frame).bars or return []
        result.bars.zip(strains.to_a).map { |bar, strain| { strain: strain, stress: strain * bar[:young], force: strain * bar[:young] * bar[:area] } }
      end
    end
  end
end
