# frozen_string_literal: true

module Lattice
  module Element
    # Two-node line on [-1, 1].
    module Line2
      NODES = Line3::NODES[0..1, true].dup

      module_function

      def values(points) = Numo::DFloat.vstack([(1 - points[true, 0]) / 2, (points[true, 0] + 1) / 2]).transpose.dup
      def gradients(points) = Numo::DFloat.zeros(points.shape[0], 2, 1) + Numo::DFloat[[[-0.5], [0.5]]]

      KIND = Kind.new(:line2, shape: self, dimension: 1, nodes: 2, corners: 2, vtk: 3, stiffness_rule: Rule.gauss(2, 1), stress_rule: Rule.gauss(1, 1),
                              corner_frames: [], edges: [[0, 1]])
    end
  end
end
