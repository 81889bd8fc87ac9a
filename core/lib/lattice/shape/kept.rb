# frozen_string_literal: true

module Lattice
  module Shape
    # Some of a model's bodies, whole. What they bear on the others is their cut.
    class Kept < Parts
      # @param document [Model::Document]
      # @param names [Array<String>] of the bodies
      def initialize(document, names, store = Store.shared)
        super(document, store)
        @bodies, @others = bodies.partition { |body| names.include?(body.name) }
      end

      # @return [Array<Place>] their faces that lie on bodies which are left out
      def cut
        @cut ||= bodies.flat_map do |body|
          found = @others.reject(&:members?).flat_map { |other| ContactFaces.pairs(body.facets, other.facets).map { |i, _| body.facets.faces[i].name } }
          found.uniq.map { |name| place(body.name, name) }
        end
      end

      def markers = []
    end
  end
end
