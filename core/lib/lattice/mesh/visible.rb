# frozen_string_literal: true

module Lattice
  module Mesh
    # What is seen of chosen elements, whole: their outer faces, each with the number of
    # its element. Corners are not shared, so that every face can have a colour of its own.
    class Visible
      # positions [v, 3]; elements [v] the number of the element of each corner; triangles
      # [t, 3]; sides [s, 2] of faces; count: elements chosen
      attr_reader :positions, :elements, :triangles, :sides, :count

      # @param grid [Grid]
      # @param chosen [Numo::Bit] one an element, in the order of the blocks (lines left out)
      def initialize(grid, chosen)
        @grid = grid
        @count = chosen.count
        number = 0
        @tables = { 3 => [], 4 => [] }
        grid.blocks.each do |block|
          kind = Element::Kind[block.kind]
          next if kind.dimension == 1

          rows = Numo::Int32.cast(chosen[number...(number + block.size)].where)
          collect(kind, block.conn, rows, number) unless rows.empty?
          number += block.size
        end
        lay
      end

      private

      def collect(kind, conn, rows, number)
        lists = kind.dimension == 2 ? [(0...kind.corners).to_a] : kind.faces
        lists.each do |face|
          table = Numo::Int32.zeros(rows.size, face.size + 1)
          face.each_with_index { |c, k| table[true, k] = conn[rows, c].dup }
          table[true, face.size] = rows + number
          @tables[face.size] << [table, kind.dimension == 3]
        end
      end

      def lay
        faces = @tables.transform_values { |list| list.empty? ? nil : outer(list) }.compact.reject { |_, t| t.empty? }
        first = 0
        positions = []
        elements = []
        triangles = []
        sides = []
        faces.each do |n, table|
          corners = table[true, 0...n].flatten.dup
          positions << @grid.nodes[corners, true]
          elements << Algebra::Gather.repeat(table[true, n].dup, n)
          base = (Numo::Int32.new(table.shape[0], 1).seq * n) + first
          (n == 3 ? [[0, 1, 2]] : [[0, 1, 2], [0, 2, 3]]).each { |t| triangles << (base + Numo::Int32[t]) }
          n.times { |k| sides << (base + Numo::Int32[[k, (k + 1) % n]]) }
          first += table.shape[0] * n
        end
        @positions = stack(positions, 3, Numo::DFloat)
        @elements = elements.reduce { |a, b| a.concatenate(b) } || Numo::Int32.zeros(0)
        @triangles = stack(triangles, 3, Numo::Int32)
        @sides = stack(sides, 2, Numo::Int32)
      end

      def stack(list, width, type) = list.empty? ? type.zeros(0, width) : type.vstack(list)

      # Faces of solids that no two chosen elements share, and all faces of plane elements.
      def outer(list)
        solid, flat = list.partition(&:last).map { |part| part.map(&:first) }
        kept = flat
        unless solid.empty?
          all = Numo::Int32.vstack(solid)
          alone = OuterFaces.alone(all[true, 0...-1].dup)
          kept += [all[alone, true]] unless alone.empty?
        end
        kept.empty? ? Numo::Int32.zeros(0, list[0][0].shape[1]) : Numo::Int32.vstack(kept)
      end
    end
  end
end
