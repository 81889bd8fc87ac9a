# frozen_string_literal: true

module Lattice
  module Algebra
    # L D Lᵀ factor of a symmetric matrix of any sign.
    class SignedFactor < Factor
      TINY = 1e-14 # pivot against the greatest, under which nothing of the solution is left

      # @return [Integer] eigenvalues below zero
      attr_reader :negative

      private

      def set_up
        super
        @common.put_int(Cholmod::SUPERNODAL_AT, Inertia::SIMPLICIAL)
      end

      def check
        pivots = Inertia.pivots(Inertia::Head.new(@factor))
        unless pivots && pivots.abs.min > pivots.abs.max * TINY
          free
          raise NotPositive, 0
        end
        @negative = pivots.lt(0).count_true
      end
    end
  end
end
