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

        # @return [Array(Numo::DFloat, Numo::DFloat)] places [k, 3] on the sheet and the thickness there
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
          rows.empty? ? [Numo::DFloat.zeros(0, 3), Numo::DFloat.zeros(0)] : [@centres[rows, true].dup, found[rows].dup]
        end

        private

        # What is written last holds: the least.
        def keep_nearest(found, ray, away)
          order = Algebra::Gather.descending(away)
          found[ray[order].dup] = away[order].dup
        end

        # Rays with the triangles in the cells they run through.
        def pairs(corners, reach)
          cell = reach.max
          low = @sheet.points.min(0)
          counts = ((@sheet.points.max(0) - low) / cell).floor.to_a.map { |n| n.to_i + 1 }
          boxes = %i[minimum maximum].map { |m| corners.reduce { |a, b| Numo::DFloat.public_send(m, a, b) } }
          key, triangle = cells(boxes, low, cell, counts)
          lists = Algebra::Lists.new(key, counts.reduce(:*))
          tips = @centres - V.times(@normals, reach)
          ends = %i[minimum maximum].map { |m| Numo::DFloat.public_send(m, @centres, tips) }
          at, ray = cells(ends, low, cell, counts)
          slot, entry = lists.of(at)
          entry.empty? ? [entry, entry] : [ray[slot].dup, triangle[entry].dup]
        end

        def cells(boxes, low, cell, counts)
          first, last = boxes.map do |p|
            index = Numo::Int32.cast(((p - low) / cell).floor)
            3.times { |k| index[true, k] = index[true, k].clip(0, counts[k] - 1) }
            index
          end
          spans = last - first + 1
          owner, rank = Algebra::Lists.laid(spans.prod(1))
          sy = spans[owner, 1].dup
          sz = spans[owner, 2].dup
          x, y, z = [rank / (sy * sz), (rank / sz) % sy, rank % sz].each_with_index.map { |r, k| first[owner, k] + r }
          [(((x * counts[1]) + y) * counts[2]) + z, owner]
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
