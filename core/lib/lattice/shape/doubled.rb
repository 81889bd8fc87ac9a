# frozen_string_literal: true

module Lattice
  module Shape
    # Triangles that are there more than once, whichever way they run.
    module Doubled
      module_function

      # Ranks of side pairs and then of triples are packed, so that no number of points overflows a key.
      # @param triangles [Numo::Int32] [t, 3]
      # @return [Numo::Bit] [t] the first of all that lie on the same three points
      def first(triangles)
        sorted = Numo::Int64.cast(triangles.sort(1))
        pair = ranks((sorted[true, 0] * (2**31)) + sorted[true, 1])
        triple = ranks((pair * (2**31)) + sorted[true, 2])
        # Within a triple the least index comes first.
        order = ((triple * (2**31)) + Numo::Int64.new(triple.size).seq).sort_index
        ranked = triple[order].dup
        heads = Numo::Bit.ones(ranked.size)
        heads[1..] = ranked[1..].ne(ranked[0...-1]) if ranked.size > 1
        Numo::Bit.zeros(ranked.size).tap { |bits| bits[order[heads.where].dup] = 1 }
      end

      # @return [Numo::Int64] which of the distinct values, in rising order, each one is
      def ranks(values)
        order = values.sort_index
        sorted = values[order].dup
        steps = Numo::Int64.zeros(values.size)
        steps[1..] = Numo::Int64.cast(sorted[1..].ne(sorted[0...-1])) if sorted.size > 1
        Numo::Int64.zeros(values.size).tap { |rank| rank[order] = steps.cumsum }
      end
    end
  end
end
