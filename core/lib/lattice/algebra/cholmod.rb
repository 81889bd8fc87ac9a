# frozen_string_literal: true

module Lattice
  module Algebra
    # Binding to CHOLMOD, the sparse Cholesky factorisation of SuiteSparse.
    # Y. Chen, T. A. Davis, W. W. Hager, S. Rajamanickam, Algorithm 887: CHOLMOD, 2008.
    module Cholmod
      extend FFI::Library
      ffi_lib %w[libcholmod.so.3 libcholmod.so]

      COMMON_BYTES = 16_384 # more than any release's cholmod_common
      PRINT_AT = 144 # byte offset of cholmod_common.print in releases 3 and 4, whose default is 3
      LONG = 2
      REAL = 1
      SOLVE_A = 0

      # cholmod_sparse
      class Sparse < FFI::Struct
        layout :nrow, :size_t, :ncol, :size_t, :nzmax, :size_t, :p, :pointer, :i, :pointer, :nz, :pointer,
               :x, :pointer, :z, :pointer, :stype, :int, :itype, :int, :xtype, :int, :dtype, :int, :sorted, :int, :packed, :int
      end

      # cholmod_dense
      class Dense < FFI::Struct
        layout :nrow, :size_t, :ncol, :size_t, :nzmax, :size_t, :d, :size_t, :x, :pointer, :z, :pointer, :xtype, :int, :dtype, :int
      end

      # The head of cholmod_factor
      class FactorHead < FFI::Struct
        layout :n, :size_t, :minor, :size_t, :perm, :pointer
      end

      # Keeps the library from printing: what went wrong is told by what it returns.
      def self.silence(common)
        common.put_int(PRINT_AT, 0) if common.get_int(PRINT_AT) == 3
      end

      attach_function :cholmod_l_start, [:pointer], :int
      attach_function :cholmod_l_finish, [:pointer], :int
      attach_function :cholmod_l_analyze, %i[pointer pointer], :pointer, blocking: true
      attach_function :cholmod_l_factorize, %i[pointer pointer pointer], :int, blocking: true
      attach_function :cholmod_l_solve, %i[int pointer pointer pointer], :pointer, blocking: true
      attach_function :cholmod_l_free_factor, %i[pointer pointer], :int
      attach_function :cholmod_l_free_dense, %i[pointer pointer], :int
    end
  end
end
