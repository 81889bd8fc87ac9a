# frozen_string_literal: true

module Lattice
  module Mesh
    module Sweeping
      # The places of a body on the skin of a mesh of bricks and wedges that keeps its edges:
      # every outer face of an element belongs to the nearest face of the body that looks the same
      # way, sides between two faces to an edge between them, and nodes to points by where they are.
      class SkinPlaces
        V = Shape::Vectors
        AREA = 0.08  # by which a face, of flat elements, may differ from the face of the body
        ALIKE = 0.5  # cosine between the normals of an element's face and of the body's
        CORNERS = { 4 => [-0.25, 0.5], 3 => [-1.0 / 9, 4.0 / 9] }.freeze # shares of corners and middles at the centre of a face

        # @param body [Shape::Body]
        # @param nodes [Numo::DFloat] [n, 3]
        # @param elements [Hash] kind => conn, of quadratic solids
        # @return [Hash, nil] place => connectivity; nil when the mesh does not stand for the body
        def self.of(body, nodes, elements) = new(body, nodes, elements).call

        def initialize(body, nodes, elements)
          @body = body
          @facets = body.facets
          @nodes = nodes
          @skin = OuterFaces.of(elements).reject { |_, faces| faces.empty? }
        end

        def call
          label or return nil
          lines = edges or return nil
          found = faces.merge(lines).merge(points(lines))
          wanted = @body.places.reject { |p| p.of == :bodies }.map(&:name)
          found if wanted.all? { |name| found.key?(name) } && found.size == wanted.size && areas_agree?(found)
        end

        private

        # Which face of the body each outer face belongs to; false when one looks another way.
        def label
          @labels = @skin.to_h do |n, conn|
            at, normals = centres(n, conn)
            triangle = locator.call(at, Numo::Int32.zeros(at.shape[0]))[1]
            return false if (V.dot(@facets.flat[0][triangle, true], normals) < ALIKE).any?

            [n, @facets.owners[triangle].dup]
          end
        end

        # Places in the middle of faces, on the curved ones too, and unit normals there.
        def centres(n, conn)
          corner, middle = CORNERS.fetch(n)
          at = (0...n).map { |k| (@nodes[conn[true, k].dup, true] * corner) + (@nodes[conn[true, k + n].dup, true] * middle) }.reduce(:+)
          p = (0...n).map { |k| @nodes[conn[true, k].dup, true] }
          [at, V.unit(n == 4 ? V.cross(p[2] - p[0], p[3] - p[1]) : V.cross(p[1] - p[0], p[2] - p[0]))]
        end

        def locator
          @locator ||= Remeshing::Locator.new(@facets.corners, Numo::Int32.zeros(@facets.count), @facets.size / 40)
        end

        def faces
          @facets.faces.each_with_index.to_h do |face, f|
            parts = @skin.filter_map { |n, conn| (rows = @labels[n].eq(f).where).empty? ? nil : conn[rows, true].dup }
            # A face with both shapes could not be told apart later on.
            [face.name, parts.size == 1 ? parts[0] : nil]
          end.compact
        end

        # Sides where two faces meet, with their middle nodes, by the edge they lie on.
        # @return [Hash, nil] nil when sides lie on no edge
        def edges
          lines, pair = sides_between
          return nil unless lines

          by_pair = @facets.edges.group_by { |e| key(*e.faces.minmax) }
          found = Hash.new { |hash, name| hash[name] = [] }
          Algebra::Gather.distinct([pair]).to_a.each do |both|
            rows = Numo::Int32.cast(pair.eq(both).where)
            candidates = by_pair[both] or return nil
            nearest = nearest(candidates, lines[rows, 2].dup)
            candidates.each_with_index { |edge, i| nearest.eq(i).where.then { |mine| found[edge.name] << lines[rows[mine].dup, true].dup unless mine.empty? } }
          end
          found.transform_values { |list| Numo::Int32.vstack(list) }
        end

        def key(one, other) = (one * @facets.faces.size) + other

        # @return [Array(Numo::Int32, Numo::Int32), nil] lines [k, 3] and the key of the two faces
        #   of each; nil when more or less than two faces meet somewhere
        def sides_between
          blocks = @skin.map { |n, conn| [conn, (0...n).map { |k| [k, (k + 1) % n] }] }
          pairs = Algebra::Pairs.new(blocks)
          index, label, middle = @skin.each_with_index.map { |(n, conn), b| [pairs.of(b).flatten.dup, Algebra::Gather.repeat(@labels[n], n), conn[true, n...(2 * n)].flatten.dup] }
                                      .transpose.map { |list| list.reduce { |a, b| a.concatenate(b) } }
          return nil unless index.bincount(minlength: pairs.size).eq(2).all?

          order = Numo::Int32.cast(index.sort_index).reshape(pairs.size, 2)
          one, other = [0, 1].map { |k| label[order[true, k].dup].dup }
          rows = Numo::Int32.cast(one.ne(other).where)
          return [Numo::Int32.zeros(0, 3), Numo::Int32.zeros(0)] if rows.empty?

          lines = Numo::Int32.zeros(rows.size, 3)
          [pairs.low, pairs.high, middle[order[true, 0].dup].dup].each_with_index { |nodes, k| lines[true, k] = nodes[rows].dup }
          low, high = [Numo::Int32.minimum(one, other), Numo::Int32.maximum(one, other)].map { |l| l[rows].dup }
          [lines, key(low, high)]
        end

        # @return [Numo::Int32] for each node which of the edges is nearest
        def nearest(edges, nodes)
          return Numo::Int32.zeros(nodes.size) if edges.size == 1

          at = @nodes[nodes, true].dup
          away = Numo::DFloat.vstack(edges.map { |edge| distances(at, @facets.points[edge.run, true]) })
          Numo::Int32.cast(away.min_index(axis: 0) / nodes.size)
        end

        # From points to a polyline.
        def distances(at, run)
          least = Numo::DFloat.zeros(at.shape[0]).fill(Float::INFINITY)
          (0...(run.shape[0] - 1)).each do |i|
            from = run[i, true].reshape(1, 3)
            along = run[i + 1, true].reshape(1, 3) - from
            share = ((at - from).dot(along[0, true]) / ((along**2).sum + 1e-300)).clip(0, 1)
            least = Numo::DFloat.minimum(least, V.norm(at - from - (along * share.reshape(share.size, 1))))
          end
          least
        end

        def points(lines)
          return {} if lines.empty?

          ends = Algebra::Gather.distinct(lines.values.map { |l| l[true, 0..1].dup })
          at = @nodes[ends, true].dup
          near = @body.size * 1e-5
          @body.places.select { |p| p.of == :points }.each_with_object({}) do |place, found|
            away = V.norm(at - @facets.points[place.node, true].reshape(1, 3))
            found[place.name] = Numo::Int32[[ends[away.min_index]]] if away.min < near
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
