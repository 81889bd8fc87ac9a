# frozen_string_literal: true

module Lattice
  module Shape
    # A circular side of an outline: centre [x, y], radius, start angle and sweep
    # (rad, positive counter-clockwise; a full turn closes on itself).
    Arc = Struct.new(:centre, :radius, :start, :sweep, :key) do
      # @return [Arc, nil] from +a+ to +b+ through +c+; nil when the three lie on a line
      def self.through(a, c, b, key)
        d = 2 * (((a[0] - b[0]) * (c[1] - b[1])) - ((c[0] - b[0]) * (a[1] - b[1])))
        scale = Math.hypot(b[0] - a[0], b[1] - a[1])
        return nil if d.abs <= 1e-9 * scale * scale

        centre = circumcentre(a, c, b, d)
        angles = [a, c, b].map { |p| Math.atan2(p[1] - centre[1], p[0] - centre[0]) }
        to_c, to_b = angles[1..].map { |angle| (angle - angles[0]) % (2 * Math::PI) }
        sweep = to_c < to_b ? to_b : to_b - (2 * Math::PI)
        new(centre, Math.hypot(a[0] - centre[0], a[1] - centre[1]), angles[0], sweep, key)
      end

      def self.circumcentre(a, c, b, twice_area)
        square = ->(p) { ((p[0] - b[0])**2) + ((p[1] - b[1])**2) }
        ux = ((c[1] - b[1]) * square.call(a)) - ((a[1] - b[1]) * square.call(c))
        uy = ((a[0] - b[0]) * square.call(c)) - ((c[0] - b[0]) * square.call(a))
        [b[0] + (ux / twice_area), b[1] + (uy / twice_area)]
      end

      def length = radius * sweep.abs
      def closed? = sweep.abs > (2 * Math::PI) - 1e-9
      def from = at(0.0)
      def to = closed? ? from : at(1.0)
      def reverse = Arc.new(centre, radius, start + sweep, -sweep, key)

      def at(param)
        angle = start + (sweep * param)
        [centre[0] + (radius * Math.cos(angle)), centre[1] + (radius * Math.sin(angle))]
      end

      # @param params [Numo::DFloat] [n], from 0 to 1
      # @return [Numo::DFloat] [n, 2]
      def points(params)
        angles = (params * sweep) + start
        (Numo::NMath.cos(angles).reshape(params.size, 1)
                   .concatenate(Numo::NMath.sin(angles).reshape(params.size, 1), axis: 1) * radius) + Numo::DFloat[*centre]
      end

      # Contributions to [area, first moments x and y], by Green's theorem:
      # A = ½∮(x dy − y dx), Sx = ½∮x² dy, Sy = −½∮y² dx, integrated in closed form.
      def moments
        a = start
        b = start + sweep
        cx, cy = centre
        r = radius
        ds = Math.sin(b) - Math.sin(a)
        dc = Math.cos(b) - Math.cos(a)
        d2 = (Math.sin(2 * b) - Math.sin(2 * a)) / 4
        [r * ((r * sweep) + (cx * ds) - (cy * dc)) / 2,
         (r / 2) * ((cx * cx * ds) + (2 * cx * r * ((sweep / 2) + d2)) + (r * r * (ds - cube_difference(:sin, a, b)))),
         (r / 2) * ((-cy * cy * dc) + (2 * cy * r * ((sweep / 2) - d2)) + (r * r * (-dc + cube_difference(:cos, a, b))))]
      end

      def signature = ["arc", *centre, radius, start, sweep]

      private

      def cube_difference(function, from_angle, to_angle)
        ((Math.public_send(function, to_angle)**3) - (Math.public_send(function, from_angle)**3)) / 3
      end
    end
  end
end
