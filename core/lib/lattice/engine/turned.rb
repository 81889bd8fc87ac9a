# frozen_string_literal: true

module Lattice
  module Engine
    # All pressures that turn with what they press on.
    class Turned
      # @return [Numo::DFloat] [cases] what the loads of each case are multiplied by now
      attr_writer :factors

      # @param structure [System::Structure]
      # @param still [Boolean] whether movements are taken to be small, so that nothing turns
      def initialize(structure, still)
        @size = structure.dofs.size
        # Rings move little, too.
        @all = still || structure.problem.parts.bodies.any?(&:axisymmetric?) ? [] : structure.conditions.select(&:follows?).map { |condition| Following.new(structure, condition) }
        @more = @all.map { Numo::DFloat.zeros(@size) }
      end

      # @param places [Numo::DFloat] [n, 3] where the nodes are
      def at(places)
        @more = @all.map { |one| one.at(places) }
        @odd = nil
      end

      # @param factors [Numo::DFloat] [cases]
      # @return [Numo::DFloat] [unknowns] what they push more than as all was drawn
      def push(factors) = @all.zip(@more).reduce(Numo::DFloat.zeros(@size)) { |sum, (one, more)| sum + (more * factors[one.case_number]) }

      # @return [Algebra::Sparse, nil] lower triangle of what they bring to the tangent
      def tangent
        return if @all.empty?

        evens, odds = @all.map { |one| one.tangents(@factors[one.case_number]) }.transpose
        @odd = odds.flatten(1)
        evens.reduce { |sum, even| sum.add(even) }
      end

      # @param moved [Numo::DFloat] [unknowns]
      # @return [Numo::DFloat, nil] [unknowns] what is not symmetric of that, times movements
      def slant(moved)
        @odd&.reduce(Numo::DFloat.zeros(@size)) do |sum, (table, blocks)|
          k, m = table.shape
          sum + table.flatten.bincount(Numo::Linalg.matmul(blocks, moved[table.flatten].reshape(k, m, 1)).flatten, minlength: @size)
        end
      end
    end
  end
end
