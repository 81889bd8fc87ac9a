# frozen_string_literal: true

module Lattice
  module Algebra
    # Reads, sums and lists rows of tables by index.
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

      # Writes a value where a mark is set.
      # @param array [Numo::NArray] of any shape
      # @param mark [Numo::Bit] of the same
      def put(array, mark, value)
        at = mark.where
        array[at] = value unless at.empty?
        array
      end

      # @param values [Numo::NArray] [n]
      # @return [Numo::Int32] their order, the greatest first: of what is written to one place
      #   in this order, the least holds
      def descending(values)
        order = Numo::Int32.cast(values.sort_index)
        order[Numo::Int32.new(order.size).seq(order.size - 1, -1)].dup
      end

      # @param list [Numo::NArray] [n]
      # @return [Numo::NArray] [n * times] every entry so many times on end
      def repeat(list, times) = (list.reshape(list.size, 1) + list.class.zeros(list.size, times)).flatten.dup

      # @param tables [Array<Numo::Int32>] of any shapes
      # @return [Numo::Int32] all their entries, sorted, without repeats
      def distinct(tables)
        all = tables.map(&:flatten).reject(&:empty?).reduce { |a, b| a.concatenate(b) }
        return Numo::Int32.zeros(0) unless all

        sorted = all.sort
        keep = Numo::Bit.ones(sorted.size)
        keep[1..] = sorted[1..].ne(sorted[0...-1]) if sorted.size > 1
        sorted[keep.where]
      end
    end
  end
end
