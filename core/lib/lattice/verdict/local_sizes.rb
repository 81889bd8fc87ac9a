# frozen_string_literal: true

module Lattice
  module Verdict
    # Where a mesh should be finer, as balls with a size, so that the estimated error falls under a share of the peak.
    # The size follows from an error that falls with its square. Balls lie in each other: the wide ones of what is to be a little
    # finer, and in them narrow ones of what is to be much finer.
    class LocalSizes
      WITHIN = 0.02 # of the peak
      BANDS = [[0.3, 0.45], [0.45, 0.6], [0.6, 0.8]].freeze # times the size there is, for elements that are to be smaller than the second
      MOST = 12      # balls
      GROWTH = 2.0   # times the elements there are, that they bring at most: what is still wanting then, the next time tells

      # @param problem [Study::Problem]
      # @param result [Result::Outcome]
      # @param within [Float] of the peak
      def initialize(problem, result, within: WITHIN)
        @problem = problem
        @result = result
        @within = within
      end

      # @return [Array<Hash>] at and radius in m, size in m; the worst first
      def call
        worst = @problem.cases.judged.map { |f| Result::ErrorEstimate.new(@result, f) }
        peak = @problem.cases.judged.map { |f| Result::Peak.new(@result, "von_mises").at(f)[:value] }.max.to_f
        return [] unless peak.positive?

        within_reason(grid.blocks.each_index.flat_map { |b| balls(b, worst.filter_map { |w| w.jumps[b] }.reduce { |one, two| Numo::DFloat.maximum(one, two) }, peak) }
                          .max_by(MOST) { |ball| ball[:error] })
      end

      private

      def grid = @result.grid

      # @return [Numo::DFloat] [e] m
      def middle_side(at, sides)
        lengths = Numo::DFloat.zeros(at.shape[0], sides.size).tap do |all|
          sides.each_with_index { |(a, b), k| all[true, k] = Shape::Vectors.norm(at[true, b, true] - at[true, a, true]) }
        end
        lengths.sort(1)[true, sides.size / 2].dup
      end

      def within_reason(balls)
        larger = [(balls.sum { |ball| ball[:cost] } / (GROWTH * grid.size))**(1.0 / grid.dimension), 1.0].max
        balls.map { |ball| ball.except(:cost).merge(size: ball[:size] * larger) }
      end

      # Elements of a block that are to be smaller, in clusters that share nodes.
      def balls(block, jumps, peak)
        return [] unless jumps

        corners = Algebra::Gather.rows(grid.nodes, grid.blocks[block].conn)
        # Of shells and members the jump at a fold is no error of the size.
        return [] if Element::Kind[grid.blocks[block].kind].dimension < grid.dimension

        worst = jumps.max(1)
        factor = Numo::NMath.sqrt(peak * @within / worst.clip(1e-30, nil))
        BANDS.reduce([]) { |finer, (times, below)| finer + band(block, corners, worst, factor.lt(below), times).reject { |ball| finer.any? { |other| covers?(other, ball) } } }
      end

      def band(block, corners, worst, wanted, times)
        there = Numo::Int32.cast(wanted.where)
        return [] if there.empty?

        sides = Element::Kind[grid.blocks[block].kind].edges
        worst_clusters(grid.blocks[block].conn[there, true].dup, worst[there].dup).map { |rows| ball(corners, there[rows].dup, worst, times, sides) }
      end

      def covers?(one, other)
        apart = Shape::Vectors.norm3(Shape::Vectors.minus3(one[:at], other[:at]))
        apart + other[:radius] <= one[:radius] * 1.1
      end

      # @return [Array<Numo::Int32>] the rows of the clusters with the largest errors
      def worst_clusters(conn, errors)
        piece = clusters(conn)
        order = piece.sort_index
        counts = piece.bincount
        ends = Numo::Int32.cast(counts.cumsum)
        greatest = Numo::DFloat.zeros(counts.size)
        rising = errors.sort_index
        greatest[piece[rising]] = errors[rising]
        greatest.sort_index.reverse.to_a.first(MOST).map { |k| Numo::Int32.cast(order[(ends[k] - counts[k])...ends[k]]) }
      end

      # @return [Numo::Int32] the cluster of every element, of those that share nodes
      def clusters(conn)
        nodes, index = Algebra::Distinct.of(conn.flatten)
        owner = Numo::Int32.new(conn.shape[0], 1).seq + Numo::Int32.zeros(*conn.shape)
        Shape::Components.call(conn.shape[0] + nodes.size, owner.flatten, index.flatten + conn.shape[0])[0...conn.shape[0]].dup
      end

      # Its size by the smaller of its elements, not the smallest; of each by the middle one of its sides, as the depth of an
      # extrusion is divided by itself.
      def ball(corners, rows, worst, times, sides)
        at = corners[rows, true, true].dup
        sizes = middle_side(at, sides).sort
        size = sizes[sizes.size / 4] * times
        flat = at.reshape(at.shape[0] * at.shape[1], 3)
        middle = (flat.max(0) + flat.min(0)) / 2
        { at: middle.to_a, radius: Shape::Vectors.norm(flat - middle.reshape(1, 3)).max, size: size, error: worst[rows].max, cost: ((sizes / size)**grid.dimension).sum }
      end
    end
  end
end
