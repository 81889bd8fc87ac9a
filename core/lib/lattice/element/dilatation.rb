# frozen_string_literal: true

module Lattice
  module Element
    # Strains whose change of volume is the mean of the element's: T. J. R. Hughes, Generalization of selective integration
    # procedures to anisotropic and nonlinear media, 1980.
    module Dilatation
      # Rows of stretches among the strains of a formulation.
      STRETCHES = { 3 => [0, 1], 4 => [0, 1, 2], 6 => [0, 1, 2] }.freeze

      module_function

      # @param operator [Numo::DFloat] [e, g, strains, unknowns]
      # @param volumes [Numo::DFloat] [e, g]
      # @return [Numo::DFloat] of the same shape
      def even(operator, volumes)
        e, g, rows, width = operator.shape
        stretches = STRETCHES.fetch(rows)
        change = stretches.map { |row| operator[true, true, row, true].dup }.reduce(:+)
        mean = ((change * volumes.reshape(e, g, 1)).sum(1) / volumes.sum(1).reshape(e, 1)).reshape(e, 1, width)
        added = (mean - change) / stretches.size
        operator.dup.tap { |all| stretches.each { |row| all[true, true, row, true] = all[true, true, row, true] + added } }
      end
    end
  end
end
