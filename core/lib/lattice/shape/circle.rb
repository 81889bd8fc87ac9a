# frozen_string_literal: true

module Lattice
  module Shape
    # Circles in space.
    module Circle
      OFF = 2e-5 # of the radius or the extent

      module_function

      # @param points [Numo::DFloat] [n, 3]
      # @return [Array, nil] centre, axis, radius of the circle that all points lie on
      def through(points)
        mean = points.mean(0)
        from = points - mean
        values, vectors = SmallMatrix.eigen(from.transpose.dot(from))
        return nil if values[0].abs > values[2] * (OFF**2) * points.shape[0] || values[1] < values[2] * 1e-9

        u, v, axis = [2, 1, 0].map { |k| Numo::DFloat[*vectors[k]] }
        x = from.dot(u)
        y = from.dot(v)
        centre, radius = plane_fit(x, y)
        return nil unless radius
        return nil if (Numo::NMath.sqrt(((x - centre[0])**2) + ((y - centre[1])**2)) - radius).abs.max > OFF * [radius, Math.sqrt(values[2])].min

        [(mean + (u * centre[0]) + (v * centre[1])).to_a, axis.to_a, radius]
      end

      # @return [Array, nil] [[x, y], radius] by linear least squares
      def plane_fit(x, y)
        rows = Numo::DFloat.ones(x.size, 3)
        rows[true, 0] = x * 2
        rows[true, 1] = y * 2
        square = rows.transpose.dot(rows)
        values, = SmallMatrix.eigen(square)
        return nil if values[0] < values[-1] * 1e-14

        found = SmallMatrix.solve(square, rows.transpose.dot((x**2) + (y**2)))
        reach = found[2] + (found[0]**2) + (found[1]**2)
        reach.positive? ? [[found[0], found[1]], Math.sqrt(reach)] : nil
      end
    end
  end
end
