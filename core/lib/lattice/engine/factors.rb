# frozen_string_literal: true

module Lattice
  module Engine
    # The factor of a tangent that changes its values, and not its places: by Cholesky while it resists in every direction, else
    # with signs.
    class Factors
      attr_reader :lower

      # @param matrix [Algebra::SymmetricMatrix]
      # @return [Factors, nil] nil where it cannot be factored
      def of(matrix)
        free
        @factor = @signed ? signed(matrix) : plain(matrix)
        @lower = @factor && (@signed ? @factor.negative : 0)
        @signed = false if @lower&.zero?
        @factor && self
      end

      def solve(right) = @factor.solve(right)

      def free
        @factor&.free
        @factor = nil
      end

      private

      def plain(matrix)
        Algebra::Factor.new(matrix)
      rescue Algebra::Factor::NotPositive
        @signed = true
        signed(matrix)
      end

      def signed(matrix)
        # Its places are always the same, and so is its order.
        Algebra::SignedFactor.new(matrix, order: @order ||= Algebra::Factor.order(matrix))
      rescue Algebra::Factor::NotPositive
        nil
      end
    end
  end
end
