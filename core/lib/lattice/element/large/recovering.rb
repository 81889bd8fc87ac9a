# frozen_string_literal: true

module Lattice
  module Element
    module Large
      # What is read of the elements of a piece at rest, in axes that turned with them.
      module Recovering
        # Stress at the nodes, and forces of members, in axes that turned with the elements.
        # @param spread [Numo::DFloat, nil] [e, 3] N/m on members
        # @return [Array(Hash, Numo::DFloat, Numo::DFloat)] by layer [e, n, 6]; nil or [e, 2, 6]; nil or the equivalent plastic strain [e, n]
        def recover(places, turns, spread = nil)
          deformed, frames = deformation(places, turns)
          if spread
            ends = piece.ends(deformed, Numo::Linalg.matmul(frames.transpose(0, 2, 1).dup, spread.reshape(*spread.shape, 1))[true, true, 0].dup, free_strain)
            return [piece.fibres.stresses(ends), ends, nil] unless @flowing

            return [*@flowing.put_in(ends) { |range| deformed[range, true, true].reshape(range.size, @nodes * @width) }]
          end

          stress = piece.recover(deformed, free_strain)
          plastic = @flowing && flowed(stress, deformed)
          [stress.transform_values { |table| Rotation.stress(table, frames) }, nil, plastic]
        end

        # What is recovered of a piece that is not there.
        def nothing
          stress = piece.recover(Numo::DFloat.zeros(@elements, @nodes, @width), 0.0) unless piece.body.members?
          ends = piece.body.members? ? Numo::DFloat.zeros(@elements, 2, 6) : nil
          [stress || piece.fibres.stresses(ends), ends, @flowing && Numo::DFloat.zeros(@elements, @nodes)]
        end

        # What of the strain stays, of metals.
        # @return [Hash, nil] layer => [e, n, 6], shears as half of the angle; nil where no metal flows, or none has flowed
        def flow_strain(places, turns)
          return unless @flowing.is_a?(Flowing)

          all = nil
          in_chunks do |range|
            layers, at = @flowing.flow_at_nodes(range)
            next unless layers

            all ||= layers.transform_values { Numo::DFloat.zeros(@elements, @nodes, 6) }
            rows = at + range.begin
            layers.each { |layer, table| all[layer][rows, true, true] = whole_flow(table, rows) }
          end
          return unless all

          frames = deformation(places, turns)[1]
          all.transform_values { |table| Rotation.stress(table, frames) }
        end

        # @return [Numo::DFloat, nil] [e, n] the strain that temperature alone would bring
        def free = @warmth && @warmth[0]

        private

        # Puts the stress in that has flowed.
        # @return [Numo::DFloat] [e, n] equivalent plastic strain
        def flowed(stress, deformed)
          Numo::DFloat.zeros(@elements, @nodes).tap do |plastic|
            in_chunks do |range|
              layers, sums, at = @flowing.at_nodes(range, deformed[range, true, true].reshape(range.size, @nodes * @width))
              next unless layers

              all = at + range.begin
              plastic[all, true] = sums
              layers.each { |layer, table| stress[layer][all, true, true] = piece.full_stress(table, all) }
            end
          end
        end

        # What is left in the frames [e, n, names], and how these have turned [e, 3, 3].
        def deformation(places, turns)
          found = Numo::DFloat.zeros(@elements, @nodes, @width)
          frames = Numo::DFloat.zeros(@elements, 3, 3)
          in_chunks do |range|
            own, turned = at(range, places, turns)
            back, inside, = @frame.call(range, own, turned)
            found[range, true, true] = left(range, back, inside, turned)
            frames[range, true, true] = back.transpose(0, 2, 1)
          end
          [found, frames]
        end

        # Flow keeps the volume: what is not told of sheets is across them.
        # @param table [Numo::DFloat] [y, n, 3 or 6]
        # @return [Numo::DFloat] [y, n, 6]
        def whole_flow(table, rows)
          return table if table.shape[2] == 6

          trace = table[true, true, 0] + table[true, true, 1]
          2.times { |k| table[true, true, k] = table[true, true, k] + trace }
          piece.full_stress(table, rows).tap { |all| 3.times { |k| all[true, true, k] = all[true, true, k] - trace } }
        end
      end
    end
  end
end
