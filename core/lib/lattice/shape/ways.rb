# frozen_string_literal: true

module Lattice
  module Shape
    # The ways along which lines are swept: straight, about an axis, or along a path.
    module Ways
      TURN = 0.1 # rad between stations of a revolution

      module_function

      # @param frame [Frame] where the lines' plane lies
      # @param depth [Float] m along its normal; negative goes the other way
      def extrusion(frame, depth)
        at = ->(z) { ->(points) { frame.apply(Planar.lifted(points).tap { |p| p[true, 2] = z }) } }
        Swept::Way.new(stations: [at.call(0.0), at.call(depth)], legs: [""], closed: false, caps: %w[bottom top],
                       surface: ->(side, _) { extruded(side, frame) })
      end

      def extruded(side, frame)
        if side.is_a?(Line)
          normal = [(side.to[1] - side.from[1]) / side.length, (side.from[0] - side.to[0]) / side.length, 0.0]
          Surface.plane(frame.point([*side.from, 0.0]), frame.vector(normal))
        else
          Surface.cylinder(frame.point([*side.centre, 0.0]), frame.axes[2], side.radius)
        end
      end

      # About the y axis of the lines' plane.
      # @param angle [Float] rad
      def revolution(frame, angle)
        full = (angle.abs - (2 * Math::PI)).abs < 1e-9
        steps = (angle.abs / TURN).ceil.clamp(full ? 8 : 2, 10_000)
        count = full ? steps : steps + 1
        about = Revolution.new(nil, angle, frame)
        stations = (0...count).map { |i| ->(points) { about.turned(points, angle * i / steps) } }
        Swept::Way.new(stations: stations, legs: [""] * steps, closed: full, caps: %w[start end], surface: ->(side, _) { revolved(side, frame) })
      end

      def revolved(side, frame)
        axis = frame.axes[1]
        on_axis = ->(y) { frame.point([0.0, y, 0.0]) }
        return revolved_arc(side, frame, axis, on_axis) unless side.is_a?(Line)

        dx = side.to[0] - side.from[0]
        dy = side.to[1] - side.from[1]
        return Surface.plane(on_axis.call(side.from[1]), axis) if dy.abs < 1e-12 * side.length
        return Surface.cylinder(on_axis.call(side.from[1]), axis, side.from[0].abs) if dx.abs < 1e-12 * side.length

        apex = side.from[1] - (side.from[0] * dy / dx)
        wide = [side.from, side.to].max_by { |p| p[0].abs }
        Surface.cone(on_axis.call(apex), axis.map { |c| c * (wide[1] <=> apex) }, Math.atan((dx / dy).abs))
      end

      def revolved_arc(side, frame, axis, on_axis)
        return Surface.sphere(on_axis.call(side.centre[1]), side.radius) if side.centre[0].abs < 1e-9 * side.radius

        Surface.torus(frame.point([0.0, side.centre[1], 0.0]), axis, side.centre[0], side.radius)
      end

      # Along a polyline in space, mitred at its corners. The lines' plane is set square
      # to the first leg at its start.
      # @param path [SpaceLine]
      def along(path)
        frames = path_frames(path)
        points = path.points
        directions = path.directions
        stations = points.each_index.map { |i| ->(flat) { mitred(flat, frames, directions, points, i) } }
        legs = path.legs.uniq.size > 1 ? path.legs : [""] * path.legs.size
        start = path.leg_starts
        Swept::Way.new(stations: stations, legs: legs, closed: false, caps: %w[start end],
                       surface: ->(side, leg) { path.straight?(leg) ? extruded(side, frames[start.fetch(leg, 0)]) : Surface.free })
      end

      # One frame a step: turned from leg to leg about the axis square to both, so that the
      # section does not twist (minimal rotation).
      def path_frames(path)
        directions = path.directions
        first, second = upright(directions[0])
        frames = [Frame.new(path.points[0], [first, second, directions[0]])]
        directions.each_cons(2).with_index do |(a, b), i|
          axis = Vectors.cross3(a, b)
          sine = Vectors.norm3(axis)
          axes = frames.last.axes
          axes = axes.map { |v| Frame.rotate(v, axis.map { |c| c / sine }, Math.atan2(sine, Vectors.dot3(a, b))) } if sine > 1e-12
          frames << Frame.new(path.points[i + 1], axes)
        end
        frames
      end

      # The section's y points as far up (y, or x for vertical paths) as it can.
      def upright(direction)
        up = direction[1].abs > 0.99 ? [1.0, 0.0, 0.0] : [0.0, 1.0, 0.0]
        across = Vectors.unit3(Vectors.cross3(up, direction))
        [across, Vectors.cross3(direction, across)]
      end

      # Points of the section, moved along the leg before the corner into the mitre plane.
      def mitred(flat, frames, directions, points, index)
        frame = frames[[index - 1, 0].max]
        at = Frame.new(points[index], frame.axes).apply(Planar.lifted(flat))
        return at if index.zero? || index == points.size - 1

        along = directions[index - 1]
        normal = Vectors.unit3(Vectors.plus3(along, directions[index]))
        off = (at - Numo::DFloat[*points[index]]).dot(Numo::DFloat[*normal]) / Vectors.dot3(along, normal)
        at - Vectors.times(Numo::DFloat.zeros(*at.shape) + Numo::DFloat[*along], off)
      end
    end
  end
end
