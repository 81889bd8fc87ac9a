# frozen_string_literal: true

module Lattice
  module Result
    # Members with the forces in them: for each the values at its ends and the extremes between.
    class Members
      FORCES = { "N" => "force", "V2" => "force", "V3" => "force", "T" => "moment", "M2" => "moment", "M3" => "moment" }.freeze

      # @param grid [Mesh::Grid]
      # @param state [State]
      def initialize(grid, state)
        @grid = grid
        @state = state
      end

      # @return [Array<Hash>] body, name, stress (largest in size, Pa) and for every force its values at start and end, greatest and least
      def rows
        @grid.blocks.each_with_index.flat_map do |block, b|
          ends = @state.ends[b] or next []
          keys = Mesh::MemberElements.of(@grid, block)
          stress = @state.stress[b].values.map { |tensors| Stress.von_mises(tensors.reshape(tensors.shape[0] * 2, 6)).reshape(tensors.shape[0], 2).max(1) }.reduce { |p, q| Numo::DFloat.maximum(p, q) }
          keys.each_index.group_by { |i| keys[i][0] }.map { |(body, name), elements| row(body, name, ends[elements, true, true].dup, stress[elements].max) }
        end
      end

      private

      # Elements come in the order in which they run along the member.
      def row(body, name, ends, stress)
        forces = FORCES.keys.each_with_index.to_h do |force, k|
          values = ends[true, true, k].dup
          [force, { start: values[0, 0], finish: values[-1, 1], greatest: values.max, least: values.min }]
        end
        { body: body, name: name, stress: stress, forces: forces }
      end
    end
  end
end
