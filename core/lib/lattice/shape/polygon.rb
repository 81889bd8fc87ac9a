# frozen_string_literal: true

module Lattice
  module Shape
    # Plane polygon geometry on whole arrays.
    module Polygon
      module_function

      # Even-odd rule: how often a ray towards +x crosses the edges.
      #
      # @param points [Numo::DFloat] [n, 2]
      # @param from [Numo::DFloat] [m, 2] where the edges of one or more closed loops start
      # @param to [Numo::DFloat] [m, 2] where they end
      # @return [Numo::Bit] [n]
      def inside(points, from, to)
        count = points.shape[0]
        return Numo::Bit.zeros(count) if count.zero?

        parity = Numo::Int32.zeros(count)
        slope = (to[true, 0] - from[true, 0]) / (to[true, 1] - from[true, 1]).tap { |d| d[d.eq(0)] = 1e-300 }
        step = [2_000_000 / from.shape[0], 1].max
        (0...count).step(step) do |start|
          range = start...[start + step, count].min
          x = points[range, 0].reshape(range.size, 1)
          y = points[range, 1].reshape(range.size, 1)
          crosses = (from[true, 1] > y) ^ (to[true, 1] > y)
          left = x < (slope * (y - from[true, 1])) + from[true, 0]
          parity[range] = (crosses & left).count(1)
        end
        (parity % 2).eq(1)
      end

      # Proper crossings and touches between segments that are not neighbours.
      #
      # @param from [Numo::DFloat] [n, 2]
      # @param to [Numo::DFloat] [n, 2]
      # @param tolerance [Float] in m
      # @return [Array(Integer, Integer), nil] the first pair that meets
      def crossing(from, to, tolerance)
        n = from.shape[0]
        length = Numo::NMath.sqrt(((to - from)**2).sum(1))
        (0...n).each do |i|
          others = (i + 1)...n
          next if others.none?

          hit = meets(from[i..i, true], to[i..i, true], length[i], from[others, true], to[others, true], length[others], tolerance)
          found = hit.where.to_a.find { |j| !neighbours?(from, to, i, i + 1 + j, tolerance) }
          return [i, i + 1 + found] if found
        end
        nil
      end

      # Segment a–b against segments c–d: each end of either on opposite sides of (or on) the other.
      def meets(a, b, ab, c, d, cd, tolerance)
        side_c = side(a, b, c) / ab
        side_d = side(a, b, d) / ab
        side_a = -side(c, a, d) / cd
        side_b = -side(c, b, d) / cd
        straddle = ((side_c * side_d) <= tolerance**2) & ((side_a * side_b) <= tolerance**2)
        near = (side_c.abs <= tolerance) & (side_d.abs <= tolerance)
        straddle & (~near | overlap(a, b, c, d, tolerance))
      end

      # Twice the area of a, b, p; rows of one array go with all rows of another.
      def side(a, b, p)
        ((b[true, 0] - a[true, 0]) * (p[true, 1] - a[true, 1])) - ((b[true, 1] - a[true, 1]) * (p[true, 0] - a[true, 0]))
      end

      def overlap(a, b, c, d, tolerance)
        boxes = [0, 1].map do |k|
          low, high = [a[0, k], b[0, k]].minmax
          pair = Numo::DFloat.vstack([c[true, k], d[true, k]])
          (pair.max(0) >= low - tolerance) & (pair.min(0) <= high + tolerance)
        end
        boxes[0] & boxes[1]
      end

      # Segments that share an end touch there, which is no crossing unless they fold back.
      def neighbours?(from, to, i, j, tolerance)
        shared = [[to, from], [from, to], [from, from], [to, to]].find { |p, q| distance(p[i, true], q[j, true]) <= tolerance }
        return false unless shared

        p, q = shared
        out_i = direction(p, i, from, to)
        out_j = direction(q, j, from, to)
        (out_i[0] * out_j[0]) + (out_i[1] * out_j[1]) < 1 - 1e-9
      end

      # Unit vector away from the shared end.
      def direction(shared, index, from, to)
        other = shared.equal?(from) ? to : from
        v = (other[index, true] - shared[index, true]).to_a
        size = Math.hypot(*v)
        v.map { |c| c / size }
      end

      # @return [Float] least distance of a point from the edges
      def distance_to(point, from, to)
        along = to - from
        offset = Numo::DFloat[*point] - from
        share = ((offset * along).sum(1) / (along**2).sum(1)).clip(0, 1)
        Math.sqrt(((offset - (along * share.reshape(share.size, 1)))**2).sum(1).min)
      end

      def distance(p, q) = Math.hypot(p[0] - q[0], p[1] - q[1])
    end
  end
end
