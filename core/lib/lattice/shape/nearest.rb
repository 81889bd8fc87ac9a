# frozen_string_literal: true

module Lattice
  module Shape
    # The least distance between points, lines and surfaces made of triangles: points
    # against the inside of triangles, and segments against segments.
    # C. Ericson, Real-Time Collision Detection, 2005, 5.1.9.
    class Nearest
      AT_ONCE = 500_000

      # Points [p, 3], segments [s, 2, 3] (a point is one without length), triangles [t, 3, 3].
      Figure = Struct.new(:points, :segments, :triangles)

      # @return [Float] m
      def self.distance(one, other) = new.distance(one, other)

      def distance(one, other)
        @least = Float::INFINITY
        inside(one.points, other.triangles)
        inside(other.points, one.triangles)
        across(one.segments, other.segments)
        @least
      end

      private

      def blocks(rows, columns)
        return if rows.zero? || columns.zero?

        step = [AT_ONCE / columns, 1].max
        (0...rows).step(step) { |first| yield first...[first + step, rows].min }
      end

      def keep(distances) = distances.empty? ? nil : @least = [@least, distances.min].min

      # Distances of points from the planes of triangles that they lie over.
      def inside(points, triangles)
        blocks(points.shape[0], triangles.shape[0]) do |range|
          p = points[range, true].reshape(range.size, 1, 3)
          a, b, c = (0..2).map { |k| triangles[true, k, true].reshape(1, triangles.shape[0], 3) }
          u = b - a
          v = c - a
          w = p - a
          s, t = Barycentric.shares(u, v, w)
          over = ((s >= 0) & (t >= 0) & (s + t <= 1)).where
          next if over.empty?

          away = w - (u * s.expand_dims(-1)) - (v * t.expand_dims(-1))
          keep(Numo::NMath.sqrt(dot(away, away)).flatten[over].dup)
        end
      end

      def across(one, other)
        blocks(one.shape[0], other.shape[0]) do |range|
          p = one[range, 0, true].reshape(range.size, 1, 3)
          d = one[range, 1, true].reshape(range.size, 1, 3) - p
          q = other[true, 0, true].reshape(1, other.shape[0], 3)
          e = other[true, 1, true].reshape(1, other.shape[0], 3) - q
          keep(segment_distances(p, d, q, e))
        end
      end

      def segment_distances(p, d, q, e)
        r = p - q
        a = dot(d, d)
        b = dot(d, e)
        c = dot(d, r)
        f = dot(e, e)
        g = dot(e, r)
        det = (a * f) - (b * b)
        s = share((b * g) - (c * f), det)
        t = share((b * s) + g, f)
        s = share((b * t) - c, a)
        away = r + (d * s.expand_dims(-1)) - (e * t.expand_dims(-1))
        Numo::NMath.sqrt(dot(away, away))
      end

      # A quotient between 0 and 1; 0 where there is nothing to divide by.
      def share(top, bottom)
        none = bottom <= 1e-30
        ((top + (Numo::DFloat.cast(none) * 0)) / (bottom + Numo::DFloat.cast(none))).clip(0, 1) * (1 - Numo::DFloat.cast(none))
      end

      def dot(a, b) = (a * b).sum(-1)
    end
  end
end
