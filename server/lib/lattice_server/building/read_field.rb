# frozen_string_literal: true

module LatticeServer
  module Building
    # A field of a result, or its difference from another's, in the way it is asked for: at points, or at the corners of elements.
    class ReadField
      # @param pairs [Array(Lattice::Result::Outcome, Integer)] a result with its frame, and the one that is taken from it
      # @param how [String] of Lattice::Result::Reading::HOWS
      # @param around [Lattice::Shape::Around, nil]
      # @param layer [String, nil] of shells
      def initialize(pairs, how:, around:, layer:)
        @pairs = pairs
        @result = pairs[0][0]
        @how = how
        @around = around
        @layer = layer
        @kept = {}
      end

      def averaged? = @how == "averaged"

      # @return [Numo::DFloat] [p]
      def at_points(name)
        @kept[[name, :points]] ||= less { |result, frame| @around ? reading(result).at_points(name, frame) : result.field(name, frame, layer: @layer) }
      end

      # @return [Array<Numo::DFloat>] [e, k] for every block
      def at_corners(name)
        @kept[[name, :corners]] ||=
          if averaged?
            at_points(name).then { |field| grid.blocks.each_index.map { |b| field[grid.points.block(b)] } }
          else
            @pairs.map { |result, frame| reading(result).at_corners(name, frame, mean: @how == "element") }.transpose.map { |one, other| other ? one - other : one }
          end
      end

      # @return [Numo::DFloat] at the points of the skin, or at the corners of its triangles
      def drawn(name)
        averaged? ? at_points(name)[grid.skin.points] : flat(at_corners(name))[grid.skin.corners].flatten
      end

      # @return [Hash] least and greatest where it is to be read, and where they are
      def extreme(name)
        values = averaged? ? at_points(name) : flat(at_corners(name))
        open = averaged? ? @result.readable : readable_corners
        low, high = [values[open].min_index, values[open].max_index].map { |i| open[i] }
        { min: values[low], max: values[high], min_at: at(low), max_at: at(high) }
      end

      private

      def grid = @result.grid
      def reading(result) = Lattice::Result::Reading.new(result, layer: @layer, around: @around)
      def less(&) = @pairs.map(&).reduce(:-)
      def flat(blocks) = blocks.map(&:flatten).reduce { |a, b| a.concatenate(b) }
      def points_of_corners = @points_of_corners ||= flat(grid.blocks.each_index.map { |b| grid.points.block(b) })
      def at(index) = @result.at(averaged? ? index : points_of_corners[index])

      def readable_corners
        open = Numo::Bit.zeros(grid.points.size)
        open[@result.readable] = 1
        Numo::Int32.cast(open[points_of_corners].where)
      end
    end
  end
end
