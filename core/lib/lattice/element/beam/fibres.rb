# frozen_string_literal: true

module Lattice
  module Element
    module Beam
      # Where the stress of members is read: the outer points of their sections. With the forces at their ends it
      # gives stresses, of single cases and of combinations alike.
      class Fibres
        LAYERS = %w[largest least].freeze

        # One section: area, second moments about the principal axes, points [n, 2] along them from the centre, and how
        # many points each of its loops has.
        Section = Struct.new(:area, :two, :three, :rings, :points) do
          # @return [Array<Range>] rows of the points of each loop
          def loops = rings.each_index.map { |k| rings.first(k).sum...rings.first(k + 1).sum }
        end

        attr_reader :index, :sections, :axes

        # @param index [Numo::Int32] [e] the section of every element
        # @param sections [Array<Section>]
        # @param axes [Numo::DFloat] [e, 3, 3] along the member and the principal axes
        def initialize(index, sections, axes)
          @index = index
          @sections = sections
          @axes = axes
        end

        # Stress along the member where it is largest and least over the section.
        # @param ends [Numo::DFloat] [e, 2, 6] N, V2, V3, T, M2, M3
        # @return [Hash] layer => tensors [e, 2, 6]
        def stresses(ends) = extremes(ends).transform_values { |stress| tensors(stress) }

        # @return [Hash] layer => stress along the member [e, 2]
        def extremes(ends)
          found = LAYERS.to_h { |layer| [layer, Numo::DFloat.zeros(*ends.shape[0..1])] }
          sections.each_with_index do |section, k|
            rows = index.eq(k).where
            next if rows.empty?

            all = along(section, ends[rows, true, true].dup)
            found["largest"][rows, true] = all.max(2)
            found["least"][rows, true] = all.min(2)
          end
          found
        end

        # What swings as one · cos ωt − other · sin ωt, by its greatest amplitude over the section.
        # @param one [Numo::DFloat] [e, 2, 6] ends; other as well
        # @return [Hash] layer => tensors [e, 2, 6]
        def amplitudes(one, other)
          found = Numo::DFloat.zeros(*one.shape[0..1])
          sections.each_with_index do |section, k|
            rows = index.eq(k).where
            next if rows.empty?

            cosine, sine = [one, other].map { |ends| along(section, ends[rows, true, true].dup) }
            found[rows, true] = Numo::NMath.sqrt((cosine**2) + (sine**2)).max(2)
          end
          LAYERS.to_h { |layer| [layer, tensors(found)] }
        end

        # @param stress [Numo::DFloat] [e, 2] along the members
        # @return [Numo::DFloat] [e, 2, 6]
        def tensors(stress)
          plane = Numo::DFloat.zeros(*stress.shape, 3).tap { |p| p[true, true, 0] = stress }
          Shell::Turned.stress(plane, Numo::DFloat.zeros(*stress.shape, 2), axes)
        end

        private

        # [rows, 2, points]
        def along(section, ends)
          x, y = [0, 1].map { |k| section.points[true, k].dup.reshape(1, 1, section.points.shape[0]) }
          n, m2, m3 = [0, 4, 5].map { |k| ends[true, true, k].dup.reshape(*ends.shape[0..1], 1) }
          (n / section.area) + (m2 * y / section.two) - (m3 * x / section.three)
        end
      end
    end
  end
end
