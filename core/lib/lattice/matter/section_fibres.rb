# frozen_string_literal: true

module Lattice
  module Matter
    # A cross-section cut into cells, and each cell into four points that have its area, its centre and its second moments.
    class SectionFibres
      CELLS = 8 # each way
      SAME = 1e-9 # of its second moments, by which a cell has no longer side
      NEGLIGIBLE = 1e-9 # of the section's area

      # @param loops [Array<Numo::DFloat>] [n, 2] corners of the boundary, and of holes the other way round, m
      # @param inset [Float, nil] m off the outermost sides, where cells end too
      # @return [Array(Numo::DFloat, Numo::DFloat)] points [k, 2] m, and areas [k] m²
      def self.call(loops, inset = nil) = new(loops, inset).call

      def initialize(loops, inset)
        @loops = loops
        @inset = inset
        @all = Numo::DFloat.vstack(loops)
      end

      def call
        cells = rows.flat_map { |row| cut(row, 0).map { |cell| moments(cell) } }
        whole = cells.sum { |c| c[0] }
        points = cells.select { |c| c[0] > whole * NEGLIGIBLE }.flat_map { |cell| spread(*cell) }
        [Numo::DFloat.cast(points.map(&:first)), Numo::DFloat.cast(points.map(&:last))]
      end

      private

      def rows = cut(@loops.map(&:to_a), 1)

      # Where cells end along an axis.
      def lines(low, high)
        inset = @inset && @inset * 2 < high - low ? @inset : nil
        from, upto, count = inset ? [low + inset, high - inset, CELLS - 2] : [low, high, CELLS]
        inner = (0..count).map { |k| from + ((upto - from) * k / count) }
        inset ? [low, *inner, high] : inner
      end

      # Strips between parallel lines.
      # @param loops [Array<Array>] polygons
      # @return [Array<Array<Array>>] the polygons of every strip
      def cut(loops, axis)
        lines(@all[true, axis].min, @all[true, axis].max).each_cons(2).map { |from, upto| loops.map { |loop| above(above(loop, axis, from, 1), axis, upto, -1) } }
      end

      # The part of a polygon on one side of a line. I. E. Sutherland, G. W. Hodgman, Reentrant polygon clipping, 1974.
      def above(loop, axis, at, sign)
        loop.each_index.flat_map do |i|
          one = loop[i - 1]
          other = loop[i]
          before, after = [one, other].map { |p| (p[axis] - at) * sign }
          kept = after >= 0 ? [other] : []
          next kept if (before >= 0) == (after >= 0)

          share = before / (before - after)
          [[0, 1].map { |k| one[k] + ((other[k] - one[k]) * share) }, *kept]
        end
      end

      # @return [Array] area, centre and second moments about it [xx, yy, xy] of a cell
      def moments(loops)
        a, sx, sy, xx, yy, xy = loops.reject(&:empty?).map { |loop| SectionConstants.polygon(Numo::DFloat.cast(loop)) }.transpose.map(&:sum)
        return [0.0, nil, nil] unless a&.positive?

        x = sx / a
        y = sy / a
        [a, [x, y], [xx - (a * y * y), yy - (a * x * x), xy - (a * x * y)]]
      end

      # Two points along each of the cell's own principal axes.
      def spread(area, centre, (xx, yy, xy))
        mean = (xx + yy) / 2
        half = Math.hypot((yy - xx) / 2, xy)
        angle = half < mean * SAME ? 0.0 : 0.5 * Math.atan2(2 * xy, yy - xx)
        [[mean + half, angle], [mean - half, angle + (Math::PI / 2)]].flat_map do |second, turn|
          arm = Math.sqrt([second, 0.0].max * 2 / area)
          [1, -1].map { |sign| [[centre[0] + (sign * arm * Math.cos(turn)), centre[1] + (sign * arm * Math.sin(turn))], area / 4] }
        end
      end
    end
  end
end
