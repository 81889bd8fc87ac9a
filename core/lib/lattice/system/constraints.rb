# frozen_string_literal: true

module Lattice
  module System
    # Linear constraints u = T q + g, eliminated before the solve. Most rows of T are rows of the
    # identity or empty, so that reducing is selecting; rows that tie an unknown to others are multiplied out.
    # J. F. Abel, M. S. Shephard, An algorithm for multipoint constraints in finite element analysis, 1979.
    class Constraints
      SAME = 1e-12

      # @return [Numo::DFloat] [cases, unknowns] values of what is held, in every case
      attr_reader :given

      # @param unknowns [Integer] of the whole system
      # @param cases [Integer]
      def initialize(unknowns, cases = 1)
        @unknowns = unknowns
        @held = Numo::Int8.zeros(unknowns)
        @given = Numo::DFloat.zeros(cases, unknowns)
        @set = Numo::Int8.zeros(cases, unknowns)
        @ties = {}
      end

      # @param dofs [Numo::Int32] unknowns that take a value
      # @param value [Float]
      # @param in_case [Integer, nil] the case it is given in, in others they are held; nil gives it in all
      # @return [Numo::Int32] those that already had another value there
      def prescribe(dofs, value, in_case: nil)
        return dofs if dofs.empty?

        @held[dofs] = 1
        clashes = (in_case ? [in_case] : (0...given.shape[0])).map do |k|
          clash = dofs[(@set[k, dofs].ne(0) & (given[k, dofs] - value).abs.gt([value.abs, 1.0].max * 1e-15)).where]
          @set[k, dofs] = 1
          given[k, dofs] = value
          clash
        end
        clashes.max_by(&:size)
      end

      # u[dof] = Σ factors · u[others]
      # @param by [Object] the statement that ties them
      # @return [Object, nil] what already decides the unknown
      def tie(dof, others, factors, by: nil)
        return :held if @held[dof] == 1
        return @ties[dof][:by] || :tied if @ties.key?(dof)

        @ties[dof] = { terms: others.to_a.zip(factors.to_a).reject { |_, f| f.zero? }, by: by }
        @table = nil
      end

      def held = @held.ne(0).where
      def tied = Numo::Int32.cast(@ties.keys.sort)

      def free
        open = @held.eq(0)
        open[tied] = 0 unless @ties.empty?
        open.where
      end

      # @param matrix [Algebra::SymmetricMatrix]
      # @return [Algebra::SymmetricMatrix] Tᵀ K T
      def reduce(matrix)
        return select(matrix) if @ties.empty?

        columns = matrix.columns
        mark = Numo::Int8.zeros(@unknowns)
        mark[tied] = 1
        touched = (mark[matrix.rows] | mark[columns]).ne(0)
        plain = touched.eq(0).where
        multiplied = multiplied(matrix, columns, touched.where)
        rows, cols, values = [[matrix.rows[plain], columns[plain], matrix.values[plain]], multiplied].transpose.map { |a, b| a.dup.concatenate(b) }
        keep = (number[rows] >= 0) & (number[cols] >= 0)
        keep = keep.where
        Algebra::SymmetricMatrix.from_entries(number[rows[keep]].dup, number[cols[keep]].dup, values[keep].dup, free.size)
      end

      # @param loads [Numo::DFloat] [cases, unknowns]
      # @return [Numo::DFloat] [cases, free] Tᵀ (f - K g)
      def reduce_load(matrix, loads)
        fixed = whole(given)
        loads -= matrix.dot(fixed) unless fixed.eq(0).all?
        gathered(loads)[true, free].dup
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
        columns = matrix.columns
        loose = Numo::Int8.cast(@held.eq(0))
        keep = (loose[matrix.rows] & loose[columns]).ne(0).where
        counts = columns[keep].bincount(minlength: @unknowns)[free]
        starts = Numo::Int64.zeros(free.size + 1)
        starts[1..] = counts.cumsum
        Algebra::SymmetricMatrix.new(starts, number[matrix.rows[keep]].dup, matrix.values[keep].dup)
      end

      # Ties as lists [k]: the tied unknown, another, and its factor; chains are followed to their ends.
      def table
        @table ||= begin
          rows = @ties.keys.sort.flat_map { |dof| resolved(dof, []).map { |other, factor| [dof, other, factor] } }
          if rows.empty?
            [Numo::Int32.zeros(0), Numo::Int32.zeros(0), Numo::DFloat.zeros(0)]
          else
            rows.transpose.each_with_index.map { |list, k| (k < 2 ? Numo::Int32 : Numo::DFloat).cast(list) }
          end
        end
      end

      def resolved(dof, open)
        raise SolveFailed.new("unknowns follow each other in a circle", cure: "Remove one of the links between them.") if open.include?(dof)

        sums = Hash.new(0.0)
        @ties[dof][:terms].each do |other, factor|
          @ties.key?(other) ? resolved(other, open + [dof]).each { |o, f| sums[o] += f * factor } : sums[other] += factor
        end
        sums.reject { |_, f| f.abs < SAME }
      end

      # Tied unknowns from those they follow.
      def whole(vectors)
        return vectors if @ties.empty?

        dofs, others, factors = table
        result = vectors.dup
        result[true, tied] = 0.0
        vectors.shape[0].times { |k| result[k, true] += dofs.bincount(vectors[k, others] * factors, minlength: @unknowns) } unless dofs.empty?
        result
      end

      # Forces on tied unknowns act on those they follow.
      def gathered(loads)
        return loads if @ties.empty?

        dofs, others, factors = table
        result = loads.dup
        loads.shape[0].times { |k| result[k, true] += others.bincount(loads[k, dofs] * factors, minlength: @unknowns) } unless dofs.empty?
        result
      end

      # Both triangles of the entries that a tie touches, with tied rows and columns replaced.
      def multiplied(matrix, columns, at)
        rows = matrix.rows[at].dup
        cols = columns[at].dup
        values = matrix.values[at].dup
        off = rows.ne(cols).where
        entries = [rows.concatenate(cols[off]), cols.concatenate(rows[off]), values.concatenate(values[off])]
        rows, cols, values = replaced(*replaced(*entries).values_at(1, 0, 2)).values_at(1, 0, 2)
        low = (rows >= cols).where
        [rows[low].dup, cols[low].dup, values[low].dup]
      end

      # Entries whose row is tied become one for each unknown that it follows.
      def replaced(rows, cols, values)
        dofs, others, factors = table
        mark = Numo::Int8.zeros(@unknowns)
        mark[tied] = 1
        is_tied = mark[rows].ne(0)
        plain = is_tied.eq(0).where
        from = is_tied.where
        return [rows, cols, values] if from.empty?

        kept = [rows[plain], cols[plain], values[plain]].map(&:dup)
        return kept if dofs.empty?

        slot, entry = Algebra::Lists.new(dofs, @unknowns).of(rows[from].dup)
        return kept if entry.empty?

        made = [others[entry].dup, cols[from][slot].dup, (values[from][slot] * factors[entry])]
        kept[0].empty? ? made : kept.zip(made).map { |a, b| a.concatenate(b) }
      end
    end
  end
end
