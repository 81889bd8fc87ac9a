# frozen_string_literal: true

module Lattice
  module Mesh
    module Tetra
      # Which tetrahedra lie within: those joined, across faces that are no part of the surface,
      # to one that has a triangle of the surface on its outside.
      #
      # The surface may part several bodies from each other: each of its triangles has a
      # region before it and behind it, 0 for the void.
      class Filling
        # triangles that belong to no tetrahedron's face in the way they should; each an error
        attr_reader :tets, :regions, :faults

        # @param tets [Numo::Int32] [m, 4]
        # @param triangles [Numo::Int32] [s, 3]
        # @param behind [Numo::Int32] [s] region on the inner side of each
        # @param before [Numo::Int32] [s] region on the outer side
        def initialize(tets, triangles, behind, before)
          keys, signs = Shapes.face_keys(tets)
          walls, wall_signs = Shapes.keys_of(*(0..2).map { |k| triangles[true, k].dup })
          order = Numo::Int32.cast(walls.sort_index)
          sorted = walls[order].dup
          found = Algebra::Search.first_not_below(sorted, keys).clip(0, sorted.size - 1)
          wall = sorted[found].eq(keys)
          parts = components(tets.shape[0], keys, wall)
          rows = Numo::Int32.cast(wall.where)
          triangle = order[found[rows]].dup
          same = signs[rows].eq(wall_signs[triangle])
          region = Numo::Int32.cast(same) * behind[triangle]
          region += (1 - Numo::Int32.cast(same)) * before[triangle]
          vote(tets, parts, rows / 4, region)
        end

        private

        # Components of tetrahedra across faces that are no walls.
        def components(count, keys, wall)
          open = Numo::Int32.cast(wall.eq(0).where)
          order = open[keys[open].sort_index].dup
          same = keys[order[0...-1]].eq(keys[order[1..]]).where
          Shape::Components.call(count, order[same].dup / 4, order[same + 1].dup / 4)
        end

        def vote(tets, parts, at, region)
          highest = region.max
          votes = (0..highest).map { |r| parts[at].bincount(Numo::DFloat.cast(region.eq(r)), minlength: parts.max + 1) }
          table = Numo::DFloat.vstack(votes)
          winner = table.max_index(axis: 0) / table.shape[1]
          @faults = (table.sum - table.max(0).sum).round
          chosen = Numo::Int32.cast(winner)[parts].dup
          rows = chosen.ne(0).where
          @tets = tets[rows, true].dup
          @regions = chosen[rows].dup
        end
      end
    end
  end
end
