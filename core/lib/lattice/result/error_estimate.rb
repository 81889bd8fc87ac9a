# frozen_string_literal: true

module Lattice
  module Result
    # How far the stress of an element jumps from the average at its nodes: an estimate of its error.
    # O. C. Zienkiewicz, J. Z. Zhu, A simple error estimator and adaptive procedure, 1987.
    class ErrorEstimate
      # @param result [Outcome]
      # @param frame [Integer]
      def initialize(result, frame = 0)
        @result = result
        @frame = frame
      end

      # @return [Array<Numo::DFloat, nil>] for every block [e, k] von Mises stress of the jump, Pa; nil where there is none
      def jumps
        @jumps ||= @result.state(@frame).stress.each_with_index.map { |layers, b| layers.map { |layer, tensor| jump(tensor, layer, b) }.reduce { |one, two| Numo::DFloat.maximum(one, two) } }
      end

      # @return [Numo::DFloat] [p] at the points of the mesh, the greatest of the elements there
      def at_points
        found = Numo::DFloat.zeros(@result.grid.points.size)
        jumps.each_with_index do |values, b|
          next unless values

          index = @result.grid.points.block(b)
          # Written in rising order, the greatest of each point stays.
          order = values.flatten.sort_index
          found[index.flatten[order]] = Numo::DFloat.maximum(found[index.flatten[order]], values.flatten[order])
        end
        found
      end

      private

      def jump(tensor, layer, block)
        e, k, = tensor.shape
        index = @result.grid.points.block(block).flatten
        Stress.von_mises(tensor.reshape(e * k, 6) - averaged(layer)[index, true]).reshape(e, k)
      end

      def averaged(layer) = (@averaged ||= {})[layer] ||= @result.stress(@frame, layer)
    end
  end
end
