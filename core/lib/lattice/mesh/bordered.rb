# frozen_string_literal: true

module Lattice
  module Mesh
    # Edges of plane regions, turned so that what they bound lies to their left: outward is to the right of them.
    module Bordered
      module_function

      # @param places [Hash{Array(String, String) => Numo::Int32}] by body and name [m, k] nodes of pieces
      # @param blocks [Array<Block>]
      # @param nodes [Numo::DFloat] [n, 3]
      # @return [Hash] the same, with edges of regions turned
      def call(places, blocks, nodes)
        regions = blocks.select { |block| Element::Kind[block.kind].dimension == 2 }.group_by(&:body)
        sides = regions.transform_values { |own| Algebra::Gather.distinct(own.map { |block| running(block, nodes) }) }
        places.to_h { |key, conn| [key, edge?(conn) && sides[key[0]] ? turned(conn, sides[key[0]], nodes.shape[0]) : conn] }
      end

      # Sides of a block's elements that none of them shares.
      # @return [Array(Numo::Int64, Numo::Int64)] nodes where they start and end, the elements to their left
      def outer(block, nodes)
        keys = running(block, nodes)
        from = keys / nodes.shape[0]
        upto = keys % nodes.shape[0]
        alone = there(key(upto, from, nodes.shape[0]), Algebra::Gather.distinct([keys])).eq(0).where
        [from[alone].dup, upto[alone].dup]
      end

      def edge?(conn) = conn.ndim == 2 && conn.shape[1].between?(2, 3)

      # Sides of elements, counter-clockwise, as one number each.
      def running(block, nodes)
        corners = Element::Kind[block.kind].corners
        conn = block.conn
        at = nodes[conn[true, 0...corners].flatten, 0..1].reshape(conn.shape[0], corners, 2)
        sign = (0...corners).map { |i| ((i + 1) % corners).then { |j| (at[true, i, 0] * at[true, j, 1]) - (at[true, j, 0] * at[true, i, 1]) } }.reduce(:+)
        left = Numo::Int64.cast(sign > 0)
        keys = (0...corners).map do |i|
          from, upto = [i, (i + 1) % corners].map { |k| Numo::Int64.cast(conn[true, k]) }
          (key(from, upto, nodes.shape[0]) * left) + (key(upto, from, nodes.shape[0]) * (1 - left))
        end
        keys.reduce { |a, b| a.concatenate(b) }
      end

      # A piece with elements on both sides stays as it is.
      def turned(conn, sides, count)
        from, upto = [0, 1].map { |k| Numo::Int64.cast(conn[true, k]) }
        wrong = (there(key(from, upto, count), sides).eq(0) & there(key(upto, from, count), sides)).where
        return conn if wrong.empty?

        conn.dup.tap { |all| [[0, 1], [1, 0]].each { |put, take| all[wrong, put] = conn[wrong, take] } }
      end

      def key(from, upto, count) = (from * count) + upto

      def there(keys, sorted)
        place = Algebra::Search.first_not_below(sorted, keys).clip(0, sorted.size - 1)
        sorted[place].eq(keys)
      end
      private_class_method :edge?, :running, :turned, :key, :there
    end
  end
end
