# frozen_string_literal: true

module Lattice
  module Shape
    # Vector arithmetic on rows [n, 3], and on single vectors as plain arrays.
    module Vectors
      module_function

      # Numo is slow on rows that are read through an index, and on rows that are spread over
      # columns (some 5 and 30 times): rows are copied first, and spread by a product of matrices.

      # @return [Numo::DFloat] [n] dot products of rows
      def dot(a, b)
        return Numo::DFloat.zeros(*a.shape[0...-1]) if a.empty?

        product = solid(a) * solid(b)
        return product.sum(-1) unless product.ndim == 2 && product.shape[1] == 3

        product[true, 0] + product[true, 1] + product[true, 2]
      end

      # @return [Numo::DFloat] [n, 3]
      def cross(a, b)
        result = Numo::DFloat.zeros(*a.shape)
        a = solid(a)
        b = solid(b)
        x, y, z = [0, 1, 2].map { |k| [a[true, k], b[true, k]] }
        result[true, 0] = (y[0] * z[1]) - (z[0] * y[1])
        result[true, 1] = (z[0] * x[1]) - (x[0] * z[1])
        result[true, 2] = (x[0] * y[1]) - (y[0] * x[1])
        result
      end

      # @param a [Numo::DFloat] [k, 3]
      # @return [Numo::DFloat] [k, 3, 3] matrices that make a × b of b
      def crossing(a)
        Numo::DFloat.zeros(a.shape[0], 3, 3).tap do |all|
          3.times do |k|
            all[true, k, (k + 1) % 3] = -a[true, (k + 2) % 3]
            all[true, k, (k + 2) % 3] = a[true, (k + 1) % 3]
          end
        end
      end

      # @return [Numo::DFloat] [n] lengths of rows
      def norm(a)
        a = solid(a)
        Numo::NMath.sqrt(dot(a, a))
      end

      # @return [Numo::DFloat] rows of length one; rows of no length stay zero
      def unit(a)
        length = norm(a)
        length[length.eq(0).where] = 1.0 if length.eq(0).any?
        times(a, 1 / length)
      end

      # @param a [Numo::DFloat] [n, d], or more axes
      # @param factors [Numo::DFloat] [n], one a row
      # @return [Numo::DFloat] rows by their factors
      def times(a, factors)
        a.ndim == 2 && factors.ndim == 1 ? solid(a) * columns(factors, a.shape[1]) : a * factors.expand_dims(-1)
      end

      # @param a [Numo::DFloat] [n, d]
      # @param row [Numo::DFloat] [d]
      # @return [Numo::DFloat] [n, d] the row added to all
      def shifted(a, row) = solid(a) + rows(row, a.shape[0])

      # @return [Numo::DFloat] [n, count] the same column so many times
      def columns(values, count) = solid(values).reshape(values.size, 1).dot(Numo::DFloat.ones(1, count))

      # @return [Numo::DFloat] [count, d] the same row so many times
      def rows(row, count) = Numo::DFloat.ones(count, 1).dot(row.reshape(1, row.size))

      def solid(a) = a.contiguous? ? a : a.dup

      # Single vectors.
      def dot3(a, b) = (a[0] * b[0]) + (a[1] * b[1]) + (a[2] * b[2])
      def minus3(a, b) = [a[0] - b[0], a[1] - b[1], a[2] - b[2]]
      def plus3(a, b, factor = 1.0) = [a[0] + (b[0] * factor), a[1] + (b[1] * factor), a[2] + (b[2] * factor)]
      def norm3(a) = Math.sqrt(dot3(a, a))
      def cross3(a, b) = [(a[1] * b[2]) - (a[2] * b[1]), (a[2] * b[0]) - (a[0] * b[2]), (a[0] * b[1]) - (a[1] * b[0])]
      def unit3(a) = a.map { |c| c / norm3(a) }

      # @return [Array<Array<Float>>] two unit vectors that make a right-handed triad with +axis+
      def across(axis)
        least = (0..2).min_by { |k| axis[k].abs }
        helper = [0.0, 0.0, 0.0].tap { |v| v[least] = 1.0 }
        first = unit3(cross3(helper, axis))
        [first, cross3(axis, first)]
      end
    end
  end
end
