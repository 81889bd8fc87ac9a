# frozen_string_literal: true

module Lattice
  module System
    # The resultant of what every load pushes, and its moment about the origin, as it came to the nodes.
    class Totals
      V = Shape::Vectors

      # force, moment: [3] N, N m
      Total = Struct.new(:force, :moment)

      # @param grid [Mesh::Grid]
      def initialize(grid)
        @grid = grid
        @totals = {}
      end

      # @param nodes [Numo::Int32] [k]
      # @param table [Numo::DFloat] [k, names]
      def add(condition, nodes, table, names)
        total = @totals[condition] ||= Total.new(Numo::DFloat.zeros(3), Numo::DFloat.zeros(3))
        force = Numo::DFloat.zeros(nodes.size, 3)
        names.each_with_index do |name, k|
          c = Dofs::NAMES.index(name)
          c < 3 ? force[true, c] = table[true, k] : total.moment[c - 3] += table[true, k].sum
        end
        total.force += force.sum(0)
        total.moment += V.cross(@grid.nodes[nodes, true].dup, force).sum(0)
      end

      # @param factor [Float] of all loads
      # @return [Array<Hash>] statement, label, case; force and moment about the origin [3]
      def rows(factor = 1.0)
        @totals.map do |condition, t|
          { statement: condition.statement.id, label: condition.statement.label, case: condition.case_name, force: (t.force * factor).to_a, moment: (t.moment * factor).to_a }
        end
      end
    end
  end
end
