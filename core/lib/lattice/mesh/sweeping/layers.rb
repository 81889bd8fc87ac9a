# frozen_string_literal: true

module Lattice
  module Mesh
    module Sweeping
      # A mesh of eight-node quadrilaterals or six-node triangles, swept through stations into
      # layers of 20-node bricks or 15-node wedges.
      class Layers
        attr_reader :nodes, :elements

        # @param flat [Numo::Int32] [q, 8 or 6]
        # @return [Numo::Int32] the same, seen from the other side
        def self.turned(flat) = flat[true, flat.shape[1] == 8 ? [0, 3, 2, 1, 7, 6, 5, 4] : [0, 2, 1, 5, 4, 3]].dup

        # @param count [Integer] nodes of the flat elements
        # @param flat [Numo::Int32] [q, 8 or 6] seen from the end counter-clockwise
        # @param layers [Integer]
        # @param closed [Boolean] whether the last station is the first again
        # @yield [Float] layers from the start, whole or halves; answers where all nodes are then, [count, 3]
        def initialize(count, flat, layers, closed: false, &station)
          @flat = flat
          @corners = flat.shape[1] / 2
          @layers = layers
          @closed = closed
          @full = count
          number
          lay_nodes(station)
          lay_elements
        end

        def kind = @corners == 4 ? :hex20 : :wedge15

        # @return [Numo::Int32] [q, 8 or 6] facing outward, at the start or the end
        def cap(top:) = top ? @flat + level(@layers) : Layers.turned(@flat)

        # @param line [Numo::Int32] [k, 3] of the flat elements
        # @return [Numo::Int32] [k * layers, 8] facing outward
        def wall(line)
          Numo::Int32.vstack((0...@layers).map do |layer|
            a, b, mid = [0, 1, 2].map { |k| line[true, k].dup }
            low = level(layer)
            high = level(layer + 1)
            columns = [a + low, b + low, b + high, a + high, mid + low, between(b, layer), mid + high, between(a, layer)]
            Numo::Int32.vstack(columns).transpose
          end)
        end

        # @return [Numo::Int32] [k, 3] a line of the flat elements at the start or the end
        def rim(line, top:) = top ? line + level(@layers) : line

        # @return [Numo::Int32] [layers, 3] the line that a corner node makes
        def upright(node)
          rows = (0...@layers).map { |l| [node + level(l), node + level(l + 1), between(Numo::Int32[node], l)[0]] }
          Numo::Int32.cast(rows)
        end

        def corner(node, top:) = top ? node + level(@layers) : node

        private

        # Full levels carry every node, levels between only the corners.
        def number
          @between = Algebra::Gather.distinct([@flat[true, 0...@corners]])
          @rank = Numo::Int32.zeros(@full)
          @rank[@between] = Numo::Int32.new(@between.size).seq
          @stride = @full + @between.size
        end

        def level(layer) = @closed && layer == @layers ? 0 : layer * @stride
        def between(nodes, layer) = @rank[nodes].dup + (layer * @stride) + @full

        def lay_nodes(station)
          last = @closed ? @layers - 1 : @layers
          @nodes = Numo::DFloat.vstack((0..last).flat_map do |l|
            full = station.call(l.to_f)
            l == @layers ? [full] : [full, station.call(l + 0.5)[@between, true].dup]
          end)
        end

        def lay_elements
          ends = 0...@corners
          middles = @corners...(2 * @corners)
          @elements = Numo::Int32.vstack((0...@layers).map do |l|
            low = @flat + level(l)
            high = @flat + level(l + 1)
            sides = between(@flat[true, ends].flatten.dup, l).reshape(@flat.shape[0], @corners)
            Numo::Int32.hstack([low[true, ends], high[true, ends], low[true, middles], high[true, middles], sides])
          end)
        end
      end
    end
  end
end
