# frozen_string_literal: true

module Lattice
  module Matter
    # How a section of fibres bends on and on under a force along it.
    class Bending
      STEPS = 60
      FARTHEST = 12 # times the curvature at which its outermost fibre begins to yield or is crushed
      ROUNDS = 40
      ENOUGH = 1e-9

      # @param section [Fibring::Section]
      # @param reference [Float] strain at which its fibres yield, or are about to be crushed
      def initialize(section, reference)
        @section = section
        @reference = reference
      end

      # About the third axis (row 1) or the second (row 2).
      # @param axial [Float] N, pull above zero
      # @param row [Integer]
      # @param sign [Integer]
      # @return [Array(Array<Float>, Array<Float>)] curvatures 1/m and moments N m, as far as the force is borne
      def call(axial, row, sign = 1)
        states = @section.groups.map { |group| group.law.start(group.areas.size) }
        most = FARTHEST * @reference / @section.reach[row - 1]
        strain = axial / @section.elastic[0, 0]
        found = [[0.0, 0.0]]
        (0..STEPS).each do |k|
          curvature = most * ((k.to_f / STEPS)**1.5) * sign
          strain, forces, states = rest(strain, curvature, axial, row, states)
          break unless strain

          found << [curvature, forces[row]] unless k.zero?
        end
        found.transpose
      end

      private

      # The strain of the centre at which the force along is what it is to be.
      def rest(strain, curvature, axial, row, states)
        ROUNDS.times do
          forces, moduli, after = sums(strain, curvature, row, states)
          over = axial - forces[0]
          return [strain, forces, after] if over.abs < ENOUGH * @section.elastic[0, 0] * @reference

          slope = moduli[0]
          return nil unless slope.positive?

          strain += (over / slope).clamp(-@reference, @reference)
        end
        nil
      end

      def sums(strain, curvature, row, states)
        forces = moduli = 0.0
        after = @section.groups.each_with_index.map do |group, i|
          own = (group.arms[row, true] * curvature) + strain
          stress, slope, state = group.law.respond(own, states[i])
          forces += stress.dot(group.table)
          moduli += slope.dot(group.products)
          state
        end
        [forces, moduli, after]
      end
    end
  end
end
