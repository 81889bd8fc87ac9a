# frozen_string_literal: true

module Lattice
  module Mesh
    # Of which node of which element the nodes of faces are: of solids the one element behind a face, of shells and plane
    # bodies the element itself.
    class Owners
      # @param grid [Grid]
      def initialize(grid)
        @grid = grid
        @first = [0]
        grid.blocks.each { |block| @first << (@first.last + block.conn.size) }
        @bodies = {}
      end

      # @param body [String]
      # @param conn [Numo::Int32] [k, n] faces of it
      # @return [Numo::Int32] [k, n] in the list of all nodes of all elements, block after block
      def of(body, conn)
        corners = conn[true, 0...@grid.piece(body, conn).corners].dup
        keys, blocks, elements = sides(body, corners.shape[1])
        at = Algebra::Search.first_not_below(keys, OuterFaces.keys(corners)).clip(0, keys.size - 1)
        result = Numo::Int32.zeros(*conn.shape)
        blocks[at].to_a.uniq.each do |b|
          rows = Numo::Int32.cast(blocks[at].eq(b).where)
          result[rows, true] = local(@grid.blocks[b].conn, elements[at][rows].dup, conn[rows, true].dup) + @first[b]
        end
        result
      end

      private

      # Keys of all sides of a body with so many corners, ascending, and whose they are.
      def sides(body, corners)
        @bodies[[body, corners]] ||= begin
          found = @grid.blocks.each_with_index.select { |block, _| block.body == body }.flat_map { |block, b| sides_of(block, b, corners) }
          keys, blocks, elements = found.transpose.map { |parts| parts.reduce { |a, b| a.concatenate(b) } }
          order = Numo::Int32.cast(keys.sort_index)
          [keys, blocks, elements].map { |list| list[order].dup }
        end
      end

      def sides_of(block, number, corners)
        kind = Element::Kind[block.kind]
        faces = kind.dimension == 3 ? kind.faces : [(0...kind.corners).to_a]
        faces.select { |face| face.size == corners }.map do |face|
          [OuterFaces.keys(block.conn[true, face].dup), Numo::Int32.zeros(block.size).fill(number), Numo::Int32.new(block.size).seq]
        end
      end

      def local(conn, elements, wanted)
        own = conn[elements, true].dup
        width = conn.shape[1]
        result = (elements * width).reshape(elements.size, 1) + Numo::Int32.zeros(*wanted.shape)
        width.times { |n| result += Numo::Int32.cast(wanted.eq(own[true, n].reshape(elements.size, 1))) * n }
        result
      end
    end
  end
end
