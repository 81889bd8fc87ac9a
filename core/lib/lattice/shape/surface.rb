# frozen_string_literal: true

module Lattice
  module Shape
    # The surface a face lies on. kind: plane (origin, axis its normal), cylinder (origin,
    # axis, radius), cone (origin its apex, axis into it, angle half the opening), sphere
    # (origin, radius), torus (origin, axis, radius of the ring, minor of the tube) or free.
    # Lengths in m, angles in rad.
    Surface = Struct.new(:kind, :origin, :axis, :radius, :minor, :angle, keyword_init: true) do
      def self.free = new(kind: "free")
      def self.plane(origin, axis) = new(kind: "plane", origin: origin, axis: Vectors.unit3(axis))
      def self.cylinder(origin, axis, radius) = new(kind: "cylinder", origin: origin, axis: Vectors.unit3(axis), radius: radius)
      def self.cone(apex, axis, angle) = new(kind: "cone", origin: apex, axis: Vectors.unit3(axis), angle: angle)
      def self.sphere(centre, radius) = new(kind: "sphere", origin: centre, radius: radius)
      def self.torus(centre, axis, radius, minor) = new(kind: "torus", origin: centre, axis: Vectors.unit3(axis), radius: radius, minor: minor)

      def free? = kind == "free"
      def plane? = kind == "plane"
      def curved? = !plane?

      # @param points [Numo::DFloat] [n, 3]
      # @return [Numo::DFloat] [n, 3] the nearest points on the surface; the same points when it is free
      def project(points)
        return points if free? || points.empty?

        from = away(points)
        return Vectors.shifted(Vectors.unit(from) * radius, Numo::DFloat[*origin]) if kind == "sphere"

        along = from.dot(Numo::DFloat[*axis])
        return points - Vectors.times(rows_of_axis(along.size), along) if plane?

        radial = from - Vectors.times(rows_of_axis(along.size), along)
        height, distance = meet(along, Vectors.norm(radial))
        Vectors.shifted(Vectors.times(rows_of_axis(along.size), height) + Vectors.times(Vectors.unit(radial), distance), Numo::DFloat[*origin])
      end

      # @return [Numo::DFloat] [n] distances of points from the surface
      def distance(points) = Vectors.norm(points - project(points))

      # @return [Numo::DFloat] [n] distances with a sign, smooth across the surface
      def signed(points)
        from = away(points)
        return Vectors.norm(from) - radius if kind == "sphere"

        height = from.dot(Numo::DFloat[*axis])
        return height if plane?

        out = Vectors.norm(from - Vectors.times(rows_of_axis(height.size), height))
        case kind
        when "cylinder" then out - radius
        when "cone" then (out * Math.cos(angle)) - (height * Math.sin(angle))
        when "torus" then Numo::NMath.sqrt(((out - radius)**2) + (height**2)) - minor
        end
      end

      # @return [Numo::DFloat] [n, 3] unit normals at points on the surface, away from its middle or axis
      def normals(points)
        from = away(points)
        return Vectors.unit(from) if kind == "sphere"

        along = from.dot(Numo::DFloat[*axis])
        return rows_of_axis(along.size) if plane?

        radial = Vectors.unit(from - Vectors.times(rows_of_axis(along.size), along))
        case kind
        when "cylinder" then radial
        when "cone" then (radial * Math.cos(angle)) - (rows_of_axis(along.size) * Math.sin(angle))
        when "torus" then Vectors.unit(from - (radial * radius))
        end
      end

      # @param frame [Frame] where the surface is moved to
      def moved(frame)
        dup.tap do |copy|
          copy.origin = frame.point(origin) if origin
          copy.axis = frame.vector(axis) if axis
        end
      end

      # @return [Boolean] whether the other is the same surface, within a length
      def same?(other, tolerance)
        return false if free? || kind != other.kind
        return false unless [[radius, other.radius], [minor, other.minor]].all? { |a, b| a.nil? || (a - b).abs <= tolerance }
        return false if angle && (angle - other.angle).abs > 1e-6
        return false if axis && Vectors.norm3(Vectors.cross3(axis, other.axis)) > 1e-6

        away = Vectors.minus3(other.origin, origin)
        case kind
        when "plane" then Vectors.dot3(away, axis).abs <= tolerance
        when "cylinder" then Vectors.norm3(Vectors.cross3(away, axis)) <= tolerance
        else Vectors.norm3(away) <= tolerance
        end
      end

      def as_json
        to_h.compact
      end

      private

      def rows_of_axis(count) = Vectors.rows(Numo::DFloat[*axis], count)

      # From the origin.
      def away(points) = Vectors.shifted(points, -Numo::DFloat[*origin])

      # In the half plane of a point: its height along the axis and distance from it,
      # moved to the nearest place on the surface.
      def meet(height, distance)
        case kind
        when "cylinder" then [height, Numo::DFloat.ones(height.size) * radius]
        when "cone"
          run = (height * Math.cos(angle)) + (distance * Math.sin(angle))
          [run * Math.cos(angle), run * Math.sin(angle)]
        when "torus"
          out = distance - radius
          share = Numo::NMath.sqrt((out**2) + (height**2))
          share[share.eq(0).where] = 1.0 if share.eq(0).any?
          [height * minor / share, (out * minor / share) + radius]
        end
      end
    end
  end
end
