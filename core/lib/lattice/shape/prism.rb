# frozen_string_literal: true

module Lattice
  module Shape
    # How a body was extruded, or a plane region laid out: what a swept mesh is made from,
    # and what gives its edges and points their names.
    Prism = Struct.new(:outline, :thickness, :frame) do
      def signature = [outline.signature, thickness, frame.signature]

      # @return [Prism, nil] moved; nil when the frame mirrors, which extruding cannot
      def moved(by)
        by.left_handed? ? nil : Prism.new(outline, thickness, Frame.new(by.point(frame.origin), frame.axes.map { |axis| by.vector(axis) }))
      end

      # @param edge [Edge]
      # @param points [Numo::DFloat] [n, 3] of the body
      # @return [String, nil] "side 1 at top", "upright at side 2"
      def edge_name(edge, points, faces)
        ends = local([points[edge.nodes.first, true].to_a, points[edge.nodes.last, true].to_a])
        levels = ends.map { |p| level(p[2]) }.uniq
        return "upright at #{start_at(ends[0])}" if levels.size > 1 && start_at(ends[0])
        return nil if levels.size > 1

        wall = faces.find { |name| !%w[bottom top].include?(name) }
        wall && "#{wall} at #{levels[0]}"
      end

      # @return [String, nil] "start of side 1 at bottom"
      def point_name(point, solid:)
        at = local([point])[0]
        side = start_at(at) or return nil
        solid ? "start of #{side} at #{level(at[2])}" : "start of #{side}"
      end

      private

      def level(z) = (z / thickness) < 0.5 ? "bottom" : "top"

      def local(points)
        points.map do |p|
          from = Vectors.minus3(p, frame.origin)
          frame.axes.map { |axis| Vectors.dot3(from, axis) }
        end
      end

      def start_at(at)
        near = outline.size * 1e-6
        outline.segments.reject(&:closed?).find { |s| Math.hypot(s.from[0] - at[0], s.from[1] - at[1]) < near }&.key
      end
    end
  end
end
