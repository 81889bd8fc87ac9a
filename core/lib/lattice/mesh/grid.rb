# frozen_string_literal: true

module Lattice
  module Mesh
    # A whole mesh: nodes [n, 3] in m, blocks of elements, and the nodes of every
    # place of the shape.
    #
    # +places+ maps [body name, place name] to connectivity: faces [k, 8 or 6], edges [k, 3]
    # and points [k, 1], or of order 1 [k, 4 or 3], [k, 2] and [k, 1]. In plane bodies the
    # sides are edges.
    class Grid
      # Kinds of the pieces of places, by order and number of nodes.
      PIECES = { 1 => { 2 => :line2, 3 => :tri3, 4 => :quad4 }, 2 => { 3 => :line3, 6 => :tri6, 8 => :quad8 } }.freeze

      attr_reader :nodes, :blocks, :places, :dimension, :order

      def initialize(nodes:, blocks:, places:, dimension:, order: 2)
        @order = order
        @orders = blocks.group_by(&:body).transform_values { |list| list.any? { |b| Element::Kind[b.kind].quadratic? } ? 2 : 1 }.freeze
        @nodes = nodes
        @blocks = blocks.freeze
        @places = places.freeze
        @dimension = dimension
        @quality = [] # made when they are asked for
        @points = []
        @skin = []
        freeze
      end

      # @param body [String] that a place belongs to
      # @param conn [Numo::Int32] of the place
      # @return [Element::Kind, nil] of its pieces; nil for points
      def piece(body, conn) = PIECES[@orders.fetch(body, order)][conn.shape[1]]&.then { |name| Element::Kind[name] }

      # @param bodies [Array<String>]
      # @return [Grid] in which those have elements of corners alone
      def linear(bodies = @blocks.map(&:body).uniq)
        return self if bodies.empty?

        blocks = @blocks.map { |b| bodies.include?(b.body) ? Block.new(Element::Kind[b.kind].linear, b.body, b.conn[true, 0...Element::Kind[b.kind].corners].dup) : b }
        places = @places.to_h { |key, conn| [key, bodies.include?(key[0]) && (kind = piece(key[0], conn)) ? conn[true, 0...kind.corners].dup : conn] }
        used = Algebra::Gather.distinct(blocks.map(&:conn) + places.values)
        rank = Numo::Int32.zeros(nodes.shape[0])
        rank[used] = Numo::Int32.new(used.size).seq
        renumber = ->(conn) { rank[conn.flatten].reshape(*conn.shape).dup }
        Grid.new(nodes: nodes[used, true].dup, blocks: blocks.map { |b| Block.new(b.kind, b.body, renumber[b.conn]) },
                 places: places.transform_values(&renumber), dimension: dimension, order: blocks.any? { |b| Element::Kind[b.kind].quadratic? } ? 2 : 1)
      end

      # @param markers [Array<Shape::Marker>]
      # @return [Grid] with a node for each, that belongs to no element
      def marked(markers)
        return self if markers.empty?

        count = nodes.shape[0]
        places = markers.each_with_index.to_h { |m, i| [m.place.key, Numo::Int32[[count + i]]] }
        Grid.new(nodes: Numo::DFloat.vstack([nodes, Numo::DFloat.cast(markers.map(&:at))]), blocks: blocks, places: @places.merge(places), dimension: dimension, order: order)
      end

      # @return [Hash] nodes of markers, by their names
      def loose = @places.select { |(_, name), _| name == Shape::Marker::NAME }.reject { |(body, _), _| blocks.any? { |b| b.body == body } }.to_h { |(body, _), conn| [body, conn] }

      def size = blocks.sum(&:size)
      # Nodes of shells turn, too.
      def unknowns = (nodes.shape[0] * dimension) + ((dimension == 3 ? 3 : 0) * turning.size)

      # @return [Numo::Int32] nodes of faces and members in space
      def turning = dimension == 3 ? Algebra::Gather.distinct(blocks.select { |b| Element::Kind[b.kind].dimension < 3 }.map(&:conn)) : Numo::Int32.zeros(0)

      # @return [Array<Block>] of one body
      def of(body) = blocks.select { |block| block.body == body }

      # @return [Numo::Int32] distinct nodes of a body
      def body_nodes(body) = Algebra::Gather.distinct(of(body).map(&:conn))

      # @param members [Array<Shape::Place>] places, or whole bodies
      # @return [Numo::Int32] their distinct nodes
      def nodes_of(members)
        Algebra::Gather.distinct(members.flat_map { |p| p.of == :bodies ? of(p.body).map(&:conn) : [places.fetch(p.key)] })
      end

      # @return [Points] where fields are read
      def points = @points.first || @points.push(Points.new(self)).first

      # @return [Skin]
      def skin = @skin.first || @skin.push(Skin.new(self)).first

      # @return [Grid] with a node for every point, so that each body has nodes of its own
      def parted
        return self unless points.shared?

        Grid.new(nodes: nodes[points.nodes, true].dup, blocks: blocks.each_with_index.map { |b, i| Block.new(b.kind, b.body, points.block(i)) },
                 places: places.to_h { |key, conn| [key, points.place(key, conn)] }, dimension: dimension, order: order)
      end

      # @param members [Array<Shape::Place>] places, or whole bodies
      # @return [Numo::Int32] their distinct points
      def points_of(members)
        points.under(members)
      end

      def quality = @quality.first || @quality.push(QualityReport.new(self)).first

      # @return [Hash] counts by kind, and what the note says of the quality
      def summary
        { elements: size, nodes: nodes.shape[0], unknowns: unknowns,
          kinds: blocks.group_by(&:kind).transform_values { |same| same.sum(&:size) }, quality: quality.statement, poor: quality.poor }
      end
    end
  end
end
