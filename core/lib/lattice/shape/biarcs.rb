# frozen_string_literal: true

module Lattice
  module Shape
    # Smooth curves as arcs that meet in one tangent: pairs of arcs between points of the curve, halved until they lie within a
    # tolerance of it. K. M. Bolton, Biarc curves, 1975.
    class Biarcs
      NEAR = 4e-4 # of the least half axis, or of half the extent
      MOST = 6    # halvings of each part
      CHECKED = [0.2, 0.4, 0.6, 0.8].freeze

      # @param curve [Proc] parameter => [point, unit tangent]
      # @param knots [Array<Float>] parameters between which it is laid
      # @param size [Float] m, against which the tolerance counts
      # @param key [String] names the pieces: "side 3", "side 3 part 2"
      # @return [Array<Line, Arc>]
      def self.call(curve, knots, size, key)
        pieces = knots.each_cons(2).flat_map { |a, b| new(curve, size * NEAR).between(a, b, MOST) }
        pieces.each_with_index { |piece, i| piece.key = i.zero? ? key : "#{key} part #{i + 1}" }
      end

      # A cubic through points whose bending is least: natural at its ends, over chords.
      # @param points [Array] [x, y]
      # @return [Array<Line, Arc>]
      def self.spline(points, key)
        at = points.each_cons(2).reduce([0.0]) { |list, (a, b)| list << (list[-1] + Math.hypot(b[0] - a[0], b[1] - a[1])) }
        bends = (0..1).map { |k| curvature(at, points.map { |p| p[k] }) }
        size = (0..1).map { |k| points.map { |p| p[k] }.minmax.reduce(:-).abs }.max
        call(->(u) { on_spline(at, points, bends, u) }, at, size / 2, key)
      end

      # Second derivatives at the points.
      def self.curvature(at, values)
        n = at.size
        return [0.0] * n if n < 3

        matrix = Numo::DFloat.eye(n)
        right = Numo::DFloat.zeros(n)
        (1...(n - 1)).each do |i|
          h = at[i] - at[i - 1]
          g = at[i + 1] - at[i]
          matrix[i, (i - 1)..(i + 1)] = [h, 2 * (h + g), g]
          right[i] = 6 * (((values[i + 1] - values[i]) / g) - ((values[i] - values[i - 1]) / h))
        end
        Numo::Linalg.solve(matrix, right).to_a
      end

      def self.on_spline(at, points, bends, param)
        i = (0...(at.size - 2)).find { |k| param <= at[k + 1] } || (at.size - 2)
        h = at[i + 1] - at[i]
        a = (at[i + 1] - param) / h
        b = 1 - a
        rows = (0..1).map do |k|
          m = bends[k]
          [(a * points[i][k]) + (b * points[i + 1][k]) + (((((a**3) - a) * m[i]) + (((b**3) - b) * m[i + 1])) * h * h / 6),
           ((points[i + 1][k] - points[i][k]) / h) + (((((3 * b * b) - 1) * m[i + 1]) - (((3 * a * a) - 1) * m[i])) * h / 6)]
        end
        speed = Math.hypot(rows[0][1], rows[1][1])
        [rows.map(&:first), rows.map { |_, slope| slope / speed }]
      end

      # @param curve [Proc]
      # @param near [Float] m
      def initialize(curve, near)
        @curve = curve
        @near = near
      end

      # @return [Array<Line, Arc>]
      def between(from, to, halvings)
        pair = biarc(@curve.call(from), @curve.call(to))
        return pair if halvings.zero? || CHECKED.all? { |s| pair.map { |piece| off(piece, @curve.call(from + ((to - from) * s))[0]) }.min <= @near }

        middle = (from + to) / 2
        between(from, middle, halvings - 1) + between(middle, to, halvings - 1)
      end

      private

      # Both arcs take the same length along the tangents.
      def biarc(start, finish)
        (p, t), (q, s) = start, finish
        v = [q[0] - p[0], q[1] - p[1]]
        along = dot(v, [t[0] + s[0], t[1] + s[1]])
        square = dot(v, v)
        lean = 2 * (1 - dot(t, s))
        d = lean < 1e-12 ? square / (2 * along) : (-along + Math.sqrt((along**2) + (lean * square))) / lean
        meet = (0..1).map { |k| (p[k] + q[k] + ((t[k] - s[k]) * d)) / 2 }
        [arc(p, t, meet), arc(q, [-s[0], -s[1]], meet).reverse]
      end

      def dot(a, b) = (a[0] * b[0]) + (a[1] * b[1])

      # From a point along a tangent to another.
      def arc(from, tangent, to)
        w = [to[0] - from[0], to[1] - from[1]]
        normal = [-tangent[1], tangent[0]]
        lift = dot(w, normal)
        square = dot(w, w)
        return Line.new(from, to, "") if lift.abs < 1e-7 * Math.sqrt(square)

        radius = square / (2 * lift)
        centre = (0..1).map { |k| from[k] + (normal[k] * radius) }
        start = Math.atan2(from[1] - centre[1], from[0] - centre[0])
        turn = 2 * Math.atan2(lift, dot(w, tangent))
        Arc.new(centre, radius.abs, start, turn, "")
      end

      def off(piece, point)
        return (Math.hypot(point[0] - piece.centre[0], point[1] - piece.centre[1]) - piece.radius).abs if piece.is_a?(Arc)

        w = [piece.to[0] - piece.from[0], piece.to[1] - piece.from[1]]
        (((point[0] - piece.from[0]) * w[1]) - ((point[1] - piece.from[1]) * w[0])).abs / Math.hypot(*w)
      end
    end
  end
end
