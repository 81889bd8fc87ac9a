# frozen_string_literal: true

module Lattice
  module Shape
    # The bodies of an import statement, from the file that is kept under its digest.
    class Import
      def initialize(statement, store)
        @statement = statement
        @store = store
      end

      # @return [Array<Body>]
      # @raise [InvalidInput]
      def bodies
        frame = Placement.read(@statement["on"])
        read.parts.each_with_index.map do |part, i|
          name = read.parts.size == 1 ? @statement.name : part.name
          Body.new(name: name, make: part.facets.closed? ? "solid" : "faces", facets: part.facets.remember(["moved", frame.signature]) { part.facets.moved(frame) }, colour: part.colour,
                   signature: ["imported", @statement["digest"], options.to_h, i, frame.signature])
        end
      end

      # @return [Hash] what the reader found and mended
      def report = read.report

      private

      def read
        @read ||= @store.fetch(Model::Digest.of(["file", @statement["digest"], options.to_h, File.extname(@statement["file"]).downcase])) do
          path = @store.file(@statement["digest"]) or
            raise @statement.fault("the file “#{@statement['file']}” is not kept here", path: "file", cure: "Bring it in again.")
          Format::ShapeFile.read_apart(path, @statement["file"], options)
        end
      rescue Format::ShapeFile::Unreadable => e
        raise @statement.fault(e.faults.first.message, path: "file", cure: e.faults.first.cure)
      end

      def merge
        distance = @statement.quantity("merge", "length")
        return distance if distance.nil? || distance.positive?

        raise @statement.fault("a distance of #{@statement['merge']} is not above zero", path: "merge", cure: "Give a length above zero, or leave it out.")
      end

      def options
        usual = Format::ShapeFile::Options.usual
        Format::ShapeFile::Options.new(unit: @statement["unit"] || usual.unit, fineness: @statement["fineness"] || usual.fineness,
                                       angle: @statement.quantity("angle", "angle") || usual.angle, merge: merge)
      end
    end
  end
end
