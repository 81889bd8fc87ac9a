# frozen_string_literal: true

module Lattice
  module Mesh
    # Sweeps a plane quadratic mesh along z into layers of 20-node bricks.
    class Sweep
      attr_reader :nodes, :bricks

      # @param plane [Quadratic]
      # @param heights [Numo::DFloat] [layers + 1] m
      def initialize(plane, heights)
        @plane = plane
        @heights = heights
        @layers = heights.size - 1
        @full = plane.points.shape[0]
        number
        lay_nodes
        lay_bricks
      end

      # @return [Numo::Int32] [q, 8] facing outward, at the bottom or the top
      def cap(top:)
        quads = @plane.quads
        top ? quads + level(@layers) : quads[true, [0, 3, 2, 1, 7, 6, 5, 4]]
      end

      # @param line [Numo::Int32] [k, 3] of the plane mesh
      # @return [Numo::Int32] [k * layers, 8] facing outward
      def wall(line)
        Numo::Int32.vstack((0...@layers).map do |layer|
          a, b, mid = [0, 1, 2].map { |k| line[true, k] }
          low = level(layer)
          high = level(layer + 1)
          columns = [a + low, b + low, b + high, a + high, mid + low, between(b, layer), mid + high, between(a, layer)]
          Numo::Int32.vstack(columns).transpose
        end)
      end

      # @return [Numo::Int32] [k, 3] a line of the plane mesh at the bottom or top
      def rim(line, top:) = top ? line + level(@layers) : line

      # @return [Numo::Int32] [layers, 3] the line over a corner node of the plane mesh
      def upright(node)
        rows = (0...@layers).map { |l| [node + level(l), node + level(l + 1), between(Numo::Int32[node], l)[0]] }
        Numo::Int32.cast(rows)
      end

      def corner(node, top:) = top ? node + level(@layers) : node

      private

      # Full levels carry every plane node, levels between only the corners of quads.
      def number
        corners = Algebra::Gather.distinct([@plane.quads[true, 0..3]])
        @corners = corners
        @rank = Numo::Int32.zeros(@full)
        @rank[corners] = Numo::Int32.new(corners.size).seq
        @stride = @full + corners.size
      end

      def level(layer) = layer * @stride
      def between(nodes, layer) = @rank[nodes] + (layer * @stride) + @full

      def lay_nodes
        total = (@layers * @stride) + @full
        @nodes = Numo::DFloat.zeros(total, 3)
        (0..@layers).each do |l|
          range = level(l)...(level(l) + @full)
          @nodes[range, 0..1] = @plane.points
          @nodes[range, 2] = @heights[l]
          next if l == @layers

          range = (level(l) + @full)...level(l + 1)
          @nodes[range, 0..1] = @plane.points[@corners, true]
          @nodes[range, 2] = (@heights[l] + @heights[l + 1]) / 2
        end
      end

      def lay_bricks
        quads = @plane.quads
        @bricks = Numo::Int32.vstack((0...@layers).map do |l|
          low = quads + level(l)
          high = quads + level(l + 1)
          Numo::Int32.hstack([low[true, 0..3], high[true, 0..3], low[true, 4..7], high[true, 4..7], between(quads[true, 0..3], l)])
        end)
      end
    end
  end
end
