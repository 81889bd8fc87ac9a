# frozen_string_literal: true

module Lattice
  module Format
    # Turns triangles from a file into named parts with recognised faces, and sums up
    # what was mended.
    class PartBuilder
      SAMPLES = 600
      MOST_FACES = 20_000
      VAGUE = /\A(solid|compound|shell|body|part|shape|product|)\d*\z/i

      # @param tolerance [Float] m, within which a face lies on its surface
      # @param merge [Float, nil] m, within which points of a part become one
      def initialize(tolerance, merge: nil)
        @tolerance = [tolerance, merge || 0.0].max
        @merge = merge
        @parts = []
        @report = Hash.new(0)
      end

      # @param points [Numo::DFloat] [n, 3]
      # @param triangles [Numo::Int32] [t, 3]
      # @param owners [Numo::Int32] [t] face of each triangle
      # @param normals [Numo::DFloat] [t, 3, 3] of the true surface at the corners
      def add(points, triangles, owners:, normals:, path:, name:, colour:, face_colours:)
        repair = mend(points, triangles)
        return if repair.triangles.empty?

        normals = matching(repair, normals[repair.kept, true, true].dup)
        put(repair.points, repair.triangles, owners[repair.kept].dup, normals, face_colours, path: path, name: name, colour: colour)
      end

      # @param angle [Float] rad, above which neighbours belong to different faces
      def add_loose(points, triangles, name:, angle:)
        repair = mend(points, triangles)
        return if repair.triangles.empty?

        faces = Shape::AngleSplit.call(repair.points, repair.triangles, angle)
        _, one, two = Shape::Topology.new(repair.triangles).pairs
        piece = Shape::Components.call(repair.triangles.shape[0], one, two)
        check_faces(faces.max + 1)
        (0..piece.max).each do |k|
          rows = piece.eq(k).where
          nodes = Algebra::Gather.distinct([repair.triangles[rows, true]])
          rank = Numo::Int32.zeros(repair.points.shape[0])
          rank[nodes] = Numo::Int32.new(nodes.size).seq
          local = rank[repair.triangles[rows, true].flatten].reshape(rows.size, 3).dup
          put(repair.points[nodes, true].dup, local, faces[rows].dup, nil, [], path: [], name: name, colour: nil)
        end
      end

      # @param stem [String] what parts without a name of their own are called
      # @return [FacetsFile::Content]
      # @raise [ShapeFile::Unreadable] when nothing is left
      def content(stem)
        raise ShapeFile::Unreadable.at("“#{stem}” holds no triangle with an area", cure: "Export it again.") if @parts.empty?

        name_parts(stem)
        FacetsFile::Content.new(parts: @parts, report: @report.merge(bodies: @parts.size, faces: @parts.sum { |p| p.facets.faces.size }))
      end

      private

      def mend(points, triangles)
        Shape::Repair.new(points, triangles, merge: @merge).tap do |repair|
          repair.report.except(:bodies).each { |key, value| value.is_a?(Integer) ? @report[key] += value : @report[key] = value }
        end
      end

      def check_faces(count)
        return if count <= MOST_FACES

        raise ShapeFile::Unreadable.at("the surface falls into #{count} faces; at most #{MOST_FACES} are read", cure: "Give a larger angle between faces, or smooth the surface first.")
      end

      # Normals follow the triangles where those were turned.
      def matching(repair, normals)
        a, b, c = (0..2).map { |k| repair.points[repair.triangles[true, k].dup, true].dup }
        flat = Shape::Vectors.cross(b - a, c - a)
        side = Shape::Vectors.dot(normals.sum(1), flat)
        normals * (1 - (2 * Numo::DFloat.cast(side.lt(0)))).reshape(side.size, 1, 1)
      end

      def put(points, triangles, owners, normals, colours, **rest)
        used = Algebra::Gather.distinct([owners])
        check_faces(used.size)
        rank = Numo::Int32.zeros(used.max + 1)
        rank[used] = Numo::Int32.new(used.size).seq
        owners = rank[owners].dup
        faces = used.to_a.each_with_index.map { |old, i| Shape::Face.new("face #{i + 1}", Shape::Surface.free, colours[old]) }
        bare = Shape::Facets.new(points: points, triangles: triangles, owners: owners, faces: faces, normals: normals)
        recognise(bare)
        @parts << FacetsFile::Part.new(facets: bare, **rest)
      end

      def recognise(facets)
        facets.faces.each_with_index { |face, i| face.surface = surface(facets, facets.of(i)) }
      end

      def surface(facets, rows)
        nodes = Algebra::Gather.distinct([facets.triangles[rows, true]])
        at, normals = facets.normals ? corner_samples(facets, rows) : facet_samples(facets, rows)
        return Shape::Surface.free if normals.empty?

        Shape::Recognition.call(facets.points[nodes, true].dup, at, normals, @tolerance)
      end

      def corner_samples(facets, rows)
        rows = thinned(rows)
        at = facets.points[facets.triangles[rows, true].flatten, true].dup
        normals = facets.normals[rows, true, true].dup.reshape(rows.size * 3, 3)
        real = (Shape::Vectors.norm(normals) > 0.5).where
        [at[real, true].dup, Shape::Vectors.unit(normals[real, true].dup)]
      end

      def facet_samples(facets, rows)
        sound = facets.flat[1][rows].gt(0).where
        rows = thinned(rows[sound].dup)
        [circumcentres(facets, rows), facets.flat[0][rows, true].dup]
      end

      def circumcentres(facets, rows)
        a, b, c = (0..2).map { |k| facets.points[facets.triangles[rows, k].dup, true].dup }
        u = b - a
        v = c - a
        w = Shape::Vectors.cross(u, v)
        toward = Shape::Vectors.times(Shape::Vectors.cross(w, u), Shape::Vectors.dot(v, v)) + Shape::Vectors.times(Shape::Vectors.cross(v, w), Shape::Vectors.dot(u, u))
        a + Shape::Vectors.times(toward, 0.5 / Shape::Vectors.dot(w, w))
      end

      def thinned(rows)
        return rows if rows.size <= SAMPLES

        rows[Numo::Int32.cast((Numo::DFloat.new(SAMPLES).seq * rows.size / SAMPLES).floor)].dup
      end

      # The last name on the way down that says something; parts of one name are counted.
      def name_parts(stem)
        base = @parts.map { |part| [*part.path, part.name].map { |n| n.to_s.strip }.reverse.find { |n| !n.match?(VAGUE) } || stem }
        base = base.map { |n| n[0, 70] }
        seen = Hash.new(0)
        twice = base.tally
        @parts.each_with_index do |part, i|
          part.name = twice[base[i]] > 1 ? "#{base[i]} #{seen[base[i]] += 1}" : base[i]
        end
      end
    end
  end
end
