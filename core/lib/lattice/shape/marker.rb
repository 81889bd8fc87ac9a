# frozen_string_literal: true

module Lattice
  module Shape
    # A point of its own, beside the bodies: it moves and turns, and bears no element.
    class Marker
      NAME = "point"

      attr_reader :name, :at, :make

      # @param statement [Model::Statement] a point
      # @param make [String] of the bodies beside it, where they lie in a plane
      def initialize(statement, make)
        @name = statement.name
        @at = Placement.spot(statement["at"])
        @make = make
      end

      def size = 1.0
      def bounds = [at, at]
      def place = Place.new(body: name, of: :points, name: NAME, kind: "point", bounds: bounds, measure: 0.0, at: at)
      def sample(_) = Numo::DFloat[at]

      # It turns, as nodes of members do.
      def members? = true
      def solid? = false
      def faces? = false
      def plane? = false
      def axisymmetric? = false
    end
  end
end
