# frozen_string_literal: true

module Lattice
  module Algebra
    # Entries listed by the key they bear: which entries have key k, for many k at once.
    class Lists
      attr_reader :counts

      # Positions of pieces of lengths +counts+ laid end to end, as the piece each belongs
      # to and its rank in it.
      # @param counts [Numo::Int32] [k]
      # @return [Array(Numo::Int32, Numo::Int32)] piece and rank, [counts.sum]
      def self.laid(counts)
        total = counts.empty? ? 0 : counts.sum
        return [Numo::Int32.zeros(0), Numo::Int32.zeros(0)] if total.zero?

        some = Numo::Int32.cast(counts.ne(0).where)
        lengths = Numo::Int32.cast(counts[some].dup)
        first = lengths.cumsum - lengths
        steps = Numo::Int32.zeros(total)
        steps[first[1..].dup] = 1 if first.size > 1
        rank = steps.cumsum
        [some[rank].dup, Numo::Int32.new(total).seq - first[rank]]
      end

      # @param keys [Numo::Int32] of every entry, below +count+
      # @param count [Integer]
      def initialize(keys, count)
        if keys.empty?
          @order = Numo::Int32.zeros(0)
          @counts = Numo::Int32.zeros(count)
        else
          @order = Numo::Int32.cast(keys.sort_index)
          @counts = Numo::Int32.cast(keys.bincount(minlength: count))
        end
        @starts = @counts.cumsum - @counts
      end

      # @param keys [Numo::Int32] [k]
      # @return [Array(Numo::Int32, Numo::Int32)] for every entry found: the position of its key in +keys+, and the entry
      def of(keys)
        return [Numo::Int32.zeros(0), Numo::Int32.zeros(0)] if keys.empty?

        piece, rank = Lists.laid(@counts[keys].dup)
        return [piece, rank] if piece.empty?

        [piece, @order[@starts[keys][piece] + rank].dup]
      end
    end
  end
end
