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
      def field(name, frame = 0, layer: nil) = values(name, frame, layer: layer).to_a.map { |value| value.nan? ? nil : value }

      # @return [Numo::DFloat] [k], NaN where nothing is
      def values(name, frame = 0, layer: nil)
        vector, component = Catalogue.vector(name)
        return of_vector(vector, frame) if vector && component.nil? && !@result.envelope?(frame) && !@result.is_a?(Swept)

        read(@result.field(name, frame, layer: layer))
      end

      # @return [Numo::DFloat] [frames, k], NaN where nothing is
      def series(name)
        return whole(name) unless @result.is_a?(Swept)

        Numo::DFloat.zeros(@result.frames.size, @points.shape[0]).fill(Float::NAN).tap do |all|
          places.each do |rows, index, weights|
            at = @result.series(name, index.flatten).reshape(all.shape[0], *index.shape)
            all[true, rows] = (at * weights.reshape(1, *weights.shape)).sum(2)
          end
        end
      end

      # @return [Integer] points at which nothing is
      def lost = @found.block.lt(0).count_true

      private

      def whole(name) = Numo::DFloat.zeros(@result.frames.size, @points.shape[0]).tap { |all| @result.frames.each { |f| all[f.index, true] = values(name, f.index) } }

      # The size of what is interpolated, not what is interpolated of the sizes.
      def of_vector(vector, frame) = Numo::NMath.sqrt(%w[x y z].sum { |c| values("#{vector}_#{c}", frame)**2 })

      def read(field)
        places.reduce(Numo::DFloat.zeros(@points.shape[0]).fill(Float::NAN)) do |found, (rows, index, weights)|
          found.tap { |all| all[rows] = (field[index.flatten].reshape(*index.shape) * weights).sum(1) }
        end
      end

      # Of every block the points in it, those of the mesh around each, and their weights.
      def places
        @places ||= @found.by_block.map do |block, rows, elements, local|
          kind = Element::Kind[@result.grid.blocks[block].kind]
          [rows, @result.grid.points.block(block)[elements, true].dup, kind.values(local[true, 0...kind.dimension].dup)]
        end
      end
    end
  end
end
