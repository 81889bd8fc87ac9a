# frozen_string_literal: true

module Lattice
  module Algebra
    # Which boxes of two sets come near each other: those that reach a common cell of a grid.
    module Boxes
      CELLS = 3_000_000 # entries at most of the lists of cells; wider cells are taken beyond

      module_function

      # @param one [Array(Numo::DFloat, Numo::DFloat)] low and high corners [n, 3]
      # @param other [Array(Numo::DFloat, Numo::DFloat)] the same [m, 3]
      # @param cell [Float] width wished of the cells
      # @return [Array(Numo::Int32, Numo::Int32)] pairs of indices, in which some come twice
      def near(one, other, cell)
        low = Numo::DFloat.vstack([one[0], other[0]]).min(0)
        span = Numo::DFloat.vstack([one[1], other[1]]).max(0) - low
        cell = [cell, span.max / 1000].max
        cell *= 1.5 while [one, other].any? { |boxes| entries(boxes, cell) > CELLS }
        counts = (span / cell).floor.to_a.map { |n| n.to_i + 1 }
        key, mine = listed(other, low, cell, counts)
        at, first = listed(one, low, cell, counts)
        # Numbered by the cells that are reached: a grid of all would not depend on how few boxes there are.
        cells = Gather.distinct([key])
        lists = Lists.new(Search.first_not_below(cells, key), cells.size)
        place = Search.first_not_below(cells, at)
        hit = cells[place.clip(0, cells.size - 1)].eq(at).where
        return [hit, hit] if hit.empty?

        first = first[hit].dup
        slot, entry = lists.of(place[hit].dup)
        entry.empty? ? [entry, entry] : [first[slot].dup, mine[entry].dup]
      end

      def entries(boxes, cell) = (((boxes[1] - boxes[0]) / cell).floor + 2).prod(1).sum

      # The cells that boxes reach, and whose they are.
      def listed(boxes, low, cell, counts)
        first, last = boxes.map do |corner|
          Numo::Int32.cast(((corner - low) / cell).floor).tap { |i| 3.times { |k| i[true, k] = i[true, k].clip(0, counts[k] - 1) } }
        end
        spans = last - first + 1
        owner, rank = Lists.laid(spans.prod(1))
        sy = spans[owner, 1].dup
        sz = spans[owner, 2].dup
        x, y, z = [rank / (sy * sz), (rank / sz) % sy, rank % sz].each_with_index.map { |r, k| first[owner, k] + r }
        [(((Numo::Int64.cast(x) * counts[1]) + y) * counts[2]) + z, owner]
      end
    end
  end
end
