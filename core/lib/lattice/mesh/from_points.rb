# frozen_string_literal: true

module Lattice
  module Mesh
    # Carries a field from points in space to others: of cells about four points wide the means, and through those of the 27 cells around each
    # target the straight field that fits best, nearer ones counting more (moving least squares, P. Lancaster, K. Salkauskas, 1981).
    # Where points are sparse, cells are doubled; where that brings no more of them, as at the end of a line or strip of points, the size that had most
    # counts. Straight fields come back exactly.
    class FromPoints
      PER_CELL = 4.0
      ENOUGH = 5 # cells with points, for a fit
      ROUNDS = 12
      RIDGE = 1e-10
      AROUND = [-1, 0, 1].product([-1, 0, 1], [-1, 0, 1]).freeze
      AT_ONCE = 50_000 # targets
      WIDE = 100_000   # cells along an axis

      # values [k]; distance [k] m to the nearest mean that was used
      Found = Struct.new(:values, :distance)

      # Means of the points of cells of one size.
      Cells = Struct.new(:size, :keys, :means, :values)

      # @return [Numo::DFloat] [m, 3]
      attr_reader :points

      # @param points [Numo::DFloat] [m, 3]
      # @param values [Numo::DFloat] [m]
      def initialize(points, values)
        @points = points
        @values = values
        @low = points.min(0)
        @extent = (points.max(0) - @low).max
      end

      # @param targets [Numo::DFloat] [k, 3]
      # @return [Found]
      def call(targets)
        found = Found.new(Numo::DFloat.zeros(targets.shape[0]), Numo::DFloat.zeros(targets.shape[0]))
        open = Numo::Int32.new(targets.shape[0]).seq
        most = Numo::Int32.zeros(targets.shape[0])
        ROUNDS.times do |round|
          cells = cells(spacing * (2**round))
          left = open.to_a.each_slice(AT_ONCE).flat_map { |some| fit(cells, targets, Numo::Int32.cast(some), found, most) }
          return found if left.empty?

          open = Numo::Int32.cast(left)
        end
        lost = most.eq(0).where
        return found if lost.empty?

        # So large that all lie about each target.
        fit(cells([@extent, (targets - @low.reshape(1, 3)).abs.max].max * 2), targets, Numo::Int32.cast(lost), found, most)
        found
      end

      private

      # Such that a cell has a few points, in a cloud that fills a part of its box evenly.
      def spacing
        @spacing ||= begin
          box = (@points.max(0) - @low).to_a.map { |d| [d, @extent * 1e-9, 1e-12].max }
          flat = box.count { |d| d > @extent * 1e-6 }
          measure = box.max(flat.clamp(1, 3)).reduce(:*)
          [(measure * PER_CELL / @points.shape[0])**(1.0 / flat.clamp(1, 3)), 1e-12].max
        end
      end

      def cells(size)
        place = Numo::Int64.cast(((@points - @low.reshape(1, 3)) / size).floor)
        keys, index = Algebra::Distinct.of(key(place))
        counts = Numo::DFloat.cast(index.bincount(minlength: keys.size))
        mean = ->(column) { index.bincount(column.dup, minlength: keys.size) / counts }
        means = Numo::DFloat.zeros(keys.size, 3).tap { |all| 3.times { |k| all[true, k] = mean[@points[true, k]] } }
        Cells.new(size, keys, means, mean[@values])
      end

      def key(place) = ((((place[true, 0] + WIDE) * (4 * WIDE)) + place[true, 1] + WIDE) * (4 * WIDE)) + place[true, 2] + WIDE

      # @param most [Numo::Int32] [k] cells about each target, at the size of which it has its value so far
      # @return [Array<Integer>] targets about which there are too few cells
      def fit(cells, targets, open, found, most)
        at = targets[open, true].dup
        place = Numo::Int64.cast(((at - @low.reshape(1, 3)) / cells.size).floor.clip(-WIDE / 2, WIDE * 1.5))
        normal, right, count, nearest = sums(cells, at, place)
        better = (count > most[open]).where
        unless better.empty?
          mine = open[better].dup
          solve(normal[better, true, true].dup, right[better, true].dup).then { |values| found.values[mine] = values }
          found.distance[mine] = Numo::NMath.sqrt(nearest[better])
          most[mine] = count[better].dup
        end
        rest = (count < ENOUGH).where
        rest.empty? ? [] : open[rest].to_a
      end

      # Normal equations of 1, x, y, z about each target, in cell sizes.
      def sums(cells, at, place)
        k = at.shape[0]
        normal = Numo::DFloat.zeros(k, 4, 4)
        right = Numo::DFloat.zeros(k, 4)
        count = Numo::Int32.zeros(k)
        nearest = Numo::DFloat.zeros(k).fill(1e300)
        AROUND.each do |step|
          rows, slot = known(cells, key(place + Numo::Int64[step]))
          next if rows.empty?

          away = (cells.means[slot, true] - at[rows, true]) / cells.size
          square = (away**2).sum(1)
          weight = Numo::NMath.exp(-square)
          terms = Numo::DFloat.ones(rows.size, 4).tap { |t| t[true, 1..3] = away }
          weighted = terms * weight.reshape(rows.size, 1)
          normal[rows, true, true] = normal[rows, true, true] + (weighted.reshape(rows.size, 4, 1) * terms.reshape(rows.size, 1, 4))
          right[rows, true] = right[rows, true] + (weighted * cells.values[slot].reshape(rows.size, 1))
          count[rows] = count[rows] + 1
          nearest[rows] = Numo::DFloat.minimum(nearest[rows], square * (cells.size**2))
        end
        [normal, right, count, nearest]
      end

      # @return [Array] targets whose cell is there, and its number
      def known(cells, keys)
        slot = Algebra::Search.first_not_below(cells.keys, keys).clip(0, cells.keys.size - 1)
        there = cells.keys[slot].eq(keys).where
        there.empty? ? [[], []] : [there, slot[there].dup]
      end

      # What does not vary along an axis has no slope there.
      def solve(normal, right)
        scale = normal[true, 0, 0].dup
        4.times { |i| normal[true, i, i] = normal[true, i, i] + (scale * RIDGE * (i.zero? ? 0 : 1)) }
        Numo::Linalg.solve(normal, right.reshape(*right.shape, 1))[true, 0, 0].dup
      end
    end
  end
end
