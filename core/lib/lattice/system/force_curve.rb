# frozen_string_literal: true

module Lattice
  module System
    # Force over elongation: straight between points, and with given slopes before the first and after the last.
    # moves m and forces N, [k] each, the moves rising; before and after N/m.
    ForceCurve = Struct.new(:moves, :forces, :before, :after) do
      # Along typed points, straight on at both ends; one that begins at rest acts both ways alike.
      def self.typed(moves, forces)
        both = moves[0].zero?
        moves, forces = [moves, forces].map { |list| list.drop(1).reverse.map(&:-@) + list } if both
        slopes = moves.each_cons(2).zip(forces.each_cons(2)).map { |(a, b), (f, g)| (g - f) / (b - a) }
        new(moves, forces, slopes.first, slopes.last)
      end

      # That pushes, or pulls, once a gap is taken up.
      def self.one_way(way, gap, stiffness) = way == :push ? new([-gap], [0.0], stiffness, 0.0) : new([gap], [0.0], 0.0, stiffness)

      # @return [ForceCurve] seen from the other side
      def mirrored = self.class.new(moves.reverse.map(&:-@), forces.reverse.map(&:-@), after, before)

      # @param move [Float] m
      # @return [Array(Float, Float)] N, and N/m; at a point that of the stiffer side
      def at(move)
        after_it = moves.index { |m| move < m } || moves.size
        left = after_it.positive? && move == moves[after_it - 1] ? slope(after_it - 1) : -Float::INFINITY
        slope = slope(after_it)
        base = [after_it - 1, 0].max
        [forces[base] + (slope * (move - moves[base])), [slope, left].max]
      end

      # @return [Float] N/m at rest
      def stiffness = at(0.0)[1]

      private

      # Of the part before a point.
      def slope(number)
        return before if number.zero?
        return after if number == moves.size

        (forces[number] - forces[number - 1]) / (moves[number] - moves[number - 1])
      end
    end
  end
end
