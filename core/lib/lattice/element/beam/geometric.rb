# frozen_string_literal: true

module Lattice
  module Element
    module Beam
      # What a force along straight members adds to their stiffness. J. S. Przemieniecki, Theory of Matrix Structural
      # Analysis, 1968, with the part of twisting by the radius of gyration (S. P. Timoshenko, J. M. Gere, Theory of
      # Elastic Stability, 1961).
      module Geometric
        ACROSS = [[36, 3, -36, 3], [3, 4, -3, -1], [-36, -3, 36, -3], [3, -1, -3, 4]].freeze

        module_function

        # @param lengths [Numo::DFloat] [e] m
        # @param pull [Numo::DFloat] [e] N
        # @param gyration [Numo::DFloat] [e] m², polar moment over area
        # @param bar [Numo::Bit] [e] those that do not bend
        # @return [Numo::DFloat] [e, 12, 12] in the axes of the members
        def local(lengths, pull, gyration, bar)
          k = Numo::DFloat.zeros(lengths.size, 12, 12)
          straight = Numo::DFloat.cast(bar)
          { [1, 5, 7, 11] => 1, [2, 4, 8, 10] => -1 }.each { |dofs, sign| Cubic.add(k, dofs, ACROSS, pull * (1 - straight) / (lengths * 30), lengths, sign) }
          [1, 2].each { |dof| string(k, dof, pull * straight / lengths) }
          string(k, 3, pull * gyration / lengths * (1 - straight))
          k
        end

        def string(matrix, dof, value)
          [[dof, dof, 1], [dof + 6, dof + 6, 1], [dof, dof + 6, -1], [dof + 6, dof, -1]].each { |r, c, sign| matrix[true, r, c] = matrix[true, r, c] + (value * sign) }
        end
      end
    end
  end
end
