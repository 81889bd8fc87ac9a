# frozen_string_literal: true

module Lattice
  module Mesh
    # Finds in which element points lie, and where in it: boxes first, then Newton on the mapping, of all pairs at once;
    # on faces and members the nearest point on them.
    class Placing
      OUTSIDE = 1e-3 # of the reference element that still counts as inside
      PAIRS = 200_000 # looked at together

      # Of every point: block and element of it, -1 where it lies in none; where in it [k, 3], and how far from it, m.
      Found = Struct.new(:block, :element, :local, :away) do
        # @return [Array] of every block that has points: its number, the points, their elements and places in them
        def by_block
          (0..block.max).filter_map do |number|
            rows = Numo::Int32.cast(block.eq(number).where)
            [number, rows, element[rows].dup, local[rows, true].dup] unless rows.empty?
          end
        end
      end

      # @param grid [Grid]
      # @param bodies [Array<String>, nil] those that are looked at; nil takes all
      # @param outside [Float] of the reference element that still counts as inside
      def initialize(grid, bodies: nil, outside: OUTSIDE)
        @outside = outside
        @grid = grid
        @blocks = grid.blocks.each_index.select { |b| bodies.nil? || bodies.include?(grid.blocks[b].body) }
      end

      # @param points [Numo::DFloat] [k, 3]
      # @param reach [Float] m, how far from a face or member a point may lie
      # @return [Found]
      def call(points, reach: 0.0)
        @points = points
        @best = Numo::DFloat.zeros(points.shape[0]).fill(Float::INFINITY)
        @found = Found.new(Numo::Int32.zeros(points.shape[0]).fill(-1), Numo::Int32.zeros(points.shape[0]), Numo::DFloat.zeros(points.shape[0], 3), Numo::DFloat.zeros(points.shape[0]))
        @blocks.each { |b| look(b, reach) }
        @found
      end

      private

      def look(number, reach)
        block = @grid.blocks[number]
        kind = Element::Kind[block.kind]
        at = Algebra::Gather.rows(@grid.nodes, block.conn)
        size = Shape::Vectors.norm(at.max(1) - at.min(1))
        margin = ((size * [0.1, @outside].max) + reach).reshape(block.size, 1)
        low = at.min(1) - margin
        high = at.max(1) + margin
        each_pairs(low, high) { |elements, points| settle(number, kind, at, size, elements, points, reach) }
      end

      # Points sorted along the longest axis; every box takes a run of them, of which those within the box are kept.
      def each_pairs(low, high)
        axis = (@points.max(0) - @points.min(0)).max_index
        order = Numo::Int32.cast(@points[true, axis].sort_index)
        sorted = @points[order, axis].dup
        first = Algebra::Search.first_not_below(sorted, low[true, axis].dup)
        count = (Algebra::Search.first_not_below(sorted, high[true, axis].dup) - first).clip(0, nil)
        start = 0
        while start < count.size
          upto = start + [1, (count[start..].cumsum <= PAIRS).count_true].max
          rows, rank = Algebra::Lists.laid(count[start...upto].dup)
          begun = start
          start = upto
          next if rows.empty?

          rows += begun
          points = order[first[rows] + rank].dup
          inside = ((@points[points, true] >= low[rows, true]) & (@points[points, true] <= high[rows, true])).all?(1).where
          yield rows[inside].dup, points[inside].dup unless inside.empty?
        end
      end

      def settle(number, kind, at, size, elements, points, reach)
        x = at[elements, true, true].dup
        wanted = @points[points, true].dup
        local = Element::Inverse.call(kind, x, wanted)
        weights = kind.values(local)
        away = Shape::Vectors.norm((weights.reshape(*weights.shape, 1) * x).sum(1) - wanted)
        out = Element::Inverse.outside(kind, local)
        near = size[elements]
        fits = Numo::Int32.cast(((out <= @outside) & (away <= (near * OUTSIDE).clip(reach, nil))).where)
        take(number, elements, points, local, out.clip(0, nil) + (away / near), away, fits) unless fits.empty?
      end

      # The best pair of each point, where it is better than what was found before.
      def take(number, elements, points, local, score, away, fits)
        order = fits[Algebra::Gather.descending(score[fits])]
        order = order[(score[order] < @best[points[order]]).where]
        return if order.empty?

        at = points[order].dup
        @best[at] = score[order]
        @found.block[at] = number
        @found.element[at] = elements[order]
        @found.away[at] = away[order]
        local.shape[1].times { |k| @found.local[at, k] = local[order, k] }
      end
    end
  end
end
