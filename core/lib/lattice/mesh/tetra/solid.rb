# frozen_string_literal: true

module Lattice
  module Mesh
    module Tetra
      # Tetrahedra that are being improved, and the surface they end on.
      #
      # points [n, 3]: those of the sheet first; tets [m, 4]; regions [m]; quality [m], see
      # Shapes.worths; skin: the sheet's triangles, all of them faces of tetrahedra.
      class Solid
        attr_accessor :tets, :regions
        attr_reader :sheet, :points, :quality

        def initialize(sheet, points, tets, regions)
          @sheet = sheet
          @points = points
          @tets = tets
          @regions = regions
          @quality = Shapes.of(points, tets)
        end

        def count = @tets.shape[0]

        # Replaces tetrahedra.
        # @param gone [Numo::Int32] rows
        # @param added [Numo::Int32] [k, 4]
        def replace(gone, added, regions)
          kept = Numo::Bit.ones(count)
          kept[gone] = 0 unless gone.empty?
          rows = kept.where
          @tets = added.empty? ? @tets[rows, true].dup : Numo::Int32.vstack([@tets[rows, true], added])
          @regions = @regions[rows].dup.concatenate(regions)
          @quality = @quality[rows].dup.concatenate(Shapes.of(@points, added))
        end

        # @param places [Numo::DFloat] [k, 3] of new points inside, after the others
        def add(places)
          @points = Numo::DFloat.vstack([@points, places])
        end

        # Moves points whose tetrahedra are given.
        def move(nodes, places, tets)
          @points[nodes, true] = places
          @quality[tets] = Shapes.of(@points, @tets[tets, true].dup)
          on = (nodes < @sheet.points.shape[0]).where
          @sheet.points[nodes[on].dup, true] = places[on, true].dup unless on.empty?
        end

        # @return [Numo::Int32] tetrahedra whose quality is below
        def below(quality) = Numo::Int32.cast((@quality < quality).where)

        # Tetrahedra with at least so many corners among those of the given ones.
        def around(tets, corners: 1)
          flags = Numo::Int32.zeros(@points.shape[0])
          flags[@tets[tets, true].flatten.dup] = 1
          Numo::Int32.cast((flags[@tets].sum(1) >= corners).where)
        end
      end
    end
  end
end
