# frozen_string_literal: true

module LatticeServer
  module Store
    # Cross-sections of one's own, with what they measure.
    class OwnSections < OwnEntries
      WORD = "section"
      TABLE = :own_sections
      FIELDS = Lattice::Matter::SectionTable::DRAWN
      SHAPES = Lattice::Model::Schema::DOCUMENT.dig("$defs", "section", "properties", "section", "properties", "shape", "enum").freeze

      def all = super.map { |entry| Lattice::Matter::SectionTable.measured(entry) }

      private

      def ships?(name) = Lattice::Matter::SectionTable.find(name)

      # By the same rules as a note's own outline.
      # @raise [Lattice::InvalidInput]
      def known!(kept)
        (FIELDS - %w[shape]).each { |key| quantity!(kept, key, "length") }
        missing = %w[height web].find { |key| !kept[key] } and raise Problem.new(422, "the section has no #{missing}", cure: "Give a length.")
        raise Problem.new(422, "“#{kept['shape']}” is no shape of a section", cure: "Known: #{SHAPES.join(', ')}.") unless SHAPES.include?(kept["shape"])

        Lattice::Matter::SectionTable.measured(kept)
      end
    end
  end
end
