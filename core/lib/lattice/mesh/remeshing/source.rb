# frozen_string_literal: true

module Lattice
  module Mesh
    module Remeshing
      # The surface that a mesh is held to: the shape's own triangles, faces and edges.
      class Source
        V = Shape::Vectors

        # behind, before: [faces] the region on the inner and outer side of each face; 0 is void
        attr_reader :facets, :curves, :behind, :before

        # @return [Array<Float>] of faces, −1 where the material is on the hollow side of a round one, else 1
        attr_reader :signs

        # @param facets [Shape::Facets]
        # @param size [Float] m, of the elements to come
        # @param sides [Array<Array<Integer>>, nil] regions behind and before each face
        def initialize(facets, size, sides: nil)
          @facets = facets
          @behind, @before = (sides || ([[1, 0]] * facets.faces.size)).transpose.map { |list| Numo::Int32.cast(list) }
          @size = size
          @surfaces = facets.faces.map(&:surface)
          @free = Numo::Bit.cast(@surfaces.map { |s| s.free? ? 1 : 0 })
          @bent = Numo::Bit.cast(@surfaces.map { |s| s.plane? ? 0 : 1 })
          @curves = Curves.new(facets.points, facets.edges, @surfaces, bulges: bulges)
          orient
        end

        # @param points [Numo::DFloat] [n, 3]
        # @param faces [Numo::Int32] [n]
        # @return [Numo::DFloat] [n, 3] the points moved onto their faces; those of planes stay
        def project(points, faces)
          result = points.dup
          each_bent(faces) { |surface, rows| result[rows, true] = surface.project(points[rows, true].dup) }
          rows = Numo::Int32.cast(@free[faces].where)
          result[rows, true] = on_patches(*located(points, faces, rows)) unless rows.empty?
          result
        end

        # @return [Numo::DFloat] [n, 3] unit normals of the faces near points, outward
        def normals(points, faces)
          result = @plane_normals[faces, true].dup
          each_bent(faces) { |surface, rows, face| result[rows, true] = surface.normals(points[rows, true].dup) * @signs[face] }
          rows = Numo::Int32.cast(@free[faces].where)
          result[rows, true] = free_normals(*located(points, faces, rows)[1..]) unless rows.empty?
          result
        end

        # @return [Boolean] whether a face lies between two regions
        def parting?(face) = !@behind[face].zero? && !@before[face].zero?

        # @return [Numo::Bit] whether faces are other than planes
        def bent(faces) = @bent[faces]

        # @return [Numo::DFloat] [faces] most that sides may measure by curvature, for a turn in rad
        def turn_limits(turn)
          radii = @surfaces.map do |s|
            case s.kind
            when "cylinder", "sphere" then s.radius
            when "torus" then s.minor
            else Float::INFINITY
            end
          end
          Numo::DFloat.cast(radii) * turn
        end

        # Curvature of free faces at their points, from the normals at the ends of sides.
        # @return [Array(Numo::Int32, Numo::DFloat)] points of the shape and radii there, m
        def free_radii
          wanted = Numo::Bit.cast(@surfaces.map { |s| s.free? ? 1 : 0 })
          rows = Numo::Int32.cast(wanted[@facets.owners].where)
          return [Numo::Int32.zeros(0), Numo::DFloat.zeros(0)] if rows.empty?

          tri = @facets.triangles[rows, true].dup
          normals = @facets.corner_normals[rows, true, true].dup
          tri, normals = smoothed(tri, rows) unless @facets.normals
          RadiiOfSides.call(@facets.points, tri, normals)
        end

        private

        def orient
          flat, = @facets.flat
          count = @facets.faces.size
          @plane_normals = Numo::DFloat.zeros(count, 3)
          3.times { |k| @plane_normals[true, k] = @facets.owners.bincount(flat[true, k] * @facets.flat[1], minlength: count) }
          @plane_normals = V.unit(@plane_normals)
          centres = @facets.corners.reduce(:+) / 3
          @signs = @surfaces.each_with_index.map do |s, i|
            next 1.0 if s.plane? || s.free?

            rows = @facets.of(i)
            rows.empty? || V.dot(s.normals(centres[rows, true].dup), flat[rows, true].dup).sum.positive? ? 1.0 : -1.0
          end
        end

        def each_bent(faces)
          return if faces.empty?

          present = Algebra::Gather.distinct([faces]).to_a.select { |f| @bent[f] == 1 && @free[f].zero? }
          present.each { |f| yield @surfaces[f], Numo::Int32.cast(faces.eq(f).where), f }
        end

        def locator
          @locator ||= begin
            ids = @free.where.to_a
            @rank = Numo::Int32.zeros(@surfaces.size)
            ids.each_with_index { |f, i| @rank[f] = i }
            @rows = Numo::Int32.cast(@free[@facets.owners].where)
            Locator.new(@facets.corners.map { |c| c[@rows, true].dup }, @rank[@facets.owners[@rows]].dup, @size * 0.15)
          end
        end

        # The nearest places of free faces; those of the points asked for last are kept, as they
        # are often asked for twice.
        def located(points, faces, rows)
          return @found if points.equal?(@asked&.first) && faces.equal?(@asked.last)

          locator
          @asked = [points, faces]
          @found = locator.call(points[rows, true].dup, @rank[faces[rows]].dup)
        end

        # Triangles of free faces are six-node patches where the file tells the normals.
        def on_patches(nearest, triangle, shares)
          return nearest unless @facets.normals

          @lifts ||= lifts.reshape(@facets.count, 3, 3)
          rows = @rows[triangle].dup
          (0..2).reduce(nearest) { |at, k| at + V.times(@lifts[rows, k, true].dup, shares[true, k] * shares[true, (k + 1) % 3] * 4) }
        end

        # How far the middles of the sides of all triangles lie off their straight middles.
        # @return [Numo::DFloat] [3 t, 3]
        def lifts
          topology = @facets.topology
          off = @facets.middles - ((@facets.points[topology.ends[true, 0].dup, true] + @facets.points[topology.ends[true, 1].dup, true]) / 2)
          off[topology.sides, true]
        end

        # How edges between free faces bulge off their steps.
        # @return [Proc, nil] of ends of steps to [k, 3]
        def bulges
          return nil unless @facets.normals

          lambda do |from, to|
            straight = (@facets.points[from, true] + @facets.points[to, true]) / 2
            @facets.middles[@facets.topology.between(from, to), true] - straight
          end
        end

        def free_normals(triangle, shares)
          rows = @rows[triangle].dup
          return @facets.flat[0][rows, true].dup unless @facets.normals

          @corner_normals ||= @facets.corner_normals
          V.unit((0..2).map { |k| V.times(@corner_normals[rows, k, true].dup, shares[true, k].dup) }.reduce(:+))
        end

        # Normals at the corners of triangles without their own: the mean of those around, by face.
        def smoothed(tri, rows)
          key = (Numo::Int64.cast(@facets.owners[rows]) * @facets.points.shape[0]).reshape(rows.size, 1) + tri
          keys, index = Algebra::Distinct.of(key.flatten)
          weighted = V.times(@facets.flat[0][rows, true].dup, @facets.flat[1][rows].dup)
          spread = Numo::DFloat.zeros(rows.size, 3, 3) + weighted.reshape(rows.size, 1, 3)
          mean = V.unit(Algebra::Gather.sum(spread, index.reshape(rows.size, 3), keys.size))
          [tri, Algebra::Gather.rows(mean, index.reshape(rows.size, 3))]
        end
      end
    end
  end
end
