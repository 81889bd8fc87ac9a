# frozen_string_literal: true

module Lattice
  module Result
    # A result of numbers at the points of the mesh, beside the movement that they belong to: one frame.
    class Scalars < Outcome
      # @return [Hash{String => Numo::DFloat}] name of the catalogue => [p]
      attr_reader :scalars

      # @param scalars [Hash] see above
      def initialize(scalars:, **rest)
        super(**rest)
        @scalars = scalars
      end

      def self.read(tables, **parts) = new(**parts, scalars: tables)
      def tables = scalars
      def by_element? = false
      def computed = 0
      def kept = [@states[0].is_a?(State) ? @states[0] : (@states[0] = @states[0].call)]
      def judged(_cases) = [0]
      def energy(_frame = 0) = nil
      def balance(_frame = 0) = nil
      def layers = [""]
      def catalogue = Catalogue::FIELDS.values.select { |field| scalars.key?(field.name) } + super.select { |field| field.name.start_with?("displacement") && moves? }

      private

      def moves? = !displacement.eq(0).all?

      def plain(name, frame, layer) = scalars[name] || super
    end
  end
end
