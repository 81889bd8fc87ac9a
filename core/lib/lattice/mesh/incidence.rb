# frozen_string_literal: true

module Lattice
  module Mesh
    # Which elements meet at each node.
    module Incidence
      module_function

      # @param conn [Numo::Int32] [e, k]
      # @param nodes [Integer]
      # @return [Numo::Int32] [nodes, most]; rows are filled up with e, one past the last element
      def padded(conn, nodes)
        e, k = conn.shape
        flat = conn.flatten
        order = flat.sort_index
        owner = order / k
        counts = flat.bincount(minlength: nodes)
        first = counts.cumsum - counts
        table = Numo::Int32.zeros(nodes, counts.max).fill(e)
        rank = Numo::Int32.new(flat.size).seq - first[flat[order]]
        table[(flat[order] * counts.max) + rank] = owner
        table
      end
    end
  end
end
