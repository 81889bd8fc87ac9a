# frozen_string_literal: true

module Lattice
  module Element
    # Shape functions of the quadratic serendipity square and cube.
    # O. C. Zienkiewicz, R. L. Taylor, The Finite Element Method.
    module Serendipity
      include MultilinearTerms

      # @param points [Numo::DFloat] [g, dimension]
      # @return [Numo::DFloat] [g, n]
      def values(points)
        columns = self::NODES.to_a.map { |node| node.include?(0.0) ? middle(points, node) : corner(points, node) }
        Numo::DFloat.vstack(columns).transpose.dup
      end

      # @return [Numo::DFloat] [g, n, dimension]
      def gradients(points)
        count, dimension = points.shape
        result = Numo::DFloat.zeros(count, self::NODES.shape[0], dimension)
        self::NODES.to_a.each_with_index do |node, n|
          dimension.times { |k| result[true, n, k] = node.include?(0.0) ? middle_slope(points, node, k) : corner_slope(points, node, k) }
        end
        result
      end

      private

      def factor(points, node, k)
        node[k].zero? ? 1 - (points[true, k]**2) : 1 + (points[true, k] * node[k])
      end

      def slope(points, node, k)
        node[k].zero? ? points[true, k] * -2 : Numo::DFloat.zeros(points.shape[0]).fill(node[k])
      end

      def product(points, node, scale, except: nil)
        (node.each_index.to_a - [except]).reduce(Numo::DFloat.zeros(points.shape[0]).fill(scale)) { |p, k| p * factor(points, node, k) }
      end

      def sum(points, node)
        node.each_index.sum { |k| points[true, k] * node[k] } - (node.size - 1)
      end

      def corner(points, node) = product(points, node, 0.5**node.size) * sum(points, node)

      def corner_slope(points, node, k)
        (product(points, node, 0.5**node.size, except: k) * node[k] * sum(points, node)) + (product(points, node, 0.5**node.size) * node[k])
      end

      def middle(points, node) = product(points, node, 0.5**(node.size - 1))
      def middle_slope(points, node, k) = product(points, node, 0.5**(node.size - 1), except: k) * slope(points, node, k)
    end
  end
end
