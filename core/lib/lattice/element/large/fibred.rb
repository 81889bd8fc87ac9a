# frozen_string_literal: true

module Lattice
  module Element
    module Large
      # Members whose single fibres flow. Forces along an element that no load touches between its ends follow from those at its ends alone, however its
      # sections flow: they are found that give the deformations of the element, with the strains of its sections. Twisting and shear
      # stay elastic, and so do elements with an end that is free to turn.
      # E. Spacone, F. C. Filippou, F. F. Taucer, Fibre beam-column model for non-linear analysis of R/C frames, 1996.
      class Fibred
        include Lobatto
        include Engine::Memory

        remembers :@committed

        NEAR = 1 - 1e-9
        ROUNDS = 30
        ENOUGH = 1e-8 # of the elastic forces of a section, by which they may miss those that the ends ask for
        STEPS = [4, 16].freeze
        LEAST = 1e-5 # of the elastic stiffness, that is left where all fibres flow

        # What is kept of the elements of a section: states of fibres by groups, which elements flow, and strains [e, places, 3] with the
        # deformations [e, 5] and the forces inside [e, places, 3] that they belong to.
        Kept = Struct.new(:fibres, :flows, :strains, :deformed, :inside)

        # Elements of a section in a range: own [y] in it; local [y, 5, 12] and turned [y, 5, 12] deformations by movements in their own axes and in global
        # ones; flexible [y, 5, 5] by shear; stiff [y, 5, 5] elastic.
        Plan = Struct.new(:number, :own, :local, :turned, :lengths, :flexible, :stiff)

        # @param piece [BeamPiece]
        # @param fibring [Matter::Fibring]
        def initialize(piece, fibring)
          @piece = piece
          @fibring = fibring
          @committed = {}
          @trial = {}
          @plans = {}
        end

        def slides? = false
        def slant(_moved) = nil
        def weaken(_factor) = nil

        # What acts between the ends from now on.
        # @param per_length [Numo::DFloat] [e, 3] N/m
        def bear(per_length)
          @bears = per_length.eq(0).all? ? nil : @piece.along_axes(per_length)
        end

        def commit = @committed.merge!(@trial)
        def clear = @committed.clear

        # @see Flowing#call
        def call(range, moved, tangent)
          rows = plan(range).filter_map do |plan|
            mine, less, softer = answer(range, plan, moved, tangent)
            next if mine.empty?

            own = plan.turned[mine, true, true].dup
            [column(own, less), tangent ? Numo::Linalg.matmul(own.transpose(0, 2, 1).dup, Numo::Linalg.matmul(softer, own)) : nil, plan.own[mine].dup]
          end
          return if rows.empty?

          force, softer, at = rows.transpose
          [Numo::DFloat.vstack(force), tangent ? softer.reduce { |a, b| a.concatenate(b) } : nil, Numo::Int32.cast(at.reduce { |a, b| a.concatenate(b) })]
        end

        # Forces, stress and plastic strain of all members, from the elastic forces at their ends.
        # @param ends [Numo::DFloat] [e, 2, 6], which change
        # @yield [Range] of elements
        # @yieldreturn [Numo::DFloat] [c, 12] what is left in their frames
        # @return [Array(Hash, Numo::DFloat, Numo::DFloat)] see Turning#recover
        def put_in(ends)
          extremes = @piece.fibres.extremes(ends)
          plastic = Numo::DFloat.zeros(ends.shape[0], 2)
          @plans.each_key do |range|
            at_ends(range, yield(range)).each do |at, more, largest, least, sums|
              all = at + range.begin
              ends[all, true, true] = ends[all, true, true] + more
              plastic[all, true] = sums
              { "largest" => largest, "least" => least }.each { |layer, table| extremes[layer][all, true] = table }
            end
          end
          [extremes.transform_values { |stress| @piece.fibres.tensors(stress) }, ends, plastic]
        end

        private

        # What flow adds to the forces at the ends, and stress and plastic strain there.
        # @param moved [Numo::DFloat] [c, 12]
        # @return [Array<Array>] elements [y] of the range, forces [y, 2, 6] in their own axes, largest and least stress [y, 2] and the largest
        #   plastic strain [y, 2]
        def at_ends(range, moved)
          plan(range).filter_map do |plan|
            mine, less, = answer(range, plan, moved, false)
            next if mine.empty?

            forces = column(plan.local[mine, true, true].dup, less).reshape(mine.size, 2, 6)
            forces[true, 0, true] *= -1
            [plan.own[mine].dup, forces, *extremes(plan, @trial[[range, plan.number]], mine)]
          end
        end

        def plan(range)
          @plans[range] ||= @fibring.sections.each_index.select { |k| @fibring.sections[k] }.filter_map do |k|
            here = (@piece.fibres.index[range].eq(k) & @piece.stiff_ends[range]).where
            next if here.empty?

            own = Numo::Int32.cast(here)
            all = own + range.begin
            local = @piece.deformations(all)
            lengths = @piece.lengths[all].dup
            flexible = @piece.shear_flexibility(all)
            Plan.new(k, own, local, @piece.by_global(local, all), lengths, flexible, Numo::Linalg.inv(flexible + along(elastic(k, lengths.size), lengths)))
          end
        end

        # Compliance of elastic sections: [y, places, 3, 3]
        def elastic(number, count)
          table = @fibring.sections[number].compliance
          Numo::DFloat.zeros(count, PLACES.size, 3, 3) + table.reshape(1, 1, 3, 3)
        end

        # @return [Array] elements that flow, by the number in the plan; the forces [y, 5] that flow adds, and how these change [y, 5, 5]
        def answer(range, plan, moved, tangent)
          key = [range, plan.number]
          kept = @committed[key] || fresh(plan)
          before = @trial[key] || kept
          deformed = times(plan.turned, moved[plan.own, true].dup)
          inside = inside(range, plan)
          straight = times(plan.stiff, deformed - gathered(yielding_to(plan.number, inside), plan.lengths))
          mine = flowing(plan, kept, section_forces(straight) + inside)
          @trial[key] = kept
          return [mine] if mine.empty?

          forces, stiff = settled(key, plan, kept, before, mine, deformed, inside)
          less = forces - straight[mine, true]
          [mine, less, tangent ? stiff - plan.stiff[mine, true, true] : nil]
        end

        def fresh(plan)
          y = plan.own.size
          section = @fibring.sections[plan.number]
          Kept.new(section.groups.map do |group|
            group.law.start(y * PLACES.size * group.areas.size)
          end, Numo::Bit.zeros(y), Numo::DFloat.zeros(y, PLACES.size, 3), Numo::DFloat.zeros(y, 5), Numo::DFloat.zeros(y, PLACES.size, 3))
        end

        # Forces of sections by what acts between the ends: [y, places, 3]
        def inside(range, plan)
          return Numo::DFloat.zeros(plan.own.size, PLACES.size, 3) unless @bears

          all = plan.own + range.begin
          borne(@bears[all, true].dup, plan.lengths, @piece.bends[all].dup)
        end

        # Strains of elastic sections under forces: [y, places, 3]
        def yielding_to(number, forces) = forces.reshape(forces.size / 3, 3).dot(@fibring.sections[number].compliance).reshape(*forces.shape)

        # Elements that flow, or may.
        # @param forces [Numo::DFloat] [y, places, 3] of elastic sections
        def flowing(plan, kept, forces)
          section = @fibring.sections[plan.number]
          y = forces.shape[0]
          return Numo::Int32.new(y).seq if section.everywhere?

          high = (yielding_to(plan.number, forces).abs.reshape(y * PLACES.size, 3).dot(Numo::DFloat.cast([1.0, *section.reach])) * section.young).reshape(y, PLACES.size).max(1)
          Numo::Int32.cast(((high >= section.first * NEAR) | kept.flows).where)
        end

        # Forces at the ends, and their stiffness, so that every section is in balance and the element deformed as it is. Where that is not
        # found at once it is approached in steps, from where it was.
        def settled(key, plan, kept, before, mine, deformed, inside)
          rows = @fibring.sections[plan.number].groups.map { |group| fibre_rows(plan.own.size, group, mine) }
          states = kept.fibres.each_with_index.map { |state, i| state[true, rows[i]].dup }
          wanted = [deformed[mine, true].dup, inside[mine, true, true].dup]
          found = approached(plan, mine, states, before.strains[mine, true, true].dup, from(before, mine), wanted) ||
                  STEPS.reduce(nil) { |done, steps| done || in_steps(plan, mine, states, kept, wanted, steps) }
          return [wanted[0] * Float::NAN, plan.stiff[mine, true, true]] unless found

          forces, stiff, strains, after = found
          @trial[key] = changed(plan, kept, mine, after, strains: strains, wanted: wanted)
          [forces, stiff]
        end

        # Deformations, and forces inside.
        def from(kept, mine) = [kept.deformed[mine, true].dup, kept.inside[mine, true, true].dup]

        def in_steps(plan, mine, states, kept, wanted, steps)
          from = from(kept, mine)
          at = from
          found = [nil, nil, kept.strains[mine, true, true].dup]
          (1..steps).each do |step|
            upto = from.zip(wanted).map { |first, last| first + ((last - first) * (step.to_f / steps)) }
            found = approached(plan, mine, states, found[2], at, upto)
            break unless found

            at = upto
          end
          found
        end

        # @return [Array, nil] forces, stiffness, strains and states of fibres; nil where the sections find no balance
        def approached(plan, mine, states, strains, from, wanted)
          section = @fibring.sections[plan.number]
          lengths = plan.lengths[mine].dup
          strains = guessed(plan, mine, strains, *wanted.zip(from).map { |now, then_| now - then_ })
          wanted, inside = wanted
          ROUNDS.times do
            held, moduli, after = section_of(section, strains, states)
            held -= inside
            compliance = Numo::Linalg.inv((moduli + (section.elastic * LEAST).reshape(1, 3, 3)).dup).reshape(mine.size, PLACES.size, 3, 3)
            stiff = Numo::Linalg.inv(plan.flexible[mine, true, true].dup + along(compliance, lengths))
            forces = times(stiff, wanted - gathered(strains - pressed(compliance, held), lengths))
            over = section_forces(forces) - held
            return unless over.sum.finite?
            return [forces, stiff, strains, after] if (over.abs / section.sizes.reshape(1, 1, 3)).max < ENOUGH

            strains += pressed(compliance, over)
          end
          nil
        end

        # From where it was last, by what the elastic element would do.
        def guessed(plan, mine, strains, change, inside)
          forces = times(plan.stiff[mine, true, true].dup, change - gathered(yielding_to(plan.number, inside), plan.lengths[mine].dup))
          strains + yielding_to(plan.number, section_forces(forces) + inside)
        end

        # N, M3 and M2 of sections [y, places, 3], how they change [y places, 3, 3], and the states of their fibres.
        def section_of(section, strains, states)
          y = strains.shape[0] * PLACES.size
          held = softer = 0.0
          after = section.groups.each_with_index.map do |group, i|
            stress, moduli, state = group.law.respond(strains.reshape(y, 3).dot(group.arms).flatten, states[i])
            held += stress.reshape(y, group.areas.size).dot(group.table)
            softer += moduli.reshape(y, group.areas.size).dot(group.products)
            state
          end
          [held.reshape(strains.shape[0], PLACES.size, 3), softer.reshape(y, 3, 3), after]
        end

        def pressed(compliance, forces)
          y = forces.shape[0] * PLACES.size
          Numo::Linalg.matmul(compliance.reshape(y, 3, 3), forces.reshape(y, 3, 1)).reshape(*forces.shape)
        end

        # @return [Kept] with what the elements that flow are now
        def changed(plan, kept, mine, after, strains:, wanted:)
          groups = @fibring.sections[plan.number].groups
          flows = kept.flows.dup
          fibres = groups.each_with_index.map do |group, i|
            flows[mine] = flows[mine] | (group.law.plastic(after[i]).reshape(mine.size, PLACES.size * group.areas.size).max(1) > 0)
            kept.fibres[i].dup.tap { |all| all[true, fibre_rows(plan.own.size, group, mine)] = after[i] }
          end
          Kept.new(fibres, flows, kept.strains.dup.tap { |all| all[mine, true, true] = strains }, kept.deformed.dup.tap { |all| all[mine, true] = wanted[0] },
                   kept.inside.dup.tap { |all| all[mine, true, true] = wanted[1] })
        end

        def fibre_rows(count, group, mine)
          n = PLACES.size * group.areas.size
          Numo::Int32.new(count, n).seq[mine, true].flatten
        end

        # Largest and least stress of fibres, and the largest plastic strain, at both ends: [y, 2] each.
        def extremes(plan, kept, mine)
          section = @fibring.sections[plan.number]
          strains = kept.strains[mine, true, true].dup
          found = section.groups.each_with_index.map do |group, i|
            rows = fibre_rows(plan.own.size, group, mine)
            stress, _, state = group.law.respond(strains.reshape(mine.size * PLACES.size, 3).dot(group.arms).flatten, kept.fibres[i][true, rows].dup)
            shape = [mine.size, PLACES.size, group.areas.size]
            [stress.reshape(*shape).max(2), stress.reshape(*shape).min(2), group.law.plastic(state).reshape(*shape).max(2)].map { |t| t[true, [0, PLACES.size - 1]].dup }
          end
          tops, lows, sums = found.transpose
          [tops.reduce { |a, b| Numo::DFloat.maximum(a, b) }, lows.reduce { |a, b| Numo::DFloat.minimum(a, b) }, sums.reduce { |a, b| Numo::DFloat.maximum(a, b) }]
        end
      end
    end
  end
end
