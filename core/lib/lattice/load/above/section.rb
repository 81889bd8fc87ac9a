# frozen_string_literal: true

module Lattice
  module Load
    module Above
      # How much of a block of a section lies above points, along y.
      class Section
        # @param grid [Mesh::Grid]
        # @param block [Mesh::Block]
        def initialize(grid, block)
          @from, @upto = border(grid, block)
        end

        # @param points [Numo::DFloat] [k, 3]
        # @return [Numo::DFloat] [k] m
        def call(points)
          k = points.shape[0]
          m = @from.shape[0]
          x, y = [0, 1].map { |c| points[true, c].dup.reshape(k, 1) }
          start, finish = [@from[true, 0], @upto[true, 0]].map { |v| v.dup.reshape(1, m) }
          level = @from[true, 1].dup.reshape(1, m)
          run = finish - start
          slope = (@upto[true, 1].dup.reshape(1, m) - level) / (run + Numo::DFloat.cast(run.eq(0)))
          height = level + (slope * (x - start)) - y
          over = ((start <= x) ^ (finish <= x)) & (height > 0)
          (Numo::DFloat.cast(over) * height * (Numo::DFloat.cast(run < 0) - Numo::DFloat.cast(run > 0))).sum(1)
        end

        private

        # Sides of elements that belong to no other of the block, their ground to the left.
        # @return [Array(Numo::DFloat, Numo::DFloat)] where they start and end, [m, 3]
        def border(grid, block)
          corners = Element::Kind[block.kind].corners
          pairs = (0...corners).map { |i| [i, (i + 1) % corners] }
          from, upto = [0, 1].map { |end_of| pairs.map { |pair| block.conn[true, pair[end_of]].dup }.reduce { |a, b| a.concatenate(b) } }
          count = grid.nodes.shape[0]
          _, index = Algebra::Distinct.of((Numo::Int64.cast(Numo::Int32.minimum(from, upto)) * count) + Numo::Int32.maximum(from, upto))
          alone = index.bincount(minlength: index.max + 1)[index].eq(1).where
          # Which way round elements go tells where the ground is.
          at = ->(nodes) { grid.nodes[nodes[alone], true].dup }
          clockwise?(grid, block) ? [at[upto], at[from]] : [at[from], at[upto]]
        end

        def clockwise?(grid, block)
          one, two, three = [0, 1, 2].map { |i| grid.nodes[block.conn[0, i], true] }
          (((two[0] - one[0]) * (three[1] - one[1])) - ((two[1] - one[1]) * (three[0] - one[0]))).negative?
        end
      end
    end
  end
end
