# frozen_string_literal: true

module Lattice
  module Shape
    # Vector arithmetic on rows [n, 3], and on single vectors as plain arrays.
    module Vectors
      module_function

      # @return [Numo::DFloat] [n] dot products of rows
      def dot(a, b) = (a * b).sum(-1)

      # @return [Numo::DFloat] [n, 3]
      def cross(a, b)
        result = Numo::DFloat.zeros(*a.shape)
        x, y, z = [0, 1, 2].map { |k| [a[true, k], b[true, k]] }
        result[true, 0] = (y[0] * z[1]) - (z[0] * y[1])
        result[true, 1] = (z[0] * x[1]) - (x[0] * z[1])
        result[true, 2] = (x[0] * y[1]) - (y[0] * x[1])
        result
      end

      # @return [Numo::DFloat] [n] lengths of rows
      def norm(a) = Numo::NMath.sqrt((a * a).sum(-1))

      # @return [Numo::DFloat] rows of length one; rows of no length stay zero
      def unit(a)
        length = norm(a)
        length[length.eq(0).where] = 1.0 if length.eq(0).any?
        a / length.expand_dims(-1)
      end

      def times(a, factors) = a * factors.expand_dims(-1)

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
