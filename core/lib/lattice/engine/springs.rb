# frozen_string_literal: true

module Lattice
  module Engine
    # Springs with a typed curve and links that act one way, as far as they are elongated.
    class Springs
      # One component of a connector: number of that, unknowns, how it is elongated by them, its curve.
      Row = Struct.new(:number, :dofs, :table, :curve)

      # @param structure [System::Structure] whose connectors have their stiffness
      def initialize(structure)
        @connectors = structure.connectors
        @size = structure.dofs.size
        @rows = @connectors.all.each_with_index.select { |c, _| c.bent? }.flat_map do |c, i|
          c.components.each_index.map { |k| Row.new(i, c.dofs, c.table[k, true].dup, c.curve || System::ForceCurve.one_way(c.way, c.gap, c.stiffness[k])) }
        end
      end

      def empty? = @rows.empty?

      # @param moved [Numo::DFloat] [unknowns]
      # @return [Numo::DFloat] [unknowns]
      def forces(moved)
        @slopes = []
        @rows.reduce(Numo::DFloat.zeros(@size)) do |sum, row|
          force, slope = row.curve.at(elongation(row, moved))
          @slopes << slope
          force.zero? ? sum : sum + row.dofs.bincount(row.table * force, minlength: @size)
        end
      end

      # @return [Algebra::Sparse, nil] lower triangle of the tangent at the last forces
      def tangent
        blocks = @rows.zip(@slopes).reject { |_, slope| slope.zero? }.map { |row, slope| [row.dofs, row.table.reshape(row.table.size, 1) * row.table.reshape(1, row.table.size) * slope] }
        blocks.empty? ? nil : System::DenseBlocks.matrix(blocks, @size)
      end

      # Of all connectors, these among them.
      # @param moved [Numo::DFloat] [unknowns]
      # @return [Array(Array<Numo::DFloat>, Array<Integer>, Hash)] forces of the components, numbers of those that have let go, and how far
      def read(moved)
        forces = @connectors.forces(moved)
        apart = {}
        @rows.chunk_while { |a, b| a.number == b.number }.each do |rows|
          found = rows.map { |row| row.curve.at(elongation(row, moved)) }
          forces[rows[0].number] = Numo::DFloat.cast(found.map(&:first))
          next unless @connectors.all[rows[0].number].way && found[0][0].zero?

          apart[rows[0].number] = (elongation(rows[0], moved) - rows[0].curve.moves[0]).abs
        end
        [forces, apart.keys, apart]
      end

      private

      def elongation(row, moved) = row.table.dot(moved[row.dofs])
    end
  end
end
