# frozen_string_literal: true

module Lattice
  module Shape
    # Turns an outline statement into an Outline, and says what is wrong with it.
    class OutlineReader
      TOUCH = 1e-9 # of the outline's size

      def initialize(statement)
        @statement = statement
      end

      # @return [Outline]
      # @raise [InvalidInput] for sides without length, crossings, holes outside
      def outline
        boundary = read(@statement["boundary"], "side", "boundary")
        holes = (@statement["holes"] || []).each_with_index.map { |hole, i| read(hole, "hole #{i + 1}", "holes.#{i}") }
        Outline.new(@statement.name, boundary, holes).tap { |outline| check(outline) }
      end

      private

      def read(data, name, path)
        loop = if data["circle"] then circle(data["circle"], name, "#{path}.circle")
               elsif data["rectangle"] then polygon(rectangle_corners(data["rectangle"], "#{path}.rectangle"), name, path)
               else polygon(data["corners"].map { |c| corner(c) }, name, path)
               end
        raise @statement.fault("#{spoken(path)} encloses no area", path: path, cure: "Move its corners apart.") if loop.area.abs < 1e-18

        loop
      end

      def length(text) = Quantity.parse(text, "length")

      def positive(data, key, path)
        value = length(data[key])
        return value if value.positive?

        raise @statement.fault("the #{key} “#{data[key]}” is not above zero", path: "#{path}.#{key}", cure: "Give a length above zero.")
      end

      def circle(data, name, path)
        radius = positive(data, "diameter", path) / 2
        Loop.new([Arc.new([length(data["x"]), length(data["y"])], radius, 0.0, 2 * Math::PI, name)], name)
      end

      def rectangle_corners(data, path)
        x = length(data["x"])
        y = length(data["y"])
        w = positive(data, "width", path)
        h = positive(data, "height", path)
        fillet = data["fillet"] && length(data["fillet"])
        [[x, y], [x + w, y], [x + w, y + h], [x, y + h]].map { |at| { at: at, fillet: fillet } }
      end

      def corner(data)
        { at: [length(data["x"]), length(data["y"])], fillet: data["fillet"] && length(data["fillet"]),
          through: data["through"] && [length(data["through"]["x"]), length(data["through"]["y"])] }
      end

      def polygon(corners, name, path)
        sides = corners.each_with_index.map do |c, i|
          side(c, corners[(i + 1) % corners.size], i, name == "side" ? "side #{i + 1}" : "#{name} side #{i + 1}", path)
        end
        segments = sides.each_with_index.flat_map do |side, i|
          fillet = corners[i][:fillet]
          next [side] unless fillet && !fillet.zero?

          [round(sides, i, fillet, name == "side" ? "fillet #{i + 1}" : "#{name} fillet #{i + 1}", path), side]
        end
        Loop.new(trimmed(segments), name)
      end

      def side(from, to, index, key, path)
        if Math.hypot(to[:at][0] - from[:at][0], to[:at][1] - from[:at][1]) < 1e-12
          raise @statement.fault("#{spoken(path)}: corners #{index + 1} and the next lie on the same point",
                                 path: "#{path}.corners.#{index}", cure: "Remove one of them.")
        end
        return Line.new(from[:at], to[:at], key) unless from[:through]

        Arc.through(from[:at], from[:through], to[:at], key) || Line.new(from[:at], to[:at], key)
      end

      # The arc that rounds corner +index+; its two neighbours are cut back by #trimmed.
      def round(sides, index, radius, key, path)
        place = "#{path}.corners.#{index}.fillet"
        before = sides[index - 1]
        after = sides[index]
        unless before.is_a?(Line) && after.is_a?(Line)
          raise @statement.fault("#{spoken(path)}: corner #{index + 1} is next to an arc, and only a corner between straight sides can be rounded",
                                 path: place, cure: "Remove the fillet, or draw the rounding as an arc.")
        end
        raise @statement.fault("#{spoken(path)}: a fillet wants a radius above zero", path: place, cure: "Give a radius.") if radius.negative?

        fillet(before, after, radius, key) or
          raise @statement.fault("#{spoken(path)}: corner #{index + 1} is straight and cannot be rounded", path: place, cure: "Remove the fillet.")
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
      def trimmed(segments)
        segments.each_with_index.filter_map do |segment, i|
          next segment unless segment.is_a?(Line)

          before = segments[i - 1]
          after = segments[(i + 1) % segments.size]
          from = fillet?(before) ? before.to : segment.from
          to = fillet?(after) ? after.from : segment.to
          left = ((to[0] - from[0]) * unit(segment)[0]) + ((to[1] - from[1]) * unit(segment)[1])
          if left < -1e-9 * segment.length
            raise @statement.fault("#{segment.key} is too short for the fillets at its ends", path: "boundary",
                                                                                              cure: "Reduce a fillet's radius.")
          end
          left > 1e-9 * segment.length ? Line.new(from, to, segment.key) : nil
        end
      end

      def fillet?(segment) = segment.is_a?(Arc) && segment.key.include?("fillet")

      def spoken(path)
        path.start_with?("holes") ? "hole #{path[/\d+/].to_i + 1}" : "the boundary"
      end

      def check(outline)
        lines = outline.loops.map(&:polyline)
        check_crossings(outline, lines)
        check_clearance(outline)
        check_nesting(outline, lines)
      end

      # Round holes may not graze another line: their polylines lie inside the true
      # circle, so that the crossing test alone would miss it.
      def check_clearance(outline)
        edges = outline.loops.map { |loop| edges(loop.polyline(0.01)[0]) }
        outline.loops.each_with_index do |loop, i|
          circle = loop.circle
          next unless circle && i.positive?

          other = edges.each_index.find { |k| k != i && Polygon.distance_to(circle.centre, *edges[k]) < circle.radius * 1.0001 && outside?(circle, edges[k], k) }
          next unless other

          raise @statement.fault("#{loop.name} and #{outline.loops[other].name == 'side' ? 'the boundary' : outline.loops[other].name} cross or touch",
                                 path: "holes.#{i - 1}", cure: "Move the hole, or make it smaller, so that the lines stay apart.")
        end
      end

      # A hole within this circle is a matter of nesting, not of touching.
      def outside?(circle, edge, index)
        index.zero? || (0...edge[0].shape[0]).any? { |k| Polygon.distance(edge[0][k, true], circle.centre) > circle.radius }
      end

      def check_crossings(outline, lines)
        from = Numo::DFloat.vstack(lines.map(&:first))
        to = Numo::DFloat.vstack(lines.map { |points, _| points[(1..points.shape[0]).map { |i| i % points.shape[0] }, true] })
        pair = Polygon.crossing(from, to, outline.size * TOUCH)
        return unless pair

        keys = outline.loops.zip(lines).flat_map { |loop, (_, owners)| owners.map { |o| loop.segments[o].key } }
        a, b = pair.map { |i| keys[i] }
        what = a == b ? "#{a} folds back on itself" : "#{a} and #{b} cross or touch"
        place = (from[pair[0], true] + to[pair[0], true]) / 2
        raise @statement.fault("#{what} near x = #{shown(place[0])}, y = #{shown(place[1])}", path: "boundary",
                                                                                              cure: "Move a corner, or the hole, so that the lines stay apart.")
      end

      def check_nesting(outline, lines)
        outline.holes.each_with_index do |_, i|
          inside = ->(k) { Polygon.inside(lines[i + 1][0][0...1, true], *edges(lines[k][0]))[0] == 1 }
          raise @statement.fault("hole #{i + 1} lies outside the outline", path: "holes.#{i}", cure: "Move it inside, or remove it.") unless inside.call(0)
          other = (1...lines.size).find { |k| k != i + 1 && inside.call(k) }
          raise @statement.fault("hole #{i + 1} lies within hole #{other}", path: "holes.#{i}", cure: "Remove one of them.") if other
        end
      end

      def edges(points)
        [points, points[(1..points.shape[0]).map { |i| i % points.shape[0] }, true]]
      end

      def shown(value) = Quantity::Display.format(value, "length")
    end
  end
end
