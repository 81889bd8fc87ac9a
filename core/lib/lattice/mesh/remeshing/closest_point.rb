# frozen_string_literal: true

module Lattice
  module Mesh
    module Remeshing
      # The point of a triangle nearest to a given point, for many pairs at once.
      # After C. Ericson, Real-Time Collision Detection, 2005, 5.1.5: the plane first, then
      # the three sides for what falls outside.
      module ClosestPoint
        V = Shape::Vectors

        module_function

        # @param p [Numo::DFloat] [n, 3]
        # @param a [Numo::DFloat] [n, 3] corners, with b and c
        # @return [Array(Numo::DFloat, Numo::DFloat)] barycentric coordinates [n, 3] and squared distances [n]
        def call(p, a, b, c)
          p, a, b, c = [p, a, b, c].map { |x| V.solid(x) }
          shares = over_plane(p, a, b, c)
          outside = Numo::Int32.cast((shares.min(1) < 0).where)
          shares[outside, true] = on_sides(*[p, a, b, c].map { |x| x[outside, true].dup }) unless outside.empty?
          away = p - mix(shares, a, b, c)
          [shares, V.dot(away, away)]
        end

        def mix(shares, *corners) = corners.each_with_index.map { |x, k| V.times(x, shares[true, k]) }.reduce(:+)

        def over_plane(p, a, b, c)
          s, t = Shape::Barycentric.shares(b - a, c - a, p - a)
          Numo::DFloat.zeros(p.shape[0], 3).tap do |shares|
            shares[true, 0] = 1 - s - t
            shares[true, 1] = s
            shares[true, 2] = t
          end
        end

        def on_sides(p, *corners)
          best = Numo::DFloat.zeros(p.shape[0]).fill(Float::INFINITY)
          shares = Numo::DFloat.zeros(p.shape[0], 3)
          [[0, 1], [1, 2], [2, 0]].each do |i, j|
            along = corners[j] - corners[i]
            from = p - corners[i]
            t = (V.dot(from, along) / (V.dot(along, along) + 1e-300)).clip(0, 1)
            off = from - V.times(along, t)
            away = V.dot(off, off)
            rows = Numo::Int32.cast((away < best).where)
            next if rows.empty?

            best[rows] = away[rows].dup
            shares[rows, true] = 0
            shares[rows, i] = 1 - t[rows]
            shares[rows, j] = t[rows].dup
          end
          shares
        end
      end
    end
  end
end
