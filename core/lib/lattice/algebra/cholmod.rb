# frozen_string_literal: true

module Lattice
  module Algebra
    # Binding to CHOLMOD, the sparse Cholesky factorisation of SuiteSparse.
    # Y. Chen, T. A. Davis, W. W. Hager, S. Rajamanickam, Algorithm 887: CHOLMOD, 2008.
    module Cholmod
      extend FFI::Library

      ffi_lib %w[libcholmod.so.3 libcholmod.so]

      COMMON_BYTES = 16_384 # more than any release's cholmod_common
      # Byte offsets in cholmod_common of releases 3 and 4, with the defaults found there.
      PRINT_AT = 144
      PRINT_DEFAULT = 3
      SUPERNODAL_AT = 48
      SUPERNODAL_AUTO = 1
      SUPERNODAL_ALWAYS = 2
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

      # Nothing is printed, and small matrices too are factored as L Lᵀ: the L D Lᵀ that
      # the library would choose for them passes over negative pivots.
      def self.set_up(common)
        unless common.get_int(PRINT_AT) == PRINT_DEFAULT && common.get_int(SUPERNODAL_AT) == SUPERNODAL_AUTO
          raise SolveFailed.new("this release of CHOLMOD is not known", cure: "Install the Debian package libsuitesparse-dev.")
        end

        common.put_int(PRINT_AT, 0)
        common.put_int(SUPERNODAL_AT, SUPERNODAL_ALWAYS)
      end

      attach_function :cholmod_l_start, [:pointer], :int
      attach_function :cholmod_l_finish, [:pointer], :int
      attach_function :cholmod_l_analyze, %i[pointer pointer], :pointer, blocking: true
      attach_function :cholmod_l_factorize, %i[pointer pointer pointer], :int, blocking: true
      attach_function :cholmod_l_solve, %i[int pointer pointer pointer], :pointer, blocking: true
      attach_function :cholmod_l_sdmult, %i[pointer int pointer pointer pointer pointer pointer], :int, blocking: true
      attach_function :cholmod_l_ssmult, %i[pointer pointer int int int pointer], :pointer, blocking: true
      attach_function :cholmod_l_add, %i[pointer pointer pointer pointer int int pointer], :pointer, blocking: true
      attach_function :cholmod_l_rcond, %i[pointer pointer], :double
      attach_function :cholmod_l_free_factor, %i[pointer pointer], :int
      attach_function :cholmod_l_free_sparse, %i[pointer pointer], :int
      attach_function :cholmod_l_free_dense, %i[pointer pointer], :int
    end
  end
end
