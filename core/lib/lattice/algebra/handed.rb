# frozen_string_literal: true

module Lattice
  module Algebra
    # Arrays handed to CHOLMOD as its own structures. What they point to is kept with them.
    class Handed
      # @param array [Numo::NArray]
      # @return [FFI::MemoryPointer] a copy of its numbers
      def self.copy(array)
        FFI::MemoryPointer.new(:char, [array.size * array.class::ELEMENT_BYTE_SIZE, 8].max, false).tap { |store| store.put_bytes(0, array.to_binary) }
      end

      # @param matrix [SymmetricMatrix]
      # @return [Array(Cholmod::Sparse, Array)] the structure, and what it points to
      def self.sparse(matrix) = Sparse.symmetric(matrix).handed

      # @param columns [Numo::DFloat] [n], or [k, n] of k columns
      # @return [Array(Cholmod::Dense, FFI::MemoryPointer)]
      def self.dense(columns)
        store = copy(columns)
        rows = columns.shape[-1]
        struct = Cholmod::Dense.new
        { nrow: rows, ncol: columns.ndim > 1 ? columns.shape[0] : 1, nzmax: columns.size, d: rows, x: store, z: nil, xtype: Cholmod::REAL, dtype: 0 }.each { |k, v| struct[k] = v }
        [struct, store]
      end

      # The library frees through a pointer to the pointer.
      # @yield [FFI::MemoryPointer]
      def self.release(pointer)
        handle = FFI::MemoryPointer.new(:pointer)
        handle.write_pointer(pointer)
        yield handle
      end

      # A workspace of the library, ended after use.
      # @yield [FFI::MemoryPointer]
      def self.common
        common = FFI::MemoryPointer.new(:char, Cholmod::COMMON_BYTES)
        Cholmod.cholmod_l_start(common)
        Cholmod.set_up(common)
        yield common
      ensure
        Cholmod.cholmod_l_finish(common)
      end
    end
  end
end
