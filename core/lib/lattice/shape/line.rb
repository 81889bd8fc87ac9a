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

      # Contributions to [area, first moments x and y], by Green's theorem about the origin.
      def moments
        cross = (from[0] * to[1]) - (to[0] * from[1])
        [cross / 2, (from[0] + to[0]) * cross / 6, (from[1] + to[1]) * cross / 6]
      end

      def signature = ["line", *from, *to]
    end
  end
end
