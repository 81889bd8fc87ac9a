# frozen_string_literal: true

module Lattice
  module Mesh
    # The points at which fields are read: every node once for each body it belongs to, so that
    # nothing is averaged across a border. In a mesh without shared nodes they are its nodes.
    class Points
      # nodes [p]: the node of each point; bodies: their names in the order of the points
      attr_reader :nodes, :bodies

      # @param grid [Grid]
      def initialize(grid)
        @bodies = grid.blocks.map(&:body).uniq
        @lists = @bodies.to_h { |body| [body, grid.body_nodes(body)] }
        @first = {}
        @bodies.reduce(0) { |count, body| (@first[body] = count) + @lists[body].size }
        @nodes = @lists.values.reduce { |a, b| a.concatenate(b) } || Numo::Int32.zeros(0)
      end

      def size = nodes.size

      # @return [Range] the points of a body
      def of(body) = @first.fetch(body)...(@first.fetch(body) + @lists.fetch(body).size)

      # @param body [String]
      # @param index [Numo::Int32] nodes of that body, of any shape
      # @return [Numo::Int32] of the same shape
      def at(body, index)
        flat = index.flatten
        return index if flat.empty?

        (Algebra::Search.first_not_below(@lists.fetch(body), flat) + @first.fetch(body)).reshape(*index.shape)
      end

      # @return [String] the body of a point
      def body_of(point) = @bodies.find { |body| of(body).cover?(point) }

      # @return [Boolean] whether some node belongs to several bodies
      def shared? = @shared ||= Algebra::Gather.distinct([nodes]).size < size
    end
  end
end
