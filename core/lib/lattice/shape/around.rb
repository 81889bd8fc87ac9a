# frozen_string_literal: true

module Lattice
  module Shape
    # Directions around an axis: away from it, about it, and along it.
    class Around
      V = Vectors

      # @param axis [Numo::DFloat] [3] a unit
      # @param through [Numo::DFloat] [3] a point on it, m
      def initialize(axis, through = Numo::DFloat.zeros(3))
        @axis = axis
        @through = through
      end

      # @param points [Numo::DFloat] [k, 3]
      # @param component [Integer] 0 away, 1 about, 2 along
      # @return [Numo::DFloat] [k, 3] units; on the axis itself away is one direction across it
      def directions(points, component)
        return along(points.shape[0]) if component == 2

        away = away(points)
        component.zero? ? away : V.cross(along(points.shape[0]), away)
      end

      private

      def along(count) = Numo::DFloat.zeros(count, 3) + @axis.reshape(1, 3)

      def away(points)
        arms = points - @through.reshape(1, 3)
        away = arms - (arms.dot(@axis).reshape(points.shape[0], 1) * @axis.reshape(1, 3))
        on_axis = (V.norm(away) < 1e-9 * [arms.abs.max, 1e-12].max).where
        away[on_axis, true] = Numo::DFloat.zeros(on_axis.size, 3) + Numo::DFloat.cast(V.across(@axis.to_a)[0]).reshape(1, 3) unless on_axis.empty?
        V.unit(away)
      end
    end
  end
end
