# frozen_string_literal: true

module Lattice
  module System
    # Linear constraints u = T q + g, eliminated before the solve. Most rows of T are rows of the
    # identity or empty, so that reducing is selecting; rows that tie an unknown to others are multiplied out.
    # J. F. Abel, M. S. Shephard, An algorithm for multipoint constraints in finite element analysis, 1979.
    class Constraints
      SAME = 1e-12
      DEEPEST = 100 # links of a chain

      # @return [Numo::DFloat] [cases, unknowns] values of what is held, in every case
      attr_reader :given

      # @param unknowns [Integer] of the whole system
      # @param cases [Integer]
      def initialize(unknowns, cases = 1)
        @unknowns = unknowns
        @held = Numo::Int8.zeros(unknowns)
        @given = Numo::DFloat.zeros(cases, unknowns)
        @set = Numo::Int8.zeros(cases, unknowns)
        @offset = Numo::DFloat.zeros(cases, unknowns)
        @by = Numo::Int32.zeros(unknowns)
        @owners = [nil]
        @rows = []
      end

      # @param dofs [Numo::Int32] unknowns that take a value
      # @param value [Float, Numo::DFloat] for all, or one for each
      # @param in_case [Integer, nil] the case it is given in, in others they are held; nil gives it in all
      # @return [Numo::Int32] those that already had another value there
      def prescribe(dofs, value, in_case: nil)
        return dofs if dofs.empty?

        @held[dofs] = 1
        wanted = Numo::DFloat.zeros(dofs.size) + value
        clashes = (in_case ? [in_case] : (0...given.shape[0])).map do |k|
          clash = dofs[(@set[k, dofs].ne(0) & (given[k, dofs] - wanted).abs.gt(wanted.abs.clip(1.0, nil) * 1e-15)).where]
          @set[k, dofs] = 1
          given[k, dofs] = wanted
          clash
        end
        clashes.max_by(&:size)
      end

      # u[dof] = Σ factors · u[others] + offset, for many at once.
      # @param dofs [Numo::Int32] [k] different unknowns
      # @param others [Numo::Int32] [k, m]; -1 for none
      # @param factors [Numo::DFloat] [k, m]
      # @param offset [Numo::DFloat, nil] [cases, k]
      # @param by [Object] what ties them
      # @return [Numo::Int32] those that are held or tied already, and stay so
      def tie(dofs, others, factors, offset = nil, by: nil)
        m = others.shape[1]
        tie_entries(dofs, Algebra::Gather.repeat(dofs, m), others.flatten, factors.flatten, offset, by: by)
      end

      # The same with entries u[rows] += factors · u[others], in any order.
      # @param dofs [Numo::Int32] [k] different unknowns, the rows
      # @return [Numo::Int32] those that are held or tied already, and stay so
      def tie_entries(dofs, rows, others, factors, offset = nil, by: nil)
        return dofs if dofs.empty?

        open = (@held[dofs].eq(0) & @by[dofs].eq(0))
        fresh = open.where
        unless fresh.empty?
          @owners << by
          @by[dofs[fresh]] = @owners.size - 1
          @offset[true, dofs[fresh]] = offset[true, fresh] if offset
          lay(rows, others, factors, @owners.size - 1)
        end
        taken = open.eq(0).where
        taken.empty? ? Numo::Int32.zeros(0) : dofs[taken].dup
      end

      # @return [Object, nil] what ties an unknown
      def tied_by(dof) = @owners[@by[dof]]

      # @return [Numo::Int32] unknowns that others follow
      def leaders = @rows.empty? ? Numo::Int32.zeros(0) : Algebra::Gather.distinct([Numo::Int32.cast(table[1])])

      # @param marked [Numo::Int32] [unknowns] not zero for some
      # @return [Numo::Int32] unknowns that those follow
      def followed_of(marked)
        dofs, others, = table
        at = dofs.empty? ? dofs : marked[dofs].ne(0).where
        at.empty? ? Numo::Int32.zeros(0) : Algebra::Gather.distinct([Numo::Int32.cast(others[at])])
      end

      def held = @held.ne(0).where
      def tied = @by.ne(0).where
      def ties? = !@rows.empty? || @owners.size > 1

      def free
        open = @held.eq(0)
        open[tied] = 0 if ties?
        open.where
      end

      # @param matrix [Algebra::SymmetricMatrix]
      # @return [Algebra::SymmetricMatrix] Tᵀ K T
      def reduce(matrix)
        plain = select(matrix)
        return plain if !ties? || table[0].empty?

        transform = transform(false)
        product = transform(true).multiply(touched(matrix).multiply(transform), stype: -1)
        Algebra::Sparse.symmetric(plain).add(product).to_symmetric
      end

      # @param loads [Numo::DFloat] [cases, unknowns]
      # @return [Numo::DFloat] [cases, free] Tᵀ (f - K g)
      def reduce_load(matrix, loads)
        fixed = whole(given)
        loads -= matrix.dot(fixed) unless fixed.eq(0).all?
        reduce_loads(loads)
      end

      # Loads alone, without what is given: Tᵀ f
      # @param loads [Numo::DFloat] [k, unknowns]
      def reduce_loads(loads) = gathered(loads)[true, free].dup

      # Forces left over where joins tie unknowns, brought to those that they follow: what stays is what supports hold.
      # @param forces [Numo::DFloat] [unknowns]
      # @return [Numo::DFloat] [unknowns]
      def carried(forces)
        joins = @owners.each_index.select { |i| @owners[i].respond_to?(:joins?) && @owners[i].joins? }
        rows, others, factors = joined
        mine = rows.empty? || joins.empty? ? [] : joins.map { |i| @by[rows].eq(i) }.reduce(:|).where
        return forces if mine.empty?

        rows, others, factors = [rows, others, factors].map { |list| list[mine].dup }
        left = forces
        DEEPEST.times do
          break if left[rows].eq(0).all?

          moved = others.bincount(left[rows] * factors, minlength: @unknowns)
          left = left.dup.tap { |all| all[rows] = 0.0 } + moved
        end
        left
      end

      # Movements alone, without what is given: T q
      # @param reduced [Numo::DFloat] [k, free]
      def expand_movements(reduced)
        followed_by(Numo::DFloat.zeros(reduced.shape[0], @unknowns).tap { |u| u[true, free] = reduced unless reduced.empty? })
      end

      # @param reduced [Numo::DFloat] [cases, free]
      # @return [Numo::DFloat] [cases, unknowns] u = T q + g
      def expand(reduced)
        u = given.dup
        u[true, free] = reduced unless reduced.empty?
        whole(u)
      end

      private

      # Number of every unknown among the free; -1 for others.
      def number
        @number ||= begin
          open = free
          Numo::Int32.zeros(@unknowns).fill(-1).tap { |all| all[open] = Numo::Int32.new(open.size).seq unless open.empty? }
        end
      end

      # Selecting alone.
      def select(matrix)
        free = self.free
        return Algebra::SymmetricMatrix.new(Numo::Int64.zeros(1), Numo::Int32.zeros(0), Numo::DFloat.zeros(0)) if free.empty?

        columns = matrix.columns
        loose = Numo::Int8.cast(number >= 0)
        keep = (loose[matrix.rows] & loose[columns]).ne(0).where
        counts = columns[keep].bincount(minlength: @unknowns)[free]
        starts = Numo::Int64.zeros(free.size + 1)
        starts[1..] = counts.cumsum
        Algebra::SymmetricMatrix.new(starts, number[matrix.rows[keep]].dup, matrix.values[keep].dup)
      end

      # Entries of rows that are tied just now, without those that are none.
      def lay(rows, others, factors, owner)
        keep = ((others >= 0) & (factors.abs > SAME) & @by[rows].eq(owner)).where
        @table = @number = nil
        @rows << [rows, others, factors].map { |list| list[keep].dup } unless keep.empty?
      end

      # Ties as lists [k]: the tied unknown, another, and its factor; chains are followed to their ends, and their
      # offsets added up.
      def table
        @table ||= begin
          dofs, others, factors = plain = joined
          @whole_offset = @offset.dup
          (DEEPEST + 1).times do |round|
            next_ones = others.empty? ? [] : @by[others].ne(0).where
            break if next_ones.empty?

            circle!(dofs, others) if round == DEEPEST || dofs[next_ones].eq(others[next_ones]).any?
            dofs, others, factors = followed(dofs, others, factors, next_ones, plain)
          end
          [dofs, others, factors]
        end
      end

      # @return [Array] the first rows of all ties, one list after another
      def joined
        return [Numo::Int32.zeros(0), Numo::Int32.zeros(0), Numo::DFloat.zeros(0)] if @rows.empty?

        @rows.transpose.map { |lists| lists.reduce { |a, b| a.concatenate(b) } }
      end

      # Rows whose other is tied itself become one for each unknown that it follows.
      def followed(dofs, others, factors, at, plain)
        rest = @by[others].eq(0).where
        given.shape[0].times { |k| @whole_offset[k, true] += dofs[at].dup.bincount(@offset[k, others[at]] * factors[at], minlength: @unknowns) }
        kept = [dofs, others, factors].map { |list| rest.empty? ? list.class.zeros(0) : list[rest].dup }
        slot, entry = plain[0].empty? ? [[], []] : Algebra::Lists.new(plain[0], @unknowns).of(others[at].dup)
        return kept if entry.empty?

        made = [dofs[at][slot].dup, plain[1][entry].dup, factors[at][slot] * plain[2][entry]]
        kept[0].empty? ? made : kept.zip(made).map { |a, b| a.concatenate(b) }
      end

      def circle!(dofs, others)
        at = dofs.eq(others).where
        by = at.empty? ? nil : tied_by(dofs[at[0]])
        raise SolveFailed.new("unknowns follow each other in a circle", statement: by.respond_to?(:statement) ? by.statement.id : nil, cure: "Remove one of the links between them.")
      end

      # Tied unknowns from those they follow, and what is given them besides.
      def whole(vectors)
        return vectors unless ties?

        table
        followed_by(vectors.dup.tap { |u| u[true, tied] = 0.0 }).tap { |u| u[true, tied] = u[true, tied] + @whole_offset[true, tied] }
      end

      # Tied unknowns, which are zero, as those that they follow say.
      def followed_by(vectors)
        return vectors unless ties?

        dofs, others, factors = table
        moved = vectors.dup
        vectors.shape[0].times { |k| moved[k, true] += dofs.bincount(vectors[k, others] * factors, minlength: @unknowns) } unless dofs.empty?
        moved
      end

      # Forces on tied unknowns act on those they follow.
      def gathered(loads)
        return loads unless ties?

        dofs, others, factors = table
        return loads if dofs.empty?

        result = loads.dup
        loads.shape[0].times { |k| result[k, true] += others.bincount(loads[k, dofs] * factors, minlength: @unknowns) }
        result
      end

      # Entries of the matrix in the row or column of a tied unknown, as they are in it.
      def touched(matrix)
        mark = Numo::Int8.zeros(@unknowns)
        mark[tied] = 1
        at = (mark[matrix.rows] | mark[matrix.columns]).ne(0).where
        starts = Numo::Int64.zeros(@unknowns + 1)
        starts[1..] = matrix.columns[at].bincount(minlength: @unknowns).cumsum
        Algebra::Sparse.new(@unknowns, starts, matrix.rows[at].dup, matrix.values[at].dup, stype: -1)
      end

      # T [unknowns, free], or its transpose: rows of the identity, and those of the ties.
      def transform(transposed)
        dofs, others, factors = table
        keep = (number[others] >= 0).where
        open = free
        rows = Numo::Int32.cast(open)
        columns = Numo::Int32.new(open.size).seq
        values = Numo::DFloat.ones(open.size)
        unless keep.empty?
          own = merged(dofs[keep], number[others[keep]], factors[keep])
          rows, columns, values = [rows, columns, values].zip(own).map { |a, b| a.concatenate(b) }
        end
        transposed ? Algebra::Sparse.from_entries(columns, rows, values, open.size, @unknowns) : Algebra::Sparse.from_entries(rows, columns, values, @unknowns, open.size)
      end

      # Entries at one place as one.
      def merged(rows, columns, values)
        keys, index = Algebra::Distinct.of((Numo::Int64.cast(rows) * @unknowns) + columns)
        [Numo::Int32.cast(keys / @unknowns), Numo::Int32.cast(keys % @unknowns), index.bincount(values.dup, minlength: keys.size)]
      end
    end
  end
end
