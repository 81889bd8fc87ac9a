# frozen_string_literal: true

module Lattice
  module Shape
    # Linear algebra on matrices of a few rows, in plain Ruby: the large library's
    # routines need more stack than a thread of a server has.
    module SmallMatrix
      SWEEPS = 30

      module_function

      # Gaussian elimination with the greatest pivot of each column.
      # @param matrix [Numo::DFloat] [n, n]
      # @param right [Numo::DFloat] [n]
      # @return [Numo::DFloat] [n]
      def solve(matrix, right)
        rows = matrix.to_a.zip(right.to_a).map { |row, value| [*row, value] }
        n = rows.size
        n.times { |k| eliminate(rows, k) }
        found = Array.new(n, 0.0)
        (n - 1).downto(0) { |k| found[k] = (rows[k][n] - ((k + 1)...n).sum { |j| rows[k][j] * found[j] }) / rows[k][k] }
        Numo::DFloat[*found]
      end

      def eliminate(rows, column)
        pivot = (column...rows.size).max_by { |i| rows[i][column].abs }
        rows[column], rows[pivot] = rows[pivot], rows[column]
        ((column + 1)...rows.size).each do |i|
          factor = rows[i][column] / rows[column][column]
          next if factor.zero?

          (column..rows.size).each { |j| rows[i][j] -= factor * rows[column][j] }
        end
      end

      # Eigenvalues in rising order and their unit vectors, by Jacobi's rotations.
      # C. G. J. Jacobi, 1846; G. H. Golub, C. F. Van Loan, Matrix Computations, 8.5.
      # @param matrix [Numo::DFloat] [n, n] symmetric
      # @return [Array(Array<Float>, Array<Array<Float>>)]
      def eigen(matrix)
        a = matrix.to_a
        v = a.each_index.map { |i| a.each_index.map { |j| i == j ? 1.0 : 0.0 } }
        SWEEPS.times do
          break if off(a) <= 1e-32 * a.each_index.sum { |i| a[i][i]**2 }

          a.each_index.to_a.combination(2) { |p, q| rotate(a, v, p, q) }
        end
        order = a.each_index.sort_by { |i| a[i][i] }
        [order.map { |i| a[i][i] }, order.map { |i| v.map { |row| row[i] } }]
      end

      def off(a) = a.each_index.to_a.combination(2).sum { |p, q| a[p][q]**2 }

      def rotate(a, v, p, q)
        return if a[p][q].zero?

        theta = (a[q][q] - a[p][p]) / (2 * a[p][q])
        t = (theta.negative? ? -1.0 : 1.0) / (theta.abs + Math.sqrt((theta**2) + 1))
        c = 1 / Math.sqrt((t**2) + 1)
        s = t * c
        a.each_index { |k| a[k][p], a[k][q] = (c * a[k][p]) - (s * a[k][q]), (s * a[k][p]) + (c * a[k][q]) }
        a[p], a[q] = [a[p].zip(a[q]).map { |x, y| (c * x) - (s * y) }, a[p].zip(a[q]).map { |x, y| (s * x) + (c * y) }]
        v.each { |row| row[p], row[q] = (c * row[p]) - (s * row[q]), (s * row[p]) + (c * row[q]) }
      end
    end
  end
end
