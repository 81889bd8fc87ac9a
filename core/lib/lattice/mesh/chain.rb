# frozen_string_literal: true

module Lattice
  module Mesh
    # The order of points along pieces of a line, which come in any order and direction.
    module Chain
      module_function

      # @param pieces [Numo::Int32] [n, 2], or [n, 3] with the middle last
      # @param nodes [Numo::DFloat] [p, 3] where they are, m; it begins at the end, or of a ring at the place, that comes first along x, y, z
      # @return [Array<Integer>, nil] the points in order, the first once more at the end of a ring; nil where they are not one line
      def call(pieces, nodes)
        rows = pieces.to_a
        meeting = Hash.new { |h, k| h[k] = [] }
        rows.each_with_index { |row, i| row.first(2).each { |point| meeting[point] << i } }
        return nil if rows.empty? || meeting.values.any? { |all| all.size > 2 }

        ends = meeting.select { |_, all| all.size == 1 }.keys
        from = (ends.empty? ? meeting.keys : ends).min_by { |p| nodes[p, true].to_a }
        walked = walk(rows, meeting, from)
        walked if walked.size == (rows.size * (rows[0].size - 1)) + 1
      end

      def walk(rows, meeting, from)
        left = rows.each_index.to_h { |i| [i, true] }
        order = [from]
        while (piece = meeting[order.last].find { |i| left.delete(i) })
          a, b, middle = rows[piece]
          order.push(*middle, order.last == a ? b : a)
        end
        order
      end
      private_class_method :walk
    end
  end
end
