# frozen_string_literal: true

module Lattice
  module Load
    # Force, pressure and gravity statements as nodal forces on a mesh.
    class Loads
      KINDS = %w[force pressure gravity].freeze

      def initialize(document, parts, groups, materials, grid)
        @document = document
        @parts = parts
        @groups = groups
        @materials = materials
        @grid = grid
      end

      # @param factor [Float] on every load
      # @return [Numo::DFloat] [nodes, dimension] N
      # @raise [InvalidInput] for targets that cannot be loaded
      def vector(factor = 1.0)
        total = Numo::DFloat.zeros(@grid.nodes.shape[0], @grid.dimension)
        @document.active.each { |s| total += send(s.kind, s) if KINDS.include?(s.kind) }
        total * factor
      end

      private

      # A total force shared by area (or length); among points evenly.
      def force(statement)
        places = @groups.target!(statement, %i[faces edges points])
        along = in_plane(statement)
        shares = places.map { |place| [connectivity(place), surface(place).shares] }
        whole = shares.sum { |_, share| share.sum }
        along *= statement.quantity("value", "force") / whole
        shares.sum(zero) do |conn, share|
          values = share.reshape(*share.shape, 1) * along.reshape(1, 1, along.size)
          Algebra::Gather.sum(values, conn, @grid.nodes.shape[0])
        end
      end

      def pressure(statement)
        kind = @grid.dimension == 3 ? :faces : :edges
        value = statement.quantity("value", "stress")
        @groups.target!(statement, [kind]).sum(zero) do |place|
          pressed = surface(place).pressed[true, true, 0...@grid.dimension] * value
          Algebra::Gather.sum(pressed, connectivity(place), @grid.nodes.shape[0])
        end
      end

      def gravity(statement)
        pull = in_plane(statement) * statement.quantity("value", "acceleration")
        @grid.blocks.sum(zero) do |block|
          density = @materials[block.body].density
          raise statement.fault("the material of “#{block.body}” has no density", cure: "Type its density in the material statement.") unless density

          Algebra::Gather.sum(continuum(block).body_force(pull * density), block.conn, @grid.nodes.shape[0])
        end
      end

      def zero = Numo::DFloat.zeros(@grid.nodes.shape[0], @grid.dimension)
      def connectivity(place) = @grid.places.fetch(place.key)

      def in_plane(statement)
        direction = statement.direction
        return direction if @grid.dimension == 3
        return direction[0..1].dup if direction[2].zero?

        raise statement.fault("it acts along z, but the model lies in the xy plane", path: "direction", cure: "Choose a direction in the plane.")
      end

      def continuum(block) = Study::Blocks.continuum(@grid, block, @parts.body(block.body))

      def surface(place)
        body = @parts.body(place.body)
        measure = if body.solid? then 1.0
                  elsif body.axisymmetric? then :ring
                  else body.thickness
                  end
        conn = connectivity(place)
        Element::Surface.new(Algebra::Gather.rows(@grid.nodes, conn), measure, @grid.piece(conn))
      end
    end
  end
end
