# frozen_string_literal: true

module Lattice
  module Mesh
    module Remeshing
      # Moves points towards the middle of the triangles around them, and points of curves
      # until the pieces on both sides suit the sizes; back on their face or curve each time.
      class Smoothing
        V = Shape::Vectors
        SHARE = 0.7
        FACING = 0.5
        UNDONE = 25

        def initialize(sheet, rounds: 3)
          @sheet = sheet
          @rounds = rounds
        end

        def call
          @rounds.times do
            before = @sheet.points.dup
            reach = @sheet.reach.dup
            slide
            relax
            undo(before, reach)
          end
        end

        private

        # Points of curves, each other one at a time.
        def slide
          return if @sheet.curve.empty?

          n = @sheet.points.shape[0]
          into = Numo::Int32.zeros(n).fill(-1)
          out = into.dup
          own = Numo::Int32.new(@sheet.curve.size).seq
          into[@sheet.pieces[true, 1].dup] = own
          out[@sheet.pieces[true, 0].dup] = own
          nodes = Numo::Int32.cast((@sheet.kinds.eq(Sheet::ON_CURVE) & into.ge(0) & out.ge(0)).where)
          return if nodes.empty?

          a = into[nodes].dup
          b = out[nodes].dup
          left = @sheet.sizes[nodes] + @sheet.sizes[@sheet.pieces[a, 0]]
          right = @sheet.sizes[nodes] + @sheet.sizes[@sheet.pieces[b, 1]]
          back = @sheet.reach[a, 1] - @sheet.reach[a, 0]
          ahead = @sheet.reach[b, 1] - @sheet.reach[b, 0]
          step = (((back + ahead) * left / (left + right)) - back) * 0.5
          @sheet.reach[a, 1] = @sheet.reach[a, 1] + step
          @sheet.reach[b, 0] = @sheet.reach[b, 0] + step
          @sheet.points[nodes, true] = @sheet.source.curves.at(@sheet.curve[a].dup, @sheet.reach[a, 1].dup)
        end

        def relax
          sheet = @sheet
          n = sheet.points.shape[0]
          corners = sheet.corners
          middle = corners.reduce(:+) / 3
          size = (0..2).map { |k| sheet.sizes[sheet.triangles[true, k].dup] }.reduce(:+) / 3
          weight = V.norm(sheet.spans) / (size**2)
          pull = V.times(middle, weight)
          total = Algebra::Gather.sum(pull.reshape(sheet.count, 1, 3) + Numo::DFloat.zeros(sheet.count, 3, 3), sheet.triangles, n)
          weights = Algebra::Gather.sum(weight.reshape(sheet.count, 1, 1) + Numo::DFloat.zeros(sheet.count, 3, 1), sheet.triangles, n)
          nodes = Numo::Int32.cast((sheet.kinds.eq(Sheet::ON_FACE) & weights[true, 0].ne(0)).where)
          return if nodes.empty?

          goal = total[nodes, true] / weights[nodes, true]
          at = sheet.points[nodes, true]
          sheet.points[nodes, true] = sheet.source.project(at + ((goal - at) * SHARE), sheet.homes[nodes].dup)
        end

        # Points of triangles that came to face the wrong way go back.
        def undo(before, reach)
          # Each round sends more points back, so it ends.
          UNDONE.times do |round|
            tri = turned(before)
            break if tri.empty?

            nodes = Algebra::Gather.distinct([@sheet.triangles[tri, true]])
            round == UNDONE - 1 ? @sheet.points = before.dup : @sheet.points[nodes, true] = before[nodes, true].dup
          end
          restore_reach(before, reach)
        end

        def turned(before)
          corners = @sheet.corners
          normal = V.unit(V.cross(corners[1] - corners[0], corners[2] - corners[0]))
          facing = V.dot(normal, @sheet.source.normals(corners.reduce(:+) / 3, @sheet.owners))
          shape = Sheet.shapes(*corners)
          old = Sheet.shapes(*(0..2).map { |k| before[@sheet.triangles[true, k].dup, true] })
          Numo::Int32.cast(((facing < FACING) | ((shape < 0.3) & (shape < old * 0.9))).where)
        end

        def restore_reach(before, reach)
          return if @sheet.curve.empty?

          2.times do |k|
            nodes = @sheet.pieces[true, k].dup
            back = Numo::Int32.cast((@sheet.points[nodes, true] - before[nodes, true]).abs.sum(1).eq(0).where)
            @sheet.reach[back, k] = reach[back, k].dup unless back.empty?
          end
        end
      end
    end
  end
end
