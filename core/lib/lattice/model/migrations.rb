# frozen_string_literal: true

module Lattice
  module Model
    # Brings a document of an older version up to the current one, step by step.
    # STEPS[n] turns version n into version n + 1 and returns a new hash.
    module Migrations
      CURRENT = 2
      STEPS = {
        # Version 0 (drafts): values of a mesh statement were called "element_size".
        0 => lambda do |hash|
          statements = Array(hash["statements"]).map do |statement|
            next statement unless statement.is_a?(Hash) && statement["kind"] == "mesh" && statement.key?("element_size")

            statement.except("element_size").merge("size" => statement["element_size"])
          end
          hash.merge("version" => 1, "statements" => statements)
        end,
        # Version 2 adds ways to draw, read and combine shapes; what version 1 says means the same.
        1 => ->(hash) { hash.merge("version" => 2) }
      }.freeze

      module_function

      # @param hash [Hash] a parsed document of any known version
      # @return [Hash] the same in the current version
      # @raise [InvalidInput] for a version that is newer than this program
      def apply(hash)
        return hash unless hash.is_a?(Hash) && hash["version"].is_a?(Integer)

        if hash["version"] > CURRENT
          raise InvalidInput.at("the model was written in version #{hash['version']} of the document, newer than #{CURRENT}",
                                path: "version", cure: "Open it with a newer Gentle Lattice.")
        end
        hash = STEPS.fetch(hash["version"]).call(hash) while STEPS.key?(hash["version"])
        hash
      end
    end
  end
end
