# frozen_string_literal: true

module Lattice
  module Result
    # What a shape does, in words: of slender parts it tells bending, twisting and stretching apart by cutting the part
    # into slices along its length, each of which moves and turns as a whole or else changes its form.
    class Character
      SLICES = 24
      SLENDER = 3.0 # length over the next largest extent
      FAINT = 0.08  # of the largest slice, under which a slice counts as still

      # @param grid [Mesh::Grid]
      def initialize(grid)
        # Points of their own may lie far from the part.
        @rows = Algebra::Gather.distinct(grid.blocks.map(&:conn))
        nodes = @nodes = grid.nodes[@rows, true].dup
        @low = nodes.min(0)
        extents = (nodes.max(0) - @low).to_a
        @axis = extents.each_index.max_by { |k| extents[k] }
        @across = [0, 1, 2] - [@axis]
        widest = @across.map { |k| extents[k] }.max
        @length = extents[@axis]
        @slender = widest.zero? || @length / widest > SLENDER
      end

      # @param moved [Numo::DFloat] [n, 3]
      # @param shares [Array<Float>] of the modal mass along x, y and z
      # @return [String]
      def words(moved, shares)
        return along(shares) unless @slender

        slices(moved[@rows, true].dup)
        case parts.max_by(&:last)[0]
        when :bends then "bends along #{way}, #{waves(@mean[true, 'xyz'.index(way)])}"
        when :stretches then "stretches along #{'xyz'[@axis]}, #{waves(@mean[true, @axis])}"
        when :twists then "twists about #{'xyz'[@axis]}, #{waves(@turn)}"
        else "its section changes form (local waves)"
        end
      end

      private

      def along(shares)
        most = shares.each_index.max_by { |k| shares[k] }
        "moves along #{'xyz'[most]} (#{(shares[most] * 100).round} %)"
      end

      # Mean movement and turn of every slice, and how much of the movement they make up.
      def slices(moved)
        place = ((@nodes[true, @axis] - @low[@axis]) / @length * SLICES).floor.clip(0, SLICES - 1)
        index = Numo::Int32.cast(place)
        sum = ->(values) { index.bincount(values, minlength: SLICES) }
        count = sum[Numo::DFloat.ones(index.size)]
        full = count.clip(1, nil)
        mean = ->(values) { sum[values] / full }
        @mean = Numo::DFloat.zeros(SLICES, 3).tap { |all| 3.times { |k| all[true, k] = mean[moved[true, k].dup] } }
        a, b = @across
        arms = @across.map { |k| @nodes[true, k] - mean[@nodes[true, k].dup][index] }
        reach = sum[(arms[0]**2) + (arms[1]**2)]
        spin = sum[(arms[0] * moved[true, b]) - (arms[1] * moved[true, a])]
        @turn = spin / reach.clip(1e-300, nil)
        bends = @across.sum { |k| ((@mean[true, k]**2) * count).sum }
        stretches = ((@mean[true, @axis]**2) * count).sum
        twists = ((@turn**2) * reach).sum
        @parts = { bends: bends, stretches: stretches, twists: twists }
        # Turning of slices as the part bends is part of the bending.
        @parts[:local] = [@across.sum { |k| (moved[true, k]**2).sum } - bends - twists, 0.0].max
      end

      attr_reader :parts

      def way = "xyz"[@across.max_by { |k| (@mean[true, k]**2).sum }]

      # @param values [Numo::DFloat] [SLICES]
      def waves(values)
        loud = values.to_a.select { |v| v.abs > FAINT * values.abs.max }
        count = 1 + loud.each_cons(2).count { |p, q| p * q < 0 }
        "#{count} half wave#{'s' if count > 1}"
      end
    end
  end
end
