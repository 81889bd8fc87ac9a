# frozen_string_literal: true

module Lattice
  module Element
    # Where in its element a place of space lies: Gauss-Newton on the mapping, of many pairs at once; on faces and
    # lines the nearest place of them.
    module Inverse
      ROUNDS = 15

      module_function

      # @param kind [Kind]
      # @param at [Numo::DFloat] [k, n, 3] nodes of each element
      # @param wanted [Numo::DFloat] [k, 3]
      # @return [Numo::DFloat] [k, d]
      def call(kind, at, wanted)
        local = Numo::DFloat.zeros(wanted.shape[0], kind.dimension) + kind.nodes_at[0...kind.corners, true].mean(0).reshape(1, kind.dimension)
        open = Numo::Int32.new(wanted.shape[0]).seq
        x = at
        aim = wanted
        ROUNDS.times do
          own = local[open, true].dup
          step = step(kind, x, aim, own)
          local[open, true] = (own + step.clip(-1, 1)).clip(-3, 3)
          rest = Numo::Int32.cast((step.abs.max(1) >= 1e-13).where)
          break if rest.empty?
          next if rest.size == open.size

          open = open[rest].dup
          x = x[rest, true, true].dup
          aim = aim[rest, true].dup
        end
        local
      end

      # One step of Gauss and Newton: [k, d]
      def step(kind, at, wanted, local)
        values = kind.values(local)
        gradients = kind.gradients(local)
        off = wanted - (values.reshape(*values.shape, 1) * at).sum(1)
        slopes = (0...kind.dimension).map { |i| (at * gradients[true, true, i..i]).sum(1) }
        right = slopes.map { |s| (s * off).sum(1) }
        square = slopes.map { |s| slopes.map { |t| (s * t).sum(1) } }
        Numo::DFloat.vstack(solved(square, right)).transpose.dup
      end

      # Small symmetric systems by Cramer's rule, all at once.
      # @param m [Array<Array<Numo::DFloat>>] entries [k]
      # @param r [Array<Numo::DFloat>] right sides [k]
      def solved(m, r)
        tiny = m[0][0].abs.max * 1e-15
        m.each_index { |i| m[i][i] = m[i][i] + tiny }
        return [r[0] / m[0][0]] if r.size == 1

        if r.size == 2
          det = (m[0][0] * m[1][1]) - (m[0][1]**2)
          return [((m[1][1] * r[0]) - (m[0][1] * r[1])) / det, ((m[0][0] * r[1]) - (m[0][1] * r[0])) / det]
        end

        minors = [[1, 2], [2, 0], [0, 1]].map { |a, b| [[1, 2], [2, 0], [0, 1]].map { |c, d| (m[a][c] * m[b][d]) - (m[a][d] * m[b][c]) } }
        det = (0..2).map { |k| m[0][k] * minors[0][k] }.reduce(:+)
        (0..2).map { |i| (0..2).map { |k| minors[k][i] * r[k] }.reduce(:+) / det }
      end

      # How far beyond the reference element, in its own units; below zero within.
      # @param local [Numo::DFloat] [k, d]
      # @return [Numo::DFloat] [k]
      def outside(kind, local)
        c = (0...kind.dimension).map { |k| local[true, k].dup }
        case kind.name.to_s
        when /tri/ then largest(-c[0], -c[1], c.sum - 1)
        when /tet/ then largest(*c.map(&:-@), c.sum - 1)
        when /wedge/ then largest(-c[0], -c[1], c[0] + c[1] - 1, beyond(kind, c[2]))
        else largest(*c.map { |v| beyond(kind, v) })
        end
      end

      def largest(*lists) = lists.reduce { |a, b| Numo::DFloat.maximum(a, b) }

      # Along a direction whose ends the nodes tell.
      def beyond(kind, value)
        last = kind.nodes_at[true, kind.dimension - 1]
        Numo::DFloat.maximum(value - last.max, last.min - value)
      end

      # Of small symmetric matrices [k, d, d].
      def inverted(matrices)
        d = matrices.shape[1]
        return 1.0 / matrices if d == 1

        tiny = matrices[true, 0, 0].abs.max * 1e-15
        d.times { |i| matrices[true, i, i] = matrices[true, i, i] + tiny }
        Numo::Linalg.inv(matrices)
      end
    end
  end
end
