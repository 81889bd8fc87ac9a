# frozen_string_literal: true

module Lattice
  module System
    # Linear constraints u = T q + g, eliminated before the solve. Here every row of
    # T is a row of the identity or empty, so that reducing is selecting.
    class Constraints
      attr_reader :given

      # @param unknowns [Integer] of the whole system
      def initialize(unknowns)
        @unknowns = unknowns
        @held = Numo::Int8.zeros(unknowns)
        @given = Numo::DFloat.zeros(unknowns)
      end

      # @param dofs [Numo::Int32] unknowns that take a value
      # @param value [Float]
      # @return [Numo::Int32] those that already had another value
      def prescribe(dofs, value)
        clash = dofs[(@held[dofs].ne(0) & (given[dofs] - value).abs.gt(1e-15)).where]
        @held[dofs] = 1
        given[dofs] = value
        clash
      end

      def held = @held.ne(0).where
      def free = @held.eq(0).where

      # @param matrix [Algebra::SymmetricMatrix]
      # @return [Algebra::SymmetricMatrix] Tᵀ K T
      def reduce(matrix)
        free = self.free
        number = Numo::Int32.zeros(@unknowns)
        number[free] = Numo::Int32.new(free.size).seq
        loose = Numo::Int8.cast(@held.eq(0))
        columns = matrix.columns
        keep = (loose[matrix.rows] & loose[columns]).ne(0).where
        counts = columns[keep].bincount(minlength: @unknowns)[free]
        starts = Numo::Int64.zeros(free.size + 1)
        starts[1..] = counts.cumsum
        Algebra::SymmetricMatrix.new(starts, number[matrix.rows[keep]].dup, matrix.values[keep].dup)
      end

      # @return [Numo::DFloat] Tᵀ (f - K g)
      def reduce_load(matrix, load)
        load -= matrix.dot(given) unless given.eq(0).all?
        load[free].dup
      end

      # @return [Numo::DFloat] u = T q + g
      def expand(reduced)
        given.dup.tap { |u| u[free] = reduced }
      end
    end
  end
end
