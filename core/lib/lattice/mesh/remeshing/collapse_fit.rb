# frozen_string_literal: true

module Lattice
  module Mesh
    module Remeshing
      # Which of the triangles that a collapse would make are unfit: turned away from the shape,
      # thin, with sides that are too long, or off their face.
      class CollapseFit
        V = Shape::Vectors
        FACING = 0.5  # least cosine between a triangle and the shape
        BENT = 2.0    # most that a new side may measure on a bent face, of its size
        OFF = 0.2     # of the size: most that the middle of a new triangle lies off its face
        THIN = 1e-3   # least shape of a new triangle, unless what was there is nearly as thin

        # @param sheet [Sheet]
        # @param longest [Float] most that a new side may measure, of its size
        # @param thin [Float] least shape of a new triangle
        def initialize(sheet, longest, thin)
          @sheet = sheet
          @longest = longest
          @thin = thin
        end

        # @param old [Numo::Int32] [k, 3] triangles, and +new+ what becomes of them
        # @param faces [Numo::Int32] [k]
        # @param out [Numo::Int32] [k] the point of each that goes, and +onto+ the one in its place
        # @return [Numo::Bit] [k]
        def unfit(old, new, faces, out, onto)
          corners = @sheet.corners(new)
          middle = corners.reduce(:+) / 3
          normal = V.unit(V.cross(corners[1] - corners[0], corners[2] - corners[0]))
          want = @sheet.source.normals(middle, faces)
          shape = Sheet.shapes(*corners)
          before = Sheet.shapes(*@sheet.corners(old))
          bad = (V.dot(normal, want) < FACING) | ((shape < @thin) & (shape < before * 0.5))
          bad | too_long(old, new, faces, out, onto) | (@sheet.off_face(middle, faces) > @sheet.sizes[onto] * OFF)
        end

        private

        # New sides beyond the limit and longer than those before: on bent faces always, on
        # planes only when a limit was set.
        def too_long(old, new, faces, out, onto)
          limit = [@longest, BENT].min
          far = farthest(new, onto)
          bad = (far > limit) & (far > farthest(old, out) * 1.3)
          @longest > limit ? bad & @sheet.source.bent(faces) : bad
        end

        def farthest(triangles, from) = (0..2).map { |k| away(from, triangles[true, k].dup) }.reduce { |a, b| Numo::DFloat.maximum(a, b) }

        def away(from, to)
          V.norm(@sheet.points[to, true] - @sheet.points[from, true]) * 2 / (@sheet.sizes[from] + @sheet.sizes[to])
        end
      end
    end
  end
end
