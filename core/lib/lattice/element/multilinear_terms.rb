# frozen_string_literal: true

module Lattice
  module Element
    # The polynomial terms of bilinear and trilinear fields.
    module MultilinearTerms
      # @param points [Numo::DFloat] [g, dimension]
      # @return [Numo::DFloat] [g, 2^dimension]
      def linear_terms(points)
        columns = [Numo::DFloat.ones(points.shape[0])]
        points.shape[1].times { |k| columns += columns.map { |c| c * points[true, k] } }
        Numo::DFloat.vstack(columns).transpose.dup
      end
    end
  end
end
