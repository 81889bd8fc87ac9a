# frozen_string_literal: true

module Lattice
  module Mesh
    module Tetra
      # Replaces two tetrahedra that share a face by three round the line between their tips,
      # where the worst of them becomes better.
      class FaceRemoval
        GAIN = 1e-3
        CORNERS = [[0, 1], [1, 2], [2, 0]].freeze

        def initialize(solid, below)
          @solid = solid
          @below = below
        end

        # @return [Integer] faces removed
        def call
          bad = @solid.below(@below)
          return 0 if bad.empty?

          find_faces(bad)
          return 0 if @one.empty?

          judge
          return 0 if @one.empty?

          keep_apart
          apply
          @one.size
        end

        private

        # Faces between two tetrahedra of which one is bad, and that are no part of the skin.
        def find_faces(bad)
          rows = @solid.around(bad, corners: 3)
          tets = @solid.tets[rows, true].dup
          keys, = Shapes.face_keys(tets)
          order = Numo::Int32.cast(keys.sort_index)
          same = Numo::Int32.cast(keys[order[0...-1]].eq(keys[order[1..]]).where)
          flags = Numo::Bit.zeros(@solid.count)
          flags[bad] = 1
          first = same.empty? ? same : order[same].dup
          second = same.empty? ? same : order[same + 1].dup
          @one = first.empty? ? first : rows[first / 4].dup
          @two = first.empty? ? first : rows[second / 4].dup
          return if first.empty?

          @local = first % 4
          @far = second % 4
          walls = Shapes.keys_of(*(0..2).map { |k| @solid.sheet.triangles[true, k].dup })[0].sort
          key = keys[first].dup
          wall = walls[Algebra::Search.first_not_below(walls, key).clip(0, walls.size - 1)].eq(key)
          keep((flags[@one] | flags[@two]) & ~wall)
        end

        def keep(mask)
          rows = mask.where
          @one, @two, @local, @far, @gain = [@one, @two, @local, @far, @gain].map { |l| l && (rows.empty? ? l.class.zeros(0) : l[rows].dup) }
        end

        def judge
          @face = Numo::Int32.zeros(@one.size, 3)
          Shapes::FACES.each_with_index do |f, k|
            mine = Numo::Int32.cast(@local.eq(k).where)
            f.each_with_index { |c, i| @face[mine, i] = @solid.tets[@one[mine], c].dup } unless mine.empty?
          end
          # The face is seen from outside the first: the second's tip lies before it.
          @near = @solid.tets.flatten[(@one * 4) + @local].dup
          @tip = @solid.tets.flatten[(@two * 4) + @far].dup
          quality = CORNERS.map { |i, j| Shapes.of(@solid.points, tets(i, j)) }.reduce { |a, b| Numo::DFloat.minimum(a, b) }
          worst = Numo::DFloat.minimum(@solid.quality[@one], @solid.quality[@two])
          better = quality > worst + GAIN
          @gain = worst
          rows = better.where
          @face = @face[rows, true].dup unless rows.empty?
          @near = @near[rows].dup unless rows.empty?
          @tip = @tip[rows].dup unless rows.empty?
          keep(better)
        end

        def tets(i, j)
          Numo::Int32.zeros(@near.size, 4).tap do |table|
            [@near, @tip, @face[true, i], @face[true, j]].each_with_index { |n, k| table[true, k] = n }
          end
        end

        def keep_apart
          order = Algebra::Gather.descending(@gain)
          claim = Numo::Int32.zeros(@solid.count).fill(-1)
          both = Numo::Int32.zeros(order.size, 2)
          both[true, 0] = @one[order]
          both[true, 1] = @two[order]
          claim[both.flatten.dup] = Algebra::Gather.repeat(order, 2)
          own = Numo::Int32.new(order.size).seq
          mask = claim[@one].eq(own) & claim[@two].eq(own)
          rows = mask.where
          @face = @face[rows, true].dup
          @near = @near[rows].dup
          @tip = @tip[rows].dup
          keep(mask)
        end

        def apply
          added = Numo::Int32.vstack(CORNERS.map { |i, j| tets(i, j) })
          region = @solid.regions[@one].dup
          @solid.replace(@one.concatenate(@two), added, region.concatenate(region).concatenate(region))
        end
      end
    end
  end
end
