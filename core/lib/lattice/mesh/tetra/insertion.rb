# frozen_string_literal: true

module Lattice
  module Mesh
    module Tetra
      # Puts a point in the middle of bad tetrahedra that neither turning nor moving mends, such
      # as four points in one plane on edges of the shape. Of the tetrahedra around, those whose
      # outer faces see the point well are replaced by tetrahedra between these faces and it.
      # B. M. Klingner, J. R. Shewchuk, Aggressive tetrahedral mesh improvement, 2007.
      class Insertion
        WANTED = [0.3, 0.15, 0.0].freeze # quality of the new ones, tried in turn
        GAIN = 0.02
        ROUNDS = 12 # that tetrahedra are given back

        # @param solid [Solid]
        # @param below [Float] quality of the tetrahedra that are tried
        def initialize(solid, below)
          @solid = solid
          @below = below
        end

        # @return [Integer] points put in
        def call
          WANTED.sum do |wanted|
            @bad = @solid.below(@below)
            @bad.empty? ? 0 : attempt(wanted)
          end
        end

        private

        def attempt(wanted)
          @at = (0..3).map { |k| @solid.points[@solid.tets[@bad, k].dup, true].dup }.reduce(:+) / 4
          @wanted = Numo::DFloat.maximum(@solid.quality[@bad] + GAIN, wanted)
          surround
          ROUNDS.times { break if give_back.zero? }
          rows = sound
          rows.empty? ? 0 : fill(rows)
        end

        # For every bad tetrahedron those that share an edge with it, of its region: @hole counts
        # bad ones, @tet is a row of the solid.
        def surround
          rows = @solid.around(@bad, corners: 2)
          nodes = @solid.tets[rows, true].flatten.dup
          order = Numo::Int32.cast(nodes.sort_index)
          sorted = nodes[order].dup
          corners = @solid.tets[@bad, true].flatten.dup
          first, last = [corners, corners + 1].map { |c| Algebra::Search.first_not_below(sorted, c) }
          item, rank = Algebra::Lists.laid(last - first)
          key = (Numo::Int64.cast(item / 4) * @solid.count) + rows[order[first[item] + rank] / 4]
          keys, index = Algebra::Distinct.of(key)
          keys = keys[index.bincount(minlength: keys.size).gt(1).where].dup
          @hole = Numo::Int32.cast(keys / @solid.count)
          @tet = Numo::Int32.cast(keys % @solid.count)
          keep(@solid.regions[@tet].eq(@solid.regions[@bad[@hole]]))
        end

        def keep(mask)
          rows = mask.where
          @hole = @hole[rows].dup
          @tet = @tet[rows].dup
        end

        # Tetrahedra beside the outer faces that see the point badly. Holes whose own bad
        # tetrahedron is among them are given up.
        # @return [Integer] how many left
        def give_back
          return 0 if @hole.empty?

          outer
          poor = @quality < @wanted[@hole[@owner]]
          return 0 unless poor.any?

          left = Numo::Bit.zeros(@tet.size)
          left[@owner[poor.where].dup] = 1
          lost = Numo::Bit.zeros(@bad.size)
          failed = (left & @tet.eq(@bad[@hole])).where
          lost[@hole[failed].dup] = 1 unless failed.empty?
          stays = ~(left | lost[@hole])
          count = @tet.size
          stays.any? ? keep(stays) : (@hole = @tet = Numo::Int32.zeros(0))
          count - @tet.size
        end

        # The faces of each hole that only one of its tetrahedra has, or that lie on the surface:
        # @face [f, 3] as seen from the point, @owner [f] their rows of @tet, @quality with the point.
        def outer
          tets = @solid.tets[@tet, true].dup
          keys, = Shapes.face_keys(tets)
          distinct, index = Algebra::Distinct.of(keys)
          found = Algebra::Search.first_not_below(walls, distinct).clip(0, walls.size - 1)
          on = walls[found].eq(distinct)
          pair = (Numo::Int64.cast(Algebra::Gather.repeat(@hole, 4)) * distinct.size) + index
          pairs, place = Algebra::Distinct.of(pair)
          rows = Numo::Int32.cast((place.bincount(minlength: pairs.size)[place].eq(1) | on[index]).where)
          @owner = rows / 4
          @face = Numo::Int32.zeros(rows.size, 3)
          Shapes::FACES.each_with_index do |f, k|
            mine = Numo::Int32.cast((rows % 4).eq(k).where)
            f.values_at(0, 2, 1).each_with_index { |c, i| @face[mine, i] = tets[@owner[mine], c].dup } unless mine.empty?
          end
          @quality = Shapes.worths(*corners, @at[@hole[@owner], true].dup)
        end

        def corners = (0..2).map { |k| @solid.points[@face[true, k].dup, true].dup }

        # @return [Numo::Int64] sorted keys of the surface's triangles
        def walls = @walls ||= Shapes.keys_of(*(0..2).map { |k| @solid.sheet.triangles[true, k].dup })[0].sort

        # Holes whose new tetrahedra fill them, leave no point out and are better; no
        # tetrahedron belongs to two of them.
        # @return [Numo::Int32] bad tetrahedra
        def sound
          return @hole if @hole.empty?

          outer
          count = @bad.size
          new = Shapes.six_volumes(*corners, @at[@hole[@owner], true].dup)
          old = Shapes.six_volumes(*(0..3).map { |k| @solid.points[@solid.tets[@tet, k].dup, true].dup })
          filled, whole = [[@hole[@owner], new], [@hole, old]].map { |hole, volumes| hole.bincount(volumes, minlength: count) }
          good = (filled - whole).abs < whole.abs * 1e-9
          good &= points_of(@hole, @solid.tets[@tet, true].dup).eq(points_of(@hole[@owner], @face))
          good &= least(@hole[@owner], @quality) > least(@hole, @solid.quality[@tet]) + GAIN
          apart(good)
        end

        # @return [Numo::Int32] how many distinct points the rows of each hole have
        def points_of(hole, nodes)
          key = (Numo::Int64.cast(Algebra::Gather.repeat(hole, nodes.shape[1])) * @solid.points.shape[0]) + nodes.flatten
          Numo::Int32.cast(Algebra::Distinct.of(key)[0] / @solid.points.shape[0]).bincount(minlength: @bad.size)
        end

        def least(hole, values)
          result = Numo::DFloat.ones(@bad.size)
          order = Algebra::Gather.descending(values)
          result[hole[order].dup] = values[order].dup
          result
        end

        # The worst first.
        def apart(good)
          rows = good[@hole].where
          return Numo::Int32.zeros(0) if rows.empty?

          claim = Numo::Int32.zeros(@solid.count).fill(-1)
          rows = Numo::Int32.cast(rows)
          order = rows[Algebra::Gather.descending(@solid.quality[@bad[@hole[rows]]])].dup
          claim[@tet[order].dup] = @hole[order].dup
          lost = Numo::Bit.zeros(@bad.size)
          beaten = rows[claim[@tet[rows]].ne(@hole[rows]).where]
          lost[@hole[beaten].dup] = 1 unless beaten.empty?
          Numo::Int32.cast((good & ~lost & @hole.bincount(minlength: @bad.size).gt(0)).where)
        end

        def fill(holes)
          chosen = Numo::Bit.zeros(@bad.size)
          chosen[holes] = 1
          faces = Numo::Int32.cast(chosen[@hole[@owner]].where)
          rank = Numo::Int32.zeros(@bad.size)
          rank[holes] = Numo::Int32.new(holes.size).seq + @solid.points.shape[0]
          hole = @hole[@owner[faces]].dup
          added = Numo::Int32.hstack([@face[faces, true].dup, rank[hole].dup.reshape(hole.size, 1)])
          regions = @solid.regions[@bad[hole]].dup
          gone = @tet[chosen[@hole].where].dup
          @solid.add(@at[holes, true].dup)
          @solid.replace(gone, added, regions)
          holes.size
        end
      end
    end
  end
end
