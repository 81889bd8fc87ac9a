# frozen_string_literal: true

module Lattice
  module Algebra
    # The distinct values of a list, and the place of each entry among them.
    module Distinct
      module_function

      # @param keys [Numo::NArray] [n]
      # @return [Array(Numo::NArray, Numo::Int32)] sorted distinct values; index [n]
      def of(keys)
        order = Numo::Int32.cast(keys.sort_index)
        sorted = keys[order].dup
        start = Numo::Int32.zeros(keys.size)
        start[1..] = Numo::Int32.cast(sorted[1..].ne(sorted[0...-1])) if keys.size > 1
        index = Numo::Int32.zeros(keys.size)
        index[order] = start.cumsum
        start[0] = 1
        [sorted[start.ne(0).where].dup, index]
      end
    end
  end
end
