# frozen_string_literal: true

module Lattice
  module System
    # Rows that make one side of a joint follow the other in the mean, weighted by dual functions, so that every node of the
    # dependent side has a row of its own and a constant stress crosses the joint whatever the meshes.
    # B. I. Wohlmuth, A mortar finite element method using dual spaces for the Lagrange multiplier, 2000. On quadratic
    # faces the functions are blended first, so that all weights are positive: at mid-sides 0.6 N, at corners N and 0.2 of
    # both neighbours (M. A. Puso, T. A. Laursen, J. Solberg, A segment-to-segment mortar contact method, 2008).
    class DualRows
      COVERED = 0.02 # least share of a face that counts
      MIDDLE = 0.6
      CORNER = 0.2

      # Entries of u[node] = Σ factor · u[other]
      Rows = Struct.new(:nodes, :others, :factors)

      # plain: rows of the blended functions; node_weight [nodes]: m² (or m) that goes with each; both once it was called
      attr_reader :plain, :node_weight

      # covered: m² (or m) of the dependent side that is joined; whole: of all of it
      attr_reader :covered, :whole

      # Rows of some pieces of one side over all of the other.
      # @param nodes [Numo::DFloat] [n, 3]
      # @param piece [Side::Pieces] that depend
      # @param other [Side]
      # @return [Array(DualRows, Array)] and the other's pieces that were met with their points; nil where nothing lies within reach
      def self.over(nodes, piece, other, reach)
        parts = other.pieces.map { |p| [p, Overlap.new(nodes, piece.conn, p.conn, [piece.kind, p.kind], reach).call] }.reject { |_, points| points.empty? }
        [new(parts.map(&:last), piece.conn, parts.map { |p, _| p.conn }, piece.kind, piece.sizes), parts] unless parts.empty?
      end

      # @param points [Array<Overlap::Points>] of one kind of other faces each
      # @param conn [Numo::Int32] [k, n] dependent faces
      # @param others [Array<Numo::Int32>] the others, kind by kind
      # @param kind [Element::Kind] of the dependent faces
      # @param sizes [Numo::DFloat] [k] their areas (or lengths)
      def initialize(points, conn, others, kind, sizes)
        @points = points
        @conn = conn
        @others = others
        @kind = kind
        @sizes = sizes
        @whole = sizes.sum
        @covered = points.sum { |p| p.weights.sum }
      end

      # @return [Rows]
      def call
        weighted = weighted_duals
        own = @points.each_with_index.map { |p, i| (@blended[i] * weights(p)).sum(1) * @counts[p.one].reshape(p.one.size, 1) }
        each = @points.each_with_index.map { |p, i| Numo::Linalg.matmul(weighted[i].transpose(0, 2, 1).dup, p.other_values) }
        @node_weight = nodes_of(@points).flatten.bincount(stacked(own).flatten, minlength: @conn.max + 1)
        rows = @plain = merged(*@points.each_index.map { |i| entries(i, each[i]) }.transpose.map { |lists| joined(lists) })
        @kind.quadratic? ? unblended(rows) : rows
      end

      # How the other side turns at each dependent node: of faces whose nodes turn the turns themselves, of others the turn of
      # their surface, from its slopes: (1 - n nᵀ / 2) Σ aᵅ × u,α, exact for rigid motions.
      # @param pieces [Array<Side::Pieces>] of the other side
      # @param at [Numo::DFloat] nodes [n, 3]
      # @param turns [Boolean]
      # @return [Array<Array>] for each axis lists of [dependent nodes, name of the unknown, others, factors]
      def turning(pieces, at, turns)
        # Of mid-sides their own rows alone: what is left of the arm once they follow their neighbours turns with all of it.
        return %i[rx ry rz].map { |name| [[@plain.nodes, name, @plain.others, @plain.factors]] } if turns

        weighted = weighted_duals
        tables = @points.each_with_index.map { |p, i| slopes(p, pieces[i], at, weighted[i]) }
        %w[x y z].each_index.map do |about|
          %i[x y z].each_with_index.map do |name, c|
            found = merged(*@points.each_index.map { |i| entries(i, tables[i][true, true, true, about, c].dup) }.transpose.map { |lists| joined(lists) })
            [found.nodes, name, found.others, found.factors]
          end
        end
      end

      # What a blended unknown of every dependent node is made of: its own, and at mid-sides less of both neighbours.
      # @return [Rows]
      def own
        mine = Algebra::Gather.distinct([@plain.nodes])
        return Rows.new(mine, mine.dup, Numo::DFloat.ones(mine.size)) unless @kind.quadratic?

        middle, *ends = middles
        rank = Numo::Int32.zeros(@conn.max + 1).fill(-1).tap { |all| all[middle] = Numo::Int32.new(middle.size).seq }
        at = (rank[mine] >= 0).where
        one = Numo::DFloat.ones(mine.size)
        return Rows.new(mine, mine.dup, one) if at.empty?

        one[at] = 1 / MIDDLE
        more = ends.map { |all| [mine[at].dup, all[rank[mine[at]]].dup, Numo::DFloat.zeros(at.size).fill(-CORNER / MIDDLE)] }
        Rows.new(*[[mine, mine.dup, one], *more].transpose.map { |lists| joined(lists) })
      end

      private

      def weights(points) = points.weights.reshape(*points.weights.shape, 1)
      def joined(lists) = lists.reduce { |a, b| a.concatenate(b) }
      def stacked(tables) = tables.reduce { |a, b| a.concatenate(b) }
      def nodes_of(points) = stacked(points.map { |p| @conn[p.one, true].dup })

      # Dual functions at all points, with the weights: [t, g, n] for every kind of other faces
      def weighted_duals
        @weighted_duals ||= begin
          @blended = @points.map { |p| blended(p.one_values) }
          factors = factors()
          @points.each_with_index.map { |p, i| Numo::Linalg.matmul(@blended[i], factors[p.one, true, true].transpose(0, 2, 1).dup) * weights(p) }
        end
      end

      # ∫ψ R [t, n, l, 3, 3]: how the turn about each axis follows from the movements of the others' nodes.
      def slopes(points, piece, at, weighted)
        t, g, l = points.other_values.shape
        x = Algebra::Gather.rows(at, piece.conn[Algebra::Gather.repeat(points.other, g), true].dup)
        where = (points.other_values.reshape(t * g, l, 1) * x).sum(1)
        surface, normal = Element::Slopes.call(piece.kind, x, Element::Inverse.call(piece.kind, x, where))
        weighed(turn_of(surface, normal).reshape(t, g, l * 9), weighted).reshape(t, weighted.shape[2], l, 3, 3)
      end

      # (1 - n nᵀ / 2) [c ×] for the surface gradient c of every shape function: [q, l, 3, 3]
      def turn_of(surface, normal)
        q, l, = surface.shape
        cross = Shape::Vectors.crossing(surface.reshape(q * l, 3)).reshape(q, l, 3, 3)
        along = (cross * normal.reshape(q, 1, 3, 1)).sum(2)
        cross - (normal.reshape(q, 1, 3, 1) * along.reshape(q, l, 1, 3) / 2)
      end

      def weighed(values, weighted) = Numo::Linalg.matmul(weighted.transpose(0, 2, 1).dup, values)

      # @param values [Numo::DFloat] [t, g, n]
      def blended(values)
        return values unless @kind.quadratic?

        result = values.dup
        @kind.edges.each do |a, b, middle|
          [a, b].each { |c| result[true, true, c] += values[true, true, middle] * CORNER }
          result[true, true, middle] = values[true, true, middle] * MIDDLE
        end
        result
      end

      # Of every face D M⁻¹ over what is covered of it: [k, n, n]
      def factors
        count = @sizes.size
        n = @conn.shape[1]
        products = Numo::DFloat.zeros(count, n * n)
        sums = Numo::DFloat.zeros(count, n)
        share = Numo::DFloat.zeros(count)
        @points.each_with_index do |p, i|
          t = p.one.size
          weighted = @blended[i] * weights(p)
          products += Algebra::Gather.sum(Numo::Linalg.matmul(weighted.transpose(0, 2, 1).dup, @blended[i]).reshape(t, 1, n * n), p.one.reshape(t, 1), count)
          sums += Algebra::Gather.sum(weighted.sum(1).reshape(t, 1, n), p.one.reshape(t, 1), count)
          share += p.one.bincount(p.weights.sum(1), minlength: count)
        end
        @counts = Numo::DFloat.cast(share > @sizes * COVERED)
        products = products.reshape(count, n, n)
        idle = @counts.eq(0).where
        products[idle, true, true] = Numo::DFloat.eye(n).reshape(1, n, n) + Numo::DFloat.zeros(idle.size, n, n) unless idle.empty?
        Numo::Linalg.inv(products) * (sums * @counts.reshape(count, 1)).reshape(count, n, 1)
      end

      # Pairs of nodes with what is between them, as lists.
      def entries(index, each)
        p = @points[index]
        t, m, l = each.shape
        nodes = (Numo::Int32.zeros(t, m, l) + @conn[p.one, true].reshape(t, m, 1)).flatten
        others = (Numo::Int32.zeros(t, m, l) + @others[index][p.other, true].reshape(t, 1, l)).flatten
        [nodes, others, each.flatten]
      end

      # Adds up what lies on the same pair of nodes, and divides by the weight of each dependent node.
      def merged(nodes, others, values)
        count = [@conn.max, *@others.map(&:max)].max + 1
        keys, index = Algebra::Distinct.of((Numo::Int64.cast(nodes) * count) + others)
        values = index.bincount(values, minlength: keys.size)
        node = Numo::Int32.cast(keys / count)
        weight = @node_weight[node].dup
        keep = ((weight > @node_weight.max * 1e-9) & (values.abs > 0)).where
        Rows.new(node[keep].dup, Numo::Int32.cast(keys[keep] % count), values[keep] / weight[keep])
      end

      # Nodes in the middle of sides, each once, and those at either end of them.
      # @return [Array<Numo::Int32>] three lists
      def middles
        @middles ||= begin
          all = @kind.edges.map { |a, b, middle| [middle, a, b].map { |c| @conn[true, c].dup } }.transpose.map { |lists| joined(lists) }
          found, index = Algebra::Distinct.of(all[0])
          first = Numo::Int32.zeros(found.size).tap { |f| f[index] = Numo::Int32.new(index.size).seq }
          [found, all[1][first].dup, all[2][first].dup]
        end
      end

      # u at a mid-side is 0.6 of its own row and 0.2 of each neighbour.
      def unblended(rows)
        middle, *ends = middles
        is_middle = Numo::Int8.zeros(@conn.max + 1).tap { |mark| mark[middle] = 1 }
        factors = rows.factors.dup
        at = is_middle[rows.nodes].ne(0).where
        return rows if at.empty?

        factors[at] = factors[at] * MIDDLE
        present = Numo::Int8.zeros(is_middle.size).tap { |mark| mark[rows.nodes] = 1 }
        some = present[middle].ne(0).where
        more = ends.map { |e| [middle[some].dup, e[some].dup, Numo::DFloat.zeros(some.size).fill(CORNER)] }
        Rows.new(*[[rows.nodes, rows.others, factors], *more].transpose.map { |lists| lists.reduce { |a, b| a.concatenate(b) } })
      end
    end
  end
end
