# frozen_string_literal: true

module Lattice
  module System
    # How a place moves and turns, from the unknowns of its nodes: of one node its own, of a region as the rigid motion
    # that is nearest to the region's; see Spread.
    class RegionMotion
      # dofs [n] unknowns; table [6, n]: movements and turns at a point; at [3] that point
      attr_reader :dofs, :table, :at

      # @param structure [Structure]
      # @param places [Array<Shape::Place>]
      # @param about [Array<Float>, nil] where the motion is wanted; nil takes the middle
      def self.of(structure, places, about: nil)
        nodes, weights = structure.shares(places)
        there = weights.ne(0).where
        new(structure, nodes[there].dup, weights[there].dup, about: about)
      end

      # @param nodes [Numo::Int32] [k]
      # @param weights [Numo::DFloat] [k]
      def initialize(structure, nodes, weights, about: nil)
        @structure = structure
        @nodes = nodes
        @points = structure.grid.nodes[nodes, true].dup
        @weights = weights / weights.sum
        @at = about ? Numo::DFloat.cast(about) : (@points * @weights.reshape(@weights.size, 1)).sum(0)
        @dofs, @table = nodes.size == 1 ? node : region
      end

      # @return [Boolean] whether it turns at all
      def turns? = !table[3..5, true].eq(0).all?

      private

      def region
        dofs = @structure.dofs.table(@nodes.reshape(1, @nodes.size), %i[x y z]).flatten
        kept(dofs, Spread.new(@points, @weights, @at).table.reshape(6, dofs.size))
      end

      # Its own movements and turns, and those that an arm brings: u + θ × a
      def node
        dofs = @structure.dofs.table(@nodes.reshape(1, 1), Dofs::NAMES).flatten
        table = Numo::DFloat.eye(6)
        table[0..2, 3..5] = Shape::Vectors.crossing((@at - @points[0, true]).reshape(1, 3))[0, true, true] * -1
        kept(dofs, table)
      end

      def kept(dofs, table)
        there = (dofs >= 0).where
        [dofs[there].dup, table[true, there].dup]
      end
    end
  end
end
