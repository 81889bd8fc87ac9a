# frozen_string_literal: true

module Lattice
  module Shape
    # Closed surfaces to cut or imprint with.
    module Cutters
      module_function

      # @param low [Array<Float>] least corner
      # @param high [Array<Float>] greatest corner
      # @return [Facets] a block with faces "x low", "x high", "y low"…
      def block(low, high)
        corners = [0, 1].product([0, 1], [0, 1]).map { |k, j, i| [[low, high][i][0], [low, high][j][1], [low, high][k][2]] }
        quads = { "z low" => [0, 2, 3, 1], "z high" => [4, 5, 7, 6], "y low" => [0, 1, 5, 4], "y high" => [2, 6, 7, 3], "x low" => [0, 4, 6, 2], "x high" => [1, 3, 7, 5] }
        triangles = quads.values.flat_map { |a, b, c, d| [[a, b, c], [a, c, d]] }
        faces = quads.map do |name, quad|
          a, b, c = quad.first(3).map { |i| corners[i] }
          Face.new(name, Surface.plane(a, Vectors.cross3(Vectors.minus3(b, a), Vectors.minus3(c, a))))
        end
        Facets.new(points: Numo::DFloat.cast(corners), triangles: Numo::Int32.cast(triangles), owners: Numo::Int32.new(12).seq / 2, faces: faces)
      end

      FINENESS = 3 # times that every side of a ball's twenty triangles is halved

      # @param centre [Array<Float>] m
      # @return [Facets] a ball with one face, "round"
      def ball(centre, radius)
        points, triangles = icosahedron
        FINENESS.times { points, triangles = halved(points, triangles) }
        Facets.new(points: (points * radius) + Numo::DFloat.cast(centre).reshape(1, 3), triangles: triangles, owners: Numo::Int32.zeros(triangles.shape[0]),
                   faces: [Face.new("round", Surface.sphere(centre, radius))])
      end

      # @return [Array(Numo::DFloat, Numo::Int32)] corners on the unit sphere, and triangles seen from outside
      def icosahedron
        g = (1 + Math.sqrt(5)) / 2
        corners = [[-1, g, 0], [1, g, 0], [-1, -g, 0], [1, -g, 0], [0, -1, g], [0, 1, g], [0, -1, -g], [0, 1, -g], [g, 0, -1], [g, 0, 1], [-g, 0, -1], [-g, 0, 1]]
        sides = [[0, 11, 5], [0, 5, 1], [0, 1, 7], [0, 7, 10], [0, 10, 11], [1, 5, 9], [5, 11, 4], [11, 10, 2], [10, 7, 6], [7, 1, 8],
                 [3, 9, 4], [3, 4, 2], [3, 2, 6], [3, 6, 8], [3, 8, 9], [4, 9, 5], [2, 4, 11], [6, 2, 10], [8, 6, 7], [9, 8, 1]]
        [Vectors.unit(Numo::DFloat.cast(corners)), Numo::Int32.cast(sides)]
      end

      # Each triangle in four, with the new corners on the sphere.
      def halved(points, triangles)
        pairs = Algebra::Pairs.new([[triangles, [[0, 1], [1, 2], [2, 0]]]])
        middle = Vectors.unit(points[pairs.low, true] + points[pairs.high, true])
        side = pairs.of(0) + points.shape[0]
        a, b, c = (0..2).map { |k| triangles[true, k].dup }
        ab, bc, ca = (0..2).map { |k| side[true, k].dup }
        parts = [[a, ab, ca], [ab, b, bc], [ca, bc, c], [ab, bc, ca]].map { |part| Numo::Int32.vstack(part).transpose.dup }
        [Numo::DFloat.vstack([points, middle]), Numo::Int32.vstack(parts)]
      end

      # @param outline [Outline]
      # @param frame [Frame] where its plane lies
      # @param depth [Float] m, both ways along the normal
      # @return [Facets]
      def prism(outline, frame, depth)
        base = Frame.new(frame.point([0.0, 0.0, -depth]), frame.axes)
        Swept.call(SectionLines.of_outline(outline), Ways.extrusion(base, depth * 2), solid: true)
      end

      # What lies left of an open line, far out: its ends are drawn on straight.
      # @param segments [Array<Line, Arc>]
      # @param far [Float] m
      def left_of(segments, frame, depth, far)
        points = SectionLines.of_pieces(segments)
        run = points.runs.flatten.uniq.map { |i| points.points[i, true].to_a }.each_with_object([]) { |p, all| all << p if all.empty? || Polygon.distance(all.last, p) > 1e-12 }
        first = beyond(run[1], run[0], far)
        last = beyond(run[-2], run[-1], far)
        along = Vectors.unit3([last[0] - first[0], last[1] - first[1], 0.0])
        side = [-along[1] * far * 2, along[0] * far * 2]
        ring = [first, *run[1...-1], last, [last[0] + side[0], last[1] + side[1]], [first[0] + side[0], first[1] + side[1]]]
        lines = ring.each_with_index.map { |p, i| Line.new(p, ring[(i + 1) % ring.size], "cut #{i + 1}") }
        prism(Outline.new("cut", Loop.new(lines, "side"), []), frame, depth)
      end

      def beyond(from, to, far)
        length = Polygon.distance(from, to)
        [to[0] + ((to[0] - from[0]) * far / length), to[1] + ((to[1] - from[1]) * far / length)]
      end

      # A thin slab on a face, of its own outline, with walls as exact as its edges. Where
      # that runs along given lines, it is drawn a little beyond them, so that no two walls all
      # but coincide.
      # @param facets [Facets]
      # @param face [Integer]
      # @param depth [Float] m, both ways
      # @param beyond [Numo::DFloat] [k, 2, 3] segments
      def slab(facets, face, depth, beyond: Numo::DFloat.zeros(0, 2, 3))
        rows = facets.of(face)
        nodes = facets.nodes_of(face)
        rank = Numo::Int32.zeros(facets.points.shape[0])
        rank[nodes] = Numo::Int32.new(nodes.size).seq
        triangles = rank[facets.triangles[rows, true].flatten].reshape(rows.size, 3).dup
        flat = facets.points[nodes, true].dup
        normal = normals(facets, face, flat)
        sides = rim(triangles)
        points = widened(flat.dup, sides, normal, beyond, facets.size)
        bearers = bearers(facets, face, rank)
        labels = sides.map { |a, b| (points[[a, b], true] - flat[[a, b], true]).abs.max.zero? ? bearers.fetch([a, b].sort, 0) : 0 }
        walls = sides.flat_map { |a, b| [[a, b, b + nodes.size], [a, b + nodes.size, a + nodes.size]] }
        all = triangles[true, [0, 2, 1]].dup.concatenate(triangles + nodes.size).concatenate(Numo::Int32.cast(walls))
        surfaces = [Surface.free, *facets.edges.map { |edge| wall(edge, facets, face) }]
        used = labels.uniq.sort | [0]
        owners = ([0] * (2 * rows.size)) + labels.flat_map { |label| [used.index(label)] * 2 }
        Facets.new(points: (points - (normal * depth)).concatenate(points + (normal * depth)), triangles: all, owners: Numo::Int32.cast(owners),
                   faces: used.map { |label| Face.new("slab #{label}", surfaces[label]) })
      end

      # @return [Hash] ends of the steps of a face's edges, as they are ranked => the edge, from one
      def bearers(facets, face, rank)
        facets.edges.each_with_index.select { |edge, _| edge.faces.include?(face) }.flat_map do |edge, i|
          edge.run.each_cons(2).map { |ends| [ends.map { |n| rank[n] }.sort, i + 1] }
        end.to_h
      end

      # @return [Numo::DFloat] [n, 3] unit normals of a face at points on it, outward
      def normals(facets, face, points)
        surface = facets.faces[face].surface
        return Numo::DFloat.zeros(*points.shape) + facets.flat[0][facets.of(face)[0], true] if surface.plane?

        surface.normals(points) * (ContactFaces.outward?(facets, face) ? 1.0 : -1.0)
      end

      # What an edge of a face becomes when it is drawn along the normals.
      def wall(edge, facets, face)
        return Surface.free unless edge.faces.include?(face)

        if edge.curve == "line" then straight_wall(edge, facets, face)
        elsif edge.radius then round_wall(edge, facets.faces[face].surface)
        else Surface.free
        end
      end

      def straight_wall(edge, facets, face)
        from, to = edge.nodes.values_at(0, -1).map { |n| facets.points[n, true].to_a }
        Surface.plane(from, Vectors.cross3(Vectors.minus3(to, from), normals(facets, face, Numo::DFloat[from])[0, true].to_a))
      end

      def round_wall(edge, surface)
        return Surface.free unless %w[plane cylinder].include?(surface.kind) && Vectors.dot3(edge.axis, surface.axis).abs > 1 - 1e-9

        surface.plane? ? Surface.cylinder(edge.centre, surface.axis, edge.radius) : Surface.plane(edge.centre, surface.axis)
      end

      ALONG = 2e-3   # of the size, within which a rim runs along a line
      PARALLEL = 0.9 # cosine between lines that run along each other

      # Sides of the rim that run along the lines are moved outwards; others stay on their lines.
      def widened(points, sides, normal, beyond, size)
        return points if beyond.shape[0].zero?

        n = normal.to_a
        meeting = Hash.new { |hash, node| hash[node] = [] }
        sides.each do |a, b|
          ends = [a, b].map { |node| points[node, true].to_a }
          direction = Vectors.unit3(Vectors.minus3(*ends.reverse))
          middle = ends.transpose.map { |p, q| (p + q) / 2 }
          along = parallel?(direction, beyond) { |from, to| Polygon.distance_to(middle, from, to) < size * ALONG }
          [a, b].each { |node| meeting[node] << { direction: direction, outward: along ? Vectors.cross3(direction, n[node]) : nil } }
        end
        meeting.each { |node, both| points[node, true] = points[node, true] + (Numo::DFloat[*step_outwards(both)] * (size * ALONG * 3)) }
        points
      end

      # Whether lines that have nearly a direction are found.
      # @yield [Numo::DFloat, Numo::DFloat] starts and ends of those lines
      def parallel?(direction, lines)
        steps = lines[true, 1, true] - lines[true, 0, true]
        rows = (Vectors.unit(steps).dot(Numo::DFloat[*direction]).abs > PARALLEL).where
        !rows.empty? && yield(lines[rows, 0, true].dup, lines[rows, 1, true].dup)
      end

      # @param sides [Array<Hash>] that meet in a point
      # @return [Array<Float>] the way of the point for which those with an outward normal move by one
      def step_outwards(sides)
        moved, still = sides.partition { |side| side[:outward] }
        return [0.0, 0.0, 0.0] if moved.empty?

        outward = moved[0][:outward]
        slide = still.empty? ? moved.map { |side| side[:outward] }.reduce { |a, b| Vectors.plus3(a, b) } : still[0][:direction]
        gain = Vectors.dot3(outward, slide)
        gain.abs < 0.2 ? outward : slide.map { |c| c / gain }
      end

      # @return [Array<Array<Integer>>] open sides, as their triangle runs them
      def rim(triangles)
        topology = Topology.new(triangles)
        open = topology.counts.eq(1)
        open[topology.sides].where.to_a.map do |corner|
          tri, k = corner.divmod(3)
          [triangles[tri, k], triangles[tri, (k + 1) % 3]]
        end
      end
    end
  end
end
