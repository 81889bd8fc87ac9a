# frozen_string_literal: true

module Lattice
  module Element
    # Eight-node quadrilateral.
    module Quad8
      extend Serendipity

      NODES = Numo::DFloat[[-1, -1], [1, -1], [1, 1], [-1, 1], [0, -1], [1, 0], [0, 1], [-1, 0]]
      KIND = Kind.new(:quad8, shape: self, dimension: 2, nodes: 8, corners: 4, vtk: 23,
                              stiffness_rule: Rule.gauss(3, 2), stress_rule: Rule.gauss(2, 2),
                              corner_frames: [[0, 1, 3], [1, 2, 0], [2, 3, 1], [3, 0, 2]],
                              edges: [[0, 1, 4], [1, 2, 5], [2, 3, 6], [3, 0, 7]], linear: :quad4)
    end
  end
end
