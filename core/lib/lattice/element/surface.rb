# frozen_string_literal: true

module Lattice
  module Element
    # Integrals over faces of solids [k, 8 or 6 nodes], sides of plane bodies [k, 3]
    # and single nodes [k, 1]: shares of a spread force, and pressure.
    class Surface
      LINE = Rule.gauss(3, 1)

      # @param coordinates [Numo::DFloat] [k, m, 3]
      # @param measure [Float, :ring] depth of plane bodies (1 for solids), or the whole turn
      def initialize(coordinates, measure)
        @coordinates = coordinates
        @measure = measure
        @pieces, @nodes, = coordinates.shape
      end

      # @return [Numo::DFloat] [k, m] share of the area that goes with each node, m²
      def shares
        return Numo::DFloat.ones(@pieces, 1) if @nodes == 1

        values, normals, weights = sampled
        area = Numo::NMath.sqrt((normals**2).sum(2)) * weights
        area.dot(values)
      end

      # @return [Numo::DFloat] [k, m, 3] nodal forces of a unit pressure onto the surface
      def pressed
        values, normals, weights = sampled
        result = Numo::DFloat.zeros(@pieces, @nodes, 3)
        3.times { |c| result[true, true, c] = (normals[true, true, c] * weights).dot(values) * -1 }
        result
      end

      private

      # values [g, m], outward normals [k, g, 3] whose length is the area, weights [k, g]
      def sampled
        @nodes == 3 ? sampled_line : sampled_face
      end

      def sampled_line
        xi = LINE.points[true, 0]
        values = Numo::DFloat.vstack([xi * (xi - 1) / 2, xi * (xi + 1) / 2, 1 - (xi**2)]).transpose.dup
        slopes = Numo::DFloat.vstack([xi - 0.5, xi + 0.5, xi * -2]).transpose.dup
        tangent = product(slopes)
        normal = Numo::DFloat.zeros(tangent.shape)
        normal[true, true, 0] = tangent[true, true, 1]
        normal[true, true, 1] = -tangent[true, true, 0]
        [values, normal, LINE.weights.reshape(1, LINE.size) * depth(values)]
      end

      def sampled_face
        kind = Kind[@nodes == 8 ? :quad8 : :tri6]
        rule = kind.stiffness_rule
        gradients = kind.gradients(rule.points)
        a = product(gradients[true, true, 0].dup)
        b = product(gradients[true, true, 1].dup)
        normal = Numo::DFloat.zeros(a.shape)
        3.times do |c|
          i = (c + 1) % 3
          j = (c + 2) % 3
          normal[true, true, c] = (a[true, true, i] * b[true, true, j]) - (a[true, true, j] * b[true, true, i])
        end
        [kind.values(rule.points), normal, rule.weights.reshape(1, rule.size) * depth(nil)]
      end

      # @param table [Numo::DFloat] [g, m]
      # @return [Numo::DFloat] [k, g, 3] the table applied to the coordinates
      def product(table)
        flat = @coordinates.transpose(1, 0, 2).reshape(@nodes, @pieces * 3)
        table.dot(flat).reshape(table.shape[0], @pieces, 3).transpose(1, 0, 2).dup
      end

      def depth(values)
        return @measure unless @measure == :ring

        product(values)[true, true, 0] * (2 * Math::PI)
      end
    end
  end
end
