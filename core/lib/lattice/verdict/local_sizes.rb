# frozen_string_literal: true

module Lattice
  module Verdict
    # Where a mesh should be finer, as balls with a size, so that the estimated error falls under a share of the peak.
    # The size follows from an error that falls with its square.
    class LocalSizes
      WITHIN = 0.02  # of the peak
      FINEST = 0.3   # of the size there is
      MOST = 12      # balls

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

        grid.blocks.each_index.flat_map { |b| balls(b, worst.filter_map { |w| w.jumps[b] }.reduce { |one, two| Numo::DFloat.maximum(one, two) }, peak) }
            .max_by(MOST) { |ball| ball[:error] }
      end

      private

      def grid = @result.grid

      # Elements of a block that are to be smaller, in clusters that share nodes.
      def balls(block, jumps, peak)
        return [] unless jumps

        corners = Algebra::Gather.rows(grid.nodes, grid.blocks[block].conn)
        # Of shells and members the jump at a fold is no error of the size.
        return [] if Element::Kind[grid.blocks[block].kind].dimension < grid.dimension

        worst = jumps.max(1)
        factor = Numo::NMath.sqrt(peak * @within / worst.clip(1e-30, nil)).clip(FINEST, 1.5)
        there = factor.lt(0.8).where
        return [] if there.empty?

        there = Numo::Int32.cast(there)
        worst_clusters(grid.blocks[block].conn[there, true].dup, worst[there].dup).map { |rows| ball(corners, there[rows].dup, worst, factor) }
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

      def ball(corners, rows, worst, factor)
        at = corners[rows, true, true].dup
        size = Shape::Vectors.norm(at.max(1) - at.min(1)) / Math.sqrt(grid.dimension)
        flat = at.reshape(at.shape[0] * at.shape[1], 3)
        middle = (flat.max(0) + flat.min(0)) / 2
        { at: middle.to_a, radius: Shape::Vectors.norm(flat - middle.reshape(1, 3)).max, size: (size * factor[rows]).min, error: worst[rows].max }
      end
    end
  end
end
