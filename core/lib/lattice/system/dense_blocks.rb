# frozen_string_literal: true

module Lattice
  module System
    # A symmetric matrix as a sum of dense blocks on some of the unknowns each.
    module DenseBlocks
      module_function

      # @param blocks [Array] unknowns [n], and the block [n, n]
      # @param size [Integer] of all unknowns
      # @return [Algebra::Sparse] lower triangle
      def matrix(blocks, size)
        of_entries(blocks.map { |dofs, block| entries(dofs, block) }, size)
      end

      # @param lists [Array] rows, columns and values
      def of_entries(lists, size)
        rows, columns, values = lists.transpose.map { |all| all.reduce { |a, b| a.concatenate(b) } }
        Algebra::Sparse.symmetric(Algebra::SymmetricMatrix.from_entries(rows, columns, values, size))
      end

      # Many blocks of one size.
      # @param dofs [Numo::Int32] [k, n], -1 for none
      # @param blocks [Numo::DFloat] [k, n, n]
      # @return [Array] rows, columns and values of the lower triangle
      def many(dofs, blocks)
        k, n = dofs.shape
        rows = (Numo::Int32.zeros(k, n, n) + dofs.reshape(k, n, 1)).flatten
        columns = (Numo::Int32.zeros(k, n, n) + dofs.reshape(k, 1, n)).flatten
        low = ((rows >= columns) & (columns >= 0)).where
        [rows[low].dup, columns[low].dup, blocks.flatten[low].dup]
      end

      # Both triangles of a block as the lower one.
      def entries(dofs, block)
        n = dofs.size
        rows = (Numo::Int32.zeros(n, n) + dofs.reshape(n, 1)).flatten
        columns = (Numo::Int32.zeros(n, n) + dofs.reshape(1, n)).flatten
        low = (rows >= columns).where
        [rows[low].dup, columns[low].dup, block.flatten[low].dup]
      end
    end
  end
end
