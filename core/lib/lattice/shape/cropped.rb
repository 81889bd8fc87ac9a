# frozen_string_literal: true

module Lattice
  module Shape
    # What of a model's bodies lies within a block. Faces that the block makes are named after CUT.
    class Cropped < Parts
      CUT = "cut off"

      # @param document [Model::Document]
      # @param low [Array<Float>] m, least corner of the block
      # @param high [Array<Float>]
      # @param study [Model::Statement] that wants them, for faults
      def initialize(document, low, high, study, store = Store.shared)
        super(document, store)
        @low = low
        @high = high
        @study = study
        @store = store
        @bodies = bodies.filter_map { |body| crop(body) }
      end

      # @return [Array<Place>] faces that the block made
      def cut = places.select { |p| p.of == :faces && p.name.start_with?("#{CUT} ") }

      def markers = @markers ||= super.select { |marker| within?([marker.at, marker.at]) }

      private

      def crop(body)
        bounds = body.bounds
        return if (0..2).any? { |k| bounds[0][k] >= @high[k] || bounds[1][k] <= @low[k] }
        return body if within?(bounds)

        raise @study.fault("the block cuts “#{body.name}”, which is not a closed solid", path: "block", cure: "Move the block off it: solids alone are cut out.") unless body.solid? && body.facets.closed?

        inside(body)&.then { |facets| Body.new(name: body.name, make: "solid", facets: facets, signature: ["close-up", body.signature, @low, @high], colour: body.colour) }
      end

      def within?(bounds) = (0..2).all? { |k| bounds[0][k] >= @low[k] && bounds[1][k] <= @high[k] }

      # @return [Facets, nil] nil where the block misses the body
      def inside(body)
        cutter = Cutters.block(@low, @high)
        kept = @store.fetch(Model::Digest.of(["close-up", body.signature, @low, @high])) do
          found = Combining.call([[body.name, body.facets], [CUT, cutter]], "split") { |name, face| name == CUT ? "#{CUT} #{face}" : face }
          Format::FacetsFile::Content.new(parts: [(found[0] if found.all?)].compact.map { |facets| Format::FacetsFile::Part.new(name: "", facets: facets) })
        end
        kept.parts.map(&:facets).first
      end
    end
  end
end
