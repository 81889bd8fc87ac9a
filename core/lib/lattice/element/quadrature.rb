# frozen_string_literal: true

module Lattice
  module Element
    # Sums over the points of elements.
    module Quadrature
      module_function

      # Σ Lᵀ D R over the points of each element.
      # @param left [Numo::DFloat] [e, g, rows, n]
      # @param moduli [Numo::DFloat] [e g, rows, rows], times what each point stands for
      # @param right [Numo::DFloat] [e, g, rows, n]
      # @return [Numo::DFloat] [e, n, n]
      def stiffness(left, moduli, right = left)
        e, g, rows, width = right.shape
        pressed = Numo::Linalg.matmul(moduli, right.reshape(e * g, rows, width)).reshape(e, g * rows, width)
        Numo::Linalg.matmul(left.reshape(e, g * rows, left.shape[3]).transpose(0, 2, 1).dup, pressed)
      end
    end
  end
end
