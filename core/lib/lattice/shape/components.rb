# frozen_string_literal: true

module Lattice
  module Shape
    # Connected components of a graph, by hooking and pointer jumping on whole arrays.
    # Y. Shiloach, U. Vishkin, An O(log n) parallel connectivity algorithm, 1982.
    module Components
      module_function

      # @param count [Integer] of vertices
      # @param from [Numo::Int32] [e] ends of the graph's edges
      # @param to [Numo::Int32] [e]
      # @return [Numo::Int32] [count] component of each vertex, counted from 0 in order of appearance
      def call(count, from, to)
        label = Numo::Int32.new(count).seq
        until from.empty?
          a = label[from].dup
          b = label[to].dup
          apart = a.ne(b).where
          break if apart.empty?

          low = Numo::Int32.minimum(a, b)
          high = Numo::Int32.maximum(a, b)
          label[high[apart].dup] = low[apart].dup
          label = flattened(label)
        end
        ranked(label)
      end

      def flattened(label)
        loop do
          jumped = label[label].dup
          return label if jumped == label

          label = jumped
        end
      end

      def ranked(label)
        roots = label.eq(Numo::Int32.new(label.size).seq)
        (Numo::Int32.cast(roots).cumsum - 1)[label].dup
      end
    end
  end
end
