# frozen_string_literal: true

module Lattice
  module Algebra
    # Binding to MUMPS, multifrontal L D Lᵀ of symmetric matrices of any sign.
    # P. R. Amestoy, I. S. Duff, J. Koster, J.-Y. L'Excellent, A fully asynchronous multifrontal solver using distributed
    # dynamic scheduling, 2001.
    module Mumps
      extend FFI::Library

      ffi_lib %w[libdmumps_seq-5.5.so libdmumps_seq.so]

      KNOWN = %w[5.5.0 5.5.1].freeze # releases with these places in DMUMPS_STRUC_C
      BYTES = 8360
      AT = { sym: 0, par: 4, job: 8, comm: 12, icntl: 16, cntl: 2256, n: 5416, nnz: 5432, irn: 5440, jcn: 5448, a: 5456, perm_in: 5552, rhs: 5600, nrhs: 5672, lrhs: 5676, infog: 6048, version: 7072 }.freeze
      ALONE = -987_654 # the communicator of the library without MPI
      GENERAL = 2      # symmetric, of any sign

      # Values of job
      BEGIN_IT = -1
      END_IT = -2
      FACTOR = 4 # with the analysis
      SOLVE = 3

      # Places in INFOG, and numbers in its first
      NEGATIVE = 12
      NULL_PIVOTS = 28
      SHORT_OF_ROOM = [-8, -9].freeze
      SINGULAR = -10

      attach_function :dmumps_c, [:pointer], :void, blocking: true
    end
  end
end
