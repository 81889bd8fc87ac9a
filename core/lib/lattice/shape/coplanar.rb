# frozen_string_literal: true

module Lattice
  module Shape
    # Plane faces of several bodies that lie in one plane and look the same way: where they
    # overlap in a union it is left to chance whose triangles stay, so that the face of the
    # first body takes all of them.
    module Coplanar
      NEAR = 1e-6 # of the extent

      module_function

      # @param points [Numo::DFloat] of the union
      # @param triangles [Numo::Int32] [t, 3]
      # @param owners [Numo::Int32] [t] faces, counted over all bodies
      # @param bodies [Array<Facets>]
      # @return [Numo::Int32] [t]
      def call(points, triangles, owners, bodies)
        planes = planes_of(bodies)
        near = Vectors.norm((points.max(0) - points.min(0)).reshape(1, 3))[0] * NEAR
        result = owners.dup
        planes.combination(2) do |first, other|
          next if first[:body] == other[:body] || Vectors.dot3(first[:normal], other[:normal]) < 0.9 || !first[:surface].same?(other[:surface], near)

          rows = Numo::Int32.cast(result.eq(other[:label]).where)
          next if rows.empty?

          middles = (0..2).map { |k| points[triangles[rows, k].dup, true] }.reduce(:+) / 3
          within = inside(middles, first).where
          result[rows[within]] = first[:label] unless within.empty?
        end
        result
      end

      def planes_of(bodies)
        label = -1
        bodies.each_with_index.flat_map do |facets, body|
          facets.faces.each_with_index.filter_map do |face, f|
            label += 1
            rows = facets.of(f)
            { body: body, label: label, surface: face.surface, facets: facets, rows: rows, normal: facets.flat[0][rows[0], true].to_a } if face.surface.plane? && !rows.empty?
          end
        end
      end

      def inside(points, plane)
        u, v = Vectors.across(plane[:normal])
        flat = ->(at) { Numo::DFloat.vstack([at.dot(Numo::DFloat[*u]), at.dot(Numo::DFloat[*v])]).transpose.dup }
        topology = Topology.new(plane[:facets].triangles[plane[:rows], true].dup)
        ends = topology.ends[topology.open, true]
        Polygon.inside(flat[points], *(0..1).map { |k| flat[plane[:facets].points[ends[true, k].dup, true]] })
      end
    end
  end
end
