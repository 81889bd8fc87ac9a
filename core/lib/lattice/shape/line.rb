# frozen_string_literal: true

module Lattice
  module Shape
    # A straight side of an outline, from +from+ to +to+ ([x, y] in m).
    Line = Struct.new(:from, :to, :key) do
      def length = Math.hypot(to[0] - from[0], to[1] - from[1])
      def radius = Float::INFINITY
      def closed? = false
      def reverse = Line.new(to, from, key)

      # @param params [Numo::DFloat] [n], 0 at +from+, 1 at +to+
      # @return [Numo::DFloat] [n, 2]
      def points(params)
        Numo::DFloat[*from] + (params.reshape(params.size, 1) * Numo::DFloat[to[0] - from[0], to[1] - from[1]])
      end

      # Contributions to [area, first moments x and y], by the same integrals as on arcs:
      # only then do they add up round a loop of both (see Arc#moments).
      def moments
        (ax, ay), (bx, by) = from, to
        [((ax * by) - (bx * ay)) / 2, (by - ay) * ((ax * ax) + (ax * bx) + (bx * bx)) / 6, (ax - bx) * ((ay * ay) + (ay * by) + (by * by)) / 6]
      end

      def signature = ["line", *from, *to]
    end
  end
end
