# frozen_string_literal: true

module Lattice
  module Shape
    # Whether faces of one cylinder or cone lie over each other: both are unrolled about the axis.
    module RoundContact
      AROUND = 100 # triangles that are looked at
      TURN = 2 * Math::PI

      module_function

      # @param one [Facets]
      # @param i [Integer] a face of it
      # @param other [Facets]
      # @param j [Integer] a face of it, on the same surface
      # @param near [Float] m
      # @return [Boolean] whether the middle of a triangle of the first lies within one of the second
      def over?(one, i, other, j, near)
        surface = one.faces[i].surface
        angle, height = unrolled(one.corners.map { |c| c[one.of(i), true] }.reduce(:+) / 3, surface)
        corners = other.corners.map { |c| unrolled(c[other.of(j), true], surface) }
        round = surface.radius || one.size
        (0...angle.size).step([angle.size / AROUND, 1].max).any? do |row|
          flat = seen_from(angle[row], corners, round)
          flat && ContactFaces.inside?([Numo::DFloat[0.0], Numo::DFloat[height[row]]], flat, near)
        end
      end

      # @return [Array(Numo::DFloat, Numo::DFloat)] angles about the axis and heights along it
      def unrolled(points, surface)
        from = points - Numo::DFloat[*surface.origin]
        u, v = Vectors.across(surface.axis).map { |a| from.dot(Numo::DFloat[*a]) }
        [Numo::NMath.atan2(v, u), from.dot(Numo::DFloat[*surface.axis])]
      end

      # Triangles unrolled from an angle; those across the far side would be torn apart and are left out.
      # @return [Array<Numo::DFloat>, nil] lengths round the axis and heights, [t, 3] each
      def seen_from(angle, corners, round)
        angles = corners.map { |a, _| ((a - angle + (1.5 * TURN)) % TURN) - (TURN / 2) }
        widths = %i[maximum minimum].map { |m| angles.reduce { |a, b| Numo::DFloat.public_send(m, a, b) } }
        kept = (widths[0] - widths[1] < TURN / 2).where
        return nil if kept.empty?

        [angles.map { |a| a[kept] * round }, corners.map { |_, h| h[kept] }].map { |rows| Numo::DFloat.vstack(rows.map(&:dup)).transpose.dup }
      end
    end
  end
end
