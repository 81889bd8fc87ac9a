# frozen_string_literal: true

module Lattice
  module Mesh
    module Remeshing
      # Finds the nearest place of triangles that bear the same face as a point. Triangles are
      # listed in the cells of a grid that their boxes, widened by a reach, meet; a point looks in
      # its own cell: first near by, and if there is nothing, farther away.
      class Locator
        NEARER = 0.2        # of the reach: where is looked first
        FINEST = 300        # cells along an axis
        MOST = 2_000_000    # entries of all cells
        AT_ONCE = 300_000   # pairs of point and triangle

        # +cell+ wide, +counts+ along the axes from +low+; +key+ sorted, with the triangle +listed+ under each.
        Grid = Struct.new(:reach, :low, :cell, :counts, :key, :listed)

        # @param corners [Array<Numo::DFloat>] three of [t, 3]
        # @param faces [Numo::Int32] [t]
        # @param reach [Float] m; points farther away are sought among all triangles of their face
        def initialize(corners, faces, reach)
          @corners = corners
          @faces = faces
          @centres = corners.reduce(:+) / 3
          @boxes = %i[minimum maximum].map { |m| corners.reduce { |a, b| Numo::DFloat.public_send(m, a, b) } }
          @rounding = Numo::DFloat.maximum(@boxes[0].abs, @boxes[1].abs).max * 1e-12
          @grids = [grid(reach * NEARER), grid(reach)]
        end

        # @param points [Numo::DFloat] [n, 3]
        # @param faces [Numo::Int32] [n]
        # @return [Array(Numo::DFloat, Numo::Int32, Numo::DFloat)] nearest points [n, 3], the
        #   triangle of each, and its barycentric coordinates there [n, 3]
        def call(points, faces)
          best = Numo::DFloat.zeros(points.shape[0]).fill(Float::INFINITY)
          triangle = Numo::Int32.zeros(points.shape[0])
          shares = Numo::DFloat.zeros(points.shape[0], 3)
          lost = Numo::Int32.new(points.shape[0]).seq
          @grids.each_with_index { |grid, level| lost = near(grid, points, faces, lost, best, triangle, shares, last: level == 1) }
          search(points, faces, lost, best, triangle, shares) unless lost.empty?
          nearest = (0..2).map { |k| Shape::Vectors.times(@corners[k][triangle, true].dup, shares[true, k].dup) }.reduce(:+)
          [nearest, triangle, shares]
        end

        private

        def grid(reach)
          low = @corners.reduce { |a, b| Numo::DFloat.minimum(a, b) } - reach
          high = @corners.reduce { |a, b| Numo::DFloat.maximum(a, b) } + reach
          cell = [reach * 2, (high.max(0) - low.min(0)).max / FINEST].max
          cell *= 1.5 while Algebra::Boxes.entries([low, high], cell) > MOST
          counts = ((high.max(0) - low.min(0)) / cell).floor.to_a.map { |n| n.to_i + 1 }
          flat, triangle = Algebra::Boxes.listed([low, high], low.min(0), cell, counts)
          key = (Numo::Int64.cast(@faces[triangle]) * counts.reduce(:*)) + flat
          order = key.sort_index
          Grid.new(reach, low.min(0), cell, counts, key[order].dup, triangle[order].dup)
        end

        # Looks for the points at +rows+. @return [Numo::Int32] those that were not found
        def near(grid, points, faces, rows, best, triangle, shares, last:)
          return rows if rows.empty?

          mine = points[rows, true].dup
          found = Numo::DFloat.zeros(rows.size).fill(Float::INFINITY)
          at = Numo::Int32.zeros(rows.size)
          part = Numo::DFloat.zeros(rows.size, 3)
          look(grid, mine, *candidates(grid, mine, faces[rows].dup), found, at, part)
          # Beyond the reach another triangle may be nearer.
          sure = found <= (last ? Float::MAX : grid.reach**2)
          done = Numo::Int32.cast(sure.where)
          unless done.empty?
            best[rows[done]] = found[done].dup
            triangle[rows[done]] = at[done].dup
            shares[rows[done], true] = part[done, true].dup
          end
          left = Numo::Int32.cast((~sure).where)
          left.empty? ? left : rows[left].dup
        end

        def candidates(grid, points, faces)
          cell = Numo::Int32.cast((Shape::Vectors.shifted(points, -grid.low) / grid.cell).floor)
          inside = Numo::Bit.ones(points.shape[0])
          3.times { |k| inside &= cell[true, k].ge(0) & cell[true, k].lt(grid.counts[k]) }
          x, y, z = (0..2).map { |k| Numo::Int64.cast(cell[true, k].clip(0, grid.counts[k] - 1)) }
          key = (Numo::Int64.cast(faces) * grid.counts.reduce(:*)) + (((x * grid.counts[1]) + y) * grid.counts[2]) + z
          start = Algebra::Search.first_not_below(grid.key, key)
          count = (Algebra::Search.first_not_below(grid.key, key + 1) - start) * Numo::Int32.cast(inside)
          [start, Numo::Int32.cast(count)]
        end

        # Tries the candidates of all points, so many points at a time.
        def look(grid, points, start, count, best, triangle, shares)
          done = count.cumsum
          from = 0
          while from < count.size
            before = from.zero? ? 0 : done[from - 1]
            upto = [(done <= before + AT_ONCE).count, from + 1].max
            point, rank = Algebra::Lists.laid(count[from...upto].dup)
            improve(points, *near_enough(points, point + from, grid.listed[start[point + from] + rank].dup), best, triangle, shares) unless point.empty?
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

        # Pairs of point and triangle without those that cannot be the nearest: the middle of
        # another is nearer than their box.
        def near_enough(points, active, tried)
          at = points[active, true].dup
          from = at - @centres[tried, true].dup
          away = Shape::Vectors.dot(from, from)
          order = Algebra::Gather.descending(away)
          least = Numo::DFloat.zeros(points.shape[0])
          least[active[order].dup] = away[order].dup
          beside = (Numo::DFloat.maximum(@boxes[0][tried, true].dup - at, at - @boxes[1][tried, true].dup) - @rounding).clip(0, nil)
          rows = (Shape::Vectors.dot(beside, beside) <= least[active] * (1 + 1e-12)).where
          [active[rows].dup, tried[rows].dup]
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
