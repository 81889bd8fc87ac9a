# frozen_string_literal: true

module Lattice
  module Engine
    # Members in the plane of a section, such as a wall or a slab drawn as a line: axial force, shear force and bending moment along them, as of a
    # slender region (see Strip).
    class MemberStrip
      attr_reader :name

      # @param piece [Element::BeamPiece]
      # @param nodes [Numo::DFloat] [n, 3]
      def initialize(piece, nodes)
        @name = piece.body.name
        conn = piece.conn
        @ends = nodes[conn.flatten, true].reshape(conn.shape[0], 2, 3)
        run = @ends[true, 1, true] - @ends[true, 0, true]
        @lengths = Shape::Vectors.norm(run)
        along = Shape::Vectors.unit(run)
        across = Numo::DFloat.zeros(*along.shape).tap do |all|
          all[true, 0] = along[true, 1] * -1
          all[true, 1] = along[true, 0]
        end
        # What shear and moment in the principal axes are across it, and about z.
        @shares = [1, 2].map { |k| piece.axes[true, k, true].dup }.flat_map { |axis| [Shape::Vectors.dot(axis, across), axis[true, 2].dup] }
        # It runs to the right, or upward.
        @back = run.sum(0)[0..1].sum.negative?
        @whole = conn.shape[0] < 2 ? [] : conn[0...-1, 1].eq(conn[1.., 0]).where.to_a
      end

      # @return [Hash] see Strip#about
      def about
        along = [0.0, *@lengths.cumsum.to_a]
        from, upto = [@ends[0, 0, true], @ends[-1, 1, true]].map(&:to_a)
        along, from, upto = [along.reverse.map { |at| along.last - at }, upto, from] if @back
        { name: name, along: along, length: along.last, from: from, upto: upto }
      end

      # @param ends [Numo::DFloat] [e, 2, 6] see Result::State
      # @return [Array] of the nodes along it axial force (pulled above zero), shear force and moment, N and N m; the mean of both sides
      def read(ends)
        sections = [0, 1].map { |k| section(ends[true, k, true].dup) }
        count = @lengths.size
        rows = (0..count).map do |node|
          sides = [(sections[1][node - 1] if node.positive?), (sections[0][node] if node < count)].compact
          sides = sides.last(1) unless sides.size < 2 || @whole.include?(node - 1)
          sides.transpose.map { |values| values.sum / values.size }
        end
        @back ? rows.reverse.map { |pull, shear, moment| [pull, shear, -moment] } : rows
      end

      private

      # What the part before the node bears from the part after it.
      def section(forces)
        across = [1, 2].each_with_index.map { |k, i| forces[true, k] * @shares[i * 2] }.reduce(:+)
        about = [4, 5].each_with_index.map { |k, i| forces[true, k] * @shares[(i * 2) + 1] }.reduce(:+)
        [forces[true, 0].to_a, across.to_a, about.to_a].transpose
      end
    end
  end
end
