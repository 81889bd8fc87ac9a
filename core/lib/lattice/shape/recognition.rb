# frozen_string_literal: true

module Lattice
  module Shape
    # Finds the analytic surface that a set of samples lies on, by linear least squares.
    # The axis of a torus comes from its normals, which all meet the axis: a linear line
    # complex (H. Pottmann, J. Wallner, Computational Line Geometry, 2001, ch. 4).
    class Recognition
      NORMALS = 4e-3 # by which unit normals may be off
      ROUGH = 0.02 # of the face, from where a first estimate is refined
      # Splines that stand for round faces are this near to them, as a share of the face.
      SPLINE = 1.5e-4

      # A few flat facets lie on some round face too easily.
      FACETS = 6

      # @param points [Numo::DFloat] [n, 3] vertices on the face, m
      # @param at [Numo::DFloat] [k, 3] where normals were taken
      # @param normals [Numo::DFloat] [k, 3] unit
      # @param tolerance [Float] m
      # @return [Surface] free when nothing fits
      def self.call(points, at, normals, tolerance)
        new(points, at, normals, tolerance).call
      end

      def initialize(points, at, normals, tolerance)
        @centre = points.mean(0)
        @scale = [(points.max(0) - points.min(0)).max, 1e-300].max
        @points = (points - @centre) / @scale
        @at = (at - @centre) / @scale
        @normals = normals
        @tolerance = tolerance / @scale
      end

      def call
        found = plane || (round? && (cylinder || cone || sphere || torus))
        found ? placed(found) : Surface.free
      end

      private

      # Whether the normals turn often enough to tell a round face from a folded one.
      def round? = @at.shape[0] > 1 && Weld.call(@normals, 1e-3)[0].shape[0] >= FACETS

      def placed(surface)
        surface.origin = (0..2).map { |k| (surface.origin[k] * @scale) + @centre[k] }
        surface.radius *= @scale if surface.radius
        surface.minor *= @scale if surface.minor
        surface
      end

      def fits?(surface, spread = [@tolerance, SPLINE].max) = surface.distance(@points).max <= spread

      # @return [Surface, nil] the surface, refined where need be, when the points lie on it
      def fitted(surface)
        return surface if fits?(surface, @tolerance)

        off = surface.distance(@points).max
        return nil if off > ROUGH

        better = [surface, Refinement.call(surface, thinned)].min_by { |s| s.distance(@points).max }
        better if fits?(better)
      end

      def thinned
        step = (@points.shape[0] / 400.0).ceil
        @points[(0...@points.shape[0]).step(step).to_a, true].dup
      end

      def plane
        normal = @normals.mean(0).to_a
        return nil if Vectors.norm3(normal) < 0.9

        surface = Surface.plane(@points.mean(0).to_a, normal)
        exact = Surface.plane(surface.origin, least(spread(@points))) if @points.shape[0] > 3
        [surface, exact].compact.find { |s| fits?(s, @tolerance) && @normals.dot(Numo::DFloat[*s.axis]).abs.min > 0.99 }
                        &.tap { |s| s.axis = s.axis.map(&:-@) if Vectors.dot3(s.axis, normal).negative? }
      end

      # All normals are square to the axis; seen along it, the points lie on a circle.
      def cylinder
        axis = least(@normals.transpose.dot(@normals))
        return nil if @normals.dot(Numo::DFloat[*axis]).abs.max > NORMALS

        circle = circle_across(axis) or return nil
        centre, radius = circle
        fitted(Surface.cylinder(centre, tidy(axis), radius))&.then { |s| s if faces_from?(s) }
      end

      # All normals make one angle with the axis; all tangent planes meet in the apex.
      def cone
        axis = least(spread(@normals))
        lean = @normals.dot(Numo::DFloat[*axis])
        return nil if lean.max - lean.min > NORMALS || lean.mean.abs < 0.01 || lean.mean.abs > 0.999

        apex = solve(@normals, Vectors.dot(@normals, @at)) or return nil
        from = @points - apex
        along = from.dot(Numo::DFloat[*axis])
        axis = axis.map(&:-@) if along.mean.negative?
        angle = Math.asin(lean.mean.abs)
        fitted(Surface.cone(apex.to_a, tidy(axis), angle))
      end

      def sphere
        rows = Numo::DFloat.ones(@points.shape[0], 4)
        rows[true, 0..2] = @points * 2
        found = solve(rows, Vectors.dot(@points, @points)) or return nil
        square = found[3] + (found[0..2]**2).sum
        return nil unless square.positive?

        Surface.sphere(found[0..2].to_a, Math.sqrt(square)).then { |s| s if s.radius < 100 && radial?(s.origin) }&.then { |s| fitted(s) }
      end

      def torus
        rows = Numo::DFloat.hstack([Vectors.cross(@at, @normals), @normals])
        complex = least(rows.transpose.dot(rows))
        along = complex[0..2]
        return nil if Vectors.norm3(along) < 1e-6

        foot = Vectors.cross3(along, complex[3..]).map { |c| c / Vectors.dot3(along, along) }
        axis = Vectors.unit3(along)
        ring(foot, axis)
      end

      # In the half plane through the axis the section is a circle.
      def ring(foot, axis)
        from = @points - Numo::DFloat[*foot]
        height = from.dot(Numo::DFloat[*axis])
        distance = Vectors.norm(from - Vectors.times(Numo::DFloat.zeros(*from.shape) + Numo::DFloat[*axis], height))
        circle = Circle.plane_fit(height, distance) or return nil
        (at, out), minor = circle
        return nil if out <= 0 || minor > 100

        fitted(Surface.torus(Vectors.plus3(foot, axis, at), tidy(axis), out, minor))
      end

      def circle_across(axis)
        u, v = Vectors.across(axis)
        circle = Circle.plane_fit(@points.dot(Numo::DFloat[*u]), @points.dot(Numo::DFloat[*v])) or return nil
        (x, y), radius = circle
        radius < 1000 ? [(0..2).map { |k| (u[k] * x) + (v[k] * y) }, radius] : nil
      end

      # Facets cut a round face along its generators, so their normals need not be radial
      # where they were taken; but they point all in or all out.
      def faces_from?(surface)
        from = @at - Numo::DFloat[*surface.origin]
        side = Vectors.dot(from, @normals)
        side.min.positive? || side.max.negative?
      end

      def radial?(centre)
        from = Vectors.unit(@at - Numo::DFloat[*centre])
        Vectors.dot(from, @normals).abs.min > 0.995
      end

      def spread(rows)
        centred = rows - rows.mean(0)
        centred.transpose.dot(centred)
      end

      # @return [Array<Float>] the eigenvector of the least eigenvalue
      def least(matrix)
        SmallMatrix.eigen(matrix)[1][0]
      end

      # @return [Numo::DFloat, nil] the least squares solution; nil where it is not unique
      def solve(rows, right)
        square = rows.transpose.dot(rows)
        values, = SmallMatrix.eigen(square)
        return nil if values[0] < values[-1] * 1e-11

        SmallMatrix.solve(square, rows.transpose.dot(right))
      end

      # Axes that are those of space but for rounding are made so.
      def tidy(axis)
        nearest = axis.map { |c| c.abs < 1e-7 ? 0.0 : c }
        Vectors.unit3(nearest)
      end
    end
  end
end
