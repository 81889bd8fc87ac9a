# frozen_string_literal: true

module Lattice
  module Verdict
    # A field along a straight path through the part, in every frame.
    class PathReading < Reader
      MOST = 1000

      # @raise [InvalidInput] for a path of no length
      def check!
        raise statement.fault("it begins and ends at the same point", path: "to", cure: "Give two different points.") unless length.positive?
      end

      # @param result [Result::Outcome]
      # @return [Hash] a finding: distances in m, values of every frame (nil where the path is outside), greatest and least
      def read(result)
        check!
        along = Result::Along.new(result, points, reach: reach)
        values = result.frames.map { |frame| along.field(quantity, frame.index) }
        { kind: "path", statement: statement.id, name: statement["name"], quantity: quantity, words: field.words, dimension: field.dimension, distance: distances.to_a, values: values,
          outside: values[0].count(nil) }
      end

      private

      def quantity = statement["quantity"]
      def field = Result::Catalogue.field!(quantity)
      def count = statement["points"] || 21
      def from = Numo::DFloat.cast(Shape::Placement.spot(statement["from"]))
      def to = Numo::DFloat.cast(Shape::Placement.spot(statement["to"]))
      def length = Math.sqrt(((to - from)**2).sum)
      def shares = Numo::DFloat.new(count).seq / (count - 1)
      def distances = shares * length
      def points = (shares.reshape(count, 1) * (to - from).reshape(1, 3)) + from.reshape(1, 3)
    end
  end
end
