# frozen_string_literal: true

module Lattice
  module Algebra
    # L D Lᵀ factor of a symmetric matrix of any sign, in the order that CHOLMOD finds for it. Call #free when done.
    class SignedFactor
      TINY = 1e-14 # of the matrix's size, under which a pivot counts as none
      ROOM = [30, 100, 400].freeze # percent more than was foreseen, one after the other

      # @return [Integer] eigenvalues below zero: pivots of their sign. J. J. Sylvester, 1852
      attr_reader :negative

      # @param matrix [SymmetricMatrix]
      # @param order [Numo::Int32, nil] of its pivots, where it is known; see Factor.order
      # @raise [Factor::NotPositive] for a matrix that is singular
      # @raise [SolveFailed] when memory runs out
      def initialize(matrix, order: nil)
        @size = matrix.size
        begin_it
        hand(matrix, order || Factor.order(matrix))
        ROOM.find { |room| factored(room) }
        code = number(:infog)
        whole = number(:infog, Mumps::NULL_PIVOTS).zero?
        @negative = number(:infog, Mumps::NEGATIVE)
        refuse(code, whole) if code.negative? || !whole
      end

      # @param right [Numo::DFloat] [n], or [k, n] of k right-hand sides
      # @return [Numo::DFloat] of the same shape
      def solve(right)
        store = Handed.copy(right)
        @struct.put_pointer(Mumps::AT[:rhs], store)
        @struct.put_int(Mumps::AT[:nrhs], right.ndim > 1 ? right.shape[0] : 1)
        @struct.put_int(Mumps::AT[:lrhs], @size)
        call(Mumps::SOLVE)
        raise SolveFailed.new("the equations could not be solved (#{number(:infog)})", cure: "Use a larger mesh size.") if number(:infog).negative?

        Numo::DFloat.from_binary(store.read_bytes(right.size * 8), right.shape)
      end

      def free
        return unless @struct

        call(Mumps::END_IT)
        @struct = @kept = nil
      end

      private

      def refuse(code, whole)
        free
        raise Factor::NotPositive, 0 if code == Mumps::SINGULAR || !whole

        raise SolveFailed.new("the matrix could not be factored (#{code}); most likely memory ran out", cure: "Use a larger mesh size.")
      end

      def begin_it
        @struct = FFI::MemoryPointer.new(:char, Mumps::BYTES)
        @struct.put_int(Mumps::AT[:sym], Mumps::GENERAL)
        @struct.put_int(Mumps::AT[:par], 1)
        @struct.put_int(Mumps::AT[:comm], Mumps::ALONE)
        call(Mumps::BEGIN_IT)
        release = @struct.get_bytes(Mumps::AT[:version], 14).unpack1("Z*")
        raise SolveFailed.new("release “#{release}” of MUMPS is not known", cure: "Install the Debian package libmumps-seq-dev.") unless Mumps::KNOWN.include?(release)

        { 1 => -1, 2 => -1, 3 => -1, 4 => 0, 7 => 1, 24 => 1 }.each { |which, value| control(which, value) } # silent; our own order; null pivots are told
        @struct.put_double(Mumps::AT[:cntl] + (8 * 2), TINY)
      end

      # Entries count from 1. Of a matrix that brings both triangles the lower one, as CHOLMOD takes it.
      def hand(matrix, order)
        places = Numo::Int32.zeros(@size).tap { |all| all[order] = Numo::Int32.new(@size).seq(1) }
        columns = matrix.columns
        lower = (matrix.rows >= columns).where
        arrays = { irn: matrix.rows[lower] + 1, jcn: columns[lower] + 1, a: matrix.values[lower], perm_in: places }
        @kept = arrays.to_h { |key, array| [key, Handed.copy(array)] }
        @kept.each { |key, store| @struct.put_pointer(Mumps::AT[key], store) }
        @struct.put_int(Mumps::AT[:n], @size)
        @struct.put_int64(Mumps::AT[:nnz], lower.size)
      end

      # @return [Boolean] whether there was room enough
      def factored(room)
        control(14, room)
        call(Mumps::FACTOR)
        !Mumps::SHORT_OF_ROOM.include?(number(:infog))
      end

      def call(job)
        @struct.put_int(Mumps::AT[:job], job)
        Mumps.dmumps_c(@struct)
      end

      def control(which, value) = @struct.put_int(Mumps::AT[:icntl] + (4 * (which - 1)), value)
      def number(field, which = 1) = @struct.get_int(Mumps::AT[field] + (4 * (which - 1)))
    end
  end
end
