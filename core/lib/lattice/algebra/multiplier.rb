# frozen_string_literal: true

module Lattice
  module Algebra
    # Products of one matrix with many vectors: the library's own form of it is kept.
    class Multiplier
      # @param matrix [SymmetricMatrix]
      def initialize(matrix)
        @sparse, @kept = Handed.sparse(matrix)
        @one, @zero = [1.0, 0.0].map { |number| FFI::MemoryPointer.new(:double, 2).tap { |p| p.put_double(0, number) } }
      end

      # @param vector [Numo::DFloat] [n], or [k, n] of k vectors
      # @return [Numo::DFloat] of the same shape
      def dot(vector)
        return vector.dup if vector.empty?

        x, _x = Handed.dense(vector)
        y, store = Handed.dense(vector)
        Handed.common { |common| Cholmod.cholmod_l_sdmult(@sparse, 0, @one, @zero, x, y, common) }
        Numo::DFloat.from_binary(store.read_bytes(vector.size * 8), vector.shape)
      end
    end
  end
end
