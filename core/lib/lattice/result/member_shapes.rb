# frozen_string_literal: true

module Lattice
  module Result
    # Members drawn as solid sections: the rings of their outlines at both ends of every element, and walls between.
    class MemberShapes
      MOST = 24 # points of a ring

      # positions [m, 3]; triangles [t, 3]; nodes [m] of the grid; arms [m, 3] from the nodes
      attr_reader :positions, :triangles, :nodes, :arms

      # @param grid [Mesh::Grid]
      # @param fibres [Array<Element::Beam::Fibres, nil>] block by block
      def initialize(grid, fibres)
        @grid = grid
        @parts = grid.blocks.zip(fibres).select(&:last).flat_map { |block, f| f.sections.each_index.flat_map { |k| rings(block, f, k) } }
        @nodes, @arms, @triangles = join
        @positions = empty? ? Numo::DFloat.zeros(0, 3) : grid.nodes[@nodes, true] + @arms
      end

      def empty? = @parts.empty?

      # @param state [State]
      # @return [Numo::DFloat] [m, 3] how the points move, turning with their nodes
      def displacement(state)
        turn = state.rotation[nodes, true].dup
        state.displacement[nodes, true] + Shape::Vectors.cross(turn, arms)
      end

      private

      # Nodes, arms and triangles of one ring of a section, along all its elements.
      def rings(block, fibres, index)
        rows = Numo::Int32.cast(fibres.index.eq(index).where)
        return [] if rows.empty?

        section = fibres.sections[index]
        section.loops.map { |range| thinned(section.points[range, true].dup) }.map { |points| walls(block.conn[rows, 0..1].dup, fibres.axes[rows, true, true].dup, points) }
      end

      def thinned(points)
        count = points.shape[0]
        count <= MOST ? points : points[(0...MOST).map { |i| i * count / MOST }, true].dup
      end

      def walls(conn, axes, points)
        e = conn.shape[0]
        m = points.shape[0]
        arm = Numo::DFloat.zeros(e, m, 3)
        2.times { |k| arm += axes[true, k + 1, true].reshape(e, 1, 3) * points[true, k].reshape(1, m, 1) }
        arms = Numo::DFloat.zeros(e, 2, m, 3).tap { |all| 2.times { |a| all[true, a, true, true] = arm } }
        nodes = Numo::Int32.zeros(e, 2, m) + conn.reshape(e, 2, 1)
        [nodes.flatten, arms.reshape(e * 2 * m, 3), quads(e, m)]
      end

      def quads(elements, count)
        one = (0...count).flat_map { |i| (j = (i + 1) % count) && [[i, j, count + j], [i, count + j, count + i]] }
        table = Numo::Int32[one].reshape(1, one.size, 3) + (Numo::Int32.new(elements).seq * (2 * count)).reshape(elements, 1, 1)
        table.reshape(elements * one.size, 3)
      end

      def join
        return [Numo::Int32.zeros(0), Numo::DFloat.zeros(0, 3), Numo::Int32.zeros(0, 3)] if empty?

        first = 0
        moved = @parts.map { |nodes, arms, triangles| [nodes, arms, triangles + first].tap { first += nodes.size } }
        moved.transpose.map { |list| list.reduce { |a, b| a.concatenate(b) } }
      end
    end
  end
end
