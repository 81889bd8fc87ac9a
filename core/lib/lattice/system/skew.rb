# frozen_string_literal: true

module Lattice
  module System
    # What is held along directions that are no axes: n·u = value at nodes. At every node these rows, and the
    # axes held there, are solved for as many of its components as they decide, with full pivoting; those follow
    # the others. All nodes at once.
    class Skew
      # Directions nearer to each other than this count as one, as at the seam of two halves of a bore.
      SMALL = 0.05
      GROUPS = { slides: %i[x y z], turns: %i[rx ry rz] }.freeze

      # @param structure [Structure]
      def initialize(structure)
        @structure = structure
        @rows = { slides: [], turns: [] }
      end

      # @param condition [Load::Condition]
      # @param nodes [Numo::Int32] [k]
      # @param directions [Numo::DFloat] [k, 3] units
      # @param values [Numo::DFloat, nil] [k] m or rad, in the case of the condition; held in every case when left out
      # @param what [Symbol] :slides or :turns
      def hold(condition, nodes, directions, values: nil, what: :slides)
        there = GROUPS[what].map { |name| @structure.dofs.at(nodes, name) >= 0 }.reduce(:|).where
        return if there.empty?

        @rows[what] << [condition, nodes[there].dup, directions[there, true].dup, values && values[there].dup]
      end

      # Makes ties of what was collected.
      # @raise [InvalidInput] where two statements contradict each other
      def settle = @rows.each { |what, rows| settle_group(GROUPS[what], rows) unless rows.empty? }

      private

      def settle_group(names, rows)
        @names = names
        nodes, owner = Algebra::Distinct.of(rows.map { |r| r[1] }.reduce { |a, b| a.concatenate(b) })
        gather(nodes, owner, rows)
        eliminate
        contradicted!(rows)
        put
      end

      # @a [n·r, 3], @g [n·r, cases]: r rows of every node; those of the axes that are held there come first.
      def gather(nodes, owner, rows)
        @dofs = @names.map { |name| @structure.dofs.at(nodes, name) }
        rank = rank_of(owner)
        @r = 4 + rank.max
        @a = Numo::DFloat.zeros(nodes.size * @r, 3)
        @g = Numo::DFloat.zeros(nodes.size * @r, @structure.constraints.given.shape[0])
        @by = Numo::Int32.zeros(nodes.size * @r)
        @dofs.each_with_index { |numbers, c| held_rows(numbers, c) }
        at = 0
        rows.each_with_index do |(condition, own, directions, values), k|
          range = at...(at += own.size)
          fill((owner[range] * @r) + rank[range] + 3, directions, values, condition, k)
        end
        # What is absent cannot move.
        @dofs.each_with_index do |numbers, c|
          gone = Algebra::Gather.repeat(numbers, @r).lt(0).where
          @a[gone, c] = 0.0 unless gone.empty?
        end
      end

      # How many rows of the same node come before each.
      def rank_of(owner)
        order = owner.sort_index
        sorted = owner[order]
        first = Algebra::Search.first_not_below(sorted, sorted)
        Numo::Int32.zeros(owner.size).tap { |rank| rank[order] = Numo::Int32.new(owner.size).seq - first }
      end

      def held_rows(numbers, component)
        constraints = @structure.constraints
        held = Numo::Int8.zeros(@structure.dofs.size)
        already = constraints.held
        held[already] = 1 unless already.empty?
        there = (numbers >= 0).where
        return if there.empty?

        at = there[held[numbers[there]].ne(0).where]
        return if at.empty?

        rows = (Numo::Int32.cast(at) * @r) + component
        @a[rows, component] = 1.0
        @g.shape[1].times { |k| @g[rows, k] = constraints.given[k, numbers[at]] }
      end

      def fill(rows, directions, values, condition, number)
        @a[rows, true] = directions
        @by[rows] = number + 1
        @g[rows, @structure.problem.cases.index(condition.case_name)] = values if values
      end

      # Reduced rows; @pivot [n·3]: the row that decides a component, or -1.
      def eliminate
        n = @a.shape[0] / @r
        @pivot = Numo::Int32.zeros(n * 3).fill(-1)
        @used = Numo::DFloat.zeros(n * @r)
        taken = Numo::DFloat.zeros(n * 3)
        3.times do
          size = @a.abs.reshape(n, @r, 3) * (1 - @used).reshape(n, @r, 1) * (1 - taken).reshape(n, 1, 3)
          flat = size.reshape(n, @r * 3)
          go = Numo::Int32.cast((flat.max(1) > SMALL).where)
          break if go.empty?

          best = (Numo::Int32.cast(flat.max_index(axis: 1)) - (Numo::Int32.new(n).seq * (@r * 3)))[go].dup
          columns = best % 3
          pivot_on(go, (go * @r) + (best / 3), columns)
          taken[(go * 3) + columns] = 1.0
        end
      end

      # @param rows [Numo::Int32] of @a, one of every node
      def pivot_on(nodes, rows, columns)
        m = nodes.size
        size = @a.flatten[(rows * 3) + columns].reshape(m, 1)
        row = @a[rows, true] / size
        given = @g[rows, true] / size
        all = (Numo::Int32.zeros(m, @r) + (nodes * @r).reshape(m, 1) + Numo::Int32.new(@r).seq.reshape(1, @r)).flatten
        share = @a.flatten[(all * 3) + Algebra::Gather.repeat(columns, @r)].reshape(m * @r, 1)
        @a[all, true] = @a[all, true] - (share * spread(row))
        @g[all, true] = @g[all, true] - (share * spread(given))
        @a[rows, true] = row
        @g[rows, true] = given
        @used[rows] = 1.0
        @pivot[(nodes * 3) + columns] = rows
      end

      # Every row @r times.
      def spread(table) = (Numo::DFloat.zeros(table.shape[0], @r, table.shape[1]) + table.reshape(table.shape[0], 1, table.shape[1])).reshape(table.shape[0] * @r, table.shape[1])

      # A row of which nothing is left must leave nothing over.
      def contradicted!(rows)
        largest = [@g.abs.max, 1e-30].max
        off = ((@g.abs.max(1) > largest * 1e-9) & @used.eq(0)).where
        return if off.empty?

        number = @by[off].max
        condition = number.zero? ? rows[-1][0] : rows[number - 1][0]
        raise condition.statement.fault("it gives a motion another value where an earlier statement already holds it", path: "target", cure: "Change one of the two targets.")
      end

      def put
        3.times do |c|
          rows = @pivot.reshape(@pivot.size / 3, 3)[true, c].dup
          at = Numo::Int32.cast((rows >= 0).where)
          next if at.empty?

          factors = @a[rows[at], true] * -1
          factors[true, c] = 0.0
          others = Numo::Int32.zeros(at.size, 3).tap { |all| 3.times { |o| all[true, o] = @dofs[o][at] } }
          @structure.constraints.tie(@dofs[c][at].dup, others, factors, @g[rows[at], true].transpose.dup, by: self)
        end
      end
    end
  end
end
