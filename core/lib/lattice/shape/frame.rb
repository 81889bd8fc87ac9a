# frozen_string_literal: true

module Lattice
  module Shape
    # A place and turn in space: an origin and three unit axes, right-handed.
    class Frame
      attr_reader :origin, :axes

      # Axes of the plane an outline is drawn in: its x, its y and its normal.
      PLANES = { "xy" => [[1.0, 0.0, 0.0], [0.0, 1.0, 0.0], [0.0, 0.0, 1.0]],
                 "yz" => [[0.0, 1.0, 0.0], [0.0, 0.0, 1.0], [1.0, 0.0, 0.0]],
                 "xz" => [[1.0, 0.0, 0.0], [0.0, 0.0, 1.0], [0.0, -1.0, 0.0]] }.freeze

      # @param origin [Array<Float>] m
      # @param axes [Array<Array<Float>>] the images of x, y and z
      def initialize(origin = [0.0, 0.0, 0.0], axes = PLANES["xy"])
        @origin = origin
        @axes = axes
        freeze
      end

      # @param turn [Float] rad about the plane's normal
      def self.on(plane, origin = [0.0, 0.0, 0.0], turn = 0.0)
        u, v, n = PLANES.fetch(plane)
        c = Math.cos(turn)
        s = Math.sin(turn)
        new(origin, [(0..2).map { |k| (u[k] * c) + (v[k] * s) }, (0..2).map { |k| (v[k] * c) - (u[k] * s) }, n])
      end

      # The frame that turns space by an angle about a line.
      def self.turning(point, axis, angle)
        image = ->(v) { rotate(v, axis, angle) }
        axes = PLANES["xy"].map(&image)
        new(Vectors.minus3(point, image.call(point)), axes)
      end

      # Rodrigues' formula.
      def self.rotate(vector, axis, angle)
        c = Math.cos(angle)
        s = Math.sin(angle)
        cross = Vectors.cross3(axis, vector)
        along = Vectors.dot3(axis, vector) * (1 - c)
        (0..2).map { |k| (vector[k] * c) + (cross[k] * s) + (axis[k] * along) }
      end

      # The frame that mirrors space in a plane (left-handed).
      def self.mirror(point, normal)
        axes = PLANES["xy"].map { |e| Vectors.plus3(e, normal, -2 * Vectors.dot3(e, normal)) }
        new(Vectors.plus3([0.0, 0.0, 0.0], normal, 2 * Vectors.dot3(point, normal)), axes)
      end

      def plain? = origin.all?(&:zero?) && axes == PLANES["xy"]
      def left_handed? = Vectors.dot3(Vectors.cross3(axes[0], axes[1]), axes[2]).negative?

      # @param points [Numo::DFloat] [n, 3]
      # @return [Numo::DFloat] [n, 3]
      def apply(points)
        plain? || points.empty? ? points : points.dot(Numo::DFloat.cast(axes)) + Numo::DFloat[*origin]
      end

      # @param points [Numo::DFloat] [n, 3] in space
      # @return [Numo::DFloat] [n, 3] in this frame
      def back(points) = (points - Numo::DFloat[*origin]).dot(Numo::DFloat.cast(axes).transpose)

      def point(at) = Vectors.plus3(vector(at), origin)
      def vector(along) = (0..2).map { |k| (0..2).sum { |i| along[i] * axes[i][k] } }
      def signature = [origin, axes]
    end
  end
end
