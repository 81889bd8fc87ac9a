# frozen_string_literal: true

module Lattice
  module Element
    # Integrals over faces of solids, sides of plane bodies and single nodes: shares of a
    # spread force, and pressure.
    class Surface
      # @param coordinates [Numo::DFloat] [k, m, 3]
      # @param measure [Float, :ring] depth of plane bodies (1 for solids), or the whole turn
      # @param kind [Kind, nil] of the pieces; nil for points
      def initialize(coordinates, measure, kind)
        @coordinates = coordinates
        @measure = measure
        @kind = kind
        @pieces, @nodes, = coordinates.shape
      end

      # @return [Numo::DFloat] [k, m] share of the area (or length) that goes with each node
      def shares
        return Numo::DFloat.ones(@pieces, 1) unless @kind

        sizes = line? ? tangents : normals
        (Numo::NMath.sqrt((sizes**2).sum(2)) * weights).dot(values)
      end

      # @return [Numo::DFloat] [k, m, m] ∫ Nᵢ Nⱼ
      def products
        sizes = Numo::NMath.sqrt(((line? ? tangents : normals)**2).sum(2)) * weights
        pairs = (values.reshape(rule.size, @nodes, 1) * values.reshape(rule.size, 1, @nodes)).reshape(rule.size, @nodes**2)
        sizes.dot(pairs).reshape(@pieces, @nodes, @nodes)
      end

      # @return [Numo::DFloat] [k, m] the same, none of them negative: of each piece in proportion to ∫N²
      def lumped
        return shares unless @kind

        square = rule.weights.dot(values**2)
        shares.sum(1).reshape(@pieces, 1) * (square / square.sum).reshape(1, @nodes)
      end

      # @return [Numo::DFloat] [k, m, 3] nodal forces of a unit pressure onto the surface
      def pressed = tractions { |_, outward| -outward }

      # Nodal forces of a traction that may change from place to place.
      # @yield [Numo::DFloat, Numo::DFloat] [q, 3] points, and outward units there
      # @yieldreturn [Numo::DFloat] [q, 3] N/m²
      # @return [Numo::DFloat] [k, m, 3]
      def tractions
        outward = line? ? right_of(tangents) : normals
        size = Numo::NMath.sqrt((outward**2).sum(2))
        units = outward / size.reshape(@pieces, rule.size, 1)
        traction = yield(product(values).reshape(@pieces * rule.size, 3), units.reshape(@pieces * rule.size, 3)).reshape(@pieces, rule.size, 3)
        amount = size * weights
        Numo::DFloat.zeros(@pieces, @nodes, 3).tap { |all| 3.times { |c| all[true, true, c] = (traction[true, true, c] * amount).dot(values) } }
      end

      # How the nodal forces of a pressure that stays across the surface change as its nodes move: -p Nᵢ ∂n/∂xⱼ. K. Schweizerhof, E. Ramm,
      # Displacement dependent pressure loads in nonlinear finite element analyses, 1984.
      # @param pressure [Numo::DFloat] [k, g] Pa
      # @return [Numo::DFloat] [k, 3 m, 3 m]
      def pressed_along(pressure)
        rates = @kind.gradients(rule.points)
        amounts = pressure * weights * -1
        turned = line? ? across(rates[true, true, 0].dup) : crossing(rates)
        sums = (0...rule.size).map do |g|
          each = turned[true, g, true, true, true].dup * amounts[true, g].reshape(@pieces, 1, 1, 1)
          values[g, true].reshape(1, @nodes, 1, 1, 1) * each.reshape(@pieces, 1, @nodes, 3, 3)
        end
        sums.reduce(:+).transpose(0, 1, 3, 2, 4).dup.reshape(@pieces, @nodes * 3, @nodes * 3)
      end

      # @return [Numo::DFloat] [k, g, 3] the points at which it is summed up
      def points = product(values)

      # @return [Numo::DFloat] [k, m, 3] outward directions at the nodes, as long as the piece is large there
      def nodal_normals
        at = @kind.gradients(@kind.nodes_at)
        line? ? right_of(product(at[true, true, 0].dup)) : crossed(*[0, 1].map { |c| product(at[true, true, c].dup) })
      end

      private

      def line? = @kind.dimension == 1
      def rule = @kind.stiffness_rule
      def values = @values ||= @kind.values(rule.points)

      # [k, g] or [1, g]
      def weights
        plain = rule.weights.reshape(1, rule.size)
        @measure == :ring ? product(values)[true, true, 0] * (2 * Math::PI) * plain : plain * @measure
      end

      # [k, g, 3] along a line, as long as the length it stands for
      def tangents = product(@kind.gradients(rule.points)[true, true, 0].dup)

      # ∂n/∂xⱼ of a line: a quarter turn of Nⱼ' [k, g, m, 3, 3]
      def across(rates)
        Numo::DFloat.zeros(@pieces, rule.size, @nodes, 3, 3).tap do |all|
          all[true, true, true, 0, 1] = rates.reshape(1, rule.size, @nodes)
          all[true, true, true, 1, 0] = rates.reshape(1, rule.size, @nodes) * -1
        end
      end

      # ∂n/∂xⱼ of a face: [a]× Nⱼ,η - [b]× Nⱼ,ξ with a and b along ξ and η [k, g, m, 3, 3]
      def crossing(rates)
        one, other = [0, 1].map { |c| Shape::Vectors.crossing(product(rates[true, true, c].dup).reshape(@pieces * rule.size, 3)).reshape(@pieces, rule.size, 1, 3, 3) }
        along = [0, 1].map { |c| rates[true, true, c].reshape(1, rule.size, @nodes, 1, 1) }
        (one * along[1]) - (other * along[0])
      end

      # The border of a plane body runs counter-clockwise: outward is to the right.
      def right_of(tangent)
        Numo::DFloat.zeros(tangent.shape).tap do |normal|
          normal[true, true, 0] = tangent[true, true, 1]
          normal[true, true, 1] = -tangent[true, true, 0]
        end
      end

      # [k, g, 3] outward of a face, as long as the area it stands for
      def normals
        gradients = @kind.gradients(rule.points)
        crossed(*[0, 1].map { |k| product(gradients[true, true, k].dup) })
      end

      def crossed(a, b)
        normal = Numo::DFloat.zeros(a.shape)
        3.times do |c|
          i = (c + 1) % 3
          j = (c + 2) % 3
          normal[true, true, c] = (a[true, true, i] * b[true, true, j]) - (a[true, true, j] * b[true, true, i])
        end
        normal
      end

      # @param table [Numo::DFloat] [g, m]
      # @return [Numo::DFloat] [k, g, 3] the table applied to the coordinates
      def product(table)
        flat = @coordinates.transpose(1, 0, 2).reshape(@nodes, @pieces * 3)
        table.dot(flat).reshape(table.shape[0], @pieces, 3).transpose(1, 0, 2).dup
      end
    end
  end
end
