# frozen_string_literal: true

module Lattice
  module Matter
    # The materials that ship with the product, each with its source.
    module Library
      FILE = File.expand_path("../../../data/materials.json", __dir__)

      module_function

      # @return [Array<Hash>] as written in the file
      def entries = @entries ||= JSON.parse(File.read(FILE)).freeze

      # @return [Hash, nil]
      def find(name) = entries.find { |entry| entry["name"] == name }

      # @return [String, nil] the name most like the given one
      def closest(name)
        DidYouMean::SpellChecker.new(dictionary: entries.map { |e| e["name"] }).correct(name).first ||
          entries.map { |e| e["name"] }.find { |known| known.downcase.include?(name.downcase) }
      end
    end
  end
end
