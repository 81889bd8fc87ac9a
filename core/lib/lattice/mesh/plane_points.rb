# frozen_string_literal: true

module Lattice
  module Mesh
    # Places the points of a plane mesh: along the sides, in a ring beside them,
    # and on a square lattice inside, so that most triangles pair into squares.
    class PlanePoints
      RING = 0.9   # distance of the ring from the side, of the size
      APART = 0.68 # least distance between points, of the size

      attr_reader :points, :border

      # @param outline [Shape::Outline]
      # @param sizing [PlaneSizing]
      # @param divisions [Hash] index of a segment => Division into twice as many pieces
      def initialize(outline, sizing, divisions = {})
        @outline = outline
        @divisions = divisions
        @segments = outline.segments
        @sizing = sizing
        divide
        fill
      end

      def border_count = @border.from.size

      # Removes inner points that stand within the circle over one of +pieces+.
      # @return [Integer] how many went
      def clear(pieces)
        a = points[border.from[pieces], true]
        b = points[border.to[pieces], true]
        centre = (a + b) / 2
        radius = Numo::NMath.sqrt(((a - b)**2).sum(1)) * 0.52
        inner = border_count...points.shape[0]
        return 0 if inner.none?

        dx = points[inner, 0].reshape(inner.size, 1) - centre[true, 0]
        dy = points[inner, 1].reshape(inner.size, 1) - centre[true, 1]
        near = ((dx**2) + (dy**2) < radius**2).count(1)
        keep = near.eq(0).where + border_count
        gone = inner.size - keep.size
        @points = points[Numo::Int32.new(border_count).seq.concatenate(keep), true]
        gone
      end

      # Halves border pieces; the new points go before the inner ones.
      def split(pieces)
        chosen = pieces.to_a.to_h { |p| [p, true] }
        rows = border.from.size.times.flat_map do |k|
          seg = border.segment[k]
          s = border.start[k]
          f = border.finish[k]
          chosen[k] ? [[seg, s, (s + f) / 2], [seg, (s + f) / 2, f]] : [[seg, s, f]]
        end
        inner = points[border_count...points.shape[0], true]
        lay(rows)
        @points = Numo::DFloat.vstack([@points, inner])
      end

      private

      def divide
        rows = @segments.each_with_index.flat_map do |segment, index|
          cuts = @divisions[index] ? @divisions[index].shares(@divisions[index].count / 2).to_a : equal_shares(segment)
          cuts.each_cons(2).map { |a, b| [index, a, b] }
        end
        lay(rows)
      end

      # Equal shares of the integral of 1 / size along the side.
      def equal_shares(segment)
        fine = [(segment.length / (@sizing.size * PlaneSizing::FLOOR)).ceil.clamp(64, 4000), 64].max
        params = (Numo::DFloat.new(fine).seq + 0.5) / fine
        density = (segment.length / fine) / @sizing.at(segment.points(params))
        sums = density.cumsum
        least = segment.closed? ? 6 : 1
        count = [(sums[-1] - 0.1).ceil, least].max
        count += 1 if segment.closed? && count.odd?
        inner = (1...count).map do |k|
          wanted = sums[-1] * k / count
          i = (sums < wanted).count
          before = i.zero? ? 0.0 : sums[i - 1]
          (i + ((wanted - before) / density[i])) / fine
        end
        [0.0, *inner, 1.0]
      end

      # Rows [segment, start, finish] in the order of the loops: each piece begins
      # where the one before it ended, and each loop closes.
      def lay(rows)
        count = rows.size
        segment, start, finish = rows.transpose
        from = Numo::Int32.new(count).seq
        to = from + 1
        first = 0
        @outline.loops.each do |loop|
          indices = (first...(first + loop.segments.size))
          mine = (0...count).select { |k| indices.cover?(segment[k]) }
          to[mine.last] = mine.first
          first += loop.segments.size
        end
        @border = Border.new(from, to, Numo::Int32.cast(segment), Numo::DFloat.cast(start), Numo::DFloat.cast(finish), @divisions)
        @points = Numo::DFloat.zeros(count, 2)
        @segments.each_with_index do |s, i|
          on = @border.segment.eq(i).where
          @points[on, true] = s.points(@border.start[on])
        end
      end

      def fill
        candidates = Numo::DFloat.vstack([ring, lattice])
        inside = Shape::Polygon.inside(candidates, @points, @points[@border.to, true]).where
        candidates = candidates[inside, true]
        accepted = thin(candidates)
        @points = Numo::DFloat.vstack([@points, accepted]) if accepted.shape[0].positive?
      end

      # One point inward of every border point, along the mean of the two normals.
      def ring
        along = @points[@border.to, true] - @points
        length = Numo::NMath.sqrt((along**2).sum(1)).reshape(along.shape[0], 1)
        normal = Numo::DFloat.zeros(along.shape)
        normal[true, 0] = -along[true, 1]
        normal[true, 1] = along[true, 0]
        normal /= length
        before = Numo::Int32.zeros(@points.shape[0])
        before[@border.to] = @border.from
        mean = normal + normal[before, true]
        straight = (1 + (normal * normal[before, true]).sum(1)).reshape(along.shape[0], 1)
        offset = mean / straight.clip(0.3, 2)
        step = (length + length[before, true]) / 2
        keep = straight[true, 0].ge(0.3).where
        Numo::DFloat.vstack([(@points + (offset * step * RING))[keep, true], reflex(normal, before, step)])
      end

      # At a corner that points into the material, one ring point beside each of its sides.
      def reflex(normal, before, step)
        cross = (normal[before, 0] * normal[true, 1]) - (normal[before, 1] * normal[true, 0])
        at = cross.lt(-0.5).where
        return Numo::DFloat.zeros(0, 2) if at.empty?

        Numo::DFloat.vstack([normal[at, true], normal[before, true][at, true]].map { |n| @points[at, true] + (n * step[at, true] * RING) })
      end

      # Square lattices that halve their spacing from band to band of the size.
      def lattice
        (x0, y0), (x1, y1) = @outline.bounds
        least = @sizing.at(@points).min
        levels = [Math.log2(@sizing.size / least).round, 0].max
        Numo::DFloat.vstack((0..levels).map do |level|
          pitch = @sizing.size / (2**level)
          xs = spread(x0, x1, pitch)
          ys = spread(y0, y1, pitch)
          grid = Numo::DFloat.zeros(ys.size, xs.size, 2)
          grid[true, true, 0] = xs.reshape(1, xs.size)
          grid[true, true, 1] = ys.reshape(ys.size, 1)
          grid = grid.reshape(xs.size * ys.size, 2)
          wanted = @sizing.at(grid)
          band = (wanted <= pitch * 1.42)
          band &= (wanted > pitch * 0.71) if level < levels
          grid[band.where, true]
        end)
      end

      def spread(low, high, pitch)
        count = [((high - low) / pitch).round, 1].max
        (Numo::DFloat.new(count + 1).seq * ((high - low) / count)) + low
      end

      # Takes candidates in their order, each only if it keeps its distance from the
      # border and from those taken before it (a hash grid keeps this linear).
      def thin(candidates)
        return candidates if candidates.shape[0].zero?

        sizes = @sizing.at(candidates) * APART
        cell = @sizing.size * APART
        grid = Hash.new { |hash, key| hash[key] = [] }
        put = ->(x, y) { grid[((x / cell).floor * 1_000_003) + (y / cell).floor] << x << y }
        border_points.to_a.each { |x, y| put.call(x, y) }
        reach = sizes.to_a
        taken = []
        candidates.to_a.each_with_index do |(x, y), i|
          next if crowded?(grid, cell, x, y, reach[i]**2)

          put.call(x, y)
          taken << i
        end
        candidates[taken, true]
      end

      # Border points with the middles of their pieces: inner points keep off both.
      def border_points
        Numo::DFloat.vstack([@points, (@points + @points[@border.to, true]) / 2])
      end

      def crowded?(grid, cell, x, y, reach)
        cx = (x / cell).floor
        cy = (y / cell).floor
        (-1..1).each do |i|
          (-1..1).each do |j|
            list = grid.fetch(((cx + i) * 1_000_003) + cy + j, nil) or next
            k = 0
            while k < list.size
              dx = list[k] - x
              dy = list[k + 1] - y
              return true if (dx * dx) + (dy * dy) < reach

              k += 2
            end
          end
        end
        false
      end
    end
  end
end
