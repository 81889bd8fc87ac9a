# frozen_string_literal: true

module Lattice
  module System
    # Where the faces of one side lie over those of the other: outlines are laid into the plane of each dependent face,
    # cut by each other, and integrated over triangles. In the plane, sides lie over sides.
    class Overlap
      V = Shape::Vectors
      FACING = 0.5  # least cosine between normals of faces that lie on each other
      LEAST = 1e-9  # of a face, that an overlap must cover
      PAIRS = 100_000

      # Integration points: number of the face on either side [t], shape functions there [t, g, n], weights [t, g] in m² (or m)
      # and the distance between both sides [t, g]. Rows of g points lie on one pair of faces.
      Points = Struct.new(:one, :other, :one_values, :other_values, :weights, :gaps) do
        def empty? = one.empty?
      end

      # @param nodes [Numo::DFloat] [n, 3]
      # @param one [Numo::Int32] [k, m] faces of the side that depends
      # @param other [Numo::Int32] [l, p]
      # @param kinds [Array(Element::Kind, Element::Kind)]
      # @param reach [Float] m
      def initialize(nodes, one, other, kinds, reach)
        @nodes = nodes
        @conn = [one, other]
        @kinds = kinds
        @reach = reach
        @at = @conn.map { |c| Algebra::Gather.rows(nodes, c) }
      end

      # @return [Points]
      def call
        one, other = near_pairs
        return none if one.empty?

        @kinds[0].dimension == 1 ? along_lines(one, other) : over_faces(one, other)
      end

      private

      def none = Points.new(Numo::Int32.zeros(0), Numo::Int32.zeros(0), *Array.new(4) { Numo::DFloat.zeros(0, 0) })

      # Pairs whose boxes meet within the reach; the boxes of the others are sorted along the longest axis.
      def near_pairs
        low = @at.map { |a| a.min(1) }
        high = @at.map { |a| a.max(1) }
        slack = @reach + (V.norm(high[0] - low[0]).max * 1e-6)
        axis = (high[1].max(0) - low[1].min(0)).max_index
        order = Numo::Int32.cast(low[1][true, axis].sort_index)
        sorted = low[1][order, axis].dup
        longest = (high[1][true, axis] - low[1][true, axis]).max
        first = Algebra::Search.first_not_below(sorted, low[0][true, axis] - slack - longest)
        count = (Algebra::Search.first_not_below(sorted, high[0][true, axis] + slack) - first).clip(0, nil)
        found = in_pieces(count) { |rows, rank| meeting(rows, order[first[rows] + rank].dup, low, high, slack) }
        found.empty? ? [Numo::Int32.zeros(0)] * 2 : found.transpose.map { |lists| lists.reduce { |a, b| a.concatenate(b) } }
      end

      def in_pieces(count)
        start = 0
        found = []
        while start < count.size
          upto = start + [1, (Numo::Int64.cast(count[start..]).cumsum <= PAIRS).count_true].max
          rows, rank = Algebra::Lists.laid(count[start...upto].dup)
          found << yield(rows + start, rank) unless rows.empty?
          start = upto
        end
        found.compact
      end

      def meeting(rows, others, low, high, slack)
        meets = ((low[0][rows, true] - slack <= high[1][others, true]) & (high[0][rows, true] + slack >= low[1][others, true])).all?(1).where
        meets.empty? ? nil : [rows[meets].dup, others[meets].dup]
      end

      def over_faces(one, other)
        frames = frames_of(@at[0])
        facing = V.dot(frames[2][one, true].dup, normals(@at[1])[other, true].dup)
        keep = (facing.abs > FACING).where
        return none if keep.empty?

        one, other, facing = [one, other, facing].map { |list| list[keep].dup }
        flat = [0, 1].map { |k| flat(k, k.zero? ? one : other, one, frames) }
        flat[1] = turned(flat[1], facing)
        pair, triangles = Algebra::Clipping.fans(*Algebra::Clipping.call(flat[1], flat[0]))
        twice = triangles.empty? ? Numo::DFloat.zeros(0) : Algebra::Clipping.twice_area(triangles)
        area = V.norm(frames[2]) # units: only for the size of faces below
        size = V.norm(@at[0].max(1) - @at[0].min(1))**2
        real = (twice > size[one[pair]] * LEAST * area[one[pair]]).where unless pair.empty?
        return none if pair.empty? || real.empty?

        integrated(one[pair[real]].dup, other[pair[real]].dup, triangles[real, true, true].dup, twice[real].dup, frames)
      end

      # Two axes and the normal of every face, and its middle.
      def frames_of(at)
        normal = normals(at)
        first = V.unit(at[true, 1, true] - at[true, 0, true])
        first = V.unit(first - V.times(normal, V.dot(first, normal)))
        [first, V.cross(normal, first), normal, at[true, 0...@kinds[0].corners, true].mean(1)]
      end

      def normals(at)
        quad = [4, 8].include?(at.shape[1])
        a, b = quad ? [[0, 2], [1, 3]] : [[0, 1], [0, 2]]
        V.unit(V.cross(at[true, a[1], true] - at[true, a[0], true], at[true, b[1], true] - at[true, b[0], true]))
      end

      # Corners of faces in the planes of those that depend: [k, c, 2]
      def flat(side, faces, planes, frames)
        c = @kinds[side].corners
        rel = @at[side][faces, 0...c, true] - frames[3][planes, true].reshape(planes.size, 1, 3)
        Numo::DFloat.zeros(faces.size, c, 2).tap { |all| 2.times { |k| all[true, true, k] = (rel * frames[k][planes, true].reshape(planes.size, 1, 3)).sum(2) } }
      end

      # Counter-clockwise, whichever way the other face looks.
      def turned(polygons, facing)
        away = (facing < 0).where
        return polygons if away.empty?

        c = polygons.shape[1]
        polygons.dup.tap { |all| all[away, true, true] = polygons[away, true, true][true, (0...c).to_a.reverse, true] }
      end

      def integrated(one, other, triangles, twice, frames)
        rule = Element::Rule.triangle(@kinds.any?(&:quadratic?) ? 6 : 3)
        x, y = [0, 1].map { |k| rule.points[true, k].reshape(1, rule.size, 1) }
        a, b, c = (0..2).map { |k| triangles[true, k, true].reshape(one.size, 1, 2) }
        flat = a + ((b - a) * x) + ((c - a) * y)
        at = [0, 1].map { |k| flat[true, true, k].reshape(one.size, rule.size, 1) * frames[k][one, true].reshape(one.size, 1, 3) }.reduce(:+) + frames[3][one, true].reshape(one.size, 1, 3)
        placed(one, other, at, twice.reshape(one.size, 1) * rule.weights.reshape(1, rule.size))
      end

      # Shape functions on both sides at places between them; rows that lie too far apart are left out.
      def placed(one, other, at, weights)
        t, g, = at.shape
        wanted = at.reshape(t * g, 3)
        found = [one, other].each_with_index.map do |faces, k|
          x = @at[k][Algebra::Gather.repeat(faces, g), true, true].dup
          values = @kinds[k].values(Element::Inverse.call(@kinds[k], x, wanted))
          [values, (values.reshape(*values.shape, 1) * x).sum(1)]
        end
        gaps = V.norm(found[0][1] - found[1][1]).reshape(t, g)
        keep = (gaps.max(1) <= @reach + 1e-12).where
        return none if keep.empty?

        values = found.map { |v, _| v.reshape(t, g, v.shape[1])[keep, true, true].dup }
        Points.new(one[keep].dup, other[keep].dup, *values, weights[keep, true].dup, gaps[keep, true].dup)
      end

      # Sides of plane regions: the ends of the other are laid onto the line of the one.
      def along_lines(one, other)
        from, to = [0, 1].map { |k| @at[0][one, k, true].dup }
        along = to - from
        square = V.dot(along, along)
        ends = [0, 1].map { |k| V.dot(@at[1][other, k, true] - from, along) / square }
        low = Numo::DFloat.minimum(*ends).clip(0, 1)
        high = Numo::DFloat.maximum(*ends).clip(0, 1)
        keep = ((high - low) > LEAST).where
        return none if keep.empty?

        rule = Element::Rule.gauss(3, 1)
        low, high, one, other, from, along = [low, high, one, other].map { |l| l[keep].dup } + [from, along].map { |l| l[keep, true].dup }
        share = low.reshape(keep.size, 1) + ((high - low).reshape(keep.size, 1) * ((rule.points[true, 0] + 1) / 2).reshape(1, rule.size))
        at = from.reshape(keep.size, 1, 3) + (share.reshape(keep.size, rule.size, 1) * along.reshape(keep.size, 1, 3))
        placed(one, other, at, (V.norm(along) * (high - low) / 2).reshape(keep.size, 1) * rule.weights.reshape(1, rule.size))
      end
    end
  end
end
