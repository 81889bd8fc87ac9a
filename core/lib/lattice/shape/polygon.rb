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

      # Crossings and touches between segments that are not neighbours.
      #
      # @param from [Numo::DFloat] [n, 2]
      # @param to [Numo::DFloat] [n, 2]
      # @param tolerance [Float] in m
      # @return [Array(Integer, Integer), nil] the first pair that meets
      def crossing(from, to, tolerance)
        n = from.shape[0]
        step = [200_000 / n, 1].max
        (0...n).step(step) do |first|
          rows = first...[first + step, n].min
          meeting(from, to, rows, tolerance).where.to_a.each do |flat|
            i = first + (flat / n)
            j = flat % n
            return [i, j] if j > i && !neighbours?(from, to, i, j, tolerance)
          end
        end
        nil
      end

      # Segments +rows+ against all: each end of either on opposite sides of (or on) the other.
      # @return [Numo::Bit] [rows, n]
      def meeting(from, to, rows, tolerance)
        a, b = [from, to].map { |p| [0, 1].map { |k| p[rows, k].reshape(rows.size, 1) } }
        c, d = [from, to].map { |p| [0, 1].map { |k| p[true, k].reshape(1, from.shape[0]) } }
        ab, cd = [[a, b], [c, d]].map { |p, q| Numo::NMath.sqrt(((q[0] - p[0])**2) + ((q[1] - p[1])**2)) }
        side_c = side(a, b, c) / ab
        side_d = side(a, b, d) / ab
        straddle = ((side_c * side_d) <= tolerance**2) & ((side(c, d, a) / cd * (side(c, d, b) / cd)) <= tolerance**2)
        along = (side_c.abs <= tolerance) & (side_d.abs <= tolerance)
        straddle & (~along | overlap(a, b, c, d, tolerance))
      end

      # Twice the area of the triangle a, b, p; each a pair of coordinate arrays.
      def side(a, b, p)
        ((b[0] - a[0]) * (p[1] - a[1])) - ((b[1] - a[1]) * (p[0] - a[0]))
      end

      # Whether the boxes of the segments overlap.
      def overlap(a, b, c, d, tolerance)
        [0, 1].map do |k|
          (Numo::DFloat.maximum(c[k], d[k]) >= Numo::DFloat.minimum(a[k], b[k]) - tolerance) &
            (Numo::DFloat.minimum(c[k], d[k]) <= Numo::DFloat.maximum(a[k], b[k]) + tolerance)
        end.reduce { |x, y| x & y }
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

      # @return [Float] least distance of a point from the edges, in the plane or in space
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
