# frozen_string_literal: true

module Lattice
  module Element
    # What is known of an element's kind: shape functions, integration points,
    # sides and drawing. Node order is that of the VTK file format.
    class Kind
      attr_reader :name, :dimension, :nodes, :corners, :vtk, :stiffness_rule, :stress_rule, :corner_frames,
                  :ideal_corner, :edges

      # @param shape [Module] answers values(xi) => [g, n] and gradients(xi) => [g, n, dimension]
      # @param corner_frames [Array] a corner and the corners its sides lead to
      def initialize(name, shape:, dimension:, nodes:, corners:, vtk:, stiffness_rule:, stress_rule:, corner_frames:,
                     edges:, ideal_corner: 1.0)
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
      end

      def values(points) = @shape.values(points)
      def gradients(points) = @shape.gradients(points)

      # Fits a linear (bilinear, trilinear) field to values at the stress points and
      # reads it at the nodes. E. Hinton, J. S. Campbell, Local and global smoothing
      # of discontinuous finite element functions, 1974.
      #
      # @return [Numo::DFloat] [nodes, stress points]
      def extrapolation
        @extrapolation ||= begin
          at_points = @shape.linear_terms(stress_rule.points)
          at_nodes = @shape.linear_terms(@shape::NODES)
          at_nodes.dot(Numo::Linalg.pinv(at_points))
        end
      end

      def self.[](name) = registry.fetch(name.to_sym)

      def self.registry
        @registry ||= [Quad8::KIND, Tri6::KIND, Hex20::KIND, Wedge15::KIND].to_h { |kind| [kind.name, kind] }
      end
    end
  end
end
