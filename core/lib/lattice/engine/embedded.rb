# frozen_string_literal: true

module Lattice
  module Engine
    # Bars embedded in elements, which follow their strain and flow at the strength of their material, where it has one.
    class Embedded
      include Memory

      remembers :@plastic, :@trial

      SOFT = 0.01 # of their stiffness, in the tangent of what flows

      # @param bars [System::Bars]
      def initialize(bars, unknowns)
        @bars = bars
        @unknowns = unknowns
        @laid = bars.laid
        @plastic = @laid.map { |l| Numo::DFloat.zeros(l.from.size) }
        @trial = @plastic
      end

      # @param moved [Numo::DFloat] [unknowns]
      # @return [Numo::DFloat] [unknowns]
      def forces(moved)
        found = @laid.each_index.map { |i| stress(i, strain(@laid[i], moved)) }
        @trial = found.map { |one| one[:plastic] }
        @flows = found.map { |one| one[:flows] }
        @laid.zip(found).reduce(Numo::DFloat.zeros(@unknowns)) do |sum, (l, one)|
          push = l.rates * (one[:stress] * (l.upto - l.from) * l.condition.area).reshape(l.from.size, 1)
          sum + l.dofs.flatten.bincount(push.flatten, minlength: @unknowns)
        end
      end

      # @return [Algebra::Sparse] lower triangle of the tangent at the last forces
      def tangent
        lists = @laid.zip(@flows).map do |l, flows|
          m, n = l.rates.shape
          stiff = (l.upto - l.from) * (l.condition.area * l.condition.material.young) * (1 - (Numo::DFloat.cast(flows) * (1 - SOFT)))
          System::DenseBlocks.many(l.dofs, Numo::Linalg.matmul(l.rates.reshape(m, n, 1), l.rates.reshape(m, 1, n)) * stiff.reshape(m, 1, 1))
        end
        System::DenseBlocks.of_entries(lists, @unknowns)
      end

      def commit = @plastic = @trial

      # Begins anew, free of stress as it is stretched now.
      # @param moved [Numo::DFloat] [unknowns]
      def begin_at(moved) = @plastic = @trial = @laid.map { |l| strain(l, moved) }

      # @return [Array(Numo::DFloat, Numo::DFloat)] [pieces] strain, and what of it stays
      def read(moved) = [@laid.map { |l| strain(l, moved) }, @plastic].map { |list| list.reduce { |a, b| a.concatenate(b) } }

      private

      def strain(laid, moved) = (laid.rates * moved[laid.dofs.flatten].reshape(*laid.dofs.shape)).sum(1)

      def stress(index, strain)
        material = @laid[index].condition.material
        elastic = (strain - @plastic[index]) * material.young
        return { stress: elastic, plastic: @plastic[index], flows: elastic.lt(-Float::INFINITY) } unless material.yield

        borne = elastic.clip(-material.yield, material.yield)
        { stress: borne, plastic: @plastic[index] + ((elastic - borne) / material.young), flows: elastic.ne(borne) }
      end
    end
  end
end
