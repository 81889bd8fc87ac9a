# frozen_string_literal: true

module Lattice
  module Quantity
    # A number in SI with its dimension. +offset+ marks a lone temperature on a
    # scale that does not start at absolute zero (20 degC).
    Value = Struct.new(:si, :dimension) do
      def +(other)
        same!(other, "added to")
        Value.new(si + other.si, dimension)
      end

      def -(other)
        same!(other, "subtracted from")
        Value.new(si - other.si, dimension)
      end

      def *(other) = Value.new(si * other.si, dimension * other.dimension)

      def /(other)
        raise Unreadable, "it divides by zero" if other.si.zero?

        Value.new(si / other.si, dimension / other.dimension)
      end

      def -@ = Value.new(-si, dimension)
      def **(other) = Value.new(si**other, dimension**other)

      private

      def same!(other, verb)
        return if dimension == other.dimension

        raise Unreadable, "a #{other.dimension} cannot be #{verb} a #{dimension}"
      end
    end
  end
end
