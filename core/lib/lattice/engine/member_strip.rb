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
        # Where one element goes on from the one before.
        @whole = conn.shape[0] < 2 ? [] : conn[0...-1, 1].eq(conn[1.., 0]).where
      end

      # @return [Hash] see Strip#about
      def about
        along = [0.0, *@lengths.cumsum.to_a]
        from, upto = [@ends[0, 0, true], @ends[-1, 1, true]].map(&:to_a)
        along, from, upto = [along.reverse.map { |at| along.last - at }, upto, from] if @back
        { name: name, along: along, length: along.last, from: from, upto: upto }
      end

      # @see Strip#told
      def told(_part, _pose, ends) = read(ends)

      # @param ends [Numo::DFloat] [e, 2, 6] see Result::State
      # @return [Array] of the nodes along it axial force (pulled above zero), shear force and moment, N and N m; the mean of both sides
      def read(ends)
        first, last = [0, 1].map { |k| section(ends[true, k, true].dup) }
        count = @lengths.size
        rows = Numo::DFloat.zeros(count + 1, 3)
        rows[0...count, true] = first
        rows[count, true] = last[count - 1, true]
        rows[@whole + 1, true] = (last[@whole, true] + first[@whole + 1, true]) / 2 unless @whole.empty?
        return rows.to_a unless @back

        rows[true, 2] = rows[true, 2] * -1
        rows.reverse(0).to_a
      end

      private

      # What the part before a place bears from the part after it: [e, 3].
      def section(forces)
        across, about = [[1, 0], [4, 1]].map { |from, share| [0, 1].map { |i| forces[true, from + i] * @shares[(i * 2) + share] }.reduce(:+) }
        Numo::DFloat.hstack([forces[true, 0].dup, across, about].map { |v| v.reshape(v.size, 1) })
      end
    end
  end
end
