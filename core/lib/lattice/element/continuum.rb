# frozen_string_literal: true

module Lattice
  module Element
    # Displacement elements on whole blocks: stiffness, body force, strain and stress.
    class Continuum
      include Conducting
      include Pointwise

      CHUNK = 500 # elements at a time, to keep the work in the cache

      FORMULATIONS = { "solid" => Solid, "plane stress" => PlaneStress, "plane strain" => PlaneStrain,
                       "axisymmetric" => Axisymmetric }.freeze

      # @param kind [Kind]
      # @param coordinates [Numo::DFloat] [e, n, 3]
      # @param make [String] a key of FORMULATIONS
      # @param thickness [Float] m, of plane blocks
      def initialize(kind, coordinates, make, thickness: 1.0)
        @kind = kind
        @form = FORMULATIONS.fetch(make)
        @thickness = thickness
        @coordinates = coordinates[true, true, 0...@form.dimension]
      end

      attr_reader :form

      def elements = @coordinates.shape[0]
      def unknowns = @kind.nodes * @form.dimension

      # With M_kl[a, b] = ∫ dN_a/dx_k dN_b/dx_l, a constant elasticity D gives
      # K_ij = Σ D[r, s] M_kl over the terms (i, k) of strain row r and (j, l) of row s:
      # one small product per element, whatever D is.
      #
      # @return [Numo::DFloat] [d, d, e, n, n]: for each pair of displacement components
      def stiffness(young, poisson)
        n = @kind.nodes
        result = Numo::DFloat.zeros(@form.dimension, @form.dimension, elements, n, n)
        couplings = couplings(@form.elasticity(young, poisson))
        in_chunks do |range|
          coupled(range, couplings) { |i, j, sum| result[i, j, range, true, true] = sum } unless modes?
          put_condensed(result, range, couplings) if modes?
        end
        result
      end

      # Nodal forces of a force per volume.
      # @param force [Numo::DFloat] [dimension] N/m³
      # @return [Numo::DFloat] [e, n, d]
      def body_force(force)
        shares = node_volumes
        result = Numo::DFloat.zeros(*shares.shape, @form.dimension)
        @form.dimension.times { |k| result[true, true, k] = shares * force[k] }
        result
      end

      # Forces at the nodes of a strain that is the same in all directions: ∫ Bᵀ D ε.
      # @param free [Numo::DFloat, nil] [e, n] the strain at the nodes; one everywhere when left out
      # @return [Numo::DFloat] [e, n, d]
      def swelling(young, poisson, free = nil)
        stress = @form.elasticity(young, poisson).dot(@form.free_strain(poisson))
        result = Numo::DFloat.zeros(elements, @kind.nodes, @form.dimension)
        in_chunks do |range|
          mapping = mapping(range, @kind.stiffness_rule)
          slopes = @form.slopes(mapping)
          weights = volumes(mapping, @kind.stiffness_rule)
          weights *= at_points(free[range, true].dup, @kind.stiffness_rule) if free
          weights = weights.reshape(range.size, @kind.stiffness_rule.size, 1)
          @form.terms.each_with_index do |terms, row|
            next if stress[row].zero?

            terms.each { |component, derivative| result[range, true, component] += (slopes[true, true, derivative, true] * weights).sum(1) * stress[row] }
          end
        end
        result
      end

      # Nodal forces of a force per volume that varies from place to place.
      # @yield [Numo::DFloat] places [k, 3]; answers N/m³ there [k, 3]
      # @return [Numo::DFloat] [e, n, d]
      def field_force
        d = @form.dimension
        result = Numo::DFloat.zeros(elements, @kind.nodes, d)
        in_chunks do |range|
          mapping = mapping(range, @kind.stiffness_rule)
          e, g, = mapping.positions.shape
          places = Numo::DFloat.zeros(e * g, 3).tap { |all| all[true, 0...d] = mapping.positions.reshape(e * g, d) }
          force = yield(places).reshape(e, g, 3)
          weights = volumes(mapping, @kind.stiffness_rule)
          d.times { |k| result[range, true, k] = (force[true, true, k] * weights).dot(mapping.values) }
        end
        result
      end

      # @return [Numo::DFloat] [e, n] the integral of each shape function, m³
      def node_volumes
        shares = Numo::DFloat.zeros(elements, @kind.nodes)
        in_chunks do |range|
          mapping = mapping(range, @kind.stiffness_rule)
          shares[range, true] = volumes(mapping, @kind.stiffness_rule).dot(mapping.values)
        end
        shares
      end

      # Points that integrate products of shape functions, where those of the stiffness are too few.
      MASS_RULES = { hex20: Rule.gauss(3, 3), tet10: Rule.tetrahedron_fine, tet4: Rule.tetrahedron(4), tri3: Rule.triangle(3), wedge6: Rule.prism(3, 2) }.freeze

      # @param density [Float] kg/m³
      # @return [Numo::DFloat] [d, d, e, n, n] consistent mass
      def mass(density)
        rule = MASS_RULES.fetch(@kind.name, @kind.stiffness_rule)
        values = @kind.values(rule.points)
        products = (values.reshape(rule.size, @kind.nodes, 1) * values.reshape(rule.size, 1, @kind.nodes)).reshape(rule.size, @kind.nodes**2)
        same_for_all { |range| (volumes(mapping(range, rule), rule) * density).dot(products).reshape(range.size, @kind.nodes, @kind.nodes) }
      end

      # What stress adds to the stiffness: ∫ ∇Nᵀ σ ∇N for each component.
      # @param u [Numo::DFloat] [e, n, d] that brings the stress
      # @return [Numo::DFloat] [d, d, e, n, n]
      def geometric(u, young, poisson, free = 0.0)
        rule = @kind.stiffness_rule
        stress = stress(u, young, poisson, free, rule)
        d = @form.dimension
        same_for_all do |range|
          map = mapping(range, rule)
          e, g, _, n = map.slopes.shape
          sigma = Numo::DFloat.zeros(e, g, d, d)
          TENSOR.each_with_index { |(i, j), row| sigma[true, true, i, j] = sigma[true, true, j, i] = stress[range, true, row] if j < d && i < d }
          weighted = map.slopes * volumes(map, rule).reshape(e, g, 1, 1)
          pressed = Numo::Linalg.matmul(sigma.reshape(e * g, d, d), weighted.reshape(e * g, d, n)).reshape(e, g * d, n)
          Numo::Linalg.matmul(map.slopes.reshape(e, g * d, n).transpose(0, 2, 1).dup, pressed)
        end
      end

      TENSOR = [[0, 0], [1, 1], [2, 2], [0, 1], [1, 2], [0, 2]].freeze

      # @return [Numo::DFloat] [e] m³
      def volumes_of_elements = node_volumes.sum(1)

      # @return [Float] least determinant over the stiffness points and the corners
      def least_determinant
        least = Float::INFINITY
        in_chunks { |range| least = [least, mapping(range, @kind.stiffness_rule).determinants.min].min }
        least
      end

      # Strains at the points of a rule.
      # @param displacements [Numo::DFloat] [e, n, d]
      # @return [Numo::DFloat] [e, g, strain components]
      def strain(displacements, rule = @kind.stress_rule, elasticity: nil) = strains([displacements], rule, elasticity: elasticity)[0]

      # The same of many displacements, by the same operators.
      # @param list [Array<Numo::DFloat>] [e, n, d] each
      # @return [Array<Numo::DFloat>]
      def strains(list, rule = @kind.stress_rule, elasticity: nil)
        rows = @form.terms.size
        results = list.map { Numo::DFloat.zeros(elements, rule.size, rows) }
        couplings = modes? && elasticity && couplings(elasticity)
        in_chunks do |range|
          inner = condensed(range, couplings) if couplings
          b = strain_operator(slopes(range, rule, modes: couplings && true))
          list.each_with_index do |displacements, k|
            u = displacements[range, true, true].reshape(range.size, unknowns)
            u = inner.whole(u) if inner
            results[k][range, true, true] = Numo::Linalg.matmul(b, u.reshape(*u.shape, 1)).reshape(range.size, rule.size, rows)
          end
        end
        results
      end

      # @param free [Float, Numo::DFloat] strain, the same in all directions, that brings no stress; at the nodes [e, n] where it varies
      # @return [Numo::DFloat] [e, g, 6]
      def stress(displacements, young, poisson, free = 0.0, rule = @kind.stress_rule)
        stress_of(strain(displacements, rule, elasticity: @form.elasticity(young, poisson)), young, poisson, free, rule)
      end

      # @param strain [Numo::DFloat] [e, g, strain components]
      # @return [Numo::DFloat] [e, g, 6]
      def stress_of(strain, young, poisson, free = 0.0, rule = @kind.stress_rule)
        free = at_points(free, rule) unless free.is_a?(Float)
        swollen = free.is_a?(Float) ? !free.zero? : true
        strain -= @form.free_strain(poisson).reshape(1, 1, strain.shape[2]) * (free.is_a?(Float) ? free : free.reshape(*free.shape, 1)) if swollen
        d = @form.elasticity(young, poisson)
        flat = strain.reshape(elements * rule.size, d.shape[0]).dot(d)
        full = @form.full_stress(flat.reshape(elements, rule.size, d.shape[0]), young, poisson)
        full[true, true, 2] -= free * young if @form.walled? && swollen
        full
      end

      private

      # What is given at nodes, at the points of a rule. Straight elements have one strain, and one of what is free.
      # @param table [Numo::DFloat] [e, n]
      # @return [Numo::DFloat] [e, g]
      def at_points(table, rule)
        return table.dot(@kind.values(rule.points).transpose) if @kind.quadratic?

        (table.sum(1) / table.shape[1]).reshape(table.shape[0], 1) + Numo::DFloat.zeros(table.shape[0], rule.size)
      end

      # @yield [Range] elements; answers [e, n, n]
      # @return [Numo::DFloat] [d, d, e, n, n] the same for every component, and nothing between them
      def same_for_all
        d = @form.dimension
        result = Numo::DFloat.zeros(d, d, elements, @kind.nodes, @kind.nodes)
        in_chunks { |range| yield(range).then { |part| d.times { |i| result[i, i, range, true, true] = part } } }
        result
      end

      def in_chunks
        (0...elements).step(CHUNK) { |first| yield first...[first + CHUNK, elements].min }
      end

      def mapping(range, rule) = Mapping.new(@kind, @coordinates[range, true, true], rule.points)

      # @return [Numo::DFloat] [e, g] volume that goes with each point
      def volumes(mapping, rule)
        mapping.determinants * rule.weights.reshape(1, rule.size) * @form.measure(mapping, @thickness)
      end

      # @return [Hash] displacement components (i, j) => { derivatives (k, l) => factor }
      def couplings(elasticity)
        result = Hash.new { |hash, key| hash[key] = Hash.new(0.0) }
        rows = @form.terms.each_index.to_a
        rows.product(rows).each do |r, s|
          next if elasticity[r, s].zero?

          @form.terms[r].product(@form.terms[s]).each { |(i, k), (j, l)| result[[i, j]][[k, l]] += elasticity[r, s] }
        end
        result
      end

      # Whether the element has modes of its own besides its nodes; in rings they would not pass constant strain.
      def modes? = IncompatibleModes::KINDS.include?(@kind.name) && @form != Axisymmetric

      # @return [Numo::DFloat] [e, g, derivatives, n], of the modes after the nodes
      def slopes(range, rule, mapping = mapping(range, rule), modes: modes?)
        plain = @form.slopes(mapping)
        modes ? plain.concatenate(IncompatibleModes.slopes(@kind, @coordinates[range, true, true].dup, mapping, rule.points), axis: 3) : plain
      end

      # @yield [Integer, Integer, Numo::DFloat] components i and j, and their part [e, n, n]
      def coupled(range, couplings)
        products = slope_products(range)
        couplings.each { |(i, j), terms| yield i, j, terms.map { |(k, l), factor| products[true, k, true, l, true] * factor }.reduce(:+) }
      end

      # @return [Algebra::Condensing] of node after node, and mode after mode, with their components
      def condensed(range, couplings)
        d = @form.dimension
        count = @kind.nodes + d
        all = Numo::DFloat.zeros(range.size, count, d, count, d)
        coupled(range, couplings) { |i, j, sum| all[true, true, i, true, j] = sum }
        Algebra::Condensing.new(all.reshape(range.size, count * d, count * d), unknowns)
      end

      def put_condensed(result, range, couplings)
        d = @form.dimension
        k = condensed(range, couplings).matrices.reshape(range.size, @kind.nodes, d, @kind.nodes, d)
        d.times { |i| d.times { |j| result[i, j, range, true, true] = k[true, true, i, true, j] } }
      end

      # @return [Numo::DFloat] [e, derivatives, n, derivatives, n]
      def slope_products(range)
        mapping = mapping(range, @kind.stiffness_rule)
        slopes = slopes(range, @kind.stiffness_rule, mapping)
        e, g, m, n = slopes.shape
        flat = slopes.reshape(e, g, m * n)
        weighted = flat * volumes(mapping, @kind.stiffness_rule).reshape(e, g, 1)
        Numo::Linalg.matmul(flat.transpose(0, 2, 1), weighted).reshape(e, m, n, m, n)
      end

      # @param slopes [Numo::DFloat] [e, g, derivatives, n]
      # @return [Numo::DFloat] [e, g rows, n d]
      def strain_operator(slopes)
        e, g, _, n = slopes.shape
        rows = @form.terms.size
        b = Numo::DFloat.zeros(e, g, rows, n, @form.dimension)
        @form.terms.each_with_index do |terms, row|
          terms.each { |component, derivative| b[true, true, row, true, component] = slopes[true, true, derivative, true] }
        end
        b.reshape(e, g * rows, n * @form.dimension)
      end
    end
  end
end
