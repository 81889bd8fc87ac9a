# frozen_string_literal: true

module Lattice
  module Matter
    # Cross-sections that ship with the product, as they are drawn, and what they measure.
    module SectionTable
      FILE = File.expand_path("../../../data/sections.json", __dir__)
      DRAWN = %w[shape height width web flange root].freeze # of the document's section

      module_function

      def table = @table ||= JSON.parse(File.read(FILE)).freeze
      def source = table["source"]

      # @return [Array<Hash>] as written in the file, and measured
      def entries = @entries ||= table["sections"].map { |entry| measured(entry) }.freeze

      # @return [Hash, nil]
      def find(name) = entries.find { |entry| entry["name"] == name }

      # @param entry [Hash] name and what is drawn
      # @return [Hash] with area (m²), and second moments about the horizontal and the upright axis (m⁴)
      # @raise [InvalidInput] for what is no section
      def measured(entry)
        statement = Model::Statement.new({ "id" => "section", "kind" => "outline", "name" => entry["name"], "boundary" => { "section" => entry.slice(*DRAWN) } })
        found = SectionConstants.plain(SectionConstants.lines(Shape::OutlineReader.new(statement).outline))
        entry.merge("area" => found[:area], "level" => found[:xx], "upright" => found[:yy])
      end
    end
  end
end
