# frozen_string_literal: true

module Lattice
  module System
    # What holds places to each other, or to the ground, by stiffnesses of their relative motion: joints, springs and
    # one-way links. Rows of a connector give that motion from the unknowns; one that is to be rigid is a million times as
    # stiff as what it holds, one that may let go a thousand times.
    class Connectors
      RIGID = 1e6
      ONE_WAY = 1e3

      # axes [3, 3] units; components: 0 to 5 of those that it holds; stiffness [rows], nil for rigid ones; dofs [n], table
      # [rows, n]; ground: whether the other side is; at [3]; way: :push or :pull of those that let go; gap: m before it
      # acts; off: names of the cases that come before it; curve: of its force over its elongation, along each component.
      Connector = Struct.new(:condition, :label, :axes, :components, :stiffness, :dofs, :table, :ground, :at, :way, :gap, :off, :curve, keyword_init: true) do
        # Whether it is not equally stiff wherever it is.
        def bent? = !way.nil? || !curve.nil?
      end

      attr_reader :all

      # @param structure [Structure]
      def initialize(structure)
        @structure = structure
        @all = []
      end

      def empty? = all.empty?

      # @param condition [Load::Condition]
      # @param sides [Array<RegionMotion>] what moves, and the other; the ground where there is none
      # @param axes [Numo::DFloat] [3, 3]
      # @param components [Array<Integer>] 0 to 2 along the axes, 3 to 5 turns about them
      # @param stiffness [Numo::DFloat, nil] [components] N/m and N m
      def add(condition, label, sides, axes, components, stiffness: nil, **more)
        parts = sides.zip([-1.0, 1.0]).map { |side, sign| [side.dofs, rows(side.table, axes, components) * sign] }
        dofs, table = parts.transpose
        @all << Connector.new(condition: condition, label: label, axes: axes, components: components, stiffness: stiffness, dofs: dofs.reduce { |a, b| a.concatenate(b) },
                              table: table.reduce { |a, b| a.concatenate(b, axis: 1) }, ground: sides.size == 1, at: sides[0].at, **more)
      end

      # @return [Array<Connector>] those that let go
      def one_way = all.select(&:way)

      # Makes rigid ones stiff enough beside what they hold: as stiff as the unknowns would be, each on a spring of its own.
      # @param diagonal [Numo::DFloat] of the matrix of the elements
      def settle(diagonal)
        all.each do |c|
          c.stiffness ||= Numo::DFloat.cast((0...c.components.size).map { |row| beside(c.table[row, true], diagonal[c.dofs]) * (c.way ? ONE_WAY : RIGID) })
        end
      end

      # @return [Algebra::Sparse, nil] lower triangle of the stiffness of all, as stiff as they are at rest; nil without any
      def matrix
        all.empty? ? nil : DenseBlocks.matrix(all.map { |c| [c.dofs, c.table.transpose.dot(c.table * c.stiffness.reshape(c.stiffness.size, 1))] }, @structure.dofs.size)
      end

      # @param u [Numo::DFloat] [unknowns]
      # @return [Array<Numo::DFloat>] of each the forces of its components, as if none let go
      def forces(u) = all.map { |c| c.table.dot(u[c.dofs]) * c.stiffness }

      # @param forces [Array<Numo::DFloat>]
      # @return [Numo::DFloat] [unknowns] what they do in the parts that they join; the ground's share is a reaction
      def held(forces) = sum_of(forces) { |c| !c.ground }

      # @return [Numo::DFloat] [unknowns] what they do to the ground
      def grounded(forces) = sum_of(forces, &:ground)

      # @param forces [Array<Numo::DFloat>]
      # @yield [Connector] those that count
      # @return [Numo::DFloat] [unknowns]
      def sum_of(forces)
        all.each_with_index.select { |c, _| yield(c) }.reduce(Numo::DFloat.zeros(@structure.dofs.size)) do |sum, (c, i)|
          sum + c.dofs.bincount(c.table.transpose.dot(forces[i]), minlength: @structure.dofs.size)
        end
      end

      # @param forces [Array<Numo::DFloat>]
      # @param open [Array<Integer>] those that let go
      # @param apart [Array<Float, nil>] how far those that may let go stand apart, m
      # @return [Numo::DFloat] [all, 8]: forces along the axes, moments about them, whether it acts, how far it stands apart
      def rows_of(forces, open = [], apart = {})
        Numo::DFloat.zeros(all.size, 8).tap do |table|
          all.each_with_index do |c, i|
            c.components.each_with_index { |component, k| table[i, component] = forces[i][k] }
            table[i, 6] = open.include?(i) ? 0 : 1
            table[i, 7] = apart[i] || 0.0
          end
        end
      end

      # @return [Array<Hash>] what each is
      def about
        all.map do |c|
          { statement: c.condition.statement.id, kind: c.condition.statement.kind, label: c.label, at: c.at.to_a, axes: c.axes.to_a, components: c.components, way: c.way&.to_s, ground: c.ground }
        end
      end

      private

      def rows(table, axes, components)
        Numo::DFloat.zeros(components.size, table.shape[1]).tap do |all|
          components.each_with_index { |c, k| all[k, true] = axes[c % 3, true].dot(table[(c / 3 * 3)..((c / 3 * 3) + 2), true]) }
        end
      end

      def beside(row, diagonal)
        there = (row.ne(0) & (diagonal > 0)).where
        return @structure.grid.nodes.shape[0].fdiv(1) if there.empty?

        1.0 / ((row[there]**2) / diagonal[there]).sum
      end
    end
  end
end
