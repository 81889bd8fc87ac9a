# frozen_string_literal: true

module Lattice
  module Algebra
    # Convex polygons of the plane cut by convex polygons, many pairs at once.
    # I. E. Sutherland, G. W. Hodgman, Reentrant polygon clipping, 1974.
    module Clipping
      module_function

      # @param subject [Numo::DFloat] [k, v, 2]
      # @param clip [Numo::DFloat] [k, c, 2] counter-clockwise
      # @return [Array(Numo::DFloat, Numo::Int32)] corners [k, v + 2c, 2] and how many of them count [k]
      def call(subject, clip)
        counts = Numo::Int32.zeros(subject.shape[0]).fill(subject.shape[1])
        c = clip.shape[1]
        (0...c).reduce([subject, counts]) { |(points, count), e| cut(points, count, clip[true, e, true].dup, clip[true, (e + 1) % c, true].dup) }
      end

      # Fans of triangles from the first corner.
      # @return [Array(Numo::Int32, Numo::DFloat)] the polygon of each triangle, and corners [t, 3, 2]
      def fans(points, counts)
        rows, rank = Lists.laid((counts - 2).clip(0, nil))
        return [rows, Numo::DFloat.zeros(0, 3, 2)] if rows.empty?

        v = points.shape[1]
        flat = points.reshape(points.shape[0] * v, 2)
        corners = Numo::DFloat.zeros(rows.size, 3, 2)
        [0, rank + 1, rank + 2].each_with_index { |step, k| corners[true, k, true] = flat[(rows * v) + step, true] }
        [rows, corners]
      end

      # @return [Numo::DFloat] [t] twice the signed area
      def twice_area(triangles)
        a, b, c = (0..2).map { |k| triangles[true, k, true] }
        ((b[true, 0] - a[true, 0]) * (c[true, 1] - a[true, 1])) - ((b[true, 1] - a[true, 1]) * (c[true, 0] - a[true, 0]))
      end

      # What lies to the left of the line from a to b stays.
      def cut(points, counts, from, to)
        k, v, = points.shape
        d = side(points, from, to)
        rank = Numo::Int32.zeros(k, v) + Numo::Int32.new(v).seq.reshape(1, v)
        counted = rank < counts.reshape(k, 1)
        following = (rank + 1) * Numo::Int32.cast((rank + 1) < counts.reshape(k, 1))
        following = (following + (Numo::Int32.new(k).seq * v).reshape(k, 1)).flatten
        ahead = d.flatten[following].reshape(k, v)
        within = d >= 0
        keeps = Numo::Int32.cast(counted & within)
        crosses = Numo::Int32.cast(counted & (within ^ (ahead >= 0)))
        place(points, following, [d, ahead], keeps, crosses)
      end

      def side(points, from, to)
        along = (to - from).reshape(from.shape[0], 1, 2)
        rel = points - from.reshape(from.shape[0], 1, 2)
        (along[true, true, 0] * rel[true, true, 1]) - (along[true, true, 1] * rel[true, true, 0])
      end

      def place(points, following, sides, keeps, crosses)
        k, v, = points.shape
        w = v + 1
        emitted = keeps + crosses
        first = emitted.cumsum(axis: 1) - emitted + (Numo::Int32.new(k).seq * w).reshape(k, 1)
        flat = points.reshape(k * v, 2)
        result = Numo::DFloat.zeros(k * w, 2)
        kept = keeps.flatten.ne(0).where
        result[first.flatten[kept], true] = flat[kept, true] unless kept.empty?
        crossed = crosses.flatten.ne(0).where
        unless crossed.empty?
          d, ahead = sides.map { |s| s.flatten[crossed] }
          share = (d / (d - ahead)).reshape(crossed.size, 1)
          result[(first + keeps).flatten[crossed], true] = flat[crossed, true] + ((flat[following[crossed], true] - flat[crossed, true]) * share)
        end
        [result.reshape(k, w, 2), Numo::Int32.cast(emitted.sum(1))]
      end
    end
  end
end
