# frozen_string_literal: true

module LatticeServer
  module Building
    # A field of a result, or its difference from another's, in the way it is asked for: at points, or at the corners of elements.
    # What lies on another mesh is read where the points of this one are.
    class ReadField
      OUTSIDE = 0.1 # of the other mesh's reference elements, that a point may lie outside of them

      # @param pairs [Array(Lattice::Result::Outcome, Integer)] a result with its frame, and the one that is taken from it
      # @param how [String] of Lattice::Result::Reading::HOWS
      # @param around [Lattice::Shape::Around, nil]
      # @param layer [String, nil] of shells
      def initialize(pairs, layer: nil, how: "averaged", around: nil)
        @pairs = pairs
        @result = pairs[0][0]
        @how = how
        @around = around
        @layer = layer
        @kept = {}
        raise Problem.new(422, "results on different meshes are compared averaged, along the axes of the model", cure: "Read them averaged, along x, y and z.") if pairs.any? do |one, _|
          !here?(one)
        end && !(averaged? && around.nil?)
      end

      def averaged? = @how == "averaged"

      # @return [Numo::DFloat] [p]; no difference where the other mesh has nothing
      def at_points(name)
        @kept[[name, :points]] ||= begin
          own = own_at_points(name)
          @pairs.drop(1).reduce(own) { |field, (result, frame)| field - (here?(result) ? own_at_points(name, result, frame) : filled(along(result).values(name, frame, layer: @layer), own)) }
        end
      end

      # @return [Numo::Bit, nil] [p] where the other mesh has nothing
      def lost
        other = @pairs.drop(1).map(&:first).find { |result| !here?(result) } or return
        @lost ||= along(other).values("displacement_x", @pairs[1][1]).isnan
      end

      # @param block [Integer] of the mesh
      # @return [Numo::DFloat] [e, k] at the nodes of its elements
      def at_corners(name, block)
        return at_points(name)[grid.points.block(block)] if averaged?

        @kept[[name, block]] ||= @pairs.map { |result, frame| reading(result).at_corners(name, frame, block, mean: @how == "element") }.reduce(:-)
      end

      # @return [Numo::DFloat] at the points of the skin, or at the corners of its triangles
      def drawn(name)
        averaged? ? at_points(name)[grid.skin.points] : of_all(name)[grid.skin.corners].flatten
      end

      # @return [Hash] least and greatest where it is to be read, and where they are
      def extreme(name)
        values = averaged? ? at_points(name) : of_all(name)
        open = averaged? ? readable_points : readable_corners
        low, high = [values[open].min_index, values[open].max_index].map { |i| open[i] }
        { min: values[low], max: values[high], min_at: at(low), max_at: at(high) }
      end

      private

      def grid = @result.grid
      def here?(result) = result.grid.equal?(grid) || (result.grid.nodes.shape == grid.nodes.shape && result.grid.nodes == grid.nodes)
      def along(result) = (@along ||= {}.compare_by_identity)[result] ||= Lattice::Result::Along.new(result, grid.nodes[grid.points.nodes, true].dup, outside: OUTSIDE)

      def own_at_points(name, result = @result, frame = @pairs[0][1])
        @around ? reading(result).at_points(name, frame) : result.field(name, frame, layer: @layer)
      end

      def filled(values, own)
        gaps = values.isnan.where
        gaps.empty? ? values : values.tap { values[gaps] = own[gaps] }
      end

      def readable_points
        open = @result.readable
        there = lost ? open[lost[open].eq(0).where].dup : open
        there.empty? ? open : there
      end

      def reading(result) = Lattice::Result::Reading.new(result, layer: @layer, around: @around)
      def of_all(name) = @kept[[name, :all]] ||= flat(grid.blocks.each_index.map { |b| at_corners(name, b) })
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
