# frozen_string_literal: true

module Lattice
  module Engine
    # What an increment goes by: the level of the loads, or the length of the path.
    module Control
      MOST = 4.0 # times the first increment of the level

      # The level grows by a given amount.
      class Level
        include Memory

        # @param size [Float] the first increment of the level
        # @param upto [Float] the level it ends at
        # @param most [Float] of an increment against the first
        def initialize(size, upto, most = MOST)
          @size = size
          @upto = upto
          @most = most
        end

        # @param along [Numo::DFloat] movements of a unit of level
        # @param scale [Float] of the increment against the first
        # @param level [Float] that is reached
        # @return [Array(Float, Float)] the increment of the level, and its scale, which may be smaller
        def predict(_along, scale, _last, level) = [scale, @most].min.then { |s| [[@size * s, @upto - level].min, s] }

        # @return [Float] a further part of the level
        def correct(_rest, _along, _moved) = 0.0

        # @return [Boolean] whether what came to rest is taken
        def takes?(_moved, _more) = true
      end

      # Strength that is divided by the level, from one on. What moves many times further than in the increment before has
      # begun to slide: such an increment is not taken, but tried again with less.
      class Weakening < Level
        FIRST = 0.1
        LEAST = 1.0 / 25 # of that
        RUNS = 10.0 # times as far for the same step
        AT_FIRST = 3 # increments that are taken as they are

        remembers :@rates

        def initialize(upto) = super(FIRST, upto, 1.0)

        def takes?(moved, more)
          rate = moved.abs.max / more
          runs = (@rates ||= []).size >= AT_FIRST && rate > @rates.last(AT_FIRST).max * RUNS
          @rates << rate unless runs
          !runs
        end
      end

      # The length of what moves is given, whatever the level does: M. A. Crisfield, A fast incremental/iterative solution
      # procedure that handles snap-through, 1981; which way it goes after Y. T. Feng, D. Perić, D. R. J. Owen, A new criterion for
      # determination of initial loading parameter in arc-length methods, 1996.
      class Arc
        include Memory

        remembers :@first, :@length

        # @param size [Float] the first increment of the level
        # @param moves [Numo::Int32] the unknowns that count: movements, not turns
        # @param farthest [Float] m that anything may move in an increment
        def initialize(size, moves, farthest)
          @size = size
          @moves = moves
          @farthest = farthest
        end

        def predict(along, scale, last, _level)
          own = along[@moves].dup
          @first ||= @size * norm(own)
          scale = [scale, @size * MOST * norm(own) / @first, @farthest / own.abs.max * norm(own) / @first].min
          @length = @first * scale
          way = last && last[@moves].dot(own).negative? ? -1 : 1
          [@length / norm(own) * way, scale]
        end

        # @param rest [Numo::DFloat] movements that what is left over asks for
        # @param along [Numo::DFloat] movements of a unit of level
        # @param moved [Numo::DFloat] in this increment so far
        # @return [Float, nil] nil where no level is on the arc
        def correct(rest, along, moved)
          rest, along, moved = [rest, along, moved].map { |all| all[@moves].dup }
          sum = moved + rest
          a = along.dot(along)
          b = along.dot(sum) * 2
          c = sum.dot(sum) - (@length**2)
          root = (b * b) - (4 * a * c)
          return if root.negative?

          [1, -1].map { |sign| (-b + (sign * Math.sqrt(root))) / (2 * a) }.max_by { |level| moved.dot(sum) + (level * moved.dot(along)) }
        end

        def takes?(_moved, _more) = true

        private

        def norm(vector) = Math.sqrt(vector.dot(vector))
      end
    end
  end
end
