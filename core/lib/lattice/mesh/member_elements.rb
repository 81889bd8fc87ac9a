# frozen_string_literal: true

module Lattice
  module Mesh
    # Which member every element of a block of lines belongs to, and which are the first and last of theirs.
    module MemberElements
      module_function

      # @param grid [Grid]
      # @param block [Block]
      # @return [Array<Array>] key of the member's edge, whether it is the first, whether the last; element by element
      def of(grid, block)
        at = block.conn[true, 0..1].to_a.each_with_index.to_h
        grid.places.each_with_object(Array.new(block.size)) do |(key, conn), found|
          next unless key[0] == block.body && grid.piece(key[0], conn)&.dimension == 1

          rows = conn[true, 0..1].to_a.map { |ends| at[ends] }
          rows.each_with_index { |row, i| found[row] = [key, i.zero?, i == rows.size - 1] if row }
        end
      end
    end
  end
end
