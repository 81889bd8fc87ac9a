# frozen_string_literal: true

module Lattice
  module Shape
    # Mid-side points of triangles, moved onto the true surface: for each face onto its
    # analytic surface; on the border of two faces onto both, by projecting in turn; on
    # free faces by the cubic whose ends are tangent to the surface, where its normals are known.
    class MidPoints
      ROUNDS = 8

      def self.call(facets) = new(facets).call

      def initialize(facets)
        @facets = facets
        @topology = facets.topology
      end

      # @return [Numo::DFloat] [sides, 3]
      def call
        ends = @topology.ends
        @middle = (@facets.points[ends[true, 0].dup, true] + @facets.points[ends[true, 1].dup, true]) / 2
        bulge if @facets.normals
        project_faces if curved?
        @facets.edges.each { |edge| round(edge) if edge.radius }
        @middle
      end

      private

      def curved? = @facets.faces.any? { |f| f.surface.curved? && !f.surface.free? }

      # Sides within a curved face are moved onto it; those on its border in turn onto all
      # the faces that meet there. Between plane faces every middle is right already.
      def project_faces
        sides = sides_by_face
        shared = borders
        curved = @facets.faces.each_index.select { |i| @facets.faces[i].surface.curved? }
        bent = Numo::Bit.zeros(@topology.counts.size)
        curved.each do |i|
          project(@facets.faces[i].surface, sides[i])
          bent[sides[i]] = 1 unless sides[i].empty?
        end
        border = sides.transform_values { |all| Numo::Int32.cast(all[(shared[all] & bent[all]).where]) }.reject { |_, all| all.empty? }
        ROUNDS.times { border.each { |i, all| project(@facets.faces[i].surface, all) } }
      end

      # On circles and arcs the middle is on the circle, whatever the faces beside it.
      def round(edge)
        run = Numo::Int32.cast(edge.run)
        sides = @topology.between(run[0...-1].dup, run[1..].dup)
        axis = Numo::DFloat[*edge.axis]
        centre = Numo::DFloat[*edge.centre]
        from = @middle[sides, true] - centre
        flat = from - Vectors.times(Numo::DFloat.zeros(*from.shape) + axis, from.dot(axis))
        @middle[sides, true] = (Vectors.unit(flat) * edge.radius) + centre
      end

      def project(surface, sides)
        return if sides.empty? || surface.free?

        @middle[sides, true] = surface.project(@middle[sides, true].dup)
      end

      def sides_by_face
        table = @topology.sides.reshape(@facets.count, 3)
        @facets.faces.each_index.to_h { |face| [face, Algebra::Gather.distinct([table[@facets.of(face), true]])] }
      end

      # @return [Numo::Bit] sides that lie between two different faces
      def borders
        sides, one, two = @topology.pairs
        found = Numo::Bit.zeros(@topology.counts.size)
        apart = @facets.owners[one].ne(@facets.owners[two]).where
        found[sides[apart].dup] = 1 unless apart.empty?
        found
      end

      # The middle of the cubic from a to b whose end tangents are b − a laid into the
      # tangent planes there: (a + b)/2 + ((d·nb) nb − (d·na) na)/8.
      def bulge
        free = Numo::Int32.cast(@facets.faces.map { |f| f.surface.free? ? 1 : 0 })
        mine = Numo::Int32.cast(free[@facets.owners].ne(0).where)
        return if mine.empty?

        total = Numo::DFloat.zeros(*@middle.shape)
        count = Numo::DFloat.zeros(@middle.shape[0])
        (0..2).each { |k| add_bulge(mine, k, total, count) }
        some = count.ne(0).where
        @middle[some, true] = @middle[some, true] + Vectors.times(total[some, true].dup, 1 / count[some].dup)
      end

      def add_bulge(triangles, corner, total, count)
        following = (corner + 1) % 3
        tri = @facets.triangles[triangles, true].dup
        along = @facets.points[tri[true, following].dup, true] - @facets.points[tri[true, corner].dup, true]
        na, nb = [corner, following].map { |k| @facets.normals[triangles, k, true].dup }
        lift = (Vectors.times(nb, Vectors.dot(along, nb)) - Vectors.times(na, Vectors.dot(along, na))) / 8
        side = @topology.sides[(triangles * 3) + corner].dup
        (0..2).each { |k| total[true, k] = total[true, k] + side.bincount(lift[true, k].dup, minlength: total.shape[0]) }
        count.inplace + side.bincount(minlength: total.shape[0])
      end
    end
  end
end
