# frozen_string_literal: true

module Lattice
  module Mesh
    module Remeshing
      # How thick the material is behind places of a closed sheet, where it is thinner
      # than a few elements: the distance along the inner normal to a triangle that faces away.
      # Of several bodies it is measured on both sides of a face: material of another lies
      # there, or a gap between them.
      class Thickness
        V = Shape::Vectors
        REACH = 2.2 # of the size there: thicker walls are not measured
        OPPOSED = -0.9
        MOST = 1000 # places along a triangle
        PIECES = 12 # of rays, each with a box of its own
        AT_ONCE = 1_000_000 # pairs of ray and triangle

        # @param sheet [Sheet]
        # @param through [Integer] elements wanted across
        def initialize(sheet, through: 1)
          @sheet = sheet
          @reach = REACH * through
        end

        # @param spacing [Float] m, of the places that are looked at; small triangles have one each
        # @param only [Numo::Int32, nil] triangles of the sheet; all when nil
        # @return [Array(Numo::DFloat, Numo::DFloat, Numo::Int32)] places [k, 3], the thickness
        #   behind each, and the triangle it lies on
        def call(spacing, only: nil)
          corners = @sheet.corners
          @normals = V.unit(V.cross(corners[1] - corners[0], corners[2] - corners[0]))
          @from, @home = places(corners, spacing, only || Numo::Int32.new(@sheet.count).seq)
          reach = @sheet.field.at(@from) * @reach
          found = Numo::DFloat.zeros(@from.shape[0]).fill(Float::INFINITY)
          (several? ? [-1.0, 1.0] : [-1.0]).each do |side|
            ways = @normals[@home, true] * side
            pairs(corners, V.times(ways, reach)) do |ray, triangle|
              away, hit = meet(corners, ways, ray, triangle)
              keep_nearest(found, ray[hit].dup, away[hit].dup) unless hit.empty?
            end
          end
          rows = Numo::Int32.cast((found < reach).where)
          rows.empty? ? [Numo::DFloat.zeros(0, 3), Numo::DFloat.zeros(0), rows] : [@from[rows, true].dup, found[rows].dup, @home[rows].dup]
        end

        private

        # Places in rows along the longest side of each triangle, as many as its length and
        # height hold; none on a side, along which a ray would run in the next face.
        def places(corners, spacing, rows)
          mine = corners.map { |c| c[rows, true].dup }
          lengths = Numo::DFloat.vstack(mine.each_index.map { |k| V.norm(mine[k] - mine[k - 1]) })
          first = lengths.max_index(axis: 0) / lengths.shape[1]
          a, b, c = (0..2).map { |k| turned(mine, (first + k + 2) % 3) }
          longest = lengths.max(0)
          height = V.norm(V.cross(b - a, c - a)) / longest
          along, up = [longest, height].map { |l| Numo::Int32.cast((l / spacing).ceil.clip(1, MOST)) }
          triangle, rank = Algebra::Lists.laid(along * up)
          s, t = [[rank % along[triangle], along], [rank / along[triangle], up]].map { |i, n| (Numo::DFloat.cast(i) + 0.5) / n[triangle] }
          base = a[triangle, true] + V.times(b[triangle, true] - a[triangle, true], s)
          [base + V.times(c[triangle, true] - base, t), rows[triangle].dup]
        end

        # @return [Numo::DFloat] [t, 3] of three corners the one that is picked for each triangle
        def turned(corners, pick)
          corners.each_with_index.map { |c, k| V.times(c, Numo::DFloat.cast(pick.eq(k))) }.reduce(:+)
        end

        # What is written last holds: the least.
        def keep_nearest(found, ray, away)
          away = Numo::DFloat.minimum(away, found[ray])
          order = Algebra::Gather.descending(away)
          found[ray[order].dup] = away[order].dup
        end

        # Whether there are several bodies.
        def several? = @several ||= @sheet.source.behind.max > 1

        # Rays with the triangles whose boxes they come through, piece by piece.
        # @yield [Numo::Int32, Numo::Int32] rays and triangles, so many at a time; some come twice
        def pairs(corners, rays)
          boxes = bounds(corners)
          long = V.norm(rays)
          wide = (boxes[1] - boxes[0]).max(1)
          steps = (long.mean / [wide.mean, long.mean / PIECES].max).ceil
          ends = (0..steps).map { |k| @from + (rays * k.fdiv(steps)) }
          ends.each_cons(2) do |piece|
            mine = bounds(piece)
            ray, triangle = Algebra::Boxes.near(mine, boxes, [wide.mean, long.mean / steps].max)
            (0...ray.size).step(AT_ONCE) do |first|
              rows = first...[first + AT_ONCE, ray.size].min
              r = ray[rows].dup
              t = triangle[rows].dup
              meet = (0..2).map { |k| (mine[0][r, k] <= boxes[1][t, k]) & (boxes[0][t, k] <= mine[1][r, k]) }.reduce(:&).where
              yield r[meet].dup, t[meet].dup unless meet.empty?
            end
          end
        end

        def bounds(points) = %i[minimum maximum].map { |m| points.reduce { |a, b| Numo::DFloat.public_send(m, a, b) } }

        # Rays against triangles that lie across their way: of one body, those that face away.
        def meet(corners, ways, ray, triangle)
          across = V.dot(@normals[@home[ray], true], @normals[triangle, true])
          across = -across.abs if several?
          facing = Numo::Int32.cast((across < OPPOSED).where)
          away = Numo::DFloat.zeros(ray.size).fill(Float::INFINITY)
          return [away, facing] if facing.empty?

          r = ray[facing].dup
          t = triangle[facing].dup
          a, b, c = corners.map { |x| x[t, true] }
          way = ways[r, true]
          n = V.cross(b - a, c - a)
          distance = V.dot(a - @from[r, true], n) / V.dot(way, n)
          # A ray meets the triangle that it leaves.
          least = @sheet.field.size * 1e-6
          place = @from[r, true] + V.times(way, distance)
          inside = [[a, b], [b, c], [c, a]].map { |p, q| V.dot(V.cross(q - p, place - p), n) >= 0 }.reduce(:&) & (distance > least)
          rows = inside.where
          away[facing] = distance
          [away, rows.empty? ? Numo::Int32.zeros(0) : facing[rows].dup]
        end
      end
    end
  end
end
