# frozen_string_literal: true

module Lattice
  module Model
    # What a statement says, whatever it is spelled like: quantities in SI, directions as unit
    # vectors, without what names the statement. Follows the schema, which says what is a quantity.
    module Meaning
      WITHOUT = %w[id off].freeze

      module_function

      # @param statement [Statement]
      # @param except [Array<String>] fields that are left out besides
      # @return [Hash]
      def of(statement, except: [])
        schema = Schema::DOCUMENT.dig("$defs", "statement_#{statement.kind}")
        read(statement.data.except(*WITHOUT, *except), schema, statement)
      end

      def read(value, schema, statement)
        schema = resolved(schema)
        return statement.direction(value).to_a.map { |c| c + 0.0 } if schema.equal?(direction) && value

        case value
        when Hash then hash(value, form(schema, value), statement)
        when Array then value.map { |inner| read(inner, form(schema, value)["items"] || {}, statement) }
        when String then schema["format"] ? quantity(value, schema["format"]) : value
        else value
        end
      end

      def quantity(value, kind)
        kind.end_with?(Quantity::Formula::SUFFIX) ? Quantity::Formula.meaning(value, kind.delete_suffix(Quantity::Formula::SUFFIX)) : Quantity.parse(value, kind)
      end

      def hash(value, schema, statement)
        value.to_h { |key, inner| [key, read(inner, schema.dig("properties", key) || {}, statement)] }
      end

      def direction = @direction ||= Schema::DOCUMENT.dig("$defs", "direction")
      def resolved(schema) = schema["$ref"] ? Schema::DOCUMENT.dig("$defs", schema["$ref"].delete_prefix("#/$defs/")) : schema

      # Of several forms the one that knows all the fields that are there.
      def form(schema, value)
        return schema unless schema["oneOf"]

        schema["oneOf"].map { |one| resolved(one) }.find do |one|
          value.is_a?(Hash) ? (value.keys - one.fetch("properties", {}).keys).empty? && (one.fetch("required", []) - value.keys).empty? : one["type"] == "array"
        end || {}
      end
    end
  end
end
