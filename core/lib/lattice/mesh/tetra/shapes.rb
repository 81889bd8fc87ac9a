# frozen_string_literal: true

module Lattice
  module Mesh
    module Tetra
      # Measures of tetrahedra and their parts. A tetrahedron (0, 1, 2, 3) is right when 3 lies
      # on the side of the triangle 0, 1, 2 from which that runs counter-clockwise.
      module Shapes
        # Faces seen from outside, each opposite the corner of the same rank.
        FACES = [[1, 2, 3], [0, 3, 2], [0, 1, 3], [0, 2, 1]].freeze
        EDGES = [[0, 1], [0, 2], [0, 3], [1, 2], [1, 3], [2, 3]].freeze
        # For each edge the two other corners, in turn round it.
        OPPOSITE = [[2, 3], [3, 1], [1, 2], [0, 3], [2, 0], [0, 1]].freeze
        V = Shape::Vectors
        FACTOR = 2.65 # a scaled Jacobian of 0.2 weighs as much as a mean ratio of 0.53

        module_function

        # @return [Numo::DFloat] six times the volume
        def six_volumes(a, b, c, d) = V.dot(V.cross(b - a, c - a), d - a)

        # Mean ratio 12 (3 V)^(2/3) / Σ l², negative for those turned inside out: 1 is even.
        # A. Liu, B. Joe, Relationship between tetrahedron shape measures, 1994.
        def mean_ratios(a, b, c, d)
          six, squares = measured(a, b, c, d)
          ratio(six, squares)
        end

        # @return [Array(Numo::DFloat, Array<Numo::DFloat>)] six times the volume, and the squares
        #   of the sides ab, ac, ad, bc, bd, cd
        def measured(a, b, c, d)
          u = b - a
          v = c - a
          w = d - a
          [V.dot(V.cross(u, v), w), [u, v, w, v - u, w - u, w - v].map { |l| V.dot(l, l) }]
        end

        def ratio(six, squares)
          root = Numo::NMath.cbrt(six.abs / 2)
          root * root * 12 / (squares.reduce(:+) + 1e-300) * (1 - (Numo::DFloat.cast(six < 0) * 2))
        end

        # What tetrahedra are improved by: the mean ratio, or a multiple of the scaled Jacobian
        # √2 6 V / max (product of the three sides at a corner) where that is less.
        def worths(a, b, c, d)
          six, squares = measured(a, b, c, d)
          ab, ac, ad, bc, bd, cd = squares
          most = [ab * ac * ad, ab * bc * bd, ac * bc * cd, ad * bd * cd].reduce { |p, q| Numo::DFloat.maximum(p, q) }
          Numo::DFloat.minimum(ratio(six, squares), six / Numo::NMath.sqrt(most + 1e-300) * (FACTOR * Math.sqrt(2)))
        end

        # @param points [Numo::DFloat] [n, 3]
        # @param tets [Numo::Int32] [m, 4]
        # @return [Numo::DFloat] [m]
        def of(points, tets)
          tets.empty? ? Numo::DFloat.zeros(0) : worths(*(0..3).map { |k| points[tets[true, k].dup, true] })
        end

        # Faces of tetrahedra: corner ranks 4 t + face; key regardless of order; +1 or −1 as
        # the order of the corners, seen from outside, is an even or odd one of the sorted.
        # @return [Array(Numo::Int64, Numo::Int32)]
        def face_keys(tets)
          keys = Numo::Int64.zeros(tets.shape[0], 4)
          signs = Numo::Int32.zeros(tets.shape[0], 4)
          FACES.each_with_index { |f, k| keys[true, k], signs[true, k] = keys_of(*f.map { |i| tets[true, i].dup }) }
          [keys.flatten.dup, signs.flatten.dup]
        end

        # @return [Array(Numo::Int64, Numo::Int32)] of triangles given by their corners
        def keys_of(a, b, c)
          low = Numo::Int32.minimum(Numo::Int32.minimum(a, b), c)
          high = Numo::Int32.maximum(Numo::Int32.maximum(a, b), c)
          middle = a + b + c - low - high
          key = (((Numo::Int64.cast(low) * (2**21)) + Numo::Int64.cast(middle)) * (2**21)) + Numo::Int64.cast(high)
          # Even orders begin low–middle, middle–high or high–low.
          even = (a.eq(low) & b.eq(middle)) | (a.eq(middle) & b.eq(high)) | (a.eq(high) & b.eq(low))
          [key, (Numo::Int32.cast(even) * 2) - 1]
        end
      end
    end
  end
end
