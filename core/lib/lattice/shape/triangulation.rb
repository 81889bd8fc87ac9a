# frozen_string_literal: true

module Lattice
  module Shape
    # Cuts a plane polygon with holes into triangles, using its own points only: holes are
    # bridged to the boundary, then ears are clipped.
    # D. Eberly, Triangulation by ear clipping, 2002; G. H. Meisters, Polygons have ears, 1975.
    class Triangulation
      # @param points [Numo::DFloat] [n, 2]
      # @param loops [Array<Array<Integer>>] the boundary counter-clockwise, holes clockwise
      # @return [Numo::Int32] [t, 3], counter-clockwise
      def self.call(points, loops) = new(points, loops).call

      def initialize(points, loops)
        @x = points[true, 0].to_a
        @y = points[true, 1].to_a
        @scale = (points.max(0) - points.min(0)).max
        @ring = loops[0].dup
        loops[1..].sort_by { |hole| -hole.map { |i| @x[i] }.max }.each { |hole| bridge(hole) }
      end

      def call
        link
        triangles = []
        until @left < 3
          ear = @ears.shift
          ear ||= forced
          next if @gone[ear] || !(@force || ear?(ear))

          triangles << [@ring[@before[ear]], @ring[ear], @ring[@after[ear]]]
          clip(ear)
        end
        Numo::Int32.cast(without_flat(triangles))
      end

      private

      def turn(a, b, c) = ((@x[b] - @x[a]) * (@y[c] - @y[a])) - ((@y[b] - @y[a]) * (@x[c] - @x[a]))

      def flat?(tri) = turn(*tri).abs <= @scale * @scale * 1e-15

      # A triangle without area has a corner on its longest side: the neighbour across
      # that side is parted there in its place.
      def without_flat(triangles)
        flat = triangles.select { |t| flat?(t) }
        # Parting one may make another; numbers that are none would go on making them for ever.
        left = 4 * triangles.size
        until flat.empty? || (left -= 1).negative?
          tri = flat.shift
          index = triangles.index { |t| t.equal?(tri) } or next
          triangles.delete_at(index)
          flat.concat(part_neighbour(triangles, tri).select { |t| flat?(t) })
        end
        triangles
      end

      # @return [Array] the two triangles that its neighbour became
      def part_neighbour(triangles, tri)
        a, b, c = (0..2).map { |k| tri.rotate(k) }.max_by { |p, q, _| Math.hypot(@x[p] - @x[q], @y[p] - @y[q]) }
        other = triangles.index { |t| (0..2).any? { |k| t.rotate(k).first(2) == [b, a] } } or return []
        apex = (triangles[other] - [a, b]).first
        triangles[other..other] = [[a, c, apex], [c, b, apex]].map { |t| turn(*t).negative? ? t.values_at(0, 2, 1) : t }
      end

      # Joins a hole to the ring at the visible point right of its rightmost one.
      def bridge(hole)
        start = hole.each_index.max_by { |i| [@x[hole[i]], @y[hole[i]]] }
        from = hole[start]
        at = visible(from)
        turned = hole.rotate(start)
        @ring = @ring[0..at] + turned + [from] + @ring[at..]
      end

      def visible(from)
        px = @x[from]
        py = @y[from]
        best = nil
        reach = Float::INFINITY
        @ring.each_index do |i|
          a = @ring[i]
          b = @ring[(i + 1) % @ring.size]
          next unless py.between?(@y[a], @y[b]) && @y[a] != @y[b]

          x = @x[a] + ((py - @y[a]) * (@x[b] - @x[a]) / (@y[b] - @y[a]))
          next if x < px - (@scale * 1e-12) || x >= reach

          reach = x
          best = @x[a] > @x[b] ? i : (i + 1) % @ring.size
        end
        nearest_within(px, py, reach, best)
      end

      # Points inside the triangle towards the found one would hide it: the one least
      # off the ray is taken instead.
      def nearest_within(px, py, reach, best)
        corner = @ring[best]
        inside = @ring.each_index.select do |i|
          node = @ring[i]
          node != corner && @x[node] >= px && within?(node, [px, py], [reach, py], [@x[corner], @y[corner]]) && opens?(i, px, py)
        end
        return facing(corner, best, px, py) if inside.empty?

        chosen = inside.min_by { |i| [(@y[@ring[i]] - py).abs / [@x[@ring[i]] - px, 1e-300].max, @x[@ring[i]]] }
        facing(@ring[chosen], chosen, px, py)
      end

      # Bridged points stand in the ring twice; the one whose corner opens to the hole is right.
      def facing(node, index, px, py)
        same = @ring.each_index.select { |i| @ring[i] == node }
        same.size == 1 ? index : (same.find { |i| opens?(i, px, py) } || index)
      end

      def opens?(index, px, py)
        a = @ring[index - 1]
        b = @ring[index]
        c = @ring[(index + 1) % @ring.size]
        left = ->(s, e) { ((@x[e] - @x[s]) * (py - @y[s])) - ((@y[e] - @y[s]) * (px - @x[s])) }
        convex = turn(a, b, c) >= 0
        convex ? left.call(a, b) >= 0 && left.call(b, c) >= 0 : left.call(a, b) >= 0 || left.call(b, c) >= 0
      end

      def within?(node, *corners)
        signs = [0, 1, 2].map do |k|
          (ax, ay), (bx, by) = corners[k], corners[(k + 1) % 3]
          ((bx - ax) * (@y[node] - ay)) - ((by - ay) * (@x[node] - ax))
        end
        signs.all? { |s| s >= 0 } || signs.all? { |s| s <= 0 }
      end

      def link
        n = @ring.size
        @left = n
        @after = (0...n).map { |i| (i + 1) % n }
        @before = (0...n).map { |i| (i - 1) % n }
        @gone = Array.new(n, false)
        @rx = Numo::DFloat.cast(@ring.map { |i| @x[i] })
        @ry = Numo::DFloat.cast(@ring.map { |i| @y[i] })
        @reflex = Numo::Bit.zeros(n)
        n.times { |i| @reflex[i] = 1 if convexity(i) <= 0 }
        @refresh = true
        @ears = (0...n).select { |i| convexity(i).positive? }
        @idle = 0
      end

      def convexity(slot) = turn(@ring[@before[slot]], @ring[slot], @ring[@after[slot]])

      def ear?(slot)
        size = convexity(slot)
        return false if size <= @scale * @scale * 1e-15

        a, b, c = [@before[slot], slot, @after[slot]].map { |s| @ring[s] }
        others = reflex_slots
        return true if others.empty?

        x = @reflex_x
        y = @reflex_y
        tolerance = -1e-14 * @scale * @scale
        inside = [[a, b], [b, c], [c, a]].map do |p, q|
          (((@x[q] - @x[p]) * (y - @y[p])) - ((@y[q] - @y[p]) * (x - @x[p]))) > tolerance
        end.reduce(:&).where
        inside.to_a.none? { |i| !same_place?(@ring[others[i]], a, b, c) }
      end

      def same_place?(node, *corners)
        corners.any? { |c| c == node || ((@x[c] - @x[node]).abs < 1e-14 * @scale && (@y[c] - @y[node]).abs < 1e-14 * @scale) }
      end

      # Only reflex corners can lie within an ear.
      def reflex_slots
        if @refresh
          slots = @reflex.where
          @slots = slots.to_a
          @reflex_x = slots.empty? ? nil : @rx[slots].dup
          @reflex_y = slots.empty? ? nil : @ry[slots].dup
          @refresh = false
        end
        @slots
      end

      def clip(slot)
        before = @before[slot]
        after = @after[slot]
        @after[before] = after
        @before[after] = before
        @gone[slot] = true
        @left -= 1
        @force = false
        drop(slot)
        [before, after].each do |s|
          drop(s) if convexity(s).positive?
          @ears << s
        end
      end

      def drop(slot)
        return if @reflex[slot].zero?

        @reflex[slot] = 0
        @refresh = true
      end

      # Rounding can leave a ring without a proper ear: then the flattest corner goes.
      def forced
        @force = true
        (0...@ring.size).reject { |s| @gone[s] }.min_by { |s| convexity(s).abs }
      end
    end
  end
end
