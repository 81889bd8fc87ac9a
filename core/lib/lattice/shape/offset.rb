# frozen_string_literal: true

module Lattice
  module Shape
    # A loop moved outwards or inwards by a distance: straight sides are moved and met
    # again at mitred corners, arcs keep their centre.
    module Offset
      module_function

      # @param loop [Loop]
      # @param by [Float] m, outwards; negative is inwards
      # @param name [String] of the new loop
      # @return [Loop, nil] nil when a side would vanish
      def call(loop, by, name)
        source = loop.oriented(counter_clockwise: true)
        moved = source.segments.map { |s| shifted(s, by) }
        return nil if moved.any?(&:nil?)
        return Loop.new(moved, name) if moved.size == 1

        met = moved.each_with_index.map { |s, i| between(moved[i - 1], s, moved[(i + 1) % moved.size]) }
        return nil if met.any?(&:nil?)

        Loop.new(met.each_with_index.map { |s, i| s.dup.tap { |copy| copy.key = named(s.key, name, i) } }, name)
      end

      def named(key, name, index)
        return key if name == "side"

        key.include?("fillet") ? "#{name} fillet #{index + 1}" : "#{name} side #{index + 1}"
      end

      # Outwards is to the right of a counter-clockwise side.
      def shifted(segment, by)
        if segment.is_a?(Line)
          nx = (segment.to[1] - segment.from[1]) / segment.length * by
          ny = (segment.from[0] - segment.to[0]) / segment.length * by
          Line.new([segment.from[0] + nx, segment.from[1] + ny], [segment.to[0] + nx, segment.to[1] + ny], segment.key)
        else
          radius = segment.radius + (segment.sweep.positive? ? by : -by)
          radius.positive? ? Arc.new(segment.centre, radius, segment.start, segment.sweep, segment.key) : nil
        end
      end

      # Sides that are tangent still meet; two straight ones are drawn on to where they cross.
      def between(before, segment, after)
        return segment unless segment.is_a?(Line)

        from = before.is_a?(Line) ? crossing(before, segment) : segment.from
        to = after.is_a?(Line) ? crossing(segment, after) : segment.to
        return nil unless from && to

        along = ((to[0] - from[0]) * (segment.to[0] - segment.from[0])) + ((to[1] - from[1]) * (segment.to[1] - segment.from[1]))
        along.positive? ? Line.new(from, to, segment.key) : nil
      end

      # Sides in one line meet where the first ends.
      def crossing(a, b) = Meeting.lines(a, b).first || a.to
    end
  end
end
