# frozen_string_literal: true

module Lattice
  module Model
    # A whole model document, valid against the schema, as immutable statements.
    class Document
      LARGEST = 20 * 1024 * 1024
      FORMAT = "gentle-lattice-model"
      TARGETS = %w[group body frame import combine copy mid_surface point].freeze # whose names are targets

      NONE = [].freeze

      attr_reader :data, :statements

      # @param text [String] JSON
      # @return [Document]
      # @raise [InvalidInput]
      def self.read(text)
        raise InvalidInput.at("the model is larger than #{LARGEST / (1024 * 1024)} MB", cure: "Split it.") if text.bytesize > LARGEST

        new(JSON.parse(text, max_nesting: 30))
      rescue JSON::ParserError, EncodingError => e
        raise InvalidInput.at("the model is not well-formed JSON: #{e.message.scrub('?')[/\A[^\n]{0,160}/]}",
                              cure: "Check the brackets, commas and quotes near there.")
      end

      # @return [Hash] a new, empty document
      def self.empty(name, units: Quantity::Display::DEFAULT)
        { "format" => FORMAT, "version" => Migrations::CURRENT, "name" => name, "units" => units,
          "statements" => [{ "id" => "s1", "kind" => "aim", "text" => "" }] }
      end

      # @param hash [Hash] parsed JSON of any known version
      # @raise [InvalidInput] with every fault that makes the document unusable as a document
      def initialize(hash)
        @data = Migrations.apply(hash)
        faults = Schema.faults(@data)
        raise InvalidInput, faults unless faults.empty?

        @statements = @data["statements"].map { |s| Statement.new(s) }.freeze
        @active = @statements.reject(&:off?).freeze
        @by_kind = @active.group_by(&:kind).each_value(&:freeze)
        @by_name = @active.reverse.to_h { |s| [[s.kind, s.name], s] }
        @outlines = {}
        faults = doubled("id") + doubled("name") + outline_faults
        raise InvalidInput, faults unless faults.empty?

        freeze
      end

      def name = data["name"]
      def units = data["units"]

      # @return [Array<Statement>] those in force, of one kind or of all
      def active(kind = nil) = kind ? @by_kind.fetch(kind, NONE) : @active

      # @return [Statement, nil] the statement in force that bears this name
      def named(kind, name) = @by_name[[kind, name]]

      # @param statement [Statement] an outline statement of this document
      # @return [Shape::Outline] read once
      def outline(statement)
        @outlines[statement.id] ||= Shape::OutlineReader.new(statement, ->(name) { outline_before(statement, name) }).outline
      end

      private

      def outline_before(statement, name)
        source = active("outline").take_while { |s| !s.equal?(statement) }.find { |s| s.name == name }
        source && outline(source)
      end

      # Names share one space: bodies and groups are both targets.
      def doubled(key)
        statements.select { |s| s[key] && !(key == "name" && s.off?) }
                  .group_by { |s| key == "id" ? s.id : [family(s), s.name] }
                  .values.select { |same| same.size > 1 }
                  .map do |same|
          same.last.fault_at("the #{key} “#{same.last[key]}” is used more than once", path: key, cure: "Give each its own.")
        end
      end

      def family(statement)
        TARGETS.include?(statement.kind) ? "target" : statement.kind
      end

      def outline_faults
        active("outline").flat_map do |statement|
          Unexpected.within(statement) { outline(statement) }
          []
        rescue InvalidInput => e
          e.faults
        end
      end
    end
  end
end
