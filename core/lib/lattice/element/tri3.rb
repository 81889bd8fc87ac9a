# frozen_string_literal: true

module Lattice
  module Element
    # Three-node triangle on (0,0) (1,0) (0,1).
    module Tri3
      NODES = Tri6::NODES[0..2, true].dup

      module_function

      def values(points) = Numo::DFloat.vstack(Tri6.area_coordinates(points)).transpose.dup

      def gradients(points)
        Numo::DFloat.zeros(points.shape[0], 3, 2) + Numo::DFloat[[[-1, -1], [1, 0], [0, 1]]]
      end

      def linear_terms(points) = Tri6.linear_terms(points)

      KIND = Kind.new(:tri3, shape: self, dimension: 2, nodes: 3, corners: 3, vtk: 5,
                             stiffness_rule: Rule.triangle(3), stress_rule: Rule.triangle(3), edges: Tri6::EDGES.map { |e| e[0..1] },
                             corner_frames: Tri6::KIND.corner_frames, ideal_corner: Math.sqrt(0.75))
    end
  end
end
