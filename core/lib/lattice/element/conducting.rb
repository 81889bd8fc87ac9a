# frozen_string_literal: true

module Lattice
  module Element
    # What a scalar field of a continuum needs: products of slopes, and slopes at the nodes.
    module Conducting
      # @return [Numo::DFloat] [1, 1, e, n, n] ∫ ∇Nᵢ ∇Nⱼ, to be multiplied by the conductivity
      def conduction
        rule = @kind.stiffness_rule
        result = Numo::DFloat.zeros(1, 1, elements, @kind.nodes, @kind.nodes)
        in_chunks do |range|
          map = mapping(range, rule)
          e, g, d, n = map.slopes.shape
          flat = map.slopes.reshape(e, g * d, n)
          weighted = (map.slopes * volumes(map, rule).reshape(e, g, 1, 1)).reshape(e, g * d, n)
          result[0, 0, range, true, true] = Numo::Linalg.matmul(flat.transpose(0, 2, 1).dup, weighted)
        end
        result
      end

      # @param table [Numo::DFloat] [e, n]
      # @return [Numo::DFloat] [e, n, 3] its slope at the nodes, carried there from the stress points
      def nodal_slopes(table)
        rule = @kind.stress_rule
        found = Numo::DFloat.zeros(elements, rule.size, 3)
        in_chunks do |range|
          map = mapping(range, rule)
          e, g, d, n = map.slopes.shape
          found[range, true, 0...d] = Numo::Linalg.matmul(map.slopes.reshape(e, g * d, n), table[range, true].reshape(e, n, 1)).reshape(e, g, d)
        end
        flat = found.transpose(1, 0, 2).reshape(rule.size, elements * 3)
        @kind.extrapolation.dot(flat).reshape(@kind.nodes, elements, 3).transpose(1, 0, 2).dup
      end
    end
  end
end
