# frozen_string_literal: true

module Lattice
  module Shape
    # A surface made of labelled triangles: the common form of every drawn, read or
    # combined body. Points [n, 3] in m; triangles [t, 3]; owners [t], the face each
    # triangle belongs to; normals [t, 3, 3] of the true surface at the corners, where a
    # file gave them. Edges are given by whoever drew them, or found at the borders of faces.
    class Facets
      attr_reader :points, :triangles, :owners, :faces, :normals

      # @param edges [Array<Edge>, nil]
      def initialize(points:, triangles:, owners:, faces:, edges: nil, normals: nil)
        @points = points
        @triangles = triangles
        @owners = owners
        @faces = faces.freeze
        @edges = edges
        @normals = normals
      end

      def topology = @topology ||= Topology.new(triangles)
      def edges = @edges ||= EdgeFinder.call(self)
      def closed? = !triangles.empty? && topology.closed?
      def size = Math.sqrt(((points.max(0) - points.min(0))**2).sum)
      def bounds = [points.min(0).to_a, points.max(0).to_a]
      def count = triangles.shape[0]
      def inspect = "#<Facets #{count} triangles, #{faces.size} faces>"

      # @return [Array(Numo::DFloat, Numo::DFloat)] unit normals [t, 3] and areas [t] of the flat triangles
      def flat
        @flat ||= begin
          a, b, c = corners
          n = Vectors.cross(b - a, c - a)
          double = Vectors.norm(n)
          [Vectors.unit(n), double / 2]
        end
      end

      # @return [Array<Numo::DFloat>] the three corners [t, 3] of every triangle
      def corners = (0..2).map { |k| points[triangles[true, k].dup, true].dup }

      # @return [Numo::Int32] triangles of a face
      def of(face) = by_face[0][by_face[1][face]...by_face[1][face + 1]].dup

      # Triangles in the order of their faces, and where each face starts in it (one more
      # start than faces).
      # @return [Array(Numo::Int32, Array<Integer>)]
      def by_face
        @by_face ||= begin
          sizes = owners.empty? ? [0] * faces.size : owners.bincount(minlength: faces.size).to_a
          [Numo::Int32.cast(owners.sort_index), sizes.each_with_object([0]) { |n, starts| starts << (starts.last + n) }]
        end
      end

      # @return [Numo::Int32] distinct points of a face
      def nodes_of(face) = Algebra::Gather.distinct([triangles[of(face), true]])

      # @param wanted [Array<Integer>] faces
      # @return [Facets] only those, and the points they need
      def only(wanted)
        chosen = Numo::Int32.zeros(faces.size)
        chosen[wanted] = 1
        subset(chosen[owners].ne(0).where)
      end

      # @param rows [Numo::Int32] triangles
      # @return [Facets] only those, with the points and faces they need
      def subset(rows)
        kept = triangles[rows, true].dup
        nodes = Algebra::Gather.distinct([kept])
        used = Algebra::Gather.distinct([owners[rows]])
        Facets.new(points: points[nodes, true].dup, triangles: counted(nodes, points.shape[0])[kept.flatten].reshape(*kept.shape).dup,
                   owners: counted(used, faces.size)[owners[rows]].dup, faces: used.to_a.map { |i| faces[i] }, normals: normals && normals[rows, true, true].dup)
      end

      # Normals of the true surface at the corners of every triangle: of the analytic surface
      # where it is known, else from the file, else of the flat triangle.
      # @return [Numo::DFloat] [t, 3, 3]
      def corner_normals
        result = normals&.dup || (flat[0].reshape(count, 1, 3) + Numo::DFloat.zeros(count, 3, 3))
        faces.each_with_index do |face, i|
          rows = of(i)
          next if face.surface.plane? || face.surface.free? || rows.empty?

          rounded = face.surface.normals(points[triangles[rows, true].flatten, true].dup).reshape(rows.size, 3, 3)
          against = Vectors.dot(rounded.mean(1), flat[0][rows, true].dup).sum.negative?
          result[rows, true, true] = against ? -rounded : rounded
        end
        result
      end

      # @return [Array<Hash>] the ends of edges: node and the edges that meet there
      def vertices
        @vertices ||= edges.each_with_index.reject { |edge, _| edge.closed }
                           .flat_map { |edge, i| [[edge.nodes.first, i], [edge.nodes.last, i]] }
                           .group_by(&:first).map { |node, all| { node: node, edges: all.map(&:last).uniq } }
      end

      # @return [Numo::DFloat] [sides, 3] mid-side points on the true surface
      def middles = @middles ||= MidPoints.call(self)

      def measures = @measures ||= Measures.new(self)

      # Keeps what was derived from the surface as long as the surface itself is kept.
      def remember(key) = (@remembered ||= {})[key] ||= yield

      # @param frame [Frame]
      # @return [Facets] the same, moved; turned inside out when the frame mirrors
      def moved(frame)
        return self if frame.plain?

        order = frame.left_handed? ? [0, 2, 1] : [0, 1, 2]
        turned = normals && begin
          flat = frame.apply(normals.reshape(count * 3, 3)) - Numo::DFloat[*frame.origin]
          flat.reshape(count, 3, 3)[true, order, true].dup
        end
        Facets.new(points: frame.apply(points), triangles: count.zero? ? triangles : triangles[true, order].dup, owners: owners, normals: turned,
                   faces: faces.map { |f| f.moved(frame) }, edges: @edges&.map { |e| e.dup.tap { |copy| copy.recognise(frame.apply(points[copy.nodes, true])) } })
      end

      # @return [Facets] with other names of its faces, in their order
      def renamed(names)
        Facets.new(points: points, triangles: triangles, owners: owners, normals: normals,
                   faces: faces.zip(names).map { |f, name| Face.new(name, f.surface, f.colour) })
      end

      private

      # @return [Numo::Int32] [size] the place of each entry of a list in it
      def counted(list, size)
        Numo::Int32.zeros(size).tap { |rank| rank[list] = Numo::Int32.new(list.size).seq unless list.empty? }
      end
    end
  end
end
