# frozen_string_literal: true

module Lattice
  module Shape
    # Makes points one that are nearer to each other than a tolerance. Those that stay are
    # farther apart than that, and every one that goes lies within the tolerance of the one it
    # becomes: no chain of near points runs together. M. Luby, A simple parallel algorithm for
    # the maximal independent set problem, 1986.
    module NearPoints
      V = Vectors
      PRIME = (2**31) - 1

      module_function

      # @param points [Numo::DFloat] [n, 3]
      # @param tolerance [Float] m
      # @return [Array(Numo::DFloat, Numo::Int32)] points that stay, and for each point its index in them
      def call(points, tolerance)
        one, other, apart = pairs(points, tolerance)
        count = points.shape[0]
        own = Numo::Int32.new(count).seq
        return [points, own] if one.empty?

        stays = staying(count, one, other)
        target = own.dup
        # What is written last holds: the nearest.
        rows = (stays[one] & ~stays[other]).where
        rows = rows[Algebra::Gather.descending(apart[rows])].dup
        target[other[rows].dup] = one[rows].dup
        rank = Numo::Int32.cast(stays).cumsum - 1
        [points[stays.where, true].dup, rank[target].dup]
      end

      # @return [Array(Numo::Int32, Numo::Int32, Numo::DFloat)] both ends of every near pair, both ways, and how far apart
      def pairs(points, tolerance)
        boxes = [points - (tolerance / 2), points + (tolerance / 2)]
        one, other = Algebra::Boxes.near(boxes, boxes, tolerance * 2)
        rows = one.ne(other).where
        return [rows, rows, rows] if rows.empty?

        one = one[rows].dup
        other = other[rows].dup
        apart = V.norm(points[one, true] - points[other, true])
        near = (apart <= tolerance).where
        near.empty? ? [near, near, near] : [one[near].dup, other[near].dup, apart[near].dup]
      end

      # Of points that are still open those stay that rank before all their neighbours, which go.
      # @return [Numo::Bit] [count]
      def staying(count, one, other)
        # In an order as by chance: the factor has no part in common with the prime.
        rank = (Numo::Int64.new(count).seq(1) * 48_271) % PRIME
        stays = Numo::Bit.ones(count)
        stays[one] = 0
        until one.empty?
          least = Numo::Int64.zeros(count).fill(PRIME)
          order = Algebra::Gather.descending(rank[other])
          least[one[order].dup] = rank[other[order]].dup
          chosen = (rank < least) & least.lt(PRIME)
          stays[chosen.where] = 1
          settled = chosen.dup
          settled[other[chosen[one].where].dup] = 1
          open = ~(settled[one] | settled[other])
          # Neighbours of those that went are open still, and may have no other.
          alone = one[(~settled[one] & settled[other]).where].dup
          open = open.where
          one, other = open.empty? ? [open, open] : [one[open].dup, other[open].dup]
          stays_alone(stays, alone, one)
        end
        stays
      end

      # Points that lost all their neighbours to others stay.
      def stays_alone(stays, alone, one)
        return if alone.empty?

        stays[alone] = 1
        stays[one] = 0 unless one.empty?
      end
    end
  end
end
