# frozen_string_literal: true

module Lattice
  module Algebra
    # Reads and sums rows of tables by index.
    module Gather
      module_function

      # @param table [Numo::NArray] [n, d]
      # @param index [Numo::Int32] [e, k]
      # @return [Numo::NArray] [e, k, d]
      def rows(table, index)
        table[index.flatten, true].reshape(*index.shape, table.shape[1])
      end

      # Sums values into rows; the inverse of reading them.
      # @param values [Numo::DFloat] [e, k, d]
      # @param index [Numo::Int32] [e, k]
      # @param count [Integer] rows of the result
      # @return [Numo::DFloat] [count, d]
      def sum(values, index, count)
        flat = index.flatten
        d = values.shape[-1]
        table = values.reshape(flat.size, d)
        result = Numo::DFloat.zeros(count, d)
        d.times { |c| result[true, c] = flat.bincount(table[true, c].dup, minlength: count) } unless flat.empty?
        result
      end
    end
  end
end
