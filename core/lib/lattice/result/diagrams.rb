# frozen_string_literal: true

module Lattice
  module Result
    # How the forces in members run between the ends of their elements under uniform loads: straight, and of moments
    # parabolas, M3' = -V2 and M2' = V3; with the places where a moment is greatest.
    class Diagrams
      FORCES = %w[N V2 V3 T M2 M3].freeze
      # moment => [number, number of the shear that is its slope, sign]
      SLOPES = { "M2" => [4, 2, 1.0], "M3" => [5, 1, -1.0] }.freeze
      STEPS = 4 # pieces that a parabola is drawn with

      # @param lengths [Numo::DFloat] [e]
      # @param ends [Numo::DFloat] [e, 2, 6]
      def initialize(lengths, ends)
        @lengths = lengths
        @ends = ends
      end

      # @param share [Float, Numo::DFloat] from 0 to 1 along each element
      # @return [Numo::DFloat] [e, 6]
      def at(share)
        values = @ends[true, 0, true] + ((@ends[true, 1, true] - @ends[true, 0, true]) * column(share))
        SLOPES.each_value { |moment, shear, sign| values[true, moment] = @ends[true, 0, moment] + (turned(shear, share) * sign) + drift(moment, shear, sign, share) }
        values
      end

      # @return [Numo::DFloat] [e, STEPS + 1, 6]
      def drawn = Numo::DFloat.zeros(@lengths.size, STEPS + 1, 6).tap { |all| (0..STEPS).each { |k| all[true, k, true] = at(k.to_f / STEPS) } }

      # Sections where a moment is greatest or least within an element, at its ends elsewhere.
      # @return [Array<Numo::DFloat>] [e, 6] each
      def peaks
        SLOPES.values.map do |_, shear, _|
          first = @ends[true, 0, shear].dup
          fall = first - @ends[true, 1, shear]
          fall[fall.eq(0).where] = Float::INFINITY if fall.eq(0).any?
          share = first / fall
          at(Numo::DFloat.cast((share > 0) & (share < 1)) * share)
        end
      end

      private

      def column(share) = share.is_a?(Numeric) ? share : share.reshape(@lengths.size, 1)

      # The integral of a shear from the start, N m.
      def turned(shear, share)
        first = @ends[true, 0, shear]
        ((first * share) + ((@ends[true, 1, shear] - first) * (share**2) / 2)) * @lengths
      end

      # Forces at the ends and the load between agree but for rounding and for moments spread along; what is left runs straight.
      def drift(moment, shear, sign, share)
        left = @ends[true, 1, moment] - @ends[true, 0, moment] - (turned(shear, 1.0) * sign)
        left * share
      end
    end
  end
end
