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
        pair = rank((sorted[true, 0] * (2**31)) + sorted[true, 1])
        triple = rank((pair * (2**31)) + sorted[true, 2])
        # Within a triple the least index comes first.
        order = ((triple * (2**31)) + Numo::Int64.new(triple.size).seq).sort_index
        ranked = triple[order].dup
        heads = Numo::Bit.ones(ranked.size)
        heads[1..] = ranked[1..].ne(ranked[0...-1]) if ranked.size > 1
        Numo::Bit.zeros(ranked.size).tap { |bits| bits[order[heads.where].dup] = 1 }
      end

      def rank(values) = Numo::Int64.cast(Algebra::Distinct.of(values)[1])
    end
  end
end
