# frozen_string_literal: true

module Lattice
  module Mesh
    module Remeshing
      # The point of a triangle nearest to a given point, for many pairs at once.
      # After C. Ericson, Real-Time Collision Detection, 2005, 5.1.5: the plane first, then
      # the three sides for what falls outside.
      module ClosestPoint
        module_function

        # @param p [Numo::DFloat] [n, 3]
        # @param a [Numo::DFloat] [n, 3] corners, with b and c
        # @return [Array(Numo::DFloat, Numo::DFloat)] barycentric coordinates [n, 3] and squared distances [n]
        def call(p, a, b, c)
          shares = over_plane(p, a, b, c)
          outside = Numo::Int32.cast((shares.min(1) < 0).where)
          shares[outside, true] = on_sides(*[p, a, b, c].map { |x| x[outside, true].dup }) unless outside.empty?
          away = p - mix(shares, a, b, c)
          [shares, (away * away).sum(1)]
        end

        def mix(shares, *corners) = corners.each_with_index.map { |x, k| x * shares[true, k].expand_dims(-1) }.reduce(:+)
        def dot(a, b) = (a * b).sum(1)

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
            length = dot(along, along) + 1e-300
            t = (dot(p - corners[i], along) / length).clip(0, 1)
            off = p - corners[i] - (along * t.expand_dims(-1))
            away = dot(off, off)
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
