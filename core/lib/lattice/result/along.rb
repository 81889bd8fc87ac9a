# frozen_string_literal: true

module Lattice
  module Result
    # Fields read at places of space that are no nodes: in each element by its shape functions.
    class Along
      # @param result [Outcome]
      # @param points [Numo::DFloat] [k, 3]
      # @param reach [Float] m, how far from a face or member a point may lie
      # @param outside [Float] of the reference element, that a point may lie outside of it
      def initialize(result, points, reach: 0.0, outside: Mesh::Placing::OUTSIDE)
        @result = result
        @points = points
        @found = Mesh::Placing.new(result.grid, outside: outside).call(points, reach: reach)
      end

      # @param name [String] of the catalogue
      # @return [Array<Float, nil>] nil where nothing is
      def field(name, frame = 0, layer: nil)
        vector, component = Catalogue.vector(name)
        return of_vector(vector, frame) if vector && component.nil? && !@result.envelope?(frame)

        values = @result.field(name, frame, layer: layer)
        at { |index| values[index].dup }
      end

      private

      # The size of what is interpolated, not what is interpolated of the sizes.
      def of_vector(vector, frame)
        parts = %w[x y z].map { |c| field("#{vector}_#{c}", frame) }
        parts.transpose.map { |list| list.include?(nil) ? nil : Math.sqrt(list.sum { |v| v * v }) }
      end

      def at
        found = Array.new(@points.shape[0])
        @found.by_block.each do |block, rows, elements, local|
          kind = Element::Kind[@result.grid.blocks[block].kind]
          index = @result.grid.points.block(block)[elements, true].dup
          values = yield(index.flatten).reshape(*index.shape)
          rows.to_a.zip((values * kind.values(local[true, 0...kind.dimension].dup)).sum(1).to_a) { |row, value| found[row] = value }
        end
        found
      end
    end
  end
end
