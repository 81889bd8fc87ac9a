# frozen_string_literal: true

module Lattice
  module Element
    # Twenty-node brick.
    module Hex20
      extend Serendipity

      CORNERS = [[-1, -1, -1], [1, -1, -1], [1, 1, -1], [-1, 1, -1], [-1, -1, 1], [1, -1, 1], [1, 1, 1], [-1, 1, 1]].freeze
      EDGES = [[0, 1, 8], [1, 2, 9], [2, 3, 10], [3, 0, 11], [4, 5, 12], [5, 6, 13], [6, 7, 14], [7, 4, 15],
               [0, 4, 16], [1, 5, 17], [2, 6, 18], [3, 7, 19]].freeze
      NODES = Numo::DFloat.cast(CORNERS + EDGES.map { |a, b, _| CORNERS[a].zip(CORNERS[b]).map { |p, q| (p + q) / 2 } })
      KIND = Kind.new(:hex20, shape: self, dimension: 3, nodes: 20, corners: 8, vtk: 25,
                              stiffness_rule: Rule.irons, stress_rule: Rule.gauss(2, 3), edges: EDGES,
                              corner_frames: [[0, 1, 3, 4], [1, 2, 0, 5], [2, 3, 1, 6], [3, 0, 2, 7],
                                              [4, 7, 5, 0], [5, 4, 6, 1], [6, 5, 7, 2], [7, 6, 4, 3]],
                              faces: [[0, 3, 2, 1], [4, 5, 6, 7], [0, 1, 5, 4], [1, 2, 6, 5], [2, 3, 7, 6], [3, 0, 4, 7]], linear: :hex8)
    end
  end
end
