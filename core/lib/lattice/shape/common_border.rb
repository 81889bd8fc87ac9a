# frozen_string_literal: true

module Lattice
  module Shape
    # Lays the points that one body has on the border of a face on the border of another body's
    # face as well, so that faces that coincide end on the same points, on round edges too.
    class CommonBorder
      V = Vectors
      OFF = 0.1    # of a step of a round edge: how far points of its curve may lie beside it
      NEAR = 1e-6  # of the size: points that are one

      # @param facets [Facets]
      # @param faces [Array<Integer>] of them
      # @param points [Numo::DFloat] [m, 3] of the border of the other body's faces
      # @return [Facets] the same facets when there is nothing to lay
      def self.call(facets, faces, points) = new(facets, points).call(faces)

      def initialize(facets, points)
        @facets = facets
        @points = points
        @near = facets.size * NEAR
        @added = []
      end

      def call(faces)
        @steps = @facets.edges.each_index.select { |e| @facets.edges[e].faces.intersect?(faces) }.flat_map { |e| steps(e) }
        return @facets if @steps.empty?

        part_triangles
        Facets.new(points: @facets.points.concatenate(Numo::DFloat.cast(@added)), triangles: Numo::Int32.cast(@triangles), owners: Numo::Int32.cast(@owners),
                   faces: @facets.faces, edges: edges, normals: @normals && Numo::DFloat.cast(@normals))
      end

      private

      # Steps of an edge that points lie on: the ends, and the new nodes between them in order.
      def steps(edge)
        run = @facets.edges[edge].run
        ends = @facets.points[run, true]
        share, off = measure(ends[0...-1, true].dup, ends[1..-1, true].dup, straight: @facets.edges[edge].curve == "line")
        best = off.min_index(axis: 0) / off.shape[1]
        found = Hash.new { |hash, step| hash[step] = [] }
        best.to_a.each_with_index { |step, i| found[step] << [share[step, i], i] if off[step, i].finite? }
        found.map { |step, list| { edge: edge, at: step, ends: run[step, 2], nodes: list.sort.map { |_, i| added(@points[i, true].to_a) } } }
      end

      def added(place)
        @added << place
        @facets.points.shape[0] + @added.size - 1
      end

      # @return [Array(Numo::DFloat, Numo::DFloat)] where points lie along steps, and how far off;
      #   infinity where they do not lie on a step, or at an end of one
      def measure(from, to, straight:)
        n = from.shape[0]
        m = @points.shape[0]
        along = (to - from).reshape(n, 1, 3)
        rel = @points.reshape(1, m, 3) - from.reshape(n, 1, 3)
        square = (along * along).sum(-1)
        share = (rel * along).sum(-1) / (square + 1e-300)
        beside = rel - (along * share.reshape(n, m, 1))
        off = Numo::NMath.sqrt((beside * beside).sum(-1))
        length = Numo::NMath.sqrt(square) + Numo::DFloat.zeros(n, m)
        apart = [rel, @points.reshape(1, m, 3) - to.reshape(n, 1, 3)].map { |d| (d * d).sum(-1) > @near**2 }.reduce(:&)
        good = apart & (share > 0) & (share < 1) & (off <= (straight ? @near * 10 : length * OFF))
        # A point of the border already is not laid again.
        known = (~apart).any?(0)
        off[good.eq(0).where] = Float::INFINITY
        off[true, known.where] = Float::INFINITY if known.any?
        [share, off]
      end

      # Both triangles at a step become fans over its pieces.
      def part_triangles
        rows = @facets.triangles.to_a
        @owners = @facets.owners.to_a
        @normals = @facets.normals&.to_a
        at = touched(rows)
        @steps.each { |step| at.fetch(step[:ends].sort).each { |t| part(rows, at, t, step) } }
        @triangles = rows
      end

      # @return [Hash] ends of sides of triangles at steps => the triangles
      def touched(rows)
        topology = @facets.topology
        sides = topology.between(*[0, 1].map { |k| Numo::Int32.cast(@steps.map { |s| s[:ends][k] }) })
        chosen = Numo::Bit.zeros(topology.counts.size)
        chosen[sides] = 1
        corners = (Numo::Int32.cast(chosen[topology.sides].where) / 3).to_a.uniq
        corners.each_with_object(Hash.new { |hash, ends| hash[ends] = [] }) { |t, all| pairs(rows[t]).each { |ends| all[ends] << t } }
      end

      def pairs(row) = [row.values_at(0, 1), row.values_at(1, 2), row.values_at(2, 0)].map(&:sort)

      def part(rows, at, triangle, step)
        row = rows[triangle]
        k = (0..2).find { |i| [row[i], row[(i + 1) % 3]].sort == step[:ends].sort }
        from, to, apex = row.rotate(k)
        chain = [from, *(step[:ends][0] == from ? step[:nodes] : step[:nodes].reverse), to]
        normals = @normals && @normals[triangle].rotate(k)
        pieces = chain.each_cons(2).map { |a, b| [a, b, apex] }
        bent = pieces.each_index.map { |i| normals && shared(normals, i, pieces.size) }
        places = [triangle, *(1...pieces.size).map { |i| rows.size + i - 1 }]
        pairs(row).each { |ends| at[ends] -= [triangle] }
        places.each_with_index do |place, i|
          rows[place] = pieces[i]
          @owners[place] = @owners[triangle]
          @normals[place] = bent[i] if @normals
          pairs(pieces[i]).each { |ends| at[ends] += [place] }
        end
      end

      # Normals at the corners of one of several pieces of a triangle along its first side.
      def shared(normals, index, count)
        [index, index + 1].map { |i| V.unit3(V.plus3(normals[0].map { |c| c * (1 - i.fdiv(count)) }, normals[1], i.fdiv(count))) } << normals[2]
      end

      def edges
        by_edge = @steps.group_by { |s| s[:edge] }
        @facets.edges.each_with_index.map do |edge, e|
          next edge unless by_edge[e]

          edge.dup.tap { |copy| copy.nodes = edge.nodes.each_with_index.flat_map { |node, i| [node, *by_edge[e].find { |s| s[:at] == i }&.fetch(:nodes)] } }
        end
      end
    end
  end
end
