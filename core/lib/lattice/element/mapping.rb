# frozen_string_literal: true

module Lattice
  module Element
    # Isoparametric mapping of a block at the points of a rule.
    # B. M. Irons, Engineering application of numerical integration in stiffness methods, 1966.
    class Mapping
      # inverse: dξ/dx [e, g] at [x][ξ]
      attr_reader :values, :slopes, :determinants, :positions, :inverse

      # @param kind [Kind]
      # @param coordinates [Numo::DFloat] [e, n, dimension]
      # @param points [Numo::DFloat] [g, dimension] in the reference element
      def initialize(kind, coordinates, points)
        @kind = kind
        @elements, @nodes, @dimension = coordinates.shape
        @values = kind.values(points)
        @count = points.shape[0]
        flat = coordinates.transpose(1, 0, 2).reshape(@nodes, @elements * @dimension)
        @positions = @values.dot(flat).reshape(@count, @elements, @dimension).transpose(1, 0, 2)
        differentiate(kind.gradients(points), flat)
      end

      private

      # slopes [e, g, dimension, n] = dN/dx; determinants [e, g]
      def differentiate(gradients, flat)
        d = @dimension
        jacobian = Array.new(d) { |i| gradients[true, true, i].dot(flat).reshape(@count, @elements, d) }
        j = jacobian.map { |row| Array.new(d) { |k| row[true, true, k].transpose.dup } }
        @determinants, @inverse = d == 2 ? inverse2(j) : inverse3(j)
        local = Array.new(d) { |i| gradients[true, true, i].reshape(1, @count, @nodes) }
        @slopes = Numo::DFloat.zeros(@elements, @count, d, @nodes)
        d.times do |x|
          @slopes[true, true, x, true] = (0...d).map { |i| @inverse[x][i].reshape(@elements, @count, 1) * local[i] }.reduce(:+)
        end
      end

      # @return determinant and inverse[x][i] = dxi_i / dx_x from j[i][x] = dx_x / dxi_i
      def inverse2(j)
        det = (j[0][0] * j[1][1]) - (j[0][1] * j[1][0])
        [det, [[j[1][1] / det, -j[0][1] / det], [-j[1][0] / det, j[0][0] / det]]]
      end

      def inverse3(j)
        minor = lambda do |i, k|
          a, b = [0, 1, 2] - [i]
          c, e = [0, 1, 2] - [k]
          ((j[a][c] * j[b][e]) - (j[a][e] * j[b][c])) * ((i + k).even? ? 1 : -1)
        end
        cofactors = Array.new(3) { |i| Array.new(3) { |k| minor.call(i, k) } }
        det = (0..2).map { |k| j[0][k] * cofactors[0][k] }.reduce(:+)
        [det, Array.new(3) { |x| Array.new(3) { |i| cofactors[i][x] / det } }]
      end
    end
  end
end
