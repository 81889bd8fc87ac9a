# frozen_string_literal: true

module Lattice
  module Result
    # The mean stress of each body, by volume: of shells over both faces, of members along them by the axial force.
    module MeanStress
      module_function

      # @param result [Outcome] of a state
      # @param frame [Integer]
      # @param pieces [Array<Element::Piece>] of the blocks of its mesh
      # @return [Hash] body => components of the tensor, Pa
      def of(result, frame, pieces)
        state = result.state(frame)
        parts = pieces.each_with_index.map { |piece, b| [result.grid.blocks[b].body, piece.node_volumes, state.ends[b] ? axial(state.fibres[b], state.ends[b]) : spread(state.stress[b])] }
        parts.group_by(&:first).transform_values do |same|
          sum = same.sum { |_, volumes, tensors| (tensors * volumes.reshape(*volumes.shape, 1)).sum(0).sum(0) }
          (sum / same.sum { |_, volumes, _| volumes.sum }).to_a
        end
      end

      # @return [Numo::DFloat] [e, k, 6] the mean of all layers
      def spread(layers) = layers.values.reduce(:+) / layers.size

      # @return [Numo::DFloat] [e, 2, 6] N / A along each member
      def axial(fibres, ends)
        areas = Numo::DFloat.cast(fibres.sections.map(&:area))[fibres.index].reshape(ends.shape[0], 1)
        fibres.tensors(ends[true, true, 0] / areas)
      end
      private_class_method :spread, :axial
    end
  end
end
