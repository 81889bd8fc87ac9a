# frozen_string_literal: true

module Lattice
  module Matter
    # The stress at which a metal flows over the plastic strain it has seen: straight between points, level after the last.
    class Hardening
      attr_reader :strains, :stresses

      # @param points [Array(Float, Float)] plastic strain from zero on, and Pa
      def initialize(points)
        @strains, @stresses = points.transpose.map { |list| Numo::DFloat.cast(list) }
        @slopes = Numo::DFloat.zeros(points.size)
        @slopes[0...-1] = (@stresses[1..] - @stresses[0...-1]) / (@strains[1..] - @strains[0...-1]) if points.size > 1
      end

      def first = stresses[0]

      # @param plastic [Numo::DFloat] [k]
      # @return [Array(Numo::DFloat, Numo::DFloat)] Pa, and its slope, Pa
      def at(plastic)
        index = (1...strains.size).reduce(Numo::Int32.zeros(plastic.size)) { |sum, i| sum + Numo::Int32.cast(plastic >= strains[i]) }
        slope = @slopes[index]
        [stresses[index] + (slope * (plastic - strains[index])), slope.dup]
      end
    end
  end
end
