# frozen_string_literal: true

module Lattice
  module Element
    # Four-node quadrilateral.
    module Quad4
      extend Multilinear

      NODES = Quad8::NODES[0..3, true].dup
      KIND = Kind.new(:quad4, shape: self, dimension: 2, nodes: 4, corners: 4, vtk: 9,
                              stiffness_rule: Rule.gauss(2, 2), stress_rule: Rule.gauss(2, 2),
                              corner_frames: Quad8::KIND.corner_frames, edges: Quad8::KIND.edges.map { |e| e[0..1] })
    end
  end
end
