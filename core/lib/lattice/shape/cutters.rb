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

      # A thin slab on a plane face, of its own outline. Where that runs along given lines,
      # it is drawn a little beyond them, so that no two walls all but coincide.
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
        normal = facets.flat[0][rows[0], true].dup
        sides = rim(triangles)
        points = widened(facets.points[nodes, true].dup, sides, normal, beyond, facets.size)
        walls = sides.flat_map { |a, b| [[a, b, b + nodes.size], [a, b + nodes.size, a + nodes.size]] }
        all = triangles[true, [0, 2, 1]].dup.concatenate(triangles + nodes.size).concatenate(Numo::Int32.cast(walls))
        Facets.new(points: (points - (normal * depth)).concatenate(points + (normal * depth)), triangles: all, owners: Numo::Int32.zeros(all.shape[0]),
                   faces: [Face.new("slab", Surface.free)])
      end

      ALONG = 2e-3 # of the size, within which a rim runs along a line

      # Points of the rim that lie on the lines are moved outwards.
      def widened(points, sides, normal, beyond, size)
        return points if beyond.shape[0].zero?

        outwards = Hash.new { |hash, node| hash[node] = [0.0, 0.0, 0.0] }
        n = normal.to_a
        sides.each do |a, b|
          out = Vectors.unit3(Vectors.cross3(Vectors.minus3(points[b, true].to_a, points[a, true].to_a), n))
          [a, b].each { |node| outwards[node] = Vectors.plus3(outwards[node], out) }
        end
        outwards.each do |node, direction|
          next if Vectors.norm3(direction) < 1e-9 || Polygon.distance_to(points[node, true].to_a, beyond[true, 0, true], beyond[true, 1, true]) > size * ALONG

          points[node, true] = points[node, true] + (Numo::DFloat[*Vectors.unit3(direction)] * (size * ALONG * 3))
        end
        points
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
