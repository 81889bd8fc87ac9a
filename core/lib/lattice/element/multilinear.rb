# frozen_string_literal: true

module Lattice
  module Element
    # Shape functions of the bilinear square and trilinear cube: one product of linear
    # factors a corner.
    module Multilinear
      include MultilinearTerms

      # @param points [Numo::DFloat] [g, dimension]
      # @return [Numo::DFloat] [g, n]
      def values(points)
        Numo::DFloat.vstack(self::NODES.to_a.map { |node| product(points, node) }).transpose.dup
      end

      # @return [Numo::DFloat] [g, n, dimension]
      def gradients(points)
        count, dimension = points.shape
        Numo::DFloat.zeros(count, self::NODES.shape[0], dimension).tap do |result|
          self::NODES.to_a.each_with_index do |node, n|
            dimension.times { |k| result[true, n, k] = product(points, node, except: k) * node[k] }
          end
        end
      end

      private

      def product(points, node, except: nil)
        (node.each_index.to_a - [except]).reduce(Numo::DFloat.zeros(points.shape[0]).fill(0.5**node.size)) do |p, k|
          p * ((points[true, k] * node[k]) + 1)
        end
      end
    end
  end
end
