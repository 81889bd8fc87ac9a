# frozen_string_literal: true

module Lattice
  module Mesh
    module Remeshing
      # Finds the nearest place of triangles that bear the same face as a point. Triangles are
      # listed in the cells of a grid that their boxes reach; a point looks in its own cell.
      class Locator
        FEW = 40          # cells a triangle may reach along each axis
        AT_ONCE = 300_000 # pairs of point and triangle

        # @param corners [Array<Numo::DFloat>] three of [t, 3]
        # @param faces [Numo::Int32] [t]
        # @param reach [Float] m; points farther away are sought among all triangles of their face
        def initialize(corners, faces, reach)
          @corners = corners
          @faces = faces
          low = corners.reduce { |a, b| Numo::DFloat.minimum(a, b) } - reach
          high = corners.reduce { |a, b| Numo::DFloat.maximum(a, b) } + reach
          @low = low.min(0)
          @cell = [reach, (high - low).max / FEW].max
          @counts = ((high.max(0) - @low) / @cell).floor.to_a.map { |n| n.to_i + 1 }
          list(low, high)
        end

        # @param points [Numo::DFloat] [n, 3]
        # @param faces [Numo::Int32] [n]
        # @return [Array(Numo::DFloat, Numo::Int32, Numo::DFloat)] nearest points [n, 3], the
        #   triangle of each, and its barycentric coordinates there [n, 3]
        def call(points, faces)
          best = Numo::DFloat.zeros(points.shape[0]).fill(Float::INFINITY)
          triangle = Numo::Int32.zeros(points.shape[0])
          shares = Numo::DFloat.zeros(points.shape[0], 3)
          look(points, *candidates(points, faces), best, triangle, shares)
          lost = Numo::Int32.cast(best.eq(Float::INFINITY).where)
          search(points, faces, lost, best, triangle, shares) unless lost.empty?
          nearest = (0..2).map { |k| Shape::Vectors.times(@corners[k][triangle, true].dup, shares[true, k].dup) }.reduce(:+)
          [nearest, triangle, shares]
        end

        private

        def list(low, high)
          first, last = [low, high].map { |p| Numo::Int32.cast(((p - @low) / @cell).floor) }
          spans = last - first + 1
          triangle, rank = Algebra::Lists.laid(spans.prod(1))
          sy = spans[triangle, 1].dup
          sz = spans[triangle, 2].dup
          cell = [rank / (sy * sz), (rank / sz) % sy, rank % sz].each_with_index.map { |r, k| first[triangle, k] + r }
          @triangle = triangle
          key = keys(cell, @faces[triangle])
          order = key.sort_index
          @listed = triangle[order].dup
          @key = key[order].dup
        end

        def keys(cell, faces)
          x, y, z = cell.map { |c| Numo::Int64.cast(c) }
          (((((Numo::Int64.cast(faces) * @counts[0]) + x) * @counts[1]) + y) * @counts[2]) + z
        end

        def candidates(points, faces)
          cell = Numo::Int32.cast(((points - @low) / @cell).floor)
          inside = Numo::Bit.ones(points.shape[0])
          3.times { |k| inside &= cell[true, k].ge(0) & cell[true, k].lt(@counts[k]) }
          key = keys((0..2).map { |k| cell[true, k].clip(0, @counts[k] - 1) }, faces)
          start = Search.first_not_below(@key, key)
          count = (Search.first_not_below(@key, key + 1) - start) * Numo::Int32.cast(inside)
          [start, Numo::Int32.cast(count)]
        end

        # Tries the candidates of all points, so many points at a time.
        def look(points, start, count, best, triangle, shares)
          done = count.cumsum
          from = 0
          while from < count.size
            before = from.zero? ? 0 : done[from - 1]
            upto = [(done <= before + AT_ONCE).count, from + 1].max
            point, rank = Algebra::Lists.laid(count[from...upto].dup)
            improve(points, point + from, @listed[start[point + from] + rank].dup, best, triangle, shares) unless point.empty?
            from = upto
          end
        end

        def search(points, faces, lost, best, triangle, shares)
          lost.to_a.each do |row|
            mine = Numo::Int32.cast(@faces.eq(faces[row]).where)
            rows = Numo::Int32.zeros(mine.size).fill(row)
            found, away = ClosestPoint.call(points[rows, true].dup, *@corners.map { |c| c[mine, true].dup })
            least = away.min_index
            best[row] = away[least]
            triangle[row] = mine[least]
            shares[row, true] = found[least, true]
          end
        end

        # What is written last holds: the nearest.
        def improve(points, active, tried, best, triangle, shares)
          found, away = ClosestPoint.call(points[active, true].dup, *@corners.map { |c| c[tried, true].dup })
          order = Algebra::Gather.descending(away)
          rows = active[order].dup
          best[rows] = away[order].dup
          triangle[rows] = tried[order].dup
          shares[rows, true] = found[order, true].dup
        end
      end
    end
  end
end
