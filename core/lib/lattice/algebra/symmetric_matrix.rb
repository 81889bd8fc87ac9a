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

      # @return [Numo::Int32] [entries] the column of each entry
      def columns
        @columns ||= self.class.expand(starts)
      end

      # Index of the run that each position belongs to, for runs that start at +starts+.
      def self.expand(starts)
        marks = Numo::Int32.zeros(starts[-1])
        marks[starts[1...-1]] = 1 if starts.size > 2
        marks.cumsum
      end

      # @param vector [Numo::DFloat] [n]
      # @return [Numo::DFloat] [n]
      def dot(vector)
        low = rows.bincount(values * vector[columns], minlength: size)
        high = columns.bincount(values * vector[rows], minlength: size)
        low + high - (values[starts[0...-1]] * vector)
      end
    end
  end
end
