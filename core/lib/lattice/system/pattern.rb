# frozen_string_literal: true

module Lattice
  module System
    # Where the entries of element matrices go in the lower triangle of the whole
    # matrix. Made once for a mesh: node pairs are sorted, not single entries, and
    # blown up to d x d afterwards.
    class Pattern
      attr_reader :starts, :rows

      # @param conns [Array<Numo::Int32>] connectivity [e, k] of each block
      # @param nodes [Integer]
      # @param dofs [Integer] a node has
      def initialize(conns, nodes, dofs)
        @nodes = nodes
        @dofs = dofs
        sort(conns)
        lay_out
      end

      # @param matrices [Enumerable<Numo::DFloat>] element matrices [d, d, e, k, k], block by block
      # @return [Algebra::SymmetricMatrix]
      def assemble(matrices)
        values = Numo::DFloat.zeros(rows.size)
        sums = Array.new(@dofs**2) { Numo::DFloat.zeros(@pairs) }
        matrices.each_with_index { |matrix, block| add(sums, matrix, @blocks[block]) }
        each_component do |r, c, k|
          keep = r < c ? @off_diagonal : nil
          place = place(r, c)
          keep ? values[place[keep]] = sums[k][keep] : values[place] = sums[k]
        end
        Algebra::SymmetricMatrix.new(starts, rows, values)
      end

      private

      def each_component
        @dofs.times { |r| @dofs.times { |c| yield r, c, (r * @dofs) + c } }
      end

      def sort(conns)
        keys = []
        @blocks = conns.map do |conn|
          count = conn.shape[1]
          i, j = (0...count).flat_map { |a| (0..a).map { |b| [a, b] } }.transpose
          a = Numo::Int64.cast(conn)[true, i]
          b = Numo::Int64.cast(conn)[true, j]
          keys << ((Numo::Int64.minimum(a, b) * @nodes) + Numo::Int64.maximum(a, b)).flatten
          { i: i, j: j, turned: (a < b).flatten.where, size: a.size }
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
        @off_diagonal = @low.ne(@high).where
        first = 0
        @blocks.each do |block|
          block[:index] = all[first...(first + block[:size])].dup
          first += block[:size]
        end
      end

      # Column (node, c) holds 3 m - c entries: of the diagonal pair only r >= c.
      def lay_out
        counts = @low.bincount(minlength: @nodes)
        @first = counts.cumsum - counts
        columns = Numo::Int64.zeros(@nodes, @dofs)
        @dofs.times { |c| columns[true, c] = (Numo::Int64.cast(counts) * @dofs) - c }
        @starts = Numo::Int64.zeros((@nodes * @dofs) + 1)
        @starts[1..] = columns.flatten.cumsum
        @rank = Numo::Int64.new(@pairs).seq - Numo::Int64.cast(@first)[@low]
        @rows = Numo::Int32.zeros(@starts[-1])
        each_component do |r, c, _|
          keep = r < c ? @off_diagonal : Numo::Int32.new(@pairs).seq
          @rows[place(r, c)[keep]] = (@high[keep] * @dofs) + r
        end
      end

      # Position of component (r, c) of every pair; r goes with the higher node.
      def place(r, c)
        @starts[(@low * @dofs) + c] + (@rank * @dofs) + r - c
      end

      # Row component r goes with the higher node of a pair: where that is the second
      # of the two local nodes, the entry stands at (c, r) of the symmetric matrix.
      def add(sums, matrix, block)
        _, _, e, n, = matrix.shape
        columns = block[:i].zip(block[:j]).map { |i, j| (i * n) + j }
        turned = block[:turned]
        picked = Array.new(@dofs**2) { |k| matrix[k / @dofs, k % @dofs, true, true, true].reshape(e, n * n)[true, columns].dup.flatten }
        each_component do |r, c, k|
          values = picked[k]
          if r != c && !turned.empty?
            values = values.dup
            values[turned] = picked[(c * @dofs) + r][turned]
          end
          sums[k].inplace + block[:index].bincount(values, minlength: @pairs)
        end
      end
    end
  end
end
