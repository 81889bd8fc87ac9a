# frozen_string_literal: true

module Lattice
  module Element
    # Masses at the nodes alone: the diagonal of the consistent ones, scaled so that none is lost.
    # E. Hinton, T. Rock, O. C. Zienkiewicz, A note on mass lumping and related processes in the finite element method, 1976.
    module Lumped
      module_function

      # @param matrix [Numo::DFloat] [d, d, e, n, n] consistent
      # @param names [Array<Symbol>] [d] components; turns keep what their diagonal has
      # @return [Numo::DFloat] the same shape
      def of(matrix, names)
        e, n, = matrix.shape[2..]
        names.each_with_index.reduce(Numo::DFloat.zeros(*matrix.shape)) do |found, (name, i)|
          block = matrix[i, i, true, true, true]
          diagonal = Numo::DFloat.zeros(e, n).tap { |all| n.times { |a| all[true, a] = block[true, a, a] } }
          diagonal *= (block.sum(2).sum(1) / diagonal.sum(1)).reshape(e, 1) if %i[x y z].include?(name)
          found.tap { |all| n.times { |a| all[i, i, true, a, a] = diagonal[true, a] } }
        end
      end
    end
  end
end
