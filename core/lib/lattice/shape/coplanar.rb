# frozen_string_literal: true

module Lattice
  module Shape
    # Plane faces of several bodies that lie in one plane and look the same way: where they
    # overlap in a union it is left to chance whose triangles stay, so that they become one
    # face, that of the first body.
    module Coplanar
      NEAR = 1e-6 # of the extent

      module_function

      # @param owners [Numo::Int32] [t] faces, counted over all bodies
      # @param bodies [Array<Facets>]
      # @return [Numo::Int32] [t]
      def call(owners, bodies)
        near = bodies.map(&:size).max * NEAR
        result = owners.dup
        planes_of(bodies).combination(2) do |first, other|
          next if first[:body] == other[:body] || Vectors.dot3(first[:normal], other[:normal]) < 0.9 || !first[:surface].same?(other[:surface], near)
          next unless ContactFaces.plane_overlap?(bodies[first[:body]], first[:face], bodies[other[:body]], other[:face], near)

          rows = result.eq(other[:label]).where
          result[rows] = first[:label] unless rows.empty?
        end
        result
      end

      def planes_of(bodies)
        label = -1
        bodies.each_with_index.flat_map do |facets, body|
          facets.faces.each_with_index.filter_map do |face, f|
            label += 1
            rows = facets.of(f)
            { body: body, face: f, label: label, surface: face.surface, normal: facets.flat[0][rows[0], true].to_a } if face.surface.plane? && !rows.empty?
          end
        end
      end
    end
  end
end
