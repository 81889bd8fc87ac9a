# frozen_string_literal: true

module Lattice
  module Shape
    # All bodies of a model and the places on them.
    class Parts
      attr_reader :bodies, :faults

      MAKING = %w[body frame import].freeze

      # @param document [Model::Document]
      # @param store [Store] where what was made before is kept
      def initialize(document, store = Store.shared)
        @document = document
        @faults = []
        @making = Making.new(document, store)
        @altering = Altering.new(document, store)
        @bodies = document.active.reduce([]) { |bodies, statement| follow(statement, bodies) }
        doubled
        mixed
      end

      # @return [Hash] what was mended in files, by the id of the import statement
      def reports = @making.reports

      # @return [Joins] the bodies that are meshed as if one
      def joins = @joins ||= Joins.new(@document.active("join").map { |s| s["bodies"] })

      def places = @places ||= bodies.flat_map(&:places) + markers.map(&:place)
      def place(body, name) = index[[body, name]]

      # @return [Body, Marker, nil]
      def body(name) = bodies.find { |b| b.name == name } || marker(name)

      # @return [Array<Marker>] points of their own
      def markers = @markers ||= @document.active("point").map { |s| Marker.new(s, bodies.find(&:plane?)&.make || "members") }
      def marker(name) = markers.find { |m| m.name == name }

      # Members suit the plane as well as space.
      def dimension = (bodies.find { |b| !b.members? } || bodies.first)&.dimension

      # The faces that imprints made, and their area in m².
      # @return [Hash] by the id of the imprint statement
      def patches
        @document.active("imprint").to_h do |statement|
          name = /\A#{Regexp.escape(statement.name)}( \(\d+\))?\z/
          found = places.select { |p| p.of == :faces && p.body == statement["body"] && p.name.match?(name) }
          [statement.id, { places: found.map(&:key), area: found.sum(&:measure) }]
        end
      end

      # @return [Float] length by which tolerances are scaled
      def size = @size ||= bodies.map(&:size).max || 1.0

      def digest = Model::Digest.of(["shape", bodies.map { |b| [b.name, b.make, b.wall, b.signature] }])

      private

      def index = @index ||= places.to_h { |p| [p.key, p] }

      # The bodies after a statement; what is wrong with it is kept as a fault, and the
      # statement is passed over.
      def follow(statement, bodies)
        Unexpected.within(statement) { after(statement, bodies) }
      rescue InvalidInput => e
        @faults.concat(e.faults)
        bodies
      end

      def after(statement, bodies)
        if MAKING.include?(statement.kind)
          bodies + @making.call(statement)
        elsif Altering::KINDS.include?(statement.kind)
          @altering.call(statement, bodies)
        else
          bodies
        end
      end

      def fault(statement, message, path, cure)
        @faults << statement.fault_at(message, path: path, cure: cure)
        nil
      end

      # Bodies out of files and combinations may come to bear one name.
      def doubled
        seen = Hash.new(0)
        names = bodies.map(&:name)
        @bodies = bodies.map do |body|
          next body if names.count(body.name) == 1

          seen[body.name] += 1
          seen[body.name] == 1 ? body : body.renamed("#{body.name} (#{seen[body.name]})")
        end
      end

      def mixed
        kinds = bodies.reject(&:members?).map { |b| b.plane? ? b.make : "bodies in space" }.uniq
        return if kinds.size < 2

        other = @document.active("body").find { |s| (s["make"] == kinds[1]) || (kinds[1] == "bodies in space" && %w[solid faces].include?(s["make"])) }
        other ||= @document.active.find { |s| MAKING.include?(s.kind) }
        fault(other, "is of the kind #{kinds[1]}, but “#{bodies[0].name}” is #{kinds[0]}", "make", "Make all bodies of one kind, or all of them in space.")
      end
    end
  end
end
