# frozen_string_literal: true

module Lattice
  module Shape
    # Turns corners into straight sides, arcs and fillets, of a closed loop or an open line.
    class Sides
      # @param statement [Model::Statement] an open line in the plane
      # @return [Array<Line, Arc>]
      # @raise [InvalidInput]
      def self.of_line(statement)
        corners = Corners.new(statement, "side ").resolve(statement["corners"], "corners")
        new(statement, "corners", "the line").call(corners, closed: false, fillet_name: ->(i) { "fillet #{i + 1}" })
      end

      # @param statement [Model::Statement] named in faults
      # @param path [String] where the corners stand
      # @param spoken [String] what messages call the line
      def initialize(statement, path, spoken)
        @statement = statement
        @path = path
        @spoken = spoken
      end

      # @param corners [Array<Corners::Corner>]
      # @param fillet_name [Proc] name of the fillet at a corner's index
      # @return [Array<Line, Arc>]
      # @raise [InvalidInput]
      def call(corners, closed:, fillet_name:)
        count = closed ? corners.size : corners.size - 1
        sides = (0...count).map { |i| side(corners[i], corners[(i + 1) % corners.size], i) }
        segments = sides.each_with_index.flat_map do |side, i|
          radius = corners[i].fillet
          own = side.is_a?(Array) ? side : [side]
          next own unless radius && (closed || i.positive?)

          [round(sides, i, radius, fillet_name.call(i)), *own]
        end
        trimmed(segments, closed)
      end

      private

      def fault(message, place, cure) = raise(@statement.fault("#{@spoken}: #{message}", path: place, cure: cure))

      def side(from, to, index)
        if Math.hypot(to.at[0] - from.at[0], to.at[1] - from.at[1]) < 1e-12 && !(from.through || from.centre || from.curve)
          fault("corners #{index + 1} and the next lie on the same point", "#{@path}.corners.#{index}", "Remove one of them.")
        end
        return about(from, to, index) if from.centre
        return curve(from, to, index) if from.curve

        (from.through && Arc.through(from.at, from.through, to.at, from.side)) || Line.new(from.at, to.at, from.side)
      end

      # Arcs along the smooth curve through the points that are given.
      def curve(from, to, index)
        points = [from.at, *from.curve, to.at]
        twice = points.each_cons(2).any? { |a, b| Math.hypot(b[0] - a[0], b[1] - a[1]) < 1e-12 }
        fault("the curve from corner #{index + 1} goes through one point twice", "#{@path}.corners.#{index}.curve", "Remove one of them.") if twice

        Biarcs.spline(points, from.side)
      end

      # The arc about a centre; its ends must be equally far from it.
      def about(from, to, index)
        arms = [from.at, to.at].map { |p| [p[0] - from.centre[0], p[1] - from.centre[1]] }
        radius, other = arms.map { |x, y| Math.hypot(x, y) }
        if radius.zero? || (radius - other).abs > radius * 1e-6
          fault("the arc from corner #{index + 1} has its ends at #{shown(radius)} and #{shown(other)} from its centre",
                "#{@path}.corners.#{index}.centre", "Move the centre or an end, so that both are equally far.")
        end
        start, finish = arms.map { |x, y| Math.atan2(y, x) }
        sweep = (finish - start) % (2 * Math::PI)
        sweep = 2 * Math::PI if sweep.zero?
        Arc.new(from.centre, radius, start, from.turn == "right" ? sweep - (2 * Math::PI) : sweep, from.side)
      end

      # The arc that rounds corner +index+; its two neighbours are cut back by #trimmed.
      def round(sides, index, radius, key)
        place = "#{@path}.corners.#{index}.fillet"
        before = sides[index - 1]
        after = sides[index]
        unless before.is_a?(Line) && after.is_a?(Line)
          fault("corner #{index + 1} is next to an arc, and only a corner between straight sides can be rounded", place, "Remove the fillet, or draw the rounding as an arc.")
        end
        fillet(before, after, radius, key) or fault("corner #{index + 1} is straight and cannot be rounded", place, "Remove the fillet.")
      end

      def fillet(before, after, radius, key)
        d1 = unit(before)
        d2 = unit(after)
        turn = Math.atan2((d1[0] * d2[1]) - (d1[1] * d2[0]), (d1[0] * d2[0]) + (d1[1] * d2[1]))
        return nil if turn.abs < 1e-9 || turn.abs > Math::PI - 1e-6

        cut = radius * Math.tan(turn.abs / 2)
        start = [after.from[0] - (d1[0] * cut), after.from[1] - (d1[1] * cut)]
        left = turn.positive? ? 1 : -1
        centre = [start[0] - (d1[1] * radius * left), start[1] + (d1[0] * radius * left)]
        Arc.new(centre, radius, Math.atan2(start[1] - centre[1], start[0] - centre[0]), turn, key)
      end

      def unit(line)
        [(line.to[0] - line.from[0]) / line.length, (line.to[1] - line.from[1]) / line.length]
      end

      # Straight sides now run between the ends of the fillets beside them.
      def trimmed(segments, closed)
        segments.each_with_index.filter_map do |segment, i|
          next segment unless segment.is_a?(Line)

          before = closed || i.positive? ? segments[i - 1] : nil
          after = closed ? segments[(i + 1) % segments.size] : segments[i + 1]
          from = fillet?(before) ? before.to : segment.from
          to = fillet?(after) ? after.from : segment.to
          left = ((to[0] - from[0]) * unit(segment)[0]) + ((to[1] - from[1]) * unit(segment)[1])
          fault("#{segment.key} is too short for the fillets at its ends", @path, "Reduce a fillet's radius.") if left < -1e-9 * segment.length
          left > 1e-9 * segment.length ? Line.new(from, to, segment.key) : nil
        end
      end

      def fillet?(segment) = segment.is_a?(Arc) && segment.key.include?("fillet")
      def shown(value) = Quantity::Display.format(value, "length")
    end
  end
end
