# frozen_string_literal: true

module Lattice
  module Algebra
    # Lower triangle of a sparse symmetric matrix by columns: +starts+ [n + 1],
    # +rows+ and +values+ [entries]; rows ascend within a column, the diagonal is there.
    class SymmetricMatrix
      attr_reader :starts, :rows, :values

      def initialize(starts, rows, values)
        @starts = starts
        @rows = rows
        @values = values
      end

      def size = starts.size - 1
      def entries = rows.size

      # @return [Numo::DFloat] [n]
      def diagonal = values[starts[0...-1]].dup

      # @param added [Numo::DFloat] [n]
      # @return [SymmetricMatrix] with more on its diagonal
      def with_diagonal(added)
        sums = values.dup
        sums[starts[0...-1]] += added
        SymmetricMatrix.new(starts, rows, sums)
      end

      # @param factor [Float]
      # @return [SymmetricMatrix]
      def times(factor) = SymmetricMatrix.new(starts, rows, values * factor)

      # @return [Numo::Int32] [entries] the column of each entry
      def columns
        @columns ||= self.class.expand(starts)
      end

      # @param rows [Numo::Int32] [k] of entries in the lower triangle; those at one place are added up
      # @param columns [Numo::Int32] [k]
      # @param values [Numo::DFloat] [k]
      # @return [SymmetricMatrix] with a diagonal that is there throughout
      def self.from_entries(rows, columns, values, size)
        own = Numo::Int64.new(size).seq
        keys = ((Numo::Int64.cast(columns) * size) + rows).concatenate((own * size) + own)
        unique, index = Distinct.of(keys)
        starts = Numo::Int64.zeros(size + 1)
        starts[1..] = Numo::Int32.cast(unique / size).bincount(minlength: size).cumsum
        new(starts, Numo::Int32.cast(unique % size), index.bincount(values.concatenate(Numo::DFloat.zeros(size)), minlength: unique.size))
      end

      # Index of the run that each position belongs to, for runs that start at +starts+.
      def self.expand(starts)
        marks = Numo::Int32.zeros(starts[-1])
        marks[starts[1...-1]] = 1 if starts.size > 2
        marks.cumsum
      end

      # @param vector [Numo::DFloat] [n], or [k, n] of k vectors
      # @return [Numo::DFloat] of the same shape
      def dot(vector) = Multiplier.new(self).dot(vector)
    end
  end
end
