# frozen_string_literal: true

module Lattice
  module Shape
    # An edge of a body: the points it runs through, the faces that meet there (indices),
    # and its curve: line, arc, circle or curve, with centre, axis and radius where round.
    Edge = Struct.new(:name, :nodes, :closed, :faces, :curve, :centre, :axis, :radius, keyword_init: true) do
      # @return [Edge] with its curve recognised
      def self.of(name, nodes, points, faces)
        nodes = nodes[0...-1] if (closed = nodes.size > 2 && nodes.first == nodes.last)
        new(name: name, nodes: nodes, closed: closed, faces: faces).tap { |edge| edge.recognise(points[nodes, true]) }
      end

      # @return [Array<Integer>] the nodes, the first again at the end when closed
      def run = closed ? [*nodes, nodes.first] : nodes

      # @param points [Numo::DFloat] [n, 3] those of its nodes
      def recognise(points)
        self.curve = straight?(points) ? "line" : "curve"
        # Three or four points lie on some circle too easily.
        return if curve == "line" || nodes.size < (closed ? 6 : 5)

        circle = Circle.through(points) or return
        self.centre, self.axis, self.radius = circle
        self.curve = closed ? "circle" : "arc"
      end

      # @param points [Numo::DFloat] all points of the body
      # @return [Float] m; along the true curve where it is known
      def length(points)
        steps = Vectors.norm(points[run[1..], true] - points[run[0...-1], true])
        return steps.sum unless radius

        (Numo::NMath.asin((steps / (2 * radius)).clip(0, 1)) * 2 * radius).sum
      end

      private

      def straight?(points)
        return false if closed
        return true if points.shape[0] == 2

        from = points[0, true]
        chord = points[-1, true] - from
        length = Math.sqrt((chord**2).sum)
        return false if length.zero?

        off = points - from
        along = off.dot(chord) / length
        ((Vectors.dot(off, off) - (along**2)).max / (length**2)) < Circle::OFF**2
      end
    end
  end
end
