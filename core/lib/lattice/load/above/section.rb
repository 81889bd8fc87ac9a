# frozen_string_literal: true

module Lattice
  module Load
    module Above
      # How much of a block of a section lies above points, along y.
      class Section
        # @param grid [Mesh::Grid]
        # @param block [Mesh::Block]
        def initialize(grid, block)
          @from, @upto = Mesh::Bordered.outer(block, grid.nodes).map { |nodes| grid.nodes[nodes, true].dup }
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
      end
    end
  end
end
