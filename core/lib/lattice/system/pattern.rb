# frozen_string_literal: true

module Lattice
  module System
    # Where the entries of element matrices go in the lower triangle of the whole
    # matrix. Made once for a mesh: node pairs are sorted, not single entries, and
    # blown up afterwards to as many rows and columns as their nodes have unknowns.
    class Pattern
      attr_reader :starts, :rows

      # @param blocks [Array(Numo::Int32, Array<Symbol>)] connectivity [e, k] of each block, and the components it moves
      # @param dofs [Dofs]
      def initialize(blocks, dofs)
        @dofs = dofs
        @nodes = dofs.nodes
        sort(blocks)
        lay_out
      end

      # @param matrices [Enumerable<Numo::DFloat>] element matrices [d, d, e, k, k], block by block
      # @return [Algebra::SymmetricMatrix]
      def assemble(matrices)
        values = Numo::DFloat.zeros(rows.size)
        sums = Hash.new { |hash, names| hash[names] = Array.new(names.size**2) { Numo::DFloat.zeros(@pairs) } }
        matrices.each_with_index { |matrix, block| add(sums[@blocks[block][:names]], matrix, @blocks[block]) }
        names, all = sums.first
        if sums.size == 1 && @dofs.uniform? && names.size == @dofs.most then put_uniform(values, names.size, all)
        else sums.each { |some, own| put(values, some, own) }
        end
        Algebra::SymmetricMatrix.new(starts, rows, values)
      end

      private

      # Every node has a pair with itself, whether an element does or not.
      def sort(blocks)
        own = Numo::Int64.new(@nodes).seq
        keys = [(own * @nodes) + own]
        @blocks = blocks.map do |conn, names|
          count = conn.shape[1]
          i, j = (0...count).flat_map { |a| (0..a).map { |b| [a, b] } }.transpose
          a = Numo::Int64.cast(conn)[true, i]
          b = Numo::Int64.cast(conn)[true, j]
          keys << ((Numo::Int64.minimum(a, b) * @nodes) + Numo::Int64.maximum(a, b)).flatten
          { i: i, j: j, turned: (a < b).flatten.where, size: a.size, names: names }
        end
        index(keys.reduce { |p, q| p.concatenate(q) })
      end

      # Distinct pairs in the order of columns, and the pair of every key.
      def index(keys)
        order = keys.sort_index
        sorted = keys[order]
        fresh = Numo::Int32.ones(sorted.size)
        fresh[1..] = Numo::Int32.cast(sorted[1..].ne(sorted[0...-1])) if sorted.size > 1
        rank = fresh.cumsum - 1
        all = Numo::Int32.zeros(keys.size)
        all[order] = rank
        unique = sorted[fresh.ne(0).where]
        @pairs = unique.size
        @low = Numo::Int32.cast(unique / @nodes)
        @high = Numo::Int32.cast(unique % @nodes)
        first = @nodes
        @blocks.each do |block|
          block[:index] = all[first...(first + block[:size])].dup
          first += block[:size]
        end
      end

      # Column (node, c) holds the rows of all pairs of the node from (node, c) downwards.
      def lay_out
        heights = @dofs.counts[@high].dup
        above = Numo::Int64.cast(heights).cumsum - heights
        firsts = @low.bincount(minlength: @nodes).then { |counts| counts.cumsum - counts }
        @above = above - above[firsts][@low]
        totals = Numo::Int64.cast(@low.bincount(Numo::DFloat.cast(heights), minlength: @nodes))
        owner, rank = Algebra::Lists.laid(@dofs.counts)
        @starts = Numo::Int64.zeros(@dofs.size + 1)
        @starts[1..] = (totals[owner] - rank).cumsum
        @rows = Numo::Int32.zeros(@starts[-1])
        @column = @dofs.first[@low].dup
        @off = Numo::Int32.cast(@low.ne(@high).where)
        base = @dofs.first[@high].dup
        @dofs.most.times { |r| @dofs.most.times { |c| number(r, c, heights, base) } }
      end

      def number(row, column, heights, base)
        pairs = row < column ? @off : nil
        unless @dofs.uniform?
          there = (heights > row) & (@dofs.counts[@low] > column)
          there &= @low.ne(@high) if row < column
          pairs = Numo::Int32.cast(there.where)
        end
        return if pairs && pairs.empty?

        @rows[place(pairs, row, column)] = (pairs ? base[pairs] : base) + row
      end

      # Positions of component (row, column) of some pairs, or of all; the row goes with the higher node. Both may be lists.
      def place(pairs, row, column)
        first, above = pairs ? [@column[pairs], @above[pairs]] : [@column, @above]
        @starts[first + column] + above + row - column
      end

      # Row component r goes with the higher node of a pair: where that is the second
      # of the two local nodes, the entry stands at (c, r) of the symmetric matrix.
      def add(sums, matrix, block)
        d, _, e, n, = matrix.shape
        columns = block[:i].zip(block[:j]).map { |i, j| (i * n) + j }
        turned = block[:turned]
        picked = Array.new(d**2) { |k| matrix[k / d, k % d, true, true, true].reshape(e, n * n)[true, columns].dup.flatten }
        (0...d).to_a.product((0...d).to_a).each_with_index do |(r, c), k|
          values = picked[k]
          if r != c && !turned.empty?
            values = values.dup
            values[turned] = picked[(c * d) + r][turned]
          end
          sums[k].inplace + block[:index].bincount(values, minlength: @pairs)
        end
      end

      # Only pairs whose nodes both have the components.
      def put(values, names, sums)
        locals = names.map { |name| @dofs.local(name) }
        all = Numo::Int32.cast(locals.map { |local| (local[@low] >= 0) & (local[@high] >= 0) }.reduce(:&).where)
        off = all[@low[all].ne(@high[all]).where].dup
        names.each_index.to_a.product(names.each_index.to_a).each_with_index do |(r, c), k|
          pairs = r < c ? off : all
          values[place(pairs, locals[r][@high[pairs]].dup, locals[c][@low[pairs]].dup)] += sums[k][pairs] unless pairs.empty?
        end
      end

      # Every node has all of them, and no other block adds to the same entries.
      def put_uniform(values, count, sums)
        (0...count).to_a.product((0...count).to_a).each_with_index do |(r, c), k|
          r < c ? (values[place(@off, r, c)] = sums[k][@off] unless @off.empty?) : values[place(nil, r, c)] = sums[k]
        end
      end
    end
  end
end
