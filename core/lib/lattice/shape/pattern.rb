# frozen_string_literal: true

module Lattice
  module Shape
    # Repeats a loop in a row, a grid or a ring.
    module Pattern
      module_function

      # @param loop [Loop]
      # @param data [Hash, nil] the pattern of the document
      # @return [Array<Loop>] the loop itself first; copies are named "hole 1.2", "hole 1.3"…
      def call(loop, data)
        moves = data ? moves(data) : []
        [loop, *moves.each_with_index.map { |move, i| copy(loop, "#{loop.name}.#{i + 2}", move) }]
      end

      def length(text) = Quantity.parse(text, "length")

      # @return [Array<Array>] [dx, dy, angle, about] of every copy
      def moves(data)
        if (row = data["row"])
          (1...row["count"]).map { |i| [length(row["dx"]) * i, length(row["dy"]) * i, 0.0, nil] }
        elsif (grid = data["grid"])
          places = (0...grid["rows"]).to_a.product((0...grid["columns"]).to_a) - [[0, 0]]
          places.map { |r, c| [length(grid["dx"]) * c, length(grid["dy"]) * r, 0.0, nil] }
        else
          ring(data["ring"])
        end
      end

      def ring(data)
        count = data["count"]
        step = data["angle"] ? Quantity.parse(data["angle"], "angle") / (count - 1) : 2 * Math::PI / count
        (1...count).map { |i| [0.0, 0.0, step * i, [length(data["x"]), length(data["y"])]] }
      end

      def copy(loop, name, move)
        Loop.new(loop.segments.map { |s| moved(s, s.key.sub(loop.name, name), move) }, name)
      end

      def moved(segment, key, move)
        if segment.is_a?(Line)
          Line.new(at(segment.from, move), at(segment.to, move), key)
        else
          Arc.new(at(segment.centre, move), segment.radius, segment.start + move[2], segment.sweep, key)
        end
      end

      def at(point, move)
        dx, dy, angle, about = move
        return [point[0] + dx, point[1] + dy] unless about

        x = point[0] - about[0]
        y = point[1] - about[1]
        c = Math.cos(angle)
        s = Math.sin(angle)
        [about[0] + (x * c) - (y * s), about[1] + (x * s) + (y * c)]
      end
    end
  end
end
