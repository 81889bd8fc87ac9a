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
          at = Algebra::Gather.rows(@grid.nodes, block.conn)
          inner = Diagrams.new(Shape::Vectors.norm(at[true, 1, true] - at[true, 0, true]), ends).peaks
          stress = [ends, *inner.map { |section| twice(section) }].map { |sections| stress(@state.fibres[b], sections) }.reduce { |p, q| Numo::DFloat.maximum(p, q) }
          keys = Mesh::MemberElements.of(@grid, block)
          keys.each_index.group_by { |i| keys[i][0] }.map do |(body, name), elements|
            row(body, name, ends[elements, true, true].dup, inner.map { |section| section[elements, true].dup }, stress[elements].max)
          end
        end
      end

      private

      def twice(section) = Numo::DFloat.zeros(section.shape[0], 2, 6).tap { |all| 2.times { |k| all[true, k, true] = section } }

      # @return [Numo::DFloat] [e] the largest in size over sections [e, 2, 6]
      def stress(fibres, sections)
        fibres.stresses(sections).values.map { |tensors| Stress.von_mises(tensors.reshape(tensors.shape[0] * 2, 6)).reshape(tensors.shape[0], 2).max(1) }.reduce { |p, q| Numo::DFloat.maximum(p, q) }
      end

      # Elements come in the order in which they run along the member.
      def row(body, name, ends, inner, stress)
        forces = FORCES.keys.each_with_index.to_h do |force, k|
          values = ends[true, true, k].dup
          between = inner.map { |section| section[true, k] }
          [force, { start: values[0, 0], finish: values[-1, 1], greatest: [values, *between].map(&:max).max, least: [values, *between].map(&:min).min }]
        end
        { body: body, name: name, stress: stress, forces: forces }
      end
    end
  end
end
