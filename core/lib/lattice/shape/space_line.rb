# frozen_string_literal: true

module Lattice
  module Shape
    # An open line in space: points, and the leg that each step belongs to. Corners with a
    # fillet become arcs of short steps.
    class SpaceLine
      FINE = 0.05 # rad between points on arcs

      # points: [[x, y, z]…]; legs: a name for every step; corners: where legs were typed to meet
      attr_reader :points, :legs, :corners, :name

      # @param statement [Model::Statement] a line
      # @raise [InvalidInput]
      def self.read(statement)
        corners = Corners.new(statement, "leg ").resolve(statement["corners"], "corners", space: true)
        new(statement, corners)
      end

      def initialize(statement, corners)
        @statement = statement
        @name = statement.name
        @corners = corners.map(&:at)
        @points = [corners[0].at]
        @legs = []
        @bent = {}
        check_steps
        corners.each_cons(2).with_index { |(from, to), i| run(corners, from, to, i) }
        check_folds
      end

      # @return [Array<Array<Float>>] unit vectors, one a step
      def directions = @directions ||= points.each_cons(2).map { |a, b| Vectors.unit3(Vectors.minus3(b, a)) }

      def signature = [points, legs]
      def straight?(leg) = leg.empty? ? @legs.uniq.none? { |l| @bent[l] } : !@bent[leg]
      def leg_starts = legs.each_with_index.to_h { |leg, i| [leg, legs.index(leg) || i] }

      private

      def check_steps
        index = @corners.each_cons(2).find_index { |from, to| Vectors.norm3(Vectors.minus3(to, from)) < 1e-12 } or return
        raise @statement.fault("corners #{index + 1} and #{index + 2} lie on the same point", path: "corners.#{index + 1}", cure: "Remove one of them.")
      end

      def run(corners, from, to, index)
        radius = to.fillet if index + 2 < corners.size
        return step(to.at, from.side) unless radius

        bend(from, to, corners[index + 2], radius, index)
      end

      def step(at, leg)
        return if Vectors.norm3(Vectors.minus3(at, points.last)) < 1e-12

        @points << at
        @legs << leg
      end

      def bend(from, to, following, radius, index)
        a = Vectors.unit3(Vectors.minus3(from.at, to.at))
        b = Vectors.unit3(Vectors.minus3(following.at, to.at))
        turn = Math::PI - Math.acos(Vectors.dot3(a, b).clamp(-1.0, 1.0))
        raise @statement.fault("corner #{index + 2} is straight and cannot be rounded", path: "corners.#{index + 1}.fillet", cure: "Remove the fillet.") if turn < 1e-6

        cut = radius * Math.tan(turn / 2)
        room = [Vectors.norm3(Vectors.minus3(points.last, to.at)), Vectors.norm3(Vectors.minus3(following.at, to.at))].min
        raise @statement.fault("the fillet at corner #{index + 2} is too large for the legs beside it", path: "corners.#{index + 1}.fillet", cure: "Reduce its radius.") if cut > room * (1 + 1e-9)
        step(Vectors.plus3(to.at, a, cut), from.side)
        arc(to.at, a, b, turn, radius, "bend #{index + 1}")
      end

      def arc(corner, a, b, turn, radius, leg)
        middle = Vectors.unit3(Vectors.plus3(a, b))
        centre = Vectors.plus3(corner, middle, radius / Math.cos(turn / 2))
        start = Vectors.plus3(corner, a, radius * Math.tan(turn / 2))
        from = Vectors.minus3(start, centre)
        axis = Vectors.unit3(Vectors.cross3(b, a))
        count = [(turn / FINE).ceil, 2].max
        @bent[leg] = true
        (1..count).each { |i| step(Vectors.plus3(centre, Frame.rotate(from, axis, turn * i / count)), leg) }
      end

      def check_folds
        fold = directions.each_cons(2).with_index.find { |(a, b), _| Vectors.dot3(a, b) < -0.999 }
        return unless fold

        raise @statement.fault("it folds back on itself at its corner #{fold[1] + 2}", path: "corners", cure: "Move that corner.")
      end
    end
  end
end
