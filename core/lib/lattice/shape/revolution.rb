# frozen_string_literal: true

module Lattice
  module Shape
    # How a body was revolved: an outline about the y axis of its frame, by an angle in rad.
    Revolution = Struct.new(:outline, :angle, :frame) do
      def full? = (angle.abs - (2 * Math::PI)).abs < 1e-9

      # Whether the outline keeps off the axis.
      def hollow? = outline.bounds[0][0] > 1e-9 * outline.size

      # @return [Float] m, of the point farthest from the axis
      def radius = outline.bounds[1][0]

      # @param points [Numo::DFloat] [n, 2] of the outline's plane
      # @param turn [Float] rad
      # @return [Numo::DFloat] [n, 3] in space
      def turned(points, turn)
        flat = Planar.lifted(points)
        radius = flat[true, 0].dup
        flat[true, 0] = radius * Math.cos(turn)
        flat[true, 2] = radius * -Math.sin(turn)
        frame.apply(flat)
      end

      # @return [Revolution, nil] moved; nil when the frame mirrors
      def moved(by)
        by.left_handed? ? nil : Revolution.new(outline, angle, Frame.new(by.point(frame.origin), frame.axes.map { |axis| by.vector(axis) }))
      end
    end
  end
end
