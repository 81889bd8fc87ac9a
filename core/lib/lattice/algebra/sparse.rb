# frozen_string_literal: true

module Lattice
  module Algebra
    # A sparse matrix by columns, for products and sums by CHOLMOD: the lower triangle of a symmetric one (stype -1), or
    # all of one that is not (0).
    class Sparse
      attr_reader :height, :width, :starts, :rows, :values, :stype

      # @param starts [Numo::Int64] [width + 1]
      # @param rows [Numo::Int32, Numo::Int64] ascending within a column
      def initialize(height, starts, rows, values, stype: 0)
        @height = height
        @width = starts.size - 1
        @starts = starts
        @rows = rows
        @values = values
        @stype = stype
      end

      # @param rows [Numo::Int32] [k] of entries, each place once, in any order
      def self.from_entries(rows, columns, values, height, width)
        order = ((Numo::Int64.cast(columns) * height) + rows).sort_index
        starts = Numo::Int64.zeros(width + 1)
        starts[1..] = columns.bincount(minlength: width).cumsum
        order.empty? ? new(height, starts, rows, values) : new(height, starts, rows[order].dup, values[order].dup)
      end

      # @param matrix [SymmetricMatrix]
      def self.symmetric(matrix) = new(matrix.size, matrix.starts, matrix.rows, matrix.values, stype: -1)

      # @return [SymmetricMatrix] where the diagonal is there throughout
      def to_symmetric = SymmetricMatrix.new(starts, Numo::Int32.cast(rows), values)

      # @param other [Sparse]
      # @param stype [Integer] -1 keeps the lower triangle alone
      # @return [Sparse]
      def multiply(other, stype: 0)
        made { |one, two, common| Cholmod.cholmod_l_ssmult(one, two, stype, 1, 1, common) }.call(self, other)
      end

      # @return [Sparse] both of one stype
      def add(other)
        one = FFI::MemoryPointer.new(:double, 2).tap { |p| p.put_double(0, 1.0) }
        made { |a, b, common| Cholmod.cholmod_l_add(a, b, one, one, 1, 1, common) }.call(self, other)
      end

      # @return [Array(Cholmod::Sparse, Array)] the structure, and what it points to
      def handed
        kept = [Numo::Int64.cast(starts), Numo::Int64.cast(rows), values].map { |a| Handed.copy(a) }
        struct = Cholmod::Sparse.new
        { nrow: height, ncol: width, nzmax: rows.size, p: kept[0], i: kept[1], nz: nil, x: kept[2], z: nil,
          stype: stype, itype: Cholmod::LONG, xtype: Cholmod::REAL, dtype: 0, sorted: 1, packed: 1 }.each { |k, v| struct[k] = v }
        [struct, kept]
      end

      private

      def made
        lambda do |one, two|
          (a, _kept), (b, _store) = [one, two].map(&:handed)
          Handed.common do |common|
            found = yield(a, b, common)
            raise SolveFailed.new("a product of matrices failed; most likely memory ran out", cure: "Use a larger mesh size.") if found.null?

            read(Cholmod::Sparse.new(found)).tap { Handed.release(found) { |handle| Cholmod.cholmod_l_free_sparse(handle, common) } }
          end
        end
      end

      def read(struct)
        starts = Numo::Int64.from_binary(struct[:p].read_bytes((struct[:ncol] + 1) * 8))
        count = starts[-1]
        return Sparse.new(struct[:nrow], starts, Numo::Int64.zeros(0), Numo::DFloat.zeros(0), stype: struct[:stype]) if count.zero?

        rows = Numo::Int64.from_binary(struct[:i].read_bytes(count * 8))
        values = Numo::DFloat.from_binary(struct[:x].read_bytes(count * 8))
        Sparse.new(struct[:nrow], starts, rows, values, stype: struct[:stype])
      end
    end
  end
end
