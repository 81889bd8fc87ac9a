# frozen_string_literal: true

module Lattice
  module Model
    # What the schema refuses, in an engineer's words, with the cure.
    module Refusal
      TYPES = { "string" => "a text in quotes", "number" => "a number", "integer" => "a whole number", "boolean" => "true or false", "array" => "a list",
                "object" => "a group of fields in braces", "null" => "nothing" }.freeze
      SIZES = { "minItems" => "at least", "maxItems" => "at most", "minProperties" => "at least", "maxProperties" => "at most", "minimum" => "at least", "maximum" => "at most",
                "exclusiveMinimum" => "more than", "exclusiveMaximum" => "less than", "multipleOf" => "multiples of" }.freeze
      WORDS = {
        "required" => ->(_, _, error) { ["#{error['details']['missing_keys'].map { |k| "“#{k}”" }.join(', ')} is missing", "Add it."] },
        "format" => ->(data, schema, _) { [unreadable(data, schema["format"]), "Type a value with its unit."] },
        "schema" => ->(*) { ["is not a known field", "Remove it, or correct its spelling."] },
        "enum" => ->(data, schema, _) { ["“#{data.to_s[0, 40]}” is not one of #{schema['enum'].join(', ')}", "Choose one of them."] },
        "const" => ->(data, schema, _) { ["it is #{brief(data)}, but #{schema['const'].inspect} is wanted", "Write #{schema['const'].inspect}."] },
        "oneOf" => ->(_, schema, _) { ["it has none of the forms that are allowed here", schema["description"] || "Look it up in the schema of the model document."] },
        "not" => ->(_, schema, _) { ["it has fields that do not go together", schema["description"] || "Remove one of them."] },
        "minLength" => ->(*) { ["it is empty", "Type a value."] },
        "maxLength" => ->(data, schema, _) { ["“#{data.to_s[0, 40]}” is too long", "Use at most #{schema['maxLength']} characters."] },
        "pattern" => ->(data, *) { ["“#{data.to_s[0, 40]}” is not allowed here", "Use a short plain text: letters, digits, - and _."] },
        "uniqueItems" => ->(*) { ["it names the same thing twice", "Remove the second."] }
      }.then { |words| words.merge("anyOf" => words["oneOf"]) }.freeze

      module_function

      # @param error [Hash] of the schema's validator
      # @return [Array(String, String)] message and cure
      def words(error)
        type, data, schema = error.values_at("type", "data", "schema")
        return WORDS[type].call(data, schema, error) if WORDS.key?(type)

        SIZES.key?(type) ? size(type, data, schema[type]) : wrong_type(data, schema)
      end

      def size(type, data, bound)
        return ["it has #{data.size} entries, which is too #{type.start_with?('min') ? 'few' : 'many'}", "Give #{SIZES[type]} #{bound}."] if type.match?(/Items|Properties/)

        ["#{brief(data)} is too #{type.match?(/min/i) ? 'small' : 'large'}", "Give #{SIZES[type]} #{bound}."]
      end

      def wrong_type(data, schema)
        wanted = Array(schema["type"]).map { |type| TYPES.fetch(type, type) }.join(" or ")
        wanted = "something else" if wanted.empty?
        cure = schema["format"] ? "Type a #{schema['format']} with its unit, in quotes#{Quantity.example(schema['format'])}." : "Give #{wanted} here."
        ["#{brief(data)} stands where #{wanted} is wanted", cure]
      end

      def brief(data) = data.inspect[0, 40]

      def unreadable(data, kind)
        kind.end_with?(Quantity::Formula::SUFFIX) ? Quantity::Formula.new(data, kind.delete_suffix(Quantity::Formula::SUFFIX)) : Quantity.parse(data, kind)
      rescue Quantity::Unreadable => e
        e.message
      end
    end
  end
end
