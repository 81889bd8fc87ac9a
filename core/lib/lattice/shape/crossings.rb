# frozen_string_literal: true

module Lattice
  module Shape
    # Where triangles of a surface, or of several, pass through each other: sides of some
    # that go through others with which they share no point.
    class Crossings
      V = Vectors
      NEAR = 1e-6 # of the surface: what only touches does not cross

      # @param points [Numo::DFloat] [n, 3]
      # @param triangles [Numo::Int32] [t, 3]
      def initialize(points, triangles)
        @points = points
        @triangles = triangles
        @near = V.norm((points.max(0) - points.min(0)).reshape(1, 3))[0] * NEAR
      end

      # @param groups [Numo::Int32, nil] [t] when given, only triangles of different groups are held against each other
      # @param depth [Float] m, by which the shorter end of a side must reach through
      # @return [Array(Numo::DFloat, Numo::Int32, Numo::Int32)] places [k, 3], the triangle
      #   whose side passes through, and the one that is passed through
      def call(groups = nil, depth: 0.0)
        @depth = [depth, @near].max
        corners = (0..2).map { |k| @points[@triangles[true, k].dup, true] }
        boxes = %i[minimum maximum].map { |m| corners.reduce { |a, b| Numo::DFloat.public_send(m, a, b) } }
        one, other = Algebra::Boxes.near(boxes, boxes, (boxes[1] - boxes[0]).mean * 2)
        keep = apart(one, other, boxes)
        keep &= groups[one].ne(groups[other]) if groups && !one.empty?
        rows = keep.where
        return [Numo::DFloat.zeros(0, 3), Numo::Int32.zeros(0), Numo::Int32.zeros(0)] if rows.empty?

        one = one[rows].dup
        other = other[rows].dup
        found = [[0, 1], [1, 2], [2, 0]].map { |i, j| pierced(corners[i][one, true], corners[j][one, true], corners.map { |c| c[other, true] }) }
        gathered(found, one, other)
      end

      private

      # Pairs whose boxes meet and that have no point in common.
      def apart(one, other, boxes)
        return Numo::Bit.zeros(1) if one.empty?

        near = (0..2).map { |k| (boxes[0][one, k] <= boxes[1][other, k]) & (boxes[0][other, k] <= boxes[1][one, k]) }.reduce(:&)
        mine = @triangles[one, true]
        shared = (0..2).map { |k| mine.eq(@triangles[other, k].reshape(other.size, 1)).any?(1) }.reduce(:|)
        near & ~shared
      end

      # @return [Array(Numo::Bit, Numo::DFloat)] which sides pass through, and where
      def pierced(from, to, triangle)
        a, b, c = triangle
        normal = V.cross(b - a, c - a)
        unit = V.unit(normal)
        before = V.dot(from - a, unit)
        after = V.dot(to - a, unit)
        through = ((before > @depth) & (after < -@depth)) | ((before < -@depth) & (after > @depth))
        place = from + V.times(to - from, before / (before - after + (before - after).eq(0)))
        inside = [[a, b], [b, c], [c, a]].map { |p, q| V.dot(V.cross(q - p, place - p), unit) > V.norm(q - p) * @near }.reduce(:&)
        [through & inside, place]
      end

      def gathered(found, one, other)
        rows = found.map { |mask, _| mask.where }
        places = found.zip(rows).reject { |_, r| r.empty? }.map { |(_, place), r| place[r, true].dup }
        return [Numo::DFloat.zeros(0, 3), Numo::Int32.zeros(0), Numo::Int32.zeros(0)] if places.empty?

        at = rows.reject(&:empty?).reduce { |a, b| a.concatenate(b) }
        [Numo::DFloat.vstack(places), one[at].dup, other[at].dup]
      end
    end
  end
end
