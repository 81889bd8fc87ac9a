# frozen_string_literal: true

module Lattice
  module Mesh
    # A whole mesh: nodes [n, 3] in m, blocks of elements, and the nodes of every
    # place of the shape.
    #
    # +places+ maps [body name, place name] to connectivity: faces [k, 8], edges
    # [k, 3] and points [k, 1]. In plane bodies the sides are edges.
    class Grid
      attr_reader :nodes, :blocks, :places, :dimension

      def initialize(nodes:, blocks:, places:, dimension:)
        @nodes = nodes
        @blocks = blocks.freeze
        @places = places.freeze
        @dimension = dimension
        freeze
      end

      def size = blocks.sum(&:size)
      def unknowns = nodes.shape[0] * dimension

      # @return [Array<Block>] of one body
      def of(body) = blocks.select { |block| block.body == body }

      # @return [Numo::Int32] distinct nodes of a body
      def body_nodes(body) = Grid.distinct(of(body).map(&:conn))

      # @param members [Array<Shape::Place>] places, or whole bodies
      # @return [Numo::Int32] their distinct nodes
      def nodes_of(members)
        Grid.distinct(members.flat_map { |p| p.of == :bodies ? of(p.body).map(&:conn) : [places.fetch(p.key)] })
      end

      # @return [Numo::Int32] sorted, without repeats
      def self.distinct(conns)
        all = conns.map(&:flatten).reject(&:empty?).reduce { |a, b| a.concatenate(b) }
        return Numo::Int32.zeros(0) unless all

        sorted = all.sort
        keep = Numo::Bit.ones(sorted.size)
        keep[1..] = sorted[1..].ne(sorted[0...-1]) if sorted.size > 1
        sorted[keep.where]
      end

      # @return [Hash] counts by kind and the worst scaled Jacobian, for the note
      def summary
        quality = blocks.map { |b| Quality.scaled_jacobian(nodes, b.kind, b.conn) }
        { elements: size, nodes: nodes.shape[0], unknowns: unknowns,
          kinds: blocks.group_by(&:kind).transform_values { |same| same.sum(&:size) },
          worst: quality.map(&:min).min, mean: quality.sum(&:sum) / size }
      end
    end
  end
end
