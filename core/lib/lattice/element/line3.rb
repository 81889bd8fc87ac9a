# frozen_string_literal: true

module Lattice
  module Element
    # Three-node line on [-1, 1]: from, to, middle.
    module Line3
      NODES = Numo::DFloat[[-1], [1], [0]]

      module_function

      def values(points)
        x = points[true, 0]
        Numo::DFloat.vstack([x * (x - 1) / 2, x * (x + 1) / 2, 1 - (x**2)]).transpose.dup
      end

      def gradients(points)
        x = points[true, 0]
        Numo::DFloat.vstack([x - 0.5, x + 0.5, x * -2]).transpose.dup.reshape(points.shape[0], 3, 1)
      end

      KIND = Kind.new(:line3, shape: self, dimension: 1, nodes: 3, corners: 2, vtk: 21, stiffness_rule: Rule.gauss(3, 1), stress_rule: Rule.gauss(2, 1),
                              corner_frames: [], edges: [[0, 1, 2]], linear: :line2)
    end
  end
end
