# frozen_string_literal: true

module Lattice
  module Algebra
    # The distinct sides (pairs of nodes) of blocks of elements.
    class Pairs
      attr_reader :low, :high

      # Sorts pairs regardless of their direction and finds those that come twice.
      # @return [Array(Numo::Int32, Numo::Int32)] the order, and where a twin starts in it
      def self.twins(from, to)
        keys = key(from, to)
        order = keys.sort_index
        sorted = keys[order]
        same = sorted.size < 2 ? Numo::Int32.zeros(0) : sorted[0...-1].eq(sorted[1..]).where
        [order, same]
      end

      def self.key(from, to)
        a = Numo::Int64.cast(from)
        b = Numo::Int64.cast(to)
        (Numo::Int64.minimum(a, b) * (2**31)) + Numo::Int64.maximum(a, b)
      end

      # @param blocks [Array] of [elements [e, n], list of local node pairs]
      def initialize(blocks)
        @shapes = blocks.map { |elements, local| [elements.shape[0], local.size] }
        keys = blocks.map do |elements, local|
          table = Numo::Int64.zeros(elements.shape[0], local.size)
          local.each_with_index { |(i, j), k| table[true, k] = self.class.key(elements[true, i], elements[true, j]) } unless elements.shape[0].zero?
          table.flatten
        end
        all = keys.reject(&:empty?).reduce { |a, b| a.concatenate(b) }
        order = all.sort_index
        sorted = all[order]
        start = Numo::Int32.zeros(sorted.size)
        start[1..] = Numo::Int32.cast(sorted[1..].ne(sorted[0...-1])) if sorted.size > 1
        @unique = sorted[Numo::Int32.zeros(1).concatenate(start.ne(0).where).to_a]
        @index = Numo::Int32.zeros(all.size)
        @index[order] = start.cumsum
        @low = Numo::Int32.cast(@unique / (2**31))
        @high = Numo::Int32.cast(@unique % (2**31))
      end

      def size = @unique.size

      # @return [Numo::Int32] [e, sides] index of each side of a block
      def of(block)
        first = @shapes[0...block].sum { |e, k| e * k }
        e, k = @shapes[block]
        e.zero? ? Numo::Int32.zeros(0, k) : @index[first...(first + (e * k))].reshape(e, k)
      end

      # @return [Numo::Int32] index of each given pair; every one must exist
      def find(from, to)
        keys = self.class.key(from, to)
        low = Numo::Int32.zeros(keys.size)
        high = Numo::Int32.zeros(keys.size).fill(size - 1)
        Math.log2(size + 1).ceil.succ.times do
          middle = (low + high) / 2
          right = Numo::Int32.cast(@unique[middle] < keys)
          low = (right * (middle + 1)) + ((1 - right) * low)
          high = (right * high) + ((1 - right) * middle)
        end
        low.clip(0, size - 1)
      end

      # @return [Numo::Bit] whether each given pair is there
      def include?(from, to)
        @unique[find(from, to)].eq(self.class.key(from, to))
      end
    end
  end
end
