# frozen_string_literal: true

module Lattice
  module Algebra
    # How many eigenvalues of a symmetric matrix are negative, from the signs of its pivots.
    # J. J. Sylvester, A demonstration of the theorem that every homogeneous quadratic polynomial is reducible, 1852.
    module Inertia
      # The head of cholmod_factor as far as the values
      class Head < FFI::Struct
        layout :n, :size_t, :minor, :size_t, :perm, :pointer, :column_count, :pointer, :inverse_perm, :pointer, :nzmax, :size_t, :p, :pointer, :i, :pointer, :x, :pointer
      end

      SIMPLICIAL = 0

      module_function

      # @param matrix [SymmetricMatrix] of any sign
      # @return [Integer, nil] nil where a pivot is zero, so that nothing can be told
      def negative(matrix)
        Handed.common do |common|
          common.put_int(Cholmod::SUPERNODAL_AT, SIMPLICIAL)
          sparse, _kept = Handed.sparse(matrix)
          factor = Cholmod.cholmod_l_analyze(sparse, common)
          next nil if factor.null?

          Cholmod.cholmod_l_factorize(sparse, factor, common)
          counted(Head.new(factor)).tap { Handed.release(factor) { |handle| Cholmod.cholmod_l_free_factor(handle, common) } }
        end
      end

      def counted(head) = pivots(head)&.lt(0)&.count_true

      # @return [Numo::DFloat, nil] nil where one is zero
      def pivots(head)
        return nil if head[:minor] < head[:n] || head[:x].null?

        starts = Numo::Int64.from_binary(head[:p].read_bytes(head[:n] * 8))
        values = Numo::DFloat.from_binary(head[:x].read_bytes(head[:nzmax] * 8))
        values[starts].dup
      end
    end
  end
end
