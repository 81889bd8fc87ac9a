# frozen_string_literal: true

module Lattice
  module System
    # How a point moves and turns with a region: as the rigid motion that is nearest to the region's, weighted by shares,
    # u = Σ w u_i + θ × (x - x̄), J θ = Σ w r_i × u_i; what acts on the point is shared as statics would share it.
    class Spread
      FLAT = 1e-9 # of the greatest moment of inertia, below which the region says nothing about a turn

      # @param at [Numo::DFloat] [k, 3] nodes of the region
      # @param weights [Numo::DFloat] [k] that add up to one
      # @param point [Numo::DFloat] [3]
      def initialize(at, weights, point)
        @weights = weights
        @middle = (at * weights.reshape(weights.size, 1)).sum(0)
        @arms = at - @middle.reshape(1, 3)
        @arm = point - @middle
      end

      # @return [Numo::DFloat] [6, k, 3] movements and turns of the point from the movements of the nodes
      def table
        turn = turns
        Numo::DFloat.zeros(6, @weights.size, 3).tap do |all|
          3.times do |c|
            a = (c + 1) % 3
            b = (c + 2) % 3
            all[c, true, true] = (turn[true, a, true] * @arm[b]) - (turn[true, b, true] * @arm[a])
            all[c, true, c] = all[c, true, c] + @weights
            all[3 + c, true, true] = turn[true, c, true]
          end
        end
      end

      private

      # [k, 3, 3]; turns about which the region has no extent follow nothing.
      def turns
        inertia = Numo::DFloat.eye(3) * (@weights * (@arms**2).sum(1)).sum
        inertia -= (@arms * @weights.reshape(@weights.size, 1)).transpose.dot(@arms)
        inverse = Numo::Linalg.pinv(inertia, rcond: FLAT)
        Numo::Linalg.matmul(inverse.reshape(1, 3, 3) + Numo::DFloat.zeros(@weights.size, 3, 3), Shape::Vectors.crossing(@arms) * @weights.reshape(@weights.size, 1, 1))
      end
    end
  end
end
