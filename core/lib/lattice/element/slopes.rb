# frozen_string_literal: true

module Lattice
  module Element
    # Slopes of shape functions along a face, as vectors in it, and its normal.
    module Slopes
      module_function

      # @param kind [Kind] of faces
      # @param at [Numo::DFloat] [q, n, 3] nodes
      # @param local [Numo::DFloat] [q, 2]
      # @return [Array(Numo::DFloat, Numo::DFloat)] [q, n, 3] per m, and [q, 3] units
      def call(kind, at, local)
        gradients = kind.gradients(local)
        tangents = Numo::Linalg.matmul(gradients.transpose(0, 2, 1).dup, at)
        metric = Inverse.inverted(Numo::Linalg.matmul(tangents, tangents.transpose(0, 2, 1).dup))
        normal = Shape::Vectors.unit(Shape::Vectors.cross(tangents[true, 0, true].dup, tangents[true, 1, true].dup))
        [Numo::Linalg.matmul(gradients, Numo::Linalg.matmul(metric, tangents)), normal]
      end

      # The same along lines in the xy plane.
      # @param local [Numo::DFloat] [q, 1]
      def of_lines(kind, at, local)
        gradients = kind.gradients(local)
        tangent = (gradients * at).sum(1)
        length = (tangent**2).sum(1).reshape(tangent.shape[0], 1)
        normal = Numo::DFloat.zeros(*tangent.shape)
        normal[true, 0] = tangent[true, 1]
        normal[true, 1] = tangent[true, 0] * -1
        [gradients * (tangent / length).reshape(tangent.shape[0], 1, 3), Shape::Vectors.unit(normal)]
      end
    end
  end
end
