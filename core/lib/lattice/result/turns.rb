# frozen_string_literal: true

module Lattice
  module Result
    # How far a linear answer turns: what shells and members turn at their nodes, and the mean turn of each other element, the skew
    # part of the affine movement that fits its nodes best. A linear answer grows by 1 / cos θ where it turns by θ: it holds for small turns.
    class Turns
      LARGE = 5 * Math::PI / 180 # rad, from which a study of large displacement differs by half a percent or so

      # @param result [Outcome]
      def initialize(result)
        @result = result
        @grid = result.grid
      end

      # @param frames [Array<Integer>]
      # @return [Hash, nil] angle, rad, where (at, m) and the frame that turns most; nil where nothing turns far
      def far(frames)
        worst = frames.map { |frame| greatest(frame).merge(frame: frame) }.max_by { |turn| turn[:angle] }
        worst if worst && worst[:angle] >= LARGE
      end

      # @param frame [Integer]
      # @return [Hash] angle, rad, and at, m
      def greatest(frame)
        moved = @result.displacement(frame)
        [of_nodes(frame), *@grid.blocks.filter_map { |block| of_block(block, moved) }].compact.max_by { |turn| turn[:angle] } || { angle: 0.0, at: nil }
      end

      private

      def of_nodes(frame)
        turned = @result.rotation(frame)
        return if turned.nil? || @grid.turning.empty?

        sizes = Shape::Vectors.norm(turned[@grid.turning, true].dup)
        most = sizes.max_index
        { angle: sizes[most], at: @grid.nodes[@grid.turning[most], true].to_a }
      end

      def of_block(block, moved)
        axes = Element::Kind[block.kind].dimension
        return if axes < @grid.dimension

        from, to = [@grid.nodes, moved].map { |table| centred(table[true, 0...axes], block.conn) }
        angles = skew(slopes(from, to))
        most = angles.max_index
        { angle: angles[most], at: @grid.nodes[block.conn[most, true], true].mean(0).to_a }
      end

      # [e, k, d] about the mean of each element's nodes
      def centred(table, conn)
        e, k = conn.shape
        all = table[conn.flatten, true].dup.reshape(e, k, table.shape[1])
        all - all.mean(1).reshape(e, 1, table.shape[1])
      end

      # [e, d, d] ∂u_j / ∂x_i by least squares
      def slopes(from, to)
        across = from.transpose(0, 2, 1).dup
        Numo::Linalg.inv(Numo::Linalg.matmul(across, from)).then { |inverse| Numo::Linalg.matmul(inverse, Numo::Linalg.matmul(across, to.dup)) }
      end

      # [e] size of half the curl
      def skew(slopes)
        d = slopes.shape[1]
        pairs = d == 3 ? [[1, 2], [2, 0], [0, 1]] : [[0, 1]]
        Numo::NMath.sqrt(pairs.map { |i, j| ((slopes[true, i, j] - slopes[true, j, i]) / 2)**2 }.reduce(:+))
      end
    end
  end
end
