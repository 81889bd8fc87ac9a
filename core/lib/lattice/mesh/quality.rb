# frozen_string_literal: true

module Lattice
  module Mesh
    # Measures of element shape.
    module Quality
      module_function

      # Least over the corners of the sine of the angle between the two sides there,
      # negative where the element is folded.
      #
      # @param points [Numo::DFloat] [n, 2 or more] (the first two columns count)
      # @param quads [Numo::Int32] [q, 4 or more] (the first four columns count)
      # @return [Numo::DFloat] [q]
      def quad_jacobian(points, quads)
        x = points[true, 0][quads[true, 0..3]]
        y = points[true, 1][quads[true, 0..3]]
        ex = x[true, [1, 2, 3, 0]] - x
        ey = y[true, [1, 2, 3, 0]] - y
        length = Numo::NMath.sqrt((ex**2) + (ey**2)) + 1e-300
        px = ex[true, [3, 0, 1, 2]]
        py = ey[true, [3, 0, 1, 2]]
        (((px * ey) - (py * ex)) / (length * length[true, [3, 0, 1, 2]])).min(1)
      end

      # Scaled Jacobian of any block: at each corner the determinant of the unit
      # vectors along the sides that meet there, least over corners.
      #
      # @param points [Numo::DFloat] [n, 3]
      # @param kind [Symbol] see Element::Kind
      # @param conn [Numo::Int32] [e, k]
      # @return [Numo::DFloat] [e]
      def scaled_jacobian(points, kind, conn)
        kind = Element::Kind[kind]
        corners = kind.corner_frames.map do |corner, *others|
          sides = others.map do |other|
            side = points[conn[true, other], true] - points[conn[true, corner], true]
            side / Numo::NMath.sqrt((side**2).sum(1)).reshape(side.shape[0], 1)
          end
          kind.dimension == 2 ? cross2(*sides) : triple(*sides)
        end
        Numo::DFloat.vstack(corners.map { |c| c.reshape(1, c.size) }).min(0) / kind.ideal_corner
      end

      def cross2(a, b)
        (a[true, 0] * b[true, 1]) - (a[true, 1] * b[true, 0])
      end

      def triple(a, b, c)
        (a[true, 0] * ((b[true, 1] * c[true, 2]) - (b[true, 2] * c[true, 1]))) -
          (a[true, 1] * ((b[true, 0] * c[true, 2]) - (b[true, 2] * c[true, 0]))) +
          (a[true, 2] * ((b[true, 0] * c[true, 1]) - (b[true, 1] * c[true, 0])))
      end
    end
  end
end
