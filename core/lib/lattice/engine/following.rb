# frozen_string_literal: true

module Lattice
  module Engine
    # A pressure that turns with what it presses on: what it pushes more than it did as all was drawn, which is among the loads.
    class Following
      # @return [Load::Condition]
      attr_reader :condition

      # @param structure [System::Structure]
      # @param condition [Load::Conditions::Pressure]
      def initialize(structure, condition)
        @structure = structure
        @condition = condition
        grid = structure.grid
        at = condition.pressures(structure)
        @faces = condition.places.map do |place|
          surface = structure.surface(place)
          points = surface.points
          conn = grid.places.fetch(place.key)
          { place: place, conn: conn, pressure: at.call(points.reshape(points.size / 3, 3)).reshape(*points.shape[0..1]), table: structure.dofs.table(conn, System::Followers::AXES.first(grid.dimension)) }
        end
        @drawn = pushes(grid.nodes)
      end

      # @return [Integer] of its case
      def case_number = @structure.problem.cases.index(condition.case_name)

      # @param places [Numo::DFloat] [n, 3] where the nodes are
      # @return [Numo::DFloat] [unknowns]
      def at(places)
        @places = places
        pushes(places) - @drawn
      end

      # How it changes there, by two halves: one for the tangent, and what of it is not symmetric.
      # @return [Array(Algebra::Sparse, Array)] of forces inside: lower triangle; and unknowns with blocks
      def tangents(factor)
        found = @faces.map do |face|
          width = @structure.grid.dimension
          whole = surface(face, @places).pressed_along(face[:pressure] * -factor)
          k, m = face[:conn].shape
          whole = whole.reshape(k, m, 3, m, 3)[true, true, 0...width, true, 0...width].dup.reshape(k, m * width, m * width)
          even = (whole + whole.transpose(0, 2, 1)) / 2
          [face[:table].reshape(k, m * width), even, whole - even]
        end
        [System::DenseBlocks.of_entries(found.map { |table, even, _| System::DenseBlocks.many(table, even) }, @drawn.size), found.map { |table, _, odd| [table, odd] }]
      end

      private

      def surface(face, places) = @structure.surface(face[:place], Algebra::Gather.rows(places, face[:conn]))

      def pushes(places)
        @faces.reduce(Numo::DFloat.zeros(@structure.dofs.size)) do |sum, face|
          force = surface(face, places).tractions { |_, outward| outward * (face[:pressure] * -1).reshape(outward.shape[0], 1) }
          sum + face[:table].flatten.bincount(force[true, true, 0...@structure.grid.dimension].flatten, minlength: sum.size)
        end
      end
    end
  end
end
