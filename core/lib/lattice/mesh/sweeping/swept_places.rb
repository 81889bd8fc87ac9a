# frozen_string_literal: true

module Lattice
  module Mesh
    module Sweeping
      # The places of a body on the skin of a swept mesh: pieces of faces by their names, lines
      # by the pair of faces they lie between, nodes by where they are.
      class SweptPlaces
        V = Shape::Vectors
        AREA = 0.08 # by which a face, of flat elements, may differ from the face of the body

        # @param body [Shape::Body]
        # @param nodes [Numo::DFloat] [n, 3]
        def initialize(body, nodes)
          @body = body
          @facets = body.facets
          @nodes = nodes
          @faces = Hash.new { |hash, name| hash[name] = [] }
          @lines = Hash.new { |hash, name| hash[name] = [] }
          @corners = []
        end

        # @param quads [Numo::Int32] [k, 8]
        def add_face(name, quads) = @faces[name] << quads

        # @param lines [Numo::Int32] [k, 3] that belong together
        # @param between [Array<String>] the names of the faces they lie between
        def add_line(between, lines)
          edge = nearest_edge(between, @nodes[lines[lines.shape[0] / 2, 2], true])
          @lines[edge.name] << lines if edge
        end

        # @param node [Integer] where edges may end
        def add_corner(node) = @corners << node

        # @return [Hash, nil] place => connectivity; nil when the mesh does not stand for the body
        def call
          found = [@faces, @lines].map { |table| table.transform_values { |list| Numo::Int32.vstack(list) } }.reduce(:merge).merge(points)
          wanted = @body.places.reject { |p| p.of == :bodies }.map(&:name)
          found if wanted.all? { |name| found.key?(name) } && found.size == wanted.size && areas_agree?(found)
        end

        private

        def nearest_edge(between, at)
          names = between.sort
          edges_by_faces.fetch(names, []).min_by do |edge|
            run = @facets.points[edge.run, true]
            distance(at, run)
          end
        end

        def edges_by_faces = @edges_by_faces ||= @facets.edges.group_by { |e| e.faces.map { |f| @facets.faces[f].name }.sort }

        # From a point to a polyline.
        def distance(at, run)
          from = run[0...-1, true]
          along = run[1..-1, true] - from
          share = (V.dot(along, at.reshape(1, 3) - from) / (V.dot(along, along) + 1e-300)).clip(0, 1)
          V.norm(from + V.times(along, share) - at.reshape(1, 3)).min
        end

        def points
          near = @body.size * 1e-6
          at = @nodes[@corners, true].dup unless @corners.empty?
          @body.places.select { |p| p.of == :points }.each_with_object({}) do |place, found|
            away = at && V.norm(at - @facets.points[place.node, true].reshape(1, 3))
            found[place.name] = Numo::Int32[[@corners[away.min_index]]] if away && away.min < near
          end
        end

        def areas_agree?(found)
          areas = @facets.measures.face_areas
          @facets.faces.each_with_index.all? do |face, i|
            (area(found[face.name]) - areas[i]).abs < areas[i] * AREA
          end
        end

        # Of flat triangles, and of quadrilaterals half the product of their diagonals.
        def area(conn)
          a, b, c, d = (0...(conn.shape[1] / 2)).map { |k| @nodes[conn[true, k].dup, true] }
          V.norm(d ? V.cross(c - a, d - b) : V.cross(b - a, c - a)).sum / 2
        end
      end
    end
  end
end
