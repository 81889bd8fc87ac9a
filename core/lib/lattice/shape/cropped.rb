# frozen_string_literal: true

module Lattice
  module Shape
    # What of a model's bodies lies within a region. Faces that it makes are named after CUT.
    class Cropped < Parts
      CUT = "cut off"

      # @param document [Model::Document]
      # @param region [Region::Block, Region::Ball]
      # @param study [Model::Statement] that wants them, for faults
      def initialize(document, region, study, store = Store.shared)
        super(document, store)
        @region = region
        @study = study
        @store = store
        @bodies = bodies.filter_map { |body| crop(body) }
      end

      # @return [Array<Place>] faces that the region made
      def cut = places.select { |p| p.of == :faces && p.name.start_with?("#{CUT} ") }

      def markers = @markers ||= super.select { |marker| @region.holds?([marker.at, marker.at]) }

      private

      def crop(body)
        return if @region.misses?(body.bounds)
        return body if @region.holds?(body.bounds)

        unless body.solid? && body.facets.closed?
          raise @study.fault("the #{@region.words} cuts “#{body.name}”, which is not a closed solid", path: @region.words,
                                                                                                      cure: "Move it off that body: solids alone are cut out.")
        end

        inside(body)&.then { |facets| Body.new(name: body.name, make: "solid", facets: facets, signature: ["close-up", body.signature, *@region.signature], colour: body.colour) }
      end

      # @return [Facets, nil] nil where the region misses the body
      def inside(body)
        cutter = @region.cutter
        kept = @store.fetch(Model::Digest.of(["close-up", body.signature, *@region.signature])) do
          found = Combining.call([[body.name, body.facets], [CUT, cutter]], "split") { |name, face| name == CUT ? "#{CUT} #{face}" : face }
          Format::FacetsFile::Content.new(parts: [(found[0] if found.all?)].compact.map { |facets| Format::FacetsFile::Part.new(name: "", facets: facets) })
        end
        kept.parts.map(&:facets).first
      end
    end
  end
end
