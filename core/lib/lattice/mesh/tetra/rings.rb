# frozen_string_literal: true

module Lattice
  module Mesh
    module Tetra
      # All ways to cut a polygon of n corners into triangles, for the rings round edges.
      module Rings
        LARGEST = 7

        module_function

        # @return [Array(Array, Array)] triangles (i < j < k), and cuttings as lists of their indices
        def of(n) = (@rings ||= {})[n] ||= build(n)

        def build(n)
          triangles = (0...n).to_a.combination(3).to_a
          index = triangles.each_with_index.to_h
          [triangles, cuttings(0, n - 1).map { |cutting| cutting.map { |t| index[t] } }]
        end

        # Cuttings of the corners first..last: the side first–last belongs to one triangle.
        def cuttings(first, last)
          return [[]] if last - first < 2

          ((first + 1)...last).flat_map do |middle|
            cuttings(first, middle).product(cuttings(middle, last)).map { |a, b| [[first, middle, last], *a, *b] }
          end
        end
      end
    end
  end
end
