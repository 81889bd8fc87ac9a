# frozen_string_literal: true

module Lattice
  module Mesh
    # Quadrilaterals on one face, blended from the points of its sides and put back on it.
    # W. J. Gordon, C. A. Hall, Construction of curvilinear co-ordinate systems, 1973.
    class PatchGrid
      V = Shape::Vectors

      attr_reader :points, :quads

      # @param points [Numo::DFloat] [n, 3] of the whole surface
      # @param chains [Array<Numo::Int32>] nodes of the sides in order round the face, each
      #   with both ends; of a ring the two closed curves without the repeated end
      # @param size [Float] m, of elements across a ring
      # @yield [Numo::DFloat] points; answers the nearest ones on the face
      def initialize(points, chains, size, &on_face)
        @all = points
        @on_face = on_face
        @first = points.shape[0]
        @points = Numo::DFloat.zeros(0, 3)
        @quads = Numo::Int32.zeros(0, 4)
        case chains.size
        when 4 then four(chains)
        when 3 then three(chains)
        else ring(chains, size)
        end
      end

      # @return [Float] least scaled Jacobian
      def quality = Quality.quad_jacobian(Numo::DFloat.vstack([@all, @points]), @quads).min

      private

      # @return [Numo::Int32] the numbers of new points
      def add(places)
        return Numo::Int32.zeros(0) if places.empty?

        numbers = Numo::Int32.new(places.shape[0]).seq + @first + @points.shape[0]
        @points = @points.empty? ? @on_face.call(places) : Numo::DFloat.vstack([@points, @on_face.call(places)])
        numbers
      end

      # @param nodes [Numo::Int32, Array<Integer>] of the surface, or new ones
      def at(nodes)
        nodes = Numo::Int32.cast(nodes)
        Numo::DFloat.zeros(nodes.size, 3).tap do |places|
          [[nodes < @first, @all, 0], [nodes >= @first, @points, @first]].each do |mask, table, first|
            rows = mask.where
            places[rows, true] = table[(nodes[rows] - first).dup, true] unless rows.empty?
          end
        end
      end

      # @param chains [Array<Numo::Int32>] of four sides; opposite ones have as many nodes
      def four(chains)
        bottom, right, top, left = chains
        across = bottom.size - 1
        up = right.size - 1
        sides = chains.map { |c| at(c) }
        blend = Mapped.patch(*sides, sides.map { |s| shares(s) })
        number = Numo::Int32.zeros(up + 1, across + 1)
        inner = Numo::Bit.zeros(up + 1, across + 1)
        inner[1...-1, 1...-1] = 1 if up > 1 && across > 1
        rows = inner.flatten.where
        number[0, true] = bottom
        number[true, across] = right
        number[up, true] = top.reverse
        number[true, 0] = left.reverse
        number[1...-1, 1...-1] = add(blend[rows, true].dup).reshape(up - 1, across - 1) unless rows.empty?
        lay(number.flatten[Mapped.grid(across, up).flatten].reshape(across * up, 4))
      end

      # A centre joined to the middles of the sides makes three patches of four sides.
      def three(chains)
        half = (chains[0].size - 1) / 2
        middles = chains.map { |c| c[half] }
        centre = add(at(middles).mean(0).reshape(1, 3))[0]
        spokes = middles.map { |m| spoke(m, centre, half) }
        chains.each_index do |k|
          before = chains[k - 1]
          four([chains[k][0..half], spokes[k], spokes[k - 1].reverse, before[half..]])
        end
      end

      # @return [Numo::Int32] nodes of a line from one node to another
      def spoke(from, to, pieces)
        return Numo::Int32[from, to] if pieces == 1

        share = (Numo::DFloat.new(pieces - 1).seq + 1) / pieces
        a, b = at([from, to]).to_a
        inner = add(Numo::DFloat[a] + (share.reshape(pieces - 1, 1) * (Numo::DFloat[b] - Numo::DFloat[a])))
        Numo::Int32[from].concatenate(inner).concatenate(Numo::Int32[to])
      end

      def shares(points)
        steps = V.norm(points[1..-1, true] - points[0...-1, true])
        Numo::DFloat[0.0].concatenate(steps.cumsum / steps.sum)
      end

      # Between two closed curves, whose nodes are matched where they lie nearest.
      def ring(chains, size)
        one = chains[0]
        other = matched(at(one), chains[1])
        from = at(one)
        to = at(other)
        layers = [((V.norm(to - from).mean / size) - 1e-6).ceil, 1].max
        rows = [one, *(1...layers).map { |k| add(from + ((to - from) * (k.to_f / layers))) }, other]
        rows.each_cons(2) do |a, b|
          after = [a, b].map { |row| row[1..].concatenate(row[0..0]) }
          lay(Numo::Int32.vstack([a, after[0], after[1], b]).transpose.dup)
        end
      end

      # Turned, and run the other way if need be, to lie nearest to the points of the first.
      def matched(points, nodes)
        n = nodes.size
        [nodes, nodes.reverse].flat_map do |row|
          at_row = at(row)
          start = ((at_row - points[0, true].reshape(1, 3))**2).sum(1).min_index
          turn = (Numo::Int32.new(n).seq + start) % n
          [[V.norm(at_row[turn, true] - points).sum, row[turn].dup]]
        end.min_by(&:first)[1]
      end

      def lay(quads) = @quads = @quads.empty? ? quads : Numo::Int32.vstack([@quads, quads])
    end
  end
end
