# frozen_string_literal: true

module Lattice
  module Mesh
    # Mends a mesh that was read: nodes nearer to each other than a tolerance become one where
    # that is asked for, elements that lose a side by it go, and faces that run against their
    # neighbours are turned. What is found and left is reported.
    class Mending
      SAME = 1e-9 # of the size: nodes no farther apart are at one place
      TURNED = { tri3: [0, 2, 1], tri6: [0, 2, 1, 5, 4, 3], quad4: [0, 3, 2, 1], quad8: [0, 3, 2, 1, 7, 6, 5, 4] }.freeze

      # grid: as mended; report: nodes_merged, elements_dropped, turned; and what is left:
      # duplicate_nodes, free_sides and free_at, a place of one (m)
      attr_reader :grid, :report

      # @param grid [Grid]
      # @param merge [Float, nil] m
      def initialize(grid, merge: nil)
        @grid = grid
        @report = {}
        merge_nodes(merge) if merge
        turn
        count_left
      end

      private

      def merge_nodes(tolerance)
        nodes, rank = Shape::NearPoints.call(@grid.nodes, tolerance)
        renumber = ->(conn) { rank[conn.flatten].reshape(*conn.shape).dup }
        blocks = @grid.blocks.filter_map { |b| whole(Block.new(b.kind, b.body, renumber[b.conn])) }
        @report.merge!(nodes_merged: @grid.nodes.shape[0] - nodes.shape[0], elements_dropped: @grid.size - blocks.sum(&:size))
        raise InvalidInput.at("no element is left when nodes within #{Quantity::Display.format(tolerance, 'length')} become one", cure: "Choose a smaller distance.") if blocks.empty?

        rebuild(blocks, nodes, @grid.places.transform_values(&renumber))
      end

      def rebuild(blocks, nodes = @grid.nodes, places = @grid.places)
        @grid = Grid.new(nodes: nodes, blocks: blocks, places: places, dimension: @grid.dimension, order: @grid.order)
      end

      # @return [Block, nil] the elements none of whose nodes fell together
      def whole(block)
        sorted = block.conn.sort(1)
        kept = (0...(sorted.shape[1] - 1)).map { |k| sorted[true, k].ne(sorted[true, k + 1]) }.reduce(:&).where
        kept.empty? ? nil : Block.new(block.kind, block.body, block.conn[kept, true].dup)
      end

      # The sides of faces, in the order of the blocks: which side, whose, and which way.
      def sides
        @faces = @grid.blocks.select { |b| Element::Kind[b.kind].dimension == 2 }
        return if @faces.empty?

        ends = @faces.map { |b| [b.conn, Element::Kind[b.kind].corners.then { |n| (0...n).map { |k| [k, (k + 1) % n] } }] }
        @pairs = Algebra::Pairs.new(ends)
        @side = joined(@faces.each_index.map { |i| @pairs.of(i).flatten.dup })
        @face = joined(@faces.each_with_index.map { |b, i| Algebra::Gather.repeat(Numo::Int32.new(b.size).seq(@faces[0...i].sum(&:size)), ends[i][1].size) })
        @forward = joined(ends.map { |conn, local| Numo::Int32.hstack(local.map { |i, j| Numo::Int32.cast(conn[true, i] < conn[true, j]).reshape(conn.shape[0], 1) }).flatten.dup })
      end

      def joined(lists) = lists.reduce { |a, b| a.concatenate(b) }

      def turn
        sides
        return if @faces.empty?

        counts = @side.bincount(minlength: @pairs.size)
        order = Numo::Int32.cast(@side.sort_index)
        twins = order[counts[@side[order]].eq(2).where].dup
        return if twins.empty?

        one, two = [0, 1].map { |k| twins.reshape(twins.size / 2, 2)[true, k].dup }
        against = Numo::Int32.cast(@forward[one].eq(@forward[two]))
        turned = Shape::OneWay.turned(@faces.sum(&:size), @face[one].dup, @face[two].dup, against)
        @report[:turned] = turned.count
        turn_rows(turned) if turned.any?
      end

      def turn_rows(turned)
        first = 0
        rebuild(@grid.blocks.map do |block|
          next block unless Element::Kind[block.kind].dimension == 2

          rows = turned[first...(first += block.size)].where
          next block if rows.empty?

          conn = block.conn.dup
          conn[rows, true] = conn[rows, TURNED.fetch(block.kind)].dup
          Block.new(block.kind, block.body, conn)
        end)
      end

      def count_left
        low = @grid.nodes.min(0)
        size = Math.sqrt(((@grid.nodes.max(0) - low)**2).sum)
        @report[:duplicate_nodes] = @grid.nodes.shape[0] - Shape::Weld.call(@grid.nodes, size * SAME)[0].shape[0]
        return if @faces.empty?

        free = Numo::Int32.cast(@side.bincount(minlength: @pairs.size).eq(1).where)
        @report[:free_sides] = free.size
        @report[:free_at] = @grid.nodes[@pairs.low[free[0]], true].to_a unless free.empty?
      end
    end
  end
end
