# frozen_string_literal: true

module Lattice
  module Mesh
    module Tetra
      # Takes off tetrahedra that lie flat on a face: two of their faces are triangles of it. What
      # they leave is the same surface with the side between those two turned.
      class Peeling
        FLAT = 0.2 # quality below which they go

        def initialize(solid, below: FLAT)
          @solid = solid
          @below = below
        end

        # @return [Integer] how many went
        def call
          bad = @solid.below(@below)
          return 0 if bad.empty?

          sheet = @solid.sheet
          walls, = Shapes.keys_of(*(0..2).map { |k| sheet.triangles[true, k].dup })
          order = Numo::Int32.cast(walls.sort_index)
          sorted = walls[order].dup
          keys, = Shapes.face_keys(@solid.tets[bad, true].dup)
          found = Algebra::Search.first_not_below(sorted, keys).clip(0, sorted.size - 1)
          on = sorted[found].eq(keys).reshape(bad.size, 4)
          rows = Numo::Int32.cast(Numo::Int32.cast(on).sum(1).eq(2).where)
          return 0 if rows.empty?

          triangle = order[found].reshape(bad.size, 4).dup
          peel(bad[rows].dup, on[rows, true].dup, triangle[rows, true].dup)
        end

        private

        def peel(tets, on, triangle)
          sheet = @solid.sheet
          seen = {}
          gone = []
          on.to_a.zip(triangle.to_a).each_with_index do |(flags, triangles), row|
            walls, free = (0..3).partition { |k| flags[k] == 1 }
            one, two = walls.map { |k| triangles[k] }
            next if sheet.owners[one] != sheet.owners[two] || seen[one] || seen[two]
            next if shared?(sheet, one, two)

            seen[one] = seen[two] = true
            gone << tets[row]
            corners = @solid.tets[tets[row], true].to_a
            # The faces that were inside now look out: the other way round.
            [one, two].zip(free) { |t, k| sheet.triangles[t, true] = Shapes::FACES[k].map { |c| corners[c] }.reverse }
          end
          rows = Numo::Int32.cast(gone)
          @solid.replace(rows, Numo::Int32.zeros(0, 4), Numo::Int32.zeros(0)) unless gone.empty?
          gone.size
        end

        # Whether the side between two triangles is a piece of a curve, or the surface is
        # shared by two bodies.
        def shared?(sheet, one, two)
          ends = sheet.triangles[one, true].to_a & sheet.triangles[two, true].to_a
          return true if sheet.source.parting?(sheet.owners[one])

          @pieces ||= sheet.pieces.to_a.to_h { |pair| [pair.sort, true] }
          @pieces[ends.sort]
        end
      end
    end
  end
end
