# frozen_string_literal: true

module Lattice
  module Element
    # Six-node wedge: the triangle of Tri3 times [-1, 1].
    module Wedge6
      NODES = Wedge15::NODES[0..5, true].dup

      module_function

      def values(points)
        l, z = Wedge15.coordinates(points)
        Numo::DFloat.vstack([-1, 1].flat_map { |s| l.map { |a| a * ((z * s) + 1) / 2 } }).transpose.dup
      end

      def gradients(points)
        l, z = Wedge15.coordinates(points)
        Numo::DFloat.zeros(points.shape[0], 6, 3).tap do |result|
          6.times do |n|
            s = n < 3 ? -1 : 1
            2.times { |k| result[true, n, k] = ((z * s) + 1) * (Wedge15::SLOPES[n % 3][k] / 2) }
            result[true, n, 2] = l[n % 3] * (s / 2.0)
          end
        end
      end

      def linear_terms(points) = Wedge15.linear_terms(points)

      KIND = Kind.new(:wedge6, shape: self, dimension: 3, nodes: 6, corners: 6, vtk: 13,
                               stiffness_rule: Rule.prism(3, 2), stress_rule: Rule.prism(3, 2), edges: Wedge15::EDGES.map { |e| e[0..1] },
                               corner_frames: Wedge15::KIND.corner_frames, ideal_corner: Math.sqrt(0.75), faces: Wedge15::KIND.faces)
    end
  end
end
