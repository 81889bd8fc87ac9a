# frozen_string_literal: true

module Lattice
  module Element
    # Eight-node brick.
    module Hex8
      extend Multilinear

      NODES = Hex20::NODES[0..7, true].dup
      KIND = Kind.new(:hex8, shape: self, dimension: 3, nodes: 8, corners: 8, vtk: 12,
                             stiffness_rule: Rule.gauss(2, 3), stress_rule: Rule.gauss(2, 3),
                             corner_frames: Hex20::KIND.corner_frames, edges: Hex20::KIND.edges.map { |e| e[0..1] }, faces: Hex20::KIND.faces)
    end
  end
end
