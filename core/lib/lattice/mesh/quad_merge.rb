# frozen_string_literal: true

module Lattice
  module Mesh
    # Pairs triangles into quadrilaterals, best pairs first, then halves every side,
    # which turns each quadrilateral into four and each left-over triangle into three.
    module QuadMerge
      SIDES = [[0, 1], [1, 2], [2, 3], [3, 0]].freeze
      WORST = 0.55 # least scaled Jacobian of a pair worth making

      module_function

      # @param points [Numo::DFloat] [n, 2]
      # @param tri [Numo::Int32] [t, 3] counter-clockwise
      # @param border [Array(Numo::Int32, Numo::Int32)] ends of the sides on borders: pairs with
      #   two of them at a blunt corner would be flat there
      # @param owners [Numo::Int32, nil] faces of the triangles: only those of one are paired
      # @return [Array(Numo::Int32, Numo::Int32, Array, Array)] quads [q, 4] and left-over triangles
      #   [r, 3], the first triangle of each quad, and the rest
      def pair(points, tri, border, owners: nil)
        first, second, quads = candidates(tri)
        return [Numo::Int32.zeros(0, 4), tri, [], tri.shape[0].times.to_a] if first.empty?

        score = Quality.quad_jacobian(points, quads)
        score[owners[first].ne(owners[second]).where] = -1.0 if owners
        score[blunt(points, quads, border).where] = -1.0
        order = score.sort_index.reverse.to_a
        score = score.to_a
        first = first.to_a
        second = second.to_a
        taken = Array.new(tri.shape[0], false)
        chosen = order.select do |k|
          next if score[k] < WORST || taken[first[k]] || taken[second[k]]

          taken[first[k]] = taken[second[k]] = true
        end
        rest = taken.each_index.reject { |t| taken[t] }
        [rows(quads, chosen), rows(tri, rest), chosen.map { |k| first[k] }, rest]
      end

      def blunt(points, quads, border)
        sides = Algebra::Pairs.new([[quads, SIDES]])
        held = Numo::Bit.zeros(sides.size)
        there = sides.include?(*border).where
        held[sides.find(*border.map { |ends| ends[there].dup })] = 1 unless there.empty?
        of = held[sides.of(0)]
        (0..3).map { |k| of[true, k] & of[true, k - 1] & Ears.blunt?(points, *[k, k - 3, k - 1].map { |i| quads[true, i].dup }) }.reduce(:|)
      end

      def rows(table, list)
        list.empty? ? Numo::Int32.zeros(0, table.shape[1]) : table[list, true].dup
      end

      # Two triangles over one side, as the quadrilateral they make.
      def candidates(tri)
        count = tri.shape[0]
        a = tri.transpose.flatten
        b = tri[true, [1, 2, 0]].transpose.flatten
        c = tri[true, [2, 0, 1]].transpose.flatten
        owner = Numo::Int32.new(count).seq.concatenate(Numo::Int32.new(count).seq).concatenate(Numo::Int32.new(count).seq)
        order, same = Algebra::Pairs.twins(a, b)
        p = order[same]
        q = order[same + 1]
        quads = Numo::Int32.zeros(p.size, 4)
        [a[p], c[q], b[p], c[p]].each_with_index { |column, k| quads[true, k] = column }
        [owner[p], owner[q], quads]
      end

      # @param points [Numo::DFloat] [n, 2]
      # @param quads [Numo::Int32] [q, 4]
      # @param tri [Numo::Int32] [r, 3]
      # @param border [Border]
      # @param segments [Array] the sides the border lies on
      # @return [Array(Numo::DFloat, Numo::Int32, Border)] points, quads [4 q + 3 r, 4], border
      def halve(points, quads, tri, border, segments)
        sides = Algebra::Pairs.new([[quads, [[0, 1], [1, 2], [2, 3], [3, 0]]], [tri, [[0, 1], [1, 2], [2, 0]]]])
        middles = (points[sides.low, true] + points[sides.high, true]) / 2
        at = sides.find(border.from, border.to)
        middles[at, true] = border.on_curves(segments, border.halves)
        n = points.shape[0]
        m = middles.shape[0]
        centres = [quads, tri].map { |e| Numo::DFloat.zeros(e.shape[0], 2).tap { |z| z[] = Algebra::Gather.rows(points, e).mean(1) unless e.shape[0].zero? } }
        all = Numo::DFloat.vstack([points, middles, *centres].reject { |p| p.shape[0].zero? })
        made = [split(quads, sides.of(0) + n, n + m), split(tri, sides.of(1) + n, n + m + quads.shape[0])].reject { |e| e.shape[0].zero? }
        [all, Numo::Int32.vstack(made), border.halved(at + n)]
      end

      def split(elements, middles, first_centre)
        count, corners = elements.shape
        return Numo::Int32.zeros(0, 4) if count.zero?

        centre = Numo::Int32.new(count).seq + first_centre
        Numo::Int32.vstack((0...corners).map do |k|
          Numo::Int32.zeros(count, 4).tap do |quad|
            quad[true, 0] = elements[true, k]
            quad[true, 1] = middles[true, k]
            quad[true, 2] = centre
            quad[true, 3] = middles[true, k - 1]
          end
        end)
      end
    end
  end
end
