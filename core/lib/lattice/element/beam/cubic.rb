# frozen_string_literal: true

module Lattice
  module Element
    module Beam
      # Matrices of members that bend in cubic shapes: rows and columns are movement and turn at either end.
      module Cubic
        module_function

        # Adds a table to the matrices; every turn in it brings a length.
        # @param matrix [Numo::DFloat] [e, 12, 12]
        # @param dofs [Array<Integer>] movement and turn at the first end, then at the second
        # @param table [Array<Array<Integer>>] [4, 4]
        # @param factor [Numo::DFloat] [e]
        # @param lengths [Numo::DFloat] [e]
        # @param sign [Integer] of the turn that a slope brings
        def add(matrix, dofs, table, factor, lengths, sign)
          dofs.each_with_index do |r, i|
            dofs.each_with_index do |c, j|
              turns = (i % 2) + (j % 2)
              matrix[true, r, c] = matrix[true, r, c] + (factor * (table[i][j] * (turns == 1 ? sign : 1)) * (lengths**turns))
            end
          end
        end
      end
    end
  end
end
