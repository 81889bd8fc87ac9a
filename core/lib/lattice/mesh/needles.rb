# frozen_string_literal: true

module Lattice
  module Mesh
    # What elements of the size asked for cannot follow: faces without width, and edges and
    # corners at which a body closes to nothing. Found on the shape before it is meshed, as
    # meshing them takes long and ends in useless elements.
    class Needles
      V = Shape::Vectors
      NARROW = 1.0 / 500 # of the size there: faces of a smaller mean width
      SHARP = Math::PI / 180 # angle of the material at edges, or of a sheet at its corners
      SPIKE = Math::PI / 60  # angle of all faces of a solid that meet at a point
      FLAT = 1e-9 # of the body: faces of a smaller width have no area
      SHORT = 0.1 # of the size there: no more of an edge need be sharp to matter

      # @param body [Shape::Body] of faces or a solid
      # @param plan [SizingPlan]
      def initialize(body, plan)
        @body = body
        @facets = body.facets
        @plan = plan
      end

      # @return [InvalidInput, nil] the first found
      def call = narrow || sharp_edge || sharp_corner

      private

      # The mean width of a face is twice its area over its border.
      def narrow
        areas = @facets.flat[1]
        areas = areas.empty? ? [] : @facets.owners.bincount(areas, minlength: @facets.faces.size).to_a
        borders = borders_of_faces
        areas.each_with_index do |area, face|
          next if borders[face].zero?

          width = 2 * area / borders[face]
          next if width >= @plan.size * NARROW # and no size asked for at places is larger

          size = size_near(@facets.nodes_of(face))
          return narrow_face(face, width, borders[face] / 2, size) if width < size * NARROW
        end
        nil
      end

      def borders_of_faces
        lengths = [0.0] * @facets.faces.size
        @facets.edges.each { |edge| edge.faces.each { |face| lengths[face] += edge.length(@facets.points) } }
        lengths
      end

      def narrow_face(face, width, length, size)
        at = tidy(@facets.points[@facets.nodes_of(face), true].mean(0))
        flat = width < @facets.size * FLAT
        what = flat ? "has no area" : "is only #{Faults.length(width)} wide and #{Faults.length(length)} long"
        refusal("the face “#{@facets.faces[face].name}” of “#{@body.name}” #{what}, near #{Faults.place(at)}: elements of #{Faults.length(size)} cannot follow it",
                "Mend it where it was drawn, or let near points become one as its file is read#{"; or give a size of about #{Faults.length(width * 50)} on it" unless flat}.", at)
      end

      # Edges of solids, by the angle that the material fills beside them.
      def sharp_edge
        return nil unless @body.solid? && @facets.closed?

        sides, one, two = @facets.topology.pairs
        rows = Numo::Int32.cast(@facets.owners[one].ne(@facets.owners[two]).where)
        return nil if rows.empty?

        angle, length = angles(sides[rows].dup, one[rows].dup, two[rows].dup)
        rows_of_edges(sides[rows]).each do |edge, mine|
          keen = angle[mine].lt(SHARP).where
          next if keen.empty? || length[mine][keen].sum < SHORT * size_near(Numo::Int32.cast(@facets.edges[edge].nodes))

          return keen_edge(@facets.edges[edge], angle[mine].min)
        end
        nil
      end

      # Of the true surfaces where they are known, from their normals at both ends of a side.
      # @return [Array(Numo::DFloat, Numo::DFloat)] angle inside, 0 to 2 π, and length of each side
      def angles(sides, one, two)
        topology = @facets.topology
        normals = @facets.corner_normals
        ends = topology.ends[sides, true].dup
        first, second = [one, two].map { |t| V.unit((0..1).map { |k| corner_normal(normals, t, ends[true, k].dup) }.reduce(:+)) }
        ahead = @facets.points[ends[true, 1].dup, true] - @facets.points[ends[true, 0].dup, true]
        forward = (0..2).map { |k| @facets.triangles[one, k].eq(ends[true, 0]) & @facets.triangles[one, (k + 1) % 3].eq(ends[true, 1]) }.reduce(:|)
        way = V.times(V.unit(ahead), (Numo::DFloat.cast(forward) * 2) - 1)
        turn = Numo::NMath.atan2(V.dot(V.cross(first, second), way), V.dot(first, second))
        [Math::PI - turn, V.norm(ahead)]
      end

      def corner_normal(normals, triangles, nodes)
        (0..2).map { |k| V.times(normals[triangles, k, true].dup, Numo::DFloat.cast(@facets.triangles[triangles, k].eq(nodes))) }.reduce(:+)
      end

      # @return [Hash] edge => rows of the sides that belong to it
      def rows_of_edges(sides)
        row = Numo::Int32.zeros(@facets.topology.counts.size).fill(-1)
        row[sides] = Numo::Int32.new(sides.size).seq
        @facets.edges.each_index.filter_map do |i|
          run = Numo::Int32.cast(@facets.edges[i].run)
          mine = row[@facets.topology.between(run[0...-1].dup, run[1..].dup)]
          mine = mine[mine.ge(0).where]
          [i, mine.dup] unless mine.empty?
        end
      end

      def keen_edge(edge, angle)
        at = at_point(edge.nodes[edge.nodes.size / 2])
        refusal("“#{@body.name}” closes to #{degrees(angle)} along the edge “#{edge.name}”, near #{Faults.place(at)}: no element of a fair shape fits there",
                "Blunt the edge by a chamfer, a fillet or a cut, or mend the shape where it was drawn.", at)
      end

      # Corners of sheets, and points of solids in which only needles of faces meet.
      def sharp_corner
        return nil if @facets.count.zero?

        angle, node, face = corner_angles
        rows = (@body.solid? ? widest_at(node, angle).lt(SPIKE) : angle.lt(SHARP)).where
        return nil if rows.empty?

        row = rows[angle[rows].min_index]
        at = at_point(node[row])
        refusal("the face “#{@facets.faces[face[row]].name}” of “#{@body.name}” ends in a needle of #{degrees(angle[row])} near #{Faults.place(at)}: no element of a fair shape fits there",
                "Blunt the corner where it was drawn.", at)
      end

      # @return [Numo::DFloat] the greatest angle of a face at the same point
      def widest_at(node, angle)
        widest = Numo::DFloat.zeros(@facets.points.shape[0])
        order = Numo::Int32.cast(angle.sort_index)
        widest[node[order].dup] = angle[order].dup
        widest[node].dup
      end

      # @return [Array(Numo::DFloat, Numo::Int32, Numo::Int32)] of each face at each of its points
      def corner_angles
        corners = @facets.corners
        angles = (0..2).map do |k|
          u, v = [1, 2].map { |step| corners[(k + step) % 3] - corners[k] }
          Numo::NMath.atan2(V.norm(V.cross(u, v)), V.dot(u, v))
        end
        count = @facets.points.shape[0]
        keys = (0..2).map { |k| (Numo::Int64.cast(@facets.owners) * count) + @facets.triangles[true, k] }
        distinct, index = Algebra::Distinct.of(keys.reduce { |a, b| a.concatenate(b) })
        [index.bincount(angles.reduce { |a, b| a.concatenate(b) }, minlength: distinct.size), Numo::Int32.cast(distinct % count), Numo::Int32.cast(distinct / count)]
      end

      # The least size asked for at any of the points.
      def size_near(nodes)
        points = @facets.points[nodes, true].dup
        low = points.min(0)
        high = points.max(0)
        near = @plan.local.select { |at, size| size < @plan.size && ((at >= (low - size)) & (at <= (high + size))).all?(1).any? }.map(&:last)
        within = @plan.regions.select { |test, _| test.call(points).any? }.map(&:last)
        [@plan.size, *near, *within].min
      end

      def degrees(angle) = angle.abs < 1e-4 ? "nothing" : Quantity::Display.format(angle, "angle")
      def at_point(node) = tidy(@facets.points[node, true])
      def tidy(at) = Faults.tidy(at.to_a, @facets.size)
      def refusal(message, cure, at) = InvalidInput.at(message, cure: cure, place: at)
    end
  end
end
