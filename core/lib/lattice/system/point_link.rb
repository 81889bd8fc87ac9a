# frozen_string_literal: true

module Lattice
  module System
    # One point tied to the nodes of a region. Spreading: the point follows the region, see Spread. Rigid: the nodes of the
    # region follow the point.
    class PointLink
      # @param structure [Structure]
      # @param condition [Load::Conditions::Link]
      # @param node [Integer]
      # @param region [Array] connectivity and share of each node, place by place
      # @param reach [Float, nil]
      def initialize(structure, condition, node, region, reach)
        @structure = structure
        @condition = condition
        @node = node
        @at = structure.grid.nodes
        weights = region.map { |conn, shares| conn.flatten.bincount(shares.flatten, minlength: @at.shape[0]) }.reduce(:+)
        nodes = Numo::Int32.cast(weights.ne(0).where)
        away = Shape::Vectors.norm(@at[nodes, true] - @at[node, true].reshape(1, 3))
        near = (reach ? away <= reach : away >= 0) & nodes.ne(node)
        @nodes = nodes[near.where].dup
        @away = away[near.where].dup
        @weights = @nodes.empty? ? nil : weights[@nodes] / weights[@nodes].sum
      end

      # @return [Hash] nodes tied, and the distances of the nearest and the farthest
      # @raise [InvalidInput]
      def call
        raise @condition.statement.fault("nothing of “#{@condition.statement['to']}” lies within reach of one of its points", path: "reach", cure: "Give a larger reach.") if @nodes.empty?

        @condition.rigid? ? rigid : spreading
        { nodes: @nodes.size, least: @away.min, greatest: @away.max }
      end

      private

      def spreading
        table = Spread.new(@at[@nodes, true].dup, @weights, @at[@node, true].dup).table
        own = Numo::Int32.zeros(@nodes.size).fill(@node)
        followers = Followers.new(@structure, @condition)
        (Followers::AXES + Followers::TURNS).each_with_index { |name, row| Followers::AXES.each_with_index { |axis, k| followers.put(name, own, axis, @nodes, table[row, true, k].dup) } }
        taken!(followers.tie(Numo::Int32[@node]))
      end

      def rigid
        point = Numo::Int32.zeros(@nodes.size).fill(@node)
        arms = @at[@nodes, true] - @at[@node, true].reshape(1, 3)
        one = Numo::DFloat.ones(@nodes.size)
        followers = Followers.new(@structure, @condition)
        (Followers::AXES + Followers::TURNS).each { |name| followers.put(name, @nodes, name, point, one) }
        Followers::TURNS.each_with_index { |name, about| followers.put_arm(about, @nodes, name, point, one, arms) }
        taken!(followers.tie(@nodes))
      end

      # What another join decides already cannot follow this one as well.
      def taken!(refused)
        return if refused.empty?

        other = @structure.constraints.tied_by(refused[0])
        words = other.respond_to?(:statement) ? "already follows #{other.statement.label}" : "is held by a support"
        raise @condition.statement.fault("what it ties #{words}", path: "target", cure: "Remove one of the two, or choose other places.")
      end
    end
  end
end
