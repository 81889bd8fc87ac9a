# frozen_string_literal: true

module Lattice
  module Load
    # Axes that are the same everywhere, the first as given; as a support's frame tells them.
    class Axes
      attr_reader :table

      # @param first [Numo::DFloat] [3] unit
      def self.along(first) = new(Numo::DFloat[first.to_a, *Shape::Vectors.across(first.to_a)])

      # @param table [Numo::DFloat] [3, 3] units
      def initialize(table = Numo::DFloat.eye(3))
        @table = table
      end

      def surface? = false

      # @param points [Numo::DFloat] [k, 3]
      # @return [Numo::DFloat] [k, 3]
      def directions(points, component) = Numo::DFloat.zeros(points.shape[0], 3) + table[component, true].reshape(1, 3)
    end
  end
end
