# frozen_string_literal: true

module Lattice
  module Engine
    # What joins places, or places and the ground, by a stiffness: joints, springs, and links that act one way, those with a typed curve as far as they are
    # elongated. One that comes in a later stage counts from where its places are then.
    class Springs
      # One component of a connector that is not equally stiff everywhere: number of that, and place among its components, unknowns, how it is
      # elongated by them, its curve.
      Row = Struct.new(:number, :place, :dofs, :table, :curve)

      # @param structure [System::Structure] whose connectors have their stiffness
      def initialize(structure)
        @connectors = structure.connectors
        @size = structure.dofs.size
        @there = @connectors.all.map { true }
        @origins = @connectors.all.map { |c| Numo::DFloat.zeros(c.components.size) }
        gather
        @rows = @connectors.all.each_with_index.select { |c, _| c.bent? }.flat_map do |c, i|
          c.components.each_index.map { |k| Row.new(i, k, c.dofs, c.table[k, true].dup, c.curve || System::ForceCurve.one_way(c.way, c.gap, c.stiffness[k])) }
        end
      end

      def empty? = @there.empty?

      # @return [Numo::Int32] unknowns that it holds
      def held = Algebra::Gather.distinct(@connectors.all.map(&:dofs))

      # Others are there from now on.
      # @param conditions [Array<Load::Condition>]
      # @param moved [Numo::DFloat] [unknowns]
      def enter(conditions, moved)
        known = conditions.map { |condition| condition.statement.id }
        @connectors.all.each_with_index do |c, i|
          now = known.include?(c.condition.statement.id)
          @origins[i] = c.table.dot(moved[c.dofs]) if now && !@there[i]
          @there[i] = now
        end
        gather
      end

      # @param moved [Numo::DFloat] [unknowns]
      # @return [Numo::DFloat] [unknowns]
      def forces(moved)
        @slopes = []
        sum = @even ? @even.dot(moved) - @begun : Numo::DFloat.zeros(@size)
        acting.reduce(sum) do |all, row|
          force, slope = row.curve.at(elongation(row, moved))
          @slopes << slope
          force.zero? ? all : all + row.dofs.bincount(row.table * force, minlength: @size)
        end
      end

      # @return [Array<Algebra::Sparse>] lower triangles of the tangent at the last forces
      def tangent
        blocks = acting.zip(@slopes).reject { |_, slope| slope.zero? }.map { |row, slope| [row.dofs, row.table.reshape(row.table.size, 1) * row.table.reshape(1, row.table.size) * slope] }
        [*(@even && Algebra::Sparse.symmetric(@even)), *(System::DenseBlocks.matrix(blocks, @size) if blocks.any?)]
      end

      # @param moved [Numo::DFloat] [unknowns]
      # @return [Array(Array<Numo::DFloat>, Array<Integer>, Hash)] forces of the components of all, none of what is not there, numbers of those that have
      #   let go, and how far
      def read(moved)
        forces = @connectors.all.each_index.map { |i| @there[i] ? even(i, moved) : @origins[i] * 0 }
        apart = {}
        acting.chunk_while { |a, b| a.number == b.number }.each do |rows|
          found = rows.map { |row| row.curve.at(elongation(row, moved)) }
          forces[rows[0].number] = Numo::DFloat.cast(found.map(&:first))
          next unless @connectors.all[rows[0].number].way && found[0][0].zero?

          apart[rows[0].number] = (elongation(rows[0], moved) - rows[0].curve.moves[0]).abs
        end
        [forces, apart.keys, apart]
      end

      private

      # Of those that are equally stiff wherever they are the stiffness of all, and the forces that it would have where they came.
      def gather
        steady = @connectors.all.each_index.select { |i| @there[i] && !@connectors.all[i].bent? }
        blocks = steady.map { |i| @connectors.all[i].then { |c| [c.dofs, c.table.transpose.dot(c.table * c.stiffness.reshape(c.stiffness.size, 1))] } }
        @even = blocks.empty? ? nil : System::DenseBlocks.matrix(blocks, @size).to_symmetric
        @begun = steady.reduce(Numo::DFloat.zeros(@size)) do |sum, i|
          c = @connectors.all[i]
          @origins[i].eq(0).all? ? sum : sum + c.dofs.bincount(c.table.transpose.dot(@origins[i] * c.stiffness), minlength: @size)
        end
      end

      def acting = @rows.select { |row| @there[row.number] }
      def even(number, moved) = @connectors.all[number].then { |c| (c.table.dot(moved[c.dofs]) - @origins[number]) * c.stiffness }

      def elongation(row, moved) = row.table.dot(moved[row.dofs]) - @origins[row.number][row.place]
    end
  end
end
