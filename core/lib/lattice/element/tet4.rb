# frozen_string_literal: true

module Lattice
  module Element
    # Four-node tetrahedron on the origin and the three unit points.
    module Tet4
      NODES = Tet10::NODES[0..3, true].dup

      module_function

      def values(points) = Numo::DFloat.vstack(Tet10.volume_coordinates(points)).transpose.dup
      def gradients(points) = Numo::DFloat.zeros(points.shape[0], 4, 3) + Numo::DFloat.cast([Tet10::SLOPES])
      def linear_terms(points) = Tet10.linear_terms(points)

      KIND = Kind.new(:tet4, shape: self, dimension: 3, nodes: 4, corners: 4, vtk: 10,
                             stiffness_rule: Rule.tetrahedron(4), stress_rule: Rule.tetrahedron(4), edges: Tet10::EDGES.map { |e| e[0..1] },
                             corner_frames: Tet10::KIND.corner_frames, ideal_corner: Math.sqrt(0.5), faces: Tet10::KIND.faces)
    end
  end
end
