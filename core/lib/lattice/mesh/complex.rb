# frozen_string_literal: true

module Lattice
  module Mesh
    # The surfaces of one or several bodies as one: points that coincide are one, and faces
    # that bodies share are there once, with a body behind and one before them.
    class Complex
      NEAR = 1e-6 # of the size

      # faces: for each face of the whole the [body, name] pairs it stands for; sides: the
      # regions behind and before it; edges: [body, edge name] => curves of the whole;
      # points: [body, point name] => place
      attr_reader :facets, :faces, :sides, :edges, :points

      # @param bodies [Array<Shape::Body>]
      # @param shared [Array] pairs [[body, face], [body, face]] of faces that coincide
      # @raise [InvalidInput] when shared faces do not fit
      def initialize(bodies, shared = [])
        @bodies = bodies
        @shared = shared
        bodies.size == 1 ? alone : together
      end

      private

      def alone
        body = @bodies[0]
        @facets = body.facets
        @faces = @facets.faces.map { |f| [[body.name, f.name]] }
        @sides = [[1, 0]] * @faces.size
        @edges = @facets.edges.each_with_index.to_h { |e, i| [[body.name, e.name], [i]] }
        @points = points_of(body) { |node| @facets.points[node, true].to_a }
      end

      def points_of(body)
        body.places.select { |p| p.of == :points }.to_h { |p| [p.key, yield(p.node)] }
      end

      def together
        weld
        lay_faces
        lay_edges
        check
        @points = @bodies.each_with_index.map { |body, b| points_of(body) { |node| @welded[@rank[@starts[b] + node], true].to_a } }.reduce(:merge)
      end

      def weld
        counts = @bodies.map { |b| b.facets.points.shape[0] }
        @starts = counts.each_with_object([0]) { |n, list| list << (list.last + n) }
        all = Numo::DFloat.vstack(@bodies.map { |b| b.facets.points })
        @near = Shape::Vectors.norm((all.max(0) - all.min(0)).reshape(1, 3))[0] * NEAR
        @welded, @rank = Shape::Weld.call(all, @near)
      end

      # Faces of all bodies in turn; of shared ones only the first.
      def lay_faces
        partner = @shared.to_h { |one, other| [other, one] }
        @faces = []
        @sides = []
        faces = []
        triangles = []
        owners = []
        normals = []
        index = {}
        @bodies.each_with_index do |body, b|
          body.facets.faces.each_with_index do |face, f|
            key = [body.name, face.name]
            if (first = index[partner[key]])
              @faces[first] << key
              @sides[first][1] = b + 1
              next
            end
            index[key] = faces.size
            rows = body.facets.of(f)
            triangles << (body.facets.triangles[rows, true] + @starts[b])
            owners.concat([faces.size] * rows.size)
            normals << (body.facets.normals ? body.facets.normals[rows, true, true] : body.facets.corner_normals[rows, true, true])
            faces << face
            @faces << [key]
            @sides << [b + 1, 0]
          end
        end
        tri = Numo::Int32.vstack(triangles)
        @parts = { points: @welded, triangles: @rank[tri.flatten].reshape(*tri.shape).dup, owners: Numo::Int32.cast(owners), faces: faces,
                   normals: @bodies.any? { |b| b.facets.normals } ? Numo::DFloat.vstack(normals) : nil }
      end

      # Pieces that belong to the same edges of the same bodies make up a curve of the whole.
      def lay_edges
        held = Hash.new { |hash, pair| hash[pair] = [] }
        @bodies.each_with_index do |body, b|
          body.facets.edges.each do |edge|
            edge.run.each_cons(2) { |p, q| held[[@rank[@starts[b] + p], @rank[@starts[b] + q]].sort] << [body.name, edge.name] }
          end
        end
        @edges = Hash.new { |hash, key| hash[key] = [] }
        curves = []
        held.group_by { |_, keys| keys }.each do |keys, pairs|
          chains(pairs.map(&:first)).each do |nodes|
            keys.each { |key| @edges[key] << curves.size }
            curves << Shape::Edge.of(keys[0].join(" "), nodes, @welded, faces_at(*nodes[0..1]))
          end
        end
        @facets = Shape::Facets.new(**@parts, edges: curves)
      end

      # @return [Array<Integer>] faces that meet at the side between two points
      def faces_at(from, to)
        @topology ||= Shape::Topology.new(@parts[:triangles])
        side = @topology.between(Numo::Int32[from], Numo::Int32[to])[0]
        @parts[:owners][@topology.sides.eq(side).where / 3].to_a.uniq
      end

      # Runs of nodes through pairs that follow each other.
      def chains(pairs)
        at = Hash.new { |hash, node| hash[node] = [] }
        pairs.each_with_index { |(p, q), i| [p, q].each { |n| at[n] << i } }
        used = {}
        starts = at.select { |_, list| list.size != 2 }.keys + at.keys
        starts.filter_map do |start|
          run = [start]
          while (step = at[run.last].find { |i| !used[i] })
            used[step] = true
            run << (pairs[step] - [run.last])[0]
          end
          run if run.size > 1
        end
      end

      # Shared faces must end on the same points in both bodies.
      def check
        return if @shared.empty? || @facets.topology.open.empty?

        side = @facets.topology.open[0]
        at = @welded[@facets.topology.ends[side, true], true].mean(0).to_a.map { |c| Quantity::Display.format(c, "length") }.join("; ")
        raise InvalidInput.at("the joined bodies #{@bodies.map { |b| "“#{b.name}”" }.join(' and ')} do not fit on each other near #{at}",
                              cure: "Let their touching faces end at the same edges, or do not join them.")
      end
    end
  end
end
