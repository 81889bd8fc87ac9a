# frozen_string_literal: true

module Lattice
  module Shape
    # Refuses outlines whose lines cross or touch, and holes that lie outside.
    class OutlineCheck
      TOUCH = 1e-9 # of the outline's size

      # @param statement [Model::Statement] named in faults
      # @param outline [Outline]
      # @raise [InvalidInput]
      def self.call(statement, outline) = new(statement).call(outline)

      def initialize(statement)
        @statement = statement
      end

      def call(outline)
        lines = outline.loops.map(&:polyline)
        check_crossings(outline, lines)
        check_clearance(outline)
        check_nesting(outline, lines)
        outline
      end

      private

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
        names = outline.holes.map(&:name)
        names.each_with_index do |name, i|
          inside = ->(k) { Polygon.inside(lines[i + 1][0][0...1, true], *edges(lines[k][0]))[0] == 1 }
          raise @statement.fault("#{name} lies outside the outline", path: "holes.#{name[/\d+/].to_i - 1}", cure: "Move it inside, or remove it.") unless inside.call(0)
          other = (1...lines.size).find { |k| k != i + 1 && inside.call(k) }
          raise @statement.fault("#{name} lies within #{names[other - 1]}", path: "holes.#{name[/\d+/].to_i - 1}", cure: "Remove one of them.") if other
        end
      end

      def edges(points)
        [points, points[(1..points.shape[0]).map { |i| i % points.shape[0] }, true]]
      end

      def shown(value) = Quantity::Display.format(value, "length")
    end
  end
end
