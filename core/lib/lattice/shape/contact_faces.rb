# frozen_string_literal: true

module Lattice
  module Shape
    # Where faces of two bodies lie upon each other.
    module ContactFaces
      NEAR = 1e-5 # of the size

      module_function

      # @param one [Facets]
      # @param other [Facets]
      # @return [Array<Array(Integer, Integer)>] pairs of faces
      def pairs(one, other)
        near = [one.size, other.size].max * NEAR
        one.faces.each_index.to_a.product(other.faces.each_index.to_a).select do |i, j|
          a = one.faces[i].surface
          b = other.faces[j].surface
          a.same?(b, near) && boxes_meet?(one, i, other, j, near) && (a.plane? ? plane_overlap?(one, i, other, j, near) : round_overlap?(one, i, other, j, near))
        end
      end

      # Of one area about one centre: what is only partly covered is no common face.
      def coincide?(one, i, other, j)
        areas = [one.measures.face_areas[i], other.measures.face_areas[j]]
        away = Vectors.norm3(Vectors.minus3(one.measures.face_centres[i], other.measures.face_centres[j]))
        (areas[0] - areas[1]).abs < areas.max * ALIKE && away < Math.sqrt(areas.max) * ALIKE
      end

      ALIKE = 1e-3 # of the area, and of its root

      # Round faces on one surface that look against each other, and not merely end on each other.
      def round_overlap?(one, i, other, j, near)
        return false if outward?(one, i) == outward?(other, j)
        return true unless %w[cylinder cone].include?(one.faces[i].surface.kind)

        RoundContact.over?(one, i, other, j, near) || RoundContact.over?(other, j, one, i, near)
      end

      # Whether a round face looks away from the middle of its surface.
      def outward?(facets, face)
        rows = facets.of(face)
        centres = facets.corners.map { |c| c[rows, true] }.reduce(:+) / 3
        (Vectors.dot(facets.faces[face].surface.normals(centres), facets.flat[0][rows, true]) * facets.flat[1][rows]).sum.positive?
      end

      def boxes_meet?(one, i, other, j, near)
        p = one.points[one.nodes_of(i), true]
        q = other.points[other.nodes_of(j), true]
        ((p.min(0) <= q.max(0) + near) & (q.min(0) <= p.max(0) + near)).all?
      end

      # Plane faces overlap when sides of their triangles cross, or places within a triangle of one
      # lie within a triangle of the other; what only meets at the border counts for neither.
      def plane_overlap?(one, i, other, j, near)
        u, v = Vectors.across(one.faces[i].surface.axis)
        flat = [[one, i], [other, j]].map { |facets, face| flat_corners(facets, face, u, v) }
        within?(*flat, near) || within?(*flat.reverse, near) || crossing?(*flat, near)
      end

      def flat_corners(facets, face, u, v)
        corners = facets.triangles[facets.of(face), true]
        [u, v].map { |axis| facets.points.dot(Numo::DFloat[*axis])[corners.flatten].reshape(*corners.shape).dup }
      end

      SPREAD = [[1.0 / 3, 1.0 / 3], [0.6, 0.2], [0.2, 0.6], [0.2, 0.2], [0.96, 0.02], [0.02, 0.96], [0.02, 0.02]].freeze

      AT_ONCE = 500_000 # pairs that are compared in one go

      def blocks?(count, columns)
        step = [AT_ONCE / columns, 1].max
        (0...count).step(step).any? { |first| yield first...[first + step, count].min }
      end

      # Whether any place within a triangle of one lies within a triangle of the other.
      def within?(inner, outer, near)
        places = SPREAD.map { |r, s| inner.map { |c| (c[true, 0] * (1 - r - s)) + (c[true, 1] * r) + (c[true, 2] * s) } }
        x, y = [0, 1].map { |k| places.map { |p| p[k] }.reduce { |a, b| a.concatenate(b) } }
        blocks?(x.size, outer[0].shape[0]) { |range| inside?([column(x[range]), column(y[range])], outer, near) }
      end

      # @param place [Array<Numo::DFloat>] x and y, [n, 1]
      def inside?(place, corners, near)
        off = (0..2).map { |k| off(*[k, (k + 1) % 3].map { |n| corners.map { |c| c[true, n].dup } }, place) }
        (off.map { |d| d > near }.reduce(:&) | off.map { |d| d < -near }.reduce(:&)).any?
      end

      # Whether a side of one runs through a side of the other, ends clear of it on both sides.
      def crossing?(one, other, near)
        a, b = sides(one)
        c, d = sides(other)
        blocks?(a[0].size, c[0].size) do |range|
          p, q = [a, b].map { |ends| ends.map { |e| column(e[range]) } }
          both = through(p, q, c, d, near) & through(c, d, p, q, near)
          both.any?
        end
      end

      # @return [Numo::Bit] whether r and s lie clear on both sides of the line through p and q
      def through(p, q, r, s, near)
        one = off(p, q, r)
        other = off(p, q, s)
        ((one > near) & (other < -near)) | ((one < -near) & (other > near))
      end

      # @return [Array] starts and ends of all sides, each [x, y]
      def sides(corners)
        [[0, 1, 2], [1, 2, 0]].map { |order| corners.map { |c| c[true, order].flatten.dup } }
      end

      def column(values) = values.dup.reshape(values.size, 1)

      # Distance of r from the line through p and q, with a sign.
      def off(p, q, r)
        Polygon.side(p, q, r) / Numo::NMath.sqrt(((q[0] - p[0])**2) + ((q[1] - p[1])**2))
      end
    end
  end
end
