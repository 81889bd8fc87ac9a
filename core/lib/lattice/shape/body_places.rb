# frozen_string_literal: true

module Lattice
  module Shape
    # Lists the places of a body: itself, faces, edges and points.
    class BodyPlaces
      BORE = 0.75 # of a full turn, from where a hollow round wall counts as a bore

      # @param body [Body]
      def initialize(body)
        @body = body
        @facets = body.facets
      end

      # @return [Array<Place>]
      def call = [whole, *faces, *edges, *points]

      private

      def place(of, name, kind, **rest)
        Place.new(body: @body.name, of: of, name: name, kind: kind, **rest)
      end

      def box(nodes)
        rows = @facets.points[nodes, true]
        [rows.min(0).to_a, rows.max(0).to_a]
      end

      def whole
        measure = @body.members? ? @body.length : @body.volume
        place(:bodies, @body.name, "body", bounds: @body.bounds, measure: measure, at: @body.centre)
      end

      def faces
        return [] if @facets.count.zero?

        measures = @facets.measures
        bores = hollow
        @facets.faces.each_with_index.map do |face, i|
          surface = face.surface
          place(:faces, face.name, @body.plane? ? "region" : surface.kind, bounds: box(@facets.nodes_of(i)), measure: measures.face_areas[i], at: measures.face_centres[i],
                                                                           bore: bores[i], normal: surface.plane? ? normal(i) : nil, axis: surface.plane? ? nil : surface.axis,
                                                                           radius: surface.minor || surface.radius, angle: surface.angle)
        end
      end

      def normal(face) = Vectors.unit3(Vectors.times(@facets.flat[0], @facets.flat[1])[@facets.of(face), true].sum(0).to_a)

      # Diameters of cylinders that are hollow and go round, alone or with others on the
      # same axis.
      # @return [Array<Float, nil>] one a face
      def hollow
        result = Array.new(@facets.faces.size)
        return result unless @body.solid?

        inward = @facets.faces.each_index.select { |i| @facets.faces[i].surface.kind == "cylinder" && inward?(i) }
        near = @facets.size * 1e-6
        until inward.empty?
          first = @facets.faces[inward[0]].surface
          same, inward = inward.partition { |i| first.same?(@facets.faces[i].surface, near) }
          same.each { |i| result[i] = 2 * first.radius } if turn(same, first) > BORE * 2 * Math::PI
        end
        result
      end

      def inward?(face)
        surface = @facets.faces[face].surface
        rows = @facets.of(face)
        middle = @facets.points[@facets.triangles[rows, 0].dup, true] - Numo::DFloat[*surface.origin]
        axis = Numo::DFloat[*surface.axis]
        radial = middle - Vectors.times(Numo::DFloat.zeros(*middle.shape) + axis, middle.dot(axis))
        (Vectors.dot(radial, @facets.flat[0][rows, true]) * @facets.flat[1][rows]).sum.negative?
      end

      # How far round faces on one cylinder go: their area over radius and extent.
      def turn(faces, surface)
        nodes = faces.map { |i| @facets.nodes_of(i) }.reduce { |a, b| a.concatenate(b) }
        along = @facets.points[nodes, true].dot(Numo::DFloat[*surface.axis])
        faces.sum { |i| @facets.measures.face_areas[i] } / (surface.radius * (along.max - along.min))
      end

      def edges
        @facets.edges.map do |edge|
          place(:edges, edge.name, edge.curve, bounds: box(edge.nodes), measure: edge.length(@facets.points), at: middle(edge), axis: edge.axis, radius: edge.radius,
                                               bore: edge.curve == "circle" && hole_rim?(edge) ? 2 * edge.radius : nil)
        end
      end

      def middle(edge) = edge.closed ? @facets.points[edge.nodes, true].mean(0).to_a : @facets.points[edge.nodes[edge.nodes.size / 2], true].to_a

      # The rim of a round hole: of a plane region's hole, or beside a bore's wall.
      def hole_rim?(edge)
        return @body.outline.holes.any? { |hole| hole.circle&.key == edge.name } if @body.plane? && @body.outline

        @hollow ||= hollow
        edge.faces.any? { |f| @hollow[f] }
      end

      def points
        taken = (@facets.edges + @facets.faces).to_h { |one| [one.name, true] }
        @facets.vertices.map do |vertex|
          at = @facets.points[vertex[:node], true].to_a
          plain = @body.prism&.point_name(at, solid: @body.solid?) || named_by_faces(vertex)
          place(:points, Naming.free(plain, taken), "point", bounds: [at, at], at: at, node: vertex[:node])
        end
      end

      def named_by_faces(vertex)
        edges = vertex[:edges].map { |i| @facets.edges[i] }
        names = edges.flat_map(&:faces).uniq.sort.map { |f| @facets.faces[f].name }
        return "end of #{edges[0].name}" if names.size < 2 && edges.size == 1

        names.size < 2 ? edges.map(&:name).join(" | ") : names.join(" | ")
      end
    end
  end
end
