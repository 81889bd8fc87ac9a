# frozen_string_literal: true

module Lattice
  module Shape
    # Makes points that lie within a tolerance of each other one.
    module Weld
      module_function

      # Points fall into cells of a grid four tolerances wide; so that no cell border
      # parts two that belong together, the grid is tried at all eight half shifts.
      #
      # @param points [Numo::DFloat] [n, d], d = 2 or 3
      # @param tolerance [Float] m
      # @return [Array(Numo::DFloat, Numo::Int32)] distinct points, and for each point its index in them
      def call(points, tolerance)
        index = Numo::Int32.new(points.shape[0]).seq
        return [points, index] if points.shape[0] < 2

        kept = points
        low = points.min(0)
        cell = [tolerance * 4, (points.max(0) - low).max / (2**20)].max
        return [points[0...1, true].dup, Numo::Int32.zeros(points.shape[0])] if cell.zero?

        (2**points.shape[1]).times do |shift|
          offset = (0...points.shape[1]).map { |k| shift[k] * 0.5 }
          first, rank = distinct(((kept - low) / cell) + Numo::DFloat[*offset])
          next if first.size == kept.shape[0]

          kept = kept[first, true].dup
          index = rank[index].dup
        end
        [kept, index]
      end

      # @return [Array(Numo::Int32, Numo::Int32)] the first row in each cell, and each row's rank
      def distinct(cells)
        whole = Numo::Int64.cast(cells.floor)
        key = (0...cells.shape[1]).reduce(Numo::Int64.zeros(cells.shape[0])) { |sum, k| (sum * (2**21)) + whole[true, k] }
        order = key.sort_index
        sorted = key[order].dup
        start = Numo::Int32.zeros(sorted.size)
        start[1..] = Numo::Int32.cast(sorted[1..].ne(sorted[0...-1])) if sorted.size > 1
        rank = Numo::Int32.zeros(sorted.size)
        rank[order] = start.cumsum
        heads = start.dup
        heads[0] = 1
        [Numo::Int32.cast(order[heads.ne(0).where].dup), rank]
      end
    end
  end
end
