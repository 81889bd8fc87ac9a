# frozen_string_literal: true

module Lattice
  module Element
    module Shell
      # Stresses of frames in global components.
      module Turned
        PAIRS = [[0, 0], [1, 1], [2, 2], [0, 1], [1, 2], [2, 0]].freeze

        module_function

        # @param plane [Numo::DFloat] [e, n, 3] 11, 22, 12
        # @param shear [Numo::DFloat] [e, n, 2] 13, 23
        # @param axes [Numo::DFloat] [e, 3, 3] rows are the axes
        # @return [Numo::DFloat] [e, n, 6] xx, yy, zz, xy, yz, zx
        def stress(plane, shear, axes)
          e, n, = plane.shape
          a = (0..2).map { |k| (0..2).map { |i| axes[true, k, i].reshape(e, 1) } }
          Numo::DFloat.zeros(e, n, 6).tap do |all|
            PAIRS.each_with_index do |(i, j), row|
              all[true, true, row] = (plane[true, true, 0] * (a[0][i] * a[0][j])) + (plane[true, true, 1] * (a[1][i] * a[1][j])) +
                                     (plane[true, true, 2] * both(a[0], a[1], i, j)) + (shear[true, true, 0] * both(a[0], a[2], i, j)) + (shear[true, true, 1] * both(a[1], a[2], i, j))
            end
          end
        end

        def both(one, other, i, j) = (one[i] * other[j]) + (one[j] * other[i])
      end
    end
  end
end
