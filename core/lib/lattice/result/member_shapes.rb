# frozen_string_literal: true

module Lattice
  module Result
    # Members drawn as solid sections: the rings of their outlines at both ends of every element, and walls between.
    class MemberShapes
      MOST = 24 # points of a ring

      # positions [m, 3]; triangles [t, 3]; points [m] of the mesh, and their nodes; arms [m, 3] from the nodes
      attr_reader :positions, :triangles, :points, :nodes, :arms

      # @param grid [Mesh::Grid]
      # @param fibres [Array<Element::Beam::Fibres, nil>] block by block
      def initialize(grid, fibres)
        @grid = grid
        @parts = fibres.each_with_index.select(&:first).flat_map { |f, block| f.sections.each_index.flat_map { |k| rings(grid.points.block(block), f, k) } }
        @points, @arms, @triangles = join
        @nodes = empty? ? @points : grid.points.nodes[@points].dup
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

      # Points, arms and triangles of one ring of a section, along all its elements.
      def rings(points, fibres, index)
        rows = Numo::Int32.cast(fibres.index.eq(index).where)
        return [] if rows.empty?

        section = fibres.sections[index]
        section.loops.map { |range| thinned(section.points[range, true].dup) }.map { |ring| walls(points[rows, 0..1].dup, fibres.axes[rows, true, true].dup, ring) }
      end

      def thinned(points)
        count = points.shape[0]
        count <= MOST ? points : points[(0...MOST).map { |i| i * count / MOST }, true].dup
      end

      def walls(ends, axes, points)
        e = ends.shape[0]
        m = points.shape[0]
        arm = Numo::DFloat.zeros(e, m, 3)
        2.times { |k| arm += axes[true, k + 1, true].reshape(e, 1, 3) * points[true, k].reshape(1, m, 1) }
        arms = Numo::DFloat.zeros(e, 2, m, 3).tap { |all| 2.times { |a| all[true, a, true, true] = arm } }
        at = Numo::Int32.zeros(e, 2, m) + ends.reshape(e, 2, 1)
        [at.flatten, arms.reshape(e * 2 * m, 3), quads(e, m)]
      end

      def quads(elements, count)
        one = (0...count).flat_map { |i| (j = (i + 1) % count) && [[i, j, count + j], [i, count + j, count + i]] }
        table = Numo::Int32[one].reshape(1, one.size, 3) + (Numo::Int32.new(elements).seq * (2 * count)).reshape(elements, 1, 1)
        table.reshape(elements * one.size, 3)
      end

      def join
        return [Numo::Int32.zeros(0), Numo::DFloat.zeros(0, 3), Numo::Int32.zeros(0, 3)] if empty?

        first = 0
        moved = @parts.map { |points, arms, triangles| [points, arms, triangles + first].tap { first += points.size } }
        moved.transpose.map { |list| list.reduce { |a, b| a.concatenate(b) } }
      end
    end
  end
end
