# frozen_string_literal: true

require "stringio"

module LatticeServer
  module Building
    # The shape of a model for the model window: surfaces as binary arrays, with the places
    # on them (see docs/formats).
    class ShapeView
      # @param parts [Lattice::Shape::Parts]
      def initialize(parts)
        @parts = parts
        @drawn = parts.bodies
      end

      # @return [String]
      def bytes
        points, normals, triangles = surfaces
        lines = edges
        StringIO.new(String.new(encoding: Encoding::BINARY)).tap do |io|
          Lattice::Format::ArrayFile.put(io, { "positions" => points, "normals" => normals, "triangles" => triangles, "lines" => lines }, meta)
        end.string
      end

      private

      def meta = { faces: @faces, edges: @edges, bodies: @drawn.map { |b| { name: b.name, colour: b.colour } }, places: @parts.places.map(&:as_json) }

      # Every triangle has corners of its own, so that faces meet at sharp edges; normals
      # are those of the true surface where it is known.
      def surfaces
        @faces = []
        rows = @drawn.select { |b| b.facets.count.positive? }.map { |b| body_surface(b) }
        return [Numo::SFloat.zeros(0, 3), Numo::SFloat.zeros(0, 3), Numo::Int32.zeros(0, 3)] if rows.empty?

        points, normals = rows.transpose.map { |all| all.reduce { |a, b| a.concatenate(b) } }
        [points, normals, Numo::Int32.new(points.shape[0] / 3, 3).seq]
      end

      def body_surface(body)
        facets = body.facets
        order, starts = facets.by_face
        first = @faces.empty? ? 0 : @faces.last[2] + @faces.last[3]
        facets.faces.each_with_index { |face, i| @faces << [body.name, face.name, first + starts[i], starts[i + 1] - starts[i], face.colour] }
        corners = facets.count * 3
        [facets.points[facets.triangles[order, true].flatten, true], facets.corner_normals[order, true, true].dup.reshape(corners, 3)].map { |rows| Numo::SFloat.cast(rows.dup) }
      end

      # Edges as pairs of points [k, 2, 3].
      def edges
        @edges = []
        first = 0
        parts = @drawn.flat_map do |body|
          body.facets.edges.map do |edge|
            run = edge.run
            @edges << [body.name, edge.name, first, run.size - 1]
            first += run.size - 1
            pairs = Numo::SFloat.zeros(run.size - 1, 2, 3)
            pairs[true, 0, true] = body.facets.points[run[0...-1], true]
            pairs[true, 1, true] = body.facets.points[run[1..], true]
            pairs
          end
        end
        parts.empty? ? Numo::SFloat.zeros(0, 2, 3) : parts.reduce { |a, b| a.concatenate(b) }
      end
    end
  end
end
