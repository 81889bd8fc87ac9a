# frozen_string_literal: true

module Lattice
  module System
    # One side of a joint: the pieces of its places by their kinds, and what its nodes may do.
    class Side
      # One kind of pieces: conn [k, m], kind, sizes [k] in m² or m
      Pieces = Struct.new(:conn, :kind, :sizes)

      attr_reader :places, :edges, :pieces

      # @param structure [Structure]
      # @param places [Array<Shape::Place>]
      # @param edges [Boolean] whether they are edges in space
      def initialize(structure, places, edges)
        @structure = structure
        @places = places
        @edges = edges
        @pieces = places.map { |p| piece(p) }.group_by(&:kind).map do |kind, same|
          Pieces.new(same.map(&:conn).reduce { |a, b| a.concatenate(b) }, kind, same.map(&:sizes).reduce { |a, b| a.concatenate(b) })
        end
      end

      def piece(place)
        conn = @structure.grid.places.fetch(place.key)
        Pieces.new(conn, @structure.grid.piece(place.body, conn), @structure.surface(place).shares.sum(1))
      end

      # Nodes of it on which points lie.
      # @param found [Mesh::Placing::Found] of the points
      # @return [Array<Numo::NArray>, nil] lists [k]: the point, the node, and its shape function there; nil where none lies on it
      def feet(found)
        lists = found.by_block.map do |number, rows, elements, local|
          piece = pieces[number]
          values = piece.kind.values(local[true, 0...piece.kind.dimension].dup)
          [Algebra::Gather.repeat(rows, values.shape[1]), piece.conn[elements, true].flatten, values.flatten]
        end
        lists.transpose.map { |all| all.reduce { |a, b| a.concatenate(b) } } unless lists.empty?
      end

      # @return [Float] mean size of its pieces; the finer side depends on the coarser
      def fineness = pieces.sum { |p| p.sizes.sum } / pieces.sum { |p| p.sizes.size }

      # @return [Boolean] whether its nodes turn
      def turns? = @turns ||= (@structure.dofs.at(pieces[0].conn.flatten, :rx) >= 0).all?
    end
  end
end
