# frozen_string_literal: true

module Lattice
  module Verdict
    # What can be worked out with a pencil, to set beside what was computed.
    module Hand
      module_function

      # @param unit [Array<Float>]
      # @return [String] x, y or z; else its components
      def named(unit)
        k = unit.index { |c| c.abs > 1 - 1e-9 }
        k ? "xyz"[k] : "(#{unit.map { |c| c.round(3) }.join(', ')})"
      end
    end
  end
end
