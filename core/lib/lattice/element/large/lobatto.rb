# frozen_string_literal: true

module Lattice
  module Element
    module Large
      # Forces of sections along members by those at their ends, and sums over places along them, by Lobatto's rule: exact while all is elastic.
      module Lobatto
        PLACES = [0.0, (1 - Math.sqrt(0.2)) / 2, (1 + Math.sqrt(0.2)) / 2, 1.0].freeze
        WEIGHTS = [1.0 / 12, 5.0 / 12, 5.0 / 12, 1.0 / 12].freeze
        # N, M3 and M2 at the places by N, M3 at both ends and M2 at both ends: [places, 3, 5]
        FORCES = Numo::DFloat.zeros(4, 3, 5).tap do |all|
          PLACES.each_with_index do |place, g|
            all[g, 0, 0] = 1.0
            [[1, 1], [2, 3]].each { |row, first| [place - 1, place].each_with_index { |share, k| all[g, row, first + k] = share } }
          end
        end

        private

        # Σ w L bᵀ f b: [y, 5, 5]
        def along(compliance, lengths)
          PLACES.each_index.map do |g|
            b = FORCES[g, true, true].dup
            y = lengths.size
            inner = compliance[true, g, true, true].reshape(y * 3, 3).dot(b).reshape(y, 3, 5)
            Numo::Linalg.matmul(Numo::DFloat.zeros(y, 5, 3) + b.transpose.reshape(1, 5, 3), inner) * (lengths * WEIGHTS[g]).reshape(y, 1, 1)
          end.reduce(:+)
        end

        # Σ w L bᵀ e: [y, 5]
        def gathered(strains, lengths)
          PLACES.each_index.sum { |g| strains[true, g, true].dup.dot(FORCES[g, true, true].dup) * (lengths * WEIGHTS[g]).reshape(lengths.size, 1) }
        end

        # b q: [y, places, 3]
        def section_forces(forces)
          flat = Numo::DFloat.vstack(PLACES.each_index.map { |g| FORCES[g, true, true] })
          forces.dot(flat.transpose).reshape(forces.shape[0], PLACES.size, 3)
        end

        # Forces of sections by uniform loads, where both ends turn freely and the far one moves freely along.
        # @param loads [Numo::DFloat] [y, 3] N/m along the elements' axes
        # @param bends [Numo::DFloat] [y] one for those that bend, else zero
        # @return [Numo::DFloat] [y, places, 3]
        def borne(loads, lengths, bends)
          along, two, three = (0..2).map { |k| loads[true, k].dup }
          bends = bends * (lengths**2) / 2
          Numo::DFloat.zeros(lengths.size, PLACES.size, 3).tap do |all|
            PLACES.each_with_index do |place, g|
              [along * lengths * (1 - place), two * bends * (place * (place - 1)), three * bends * (place * (1 - place))].each_with_index { |force, row| all[true, g, row] = force }
            end
          end
        end

        # [y, r, c] times [y, c]
        def times(matrices, vectors) = Numo::Linalg.matmul(matrices, vectors.reshape(*vectors.shape, 1)).reshape(matrices.shape[0], matrices.shape[1])

        # Forces at the nodes: [y, 12]
        def column(deformations, forces) = times(deformations.transpose(0, 2, 1).dup, forces)
      end
    end
  end
end
