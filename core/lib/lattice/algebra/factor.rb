# frozen_string_literal: true

module Lattice
  module Algebra
    # Cholesky factor of a symmetric positive definite matrix; solves any number of
    # right-hand sides. Call #free when done.
    class Factor
      # Raised when the matrix is not positive definite; +column+ is where it showed.
      class NotPositive < SolveFailed
        attr_reader :column

        def initialize(column)
          @column = column
          super("the stiffness is not positive definite")
        end
      end

      # Reciprocal condition (ratio of pivots) under which nothing of the solution is left.
      SINGULAR = 1e-15

      attr_reader :times

      # @param matrix [SymmetricMatrix]
      # @return [Numo::Int32] [n] the unknown of each pivot, in the order that fills the factor least
      def self.order(matrix)
        Handed.common do |common|
          sparse, _kept = Handed.sparse(matrix)
          factor = Cholmod.cholmod_l_analyze(sparse, common)
          raise SolveFailed.new("the matrix could not be analysed; most likely memory ran out", cure: "Use a larger mesh size.") if factor.null?

          places = Numo::Int64.from_binary(Cholmod::FactorHead.new(factor)[:perm].read_bytes(matrix.size * 8))
          Handed.release(factor) { |handle| Cholmod.cholmod_l_free_factor(handle, common) }
          Numo::Int32.cast(places)
        end
      end

      # @param matrix [SymmetricMatrix]
      # @raise [NotPositive], [SolveFailed] when memory runs out
      def initialize(matrix)
        @size = matrix.size
        @times = {}
        @common = FFI::MemoryPointer.new(:char, Cholmod::COMMON_BYTES)
        set_up
        sparse, @kept = Handed.sparse(matrix)
        timed(:analyse) { @factor = Cholmod.cholmod_l_analyze(sparse, @common) }
        failed("the matrix could not be analysed") if @factor.null?
        timed(:factor) { Cholmod.cholmod_l_factorize(sparse, @factor, @common) }
        check
      end

      # @param right [Numo::DFloat] [n], or [k, n] of k right-hand sides
      # @return [Numo::DFloat] of the same shape
      def solve(right)
        dense, _store = Handed.dense(right)
        found = timed(:solve) { Cholmod.cholmod_l_solve(Cholmod::SOLVE_A, @factor, dense, @common) }
        failed("the equations could not be solved") if found.null?
        result = Numo::DFloat.from_binary(Cholmod::Dense.new(found)[:x].read_bytes(right.size * 8), right.shape)
        Handed.release(found) { |handle| Cholmod.cholmod_l_free_dense(handle, @common) }
        result
      end

      def free
        Handed.release(@factor) { |handle| Cholmod.cholmod_l_free_factor(handle, @common) }
        Cholmod.cholmod_l_finish(@common)
      end

      private

      def set_up
        Cholmod.cholmod_l_start(@common)
        Cholmod.set_up(@common)
      end

      def timed(phase)
        start = Process.clock_gettime(Process::CLOCK_MONOTONIC)
        yield.tap { @times[phase] = (@times[phase] || 0.0) + Process.clock_gettime(Process::CLOCK_MONOTONIC) - start }
      end

      def check
        @kept = nil
        head = Cholmod::FactorHead.new(@factor)
        return if head[:minor] == @size && Cholmod.cholmod_l_rcond(@factor, @common) > SINGULAR

        column = head[:perm].null? ? 0 : head[:perm].get_int64(8 * [head[:minor], @size - 1].min)
        free
        raise NotPositive, column
      end

      def failed(what)
        raise SolveFailed.new("#{what}; most likely memory ran out", cure: "Use a larger mesh size.")
      end
    end
  end
end
