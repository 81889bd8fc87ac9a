# frozen_string_literal: true

module Lattice
  module Element
    # What a continuum's material sees point by point.
    module Pointwise
      # Strains at the points of the stiffness as sums of the movements of the nodes, with those of the elements' own modes
      # as they follow the nodes while all is elastic.
      # @param range [Range] of elements
      # @return [Array(Numo::DFloat, Numo::DFloat)] [e, g, strains, n d], and volumes that go with the points [e, g]
      def operators(range, elasticity)
        rule = @kind.flow_rule
        mapping = mapping(range, rule)
        b = strain_operator(slopes(range, rule, mapping)).then { |all| all.reshape(range.size, rule.size, @form.terms.size, all.shape[2]) }
        return [b, volumes(mapping, rule)] unless modes?

        follows = condensed(range, couplings(elasticity)).followers
        more = Numo::Linalg.matmul(b[true, true, true, unknowns..].dup.reshape(range.size, rule.size * @form.terms.size, b.shape[3] - unknowns), follows)
        [b[true, true, true, 0...unknowns] + more.reshape(range.size, rule.size, @form.terms.size, unknowns), volumes(mapping, rule)]
      end

      # @return [Numo::DFloat] [n, g] what reads a field at the nodes from those points
      # @param free [Numo::DFloat] [e, n] strain at the nodes, the same in all directions
      # @return [Numo::DFloat] [e, g, rows] at the points through which it flows
      def free_at_points(free, poisson)
        at = at_points(free, @kind.flow_rule)
        at.reshape(*at.shape, 1) * @form.free_strain(poisson).reshape(1, 1, @form.free_strain(poisson).size)
      end

      def from_points = @kind.extrapolation(@kind.flow_rule)

      # @return [Numo::DFloat] [e, g, 3] where those points are
      def places_of_points(range)
        values = @kind.values(@kind.flow_rule.points)
        at = @coordinates[range, true, true].transpose(0, 2, 1).dup
        e, d, n = at.shape
        Numo::DFloat.zeros(e, values.shape[0], 3).tap { |all| all[true, true, 0...d] = at.reshape(e * d, n).dot(values.transpose).reshape(e, d, values.shape[0]).transpose(0, 2, 1) }
      end

      # @return [Numo::Int32] [n] the point of flow that is nearest to each node
      def nearest_points
        at = @kind.flow_rule.points
        Numo::Int32.cast(@kind.nodes_at.to_a.map { |node| ((at - Numo::DFloat.cast(node).reshape(1, node.size))**2).sum(1).min_index })
      end

      # Stress at the nodes, extrapolated from the stress points.
      # @return [Numo::DFloat] [e, n, 6]
      def nodal_stress(displacements, young, poisson, free = 0.0) = at_nodes(stress(displacements, young, poisson, free))

      # The same of many displacements.
      # @return [Array<Numo::DFloat>] [e, n, 6] each
      def nodal_stresses(list, young, poisson)
        strains(list, elasticity: @form.elasticity(young, poisson)).map { |strain| at_nodes(stress_of(strain, young, poisson)) }
      end

      # @param at_points [Numo::DFloat] [e, g, 6]
      # @return [Numo::DFloat] [e, n, 6]
      def at_nodes(at_points)
        points = at_points.shape[1]
        flat = at_points.transpose(1, 0, 2).reshape(points, elements * 6)
        @kind.extrapolation.dot(flat).reshape(@kind.nodes, elements, 6).transpose(1, 0, 2).dup
      end
    end
  end
end
