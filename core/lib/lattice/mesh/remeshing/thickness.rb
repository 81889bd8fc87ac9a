# frozen_string_literal: true

module Lattice
  module Mesh
    module Remeshing
      # How thick the material is behind each triangle of a closed sheet, where it is thinner
      # than a few elements: the distance along the inner normal to a triangle that faces away.
      class Thickness
        V = Shape::Vectors
        REACH = 2.2 # of the size there: thicker walls are not measured
        OPPOSED = -0.9

        # @param sheet [Sheet]
        # @param through [Integer] elements wanted across
        def initialize(sheet, through: 1)
          @sheet = sheet
          @reach = REACH * through
        end

        # @return [Array(Numo::Int32, Numo::DFloat)] triangles of the sheet [k] and the thickness behind each
        def call
          corners = @sheet.corners
          @centres = corners.reduce(:+) / 3
          @normals = V.unit(V.cross(corners[1] - corners[0], corners[2] - corners[0]))
          size = (0..2).map { |k| @sheet.sizes[@sheet.triangles[true, k].dup] }.reduce(:+) / 3
          ray, triangle = pairs(corners, size * @reach)
          found = Numo::DFloat.zeros(@centres.shape[0]).fill(Float::INFINITY)
          unless ray.empty?
            away, hit = meet(corners, ray, triangle)
            keep_nearest(found, ray[hit].dup, away[hit].dup) unless hit.empty?
          end
          rows = Numo::Int32.cast((found < size * @reach).where)
          rows.empty? ? [rows, Numo::DFloat.zeros(0)] : [rows, found[rows].dup]
        end

        # @return [Numo::DFloat] [k, 3] the middles of triangles
        def middles(rows) = @centres[rows, true].dup

        private

        # What is written last holds: the least.
        def keep_nearest(found, ray, away)
          order = Algebra::Gather.descending(away)
          found[ray[order].dup] = away[order].dup
        end

        # Rays with the triangles in the cells they run through.
        def pairs(corners, reach)
          tips = @centres - V.times(@normals, reach)
          rays, boxes = [[@centres, tips], corners].map { |set| %i[minimum maximum].map { |m| set.reduce { |a, b| Numo::DFloat.public_send(m, a, b) } } }
          Algebra::Boxes.near(rays, boxes, reach.max)
        end

        # Rays along −normal against triangles that face the same way the ray goes.
        def meet(corners, ray, triangle)
          facing = Numo::Int32.cast((V.dot(@normals[ray, true], @normals[triangle, true]) < OPPOSED).where)
          away = Numo::DFloat.zeros(ray.size).fill(Float::INFINITY)
          return [away, facing] if facing.empty?

          r = ray[facing].dup
          t = triangle[facing].dup
          a, b, c = corners.map { |x| x[t, true] }
          way = -@normals[r, true]
          n = V.cross(b - a, c - a)
          distance = V.dot(a - @centres[r, true], n) / V.dot(way, n)
          place = @centres[r, true] + V.times(way, distance)
          inside = [[a, b], [b, c], [c, a]].map { |p, q| V.dot(V.cross(q - p, place - p), n) >= 0 }.reduce(:&) & (distance > 0)
          rows = inside.where
          away[facing] = distance
          [away, rows.empty? ? Numo::Int32.zeros(0) : facing[rows].dup]
        end
      end
    end
  end
end
