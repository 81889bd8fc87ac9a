# frozen_string_literal: true

module Lattice
  module Element
    # What is known of an element's kind: shape functions, integration points,
    # sides and drawing. Node order is that of the VTK file format.
    class Kind
      attr_reader :name, :dimension, :nodes, :corners, :vtk, :stiffness_rule, :stress_rule, :corner_frames,
                  :ideal_corner, :edges, :faces, :linear

      # @param shape [Module] answers values(xi) => [g, n] and gradients(xi) => [g, n, dimension]
      # @param corner_frames [Array] a corner and the corners its sides lead to
      # @param edges [Array] two corners and, of quadratic kinds, the node between them
      # @param faces [Array] corners of the faces of solids, seen from outside
      # @param linear [Symbol, nil] the kind with the corners alone
      def initialize(name, shape:, dimension:, nodes:, corners:, vtk:, stiffness_rule:, stress_rule:, corner_frames:,
                     edges:, ideal_corner: 1.0, faces: [], linear: nil)
        @name = name
        @shape = shape
        @dimension = dimension
        @nodes = nodes
        @corners = corners
        @vtk = vtk
        @stiffness_rule = stiffness_rule
        @stress_rule = stress_rule
        @corner_frames = corner_frames
        @ideal_corner = ideal_corner
        @edges = edges
        @faces = faces
        @linear = linear
      end

      # Where flow is looked at: quadratic triangles are too stiff in flow at all of their points.
      # J. C. Nagtegaal, D. M. Parks, J. R. Rice, On numerically accurate finite element solutions in the fully plastic range, 1974.
      # @return [Rule]
      def flow_rule = name == :tri6 ? stress_rule : stiffness_rule

      # @return [Numo::DFloat] [nodes, dimension] on the reference element
      def nodes_at = @shape::NODES
      def quadratic? = nodes > corners

      def values(points) = @shape.values(points)
      def gradients(points) = @shape.gradients(points)

      # Fits a linear (bilinear, trilinear) field to values at the stress points and
      # reads it at the nodes. E. Hinton, J. S. Campbell, Local and global smoothing
      # of discontinuous finite element functions, 1974.
      #
      # @return [Numo::DFloat] [nodes, stress points]
      def extrapolation(rule = stress_rule)
        (@extrapolation ||= {}.compare_by_identity)[rule] ||= begin
          at_points = @shape.linear_terms(rule.points)
          at_nodes = @shape.linear_terms(@shape::NODES)
          at_nodes.dot(Numo::Linalg.pinv(at_points))
        end
      end

      def self.[](name) = registry.fetch(name.to_sym)

      def self.registry
        @registry ||= [Quad8, Quad4, Tri6, Tri3, Hex20, Hex8, Wedge15, Wedge6, Tet10, Tet4, Line3, Line2].map { |shape| shape::KIND }.to_h { |kind| [kind.name, kind] }
      end
    end
  end
end
