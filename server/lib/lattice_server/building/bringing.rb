# frozen_string_literal: true

module LatticeServer
  module Building
    # Takes in a geometry file, or a cloud of points with values: reads it first, and keeps it only when it can be read.
    class Bringing
      def initialize(path, name, params)
        @path = path
        @name = File.basename(name.dup.force_encoding(Encoding::UTF_8).scrub("?").delete("\0").tr("\\", "/"))
        @params = params
      end

      # @return [Hash] what an import statement needs, and what was found
      # @raise [Lattice::InvalidInput]
      def call
        raise Problem.new(422, "the file has no name", cure: "Send its name.") if @name.empty?

        store = Lattice::Shape::Store.shared
        return cloud(store) if @params[:kind] == "cloud"

        statement = Lattice::Model::Statement.new(fields)
        store.lend(fields["digest"], @path)
        bodies = Lattice::Shape::Import.new(statement, store).bodies
        store.add_file(@path)
        { file: @name, digest: fields["digest"], bodies: bodies.map { |b| { name: b.name, make: b.make, faces: b.facets.faces.size } } }
      ensure
        store&.unlend(fields["digest"])
      end

      private

      def cloud(store)
        found = points
        store.add_file(@path)
        { file: @name, digest: fields["digest"], points: found.values.size, least: found.values.min, greatest: found.values.max }
      end

      # With a value each, or with three.
      def points
        Lattice::Format::Cloud.read(@path)
      rescue Lattice::InvalidInput => e
        begin
          Lattice::Format::Cloud.read(@path, wide: true)
        rescue Lattice::InvalidInput
          raise e
        end
      end

      def fields
        @fields ||= { "id" => "file", "kind" => "import", "name" => File.basename(@name, File.extname(@name)), "file" => @name, "digest" => Digest::SHA256.file(@path).hexdigest,
                      "unit" => unit }.compact
      end

      def unit
        value = @params[:unit]
        value if Lattice::Format::ShapeFile::UNITS.key?(value)
      end
    end
  end
end
