# frozen_string_literal: true

require "json_schemer"

module Lattice
  module Model
    # The published JSON Schema, and faults in an engineer's words made from what it refuses.
    module Schema
      FILE = File.expand_path("../../../../schema/model.schema.json", __dir__)
      DOCUMENT = JSON.parse(File.read(FILE)).freeze
      KINDS = DOCUMENT.dig("$defs", "statement", "oneOf").map { |ref| ref["$ref"][/statement_(\w+)\z/, 1] }.freeze
      WITHOUT_STATEMENTS = %w[format version name units].freeze
      MOST_FAULTS = 20
      REMEMBERED = 20_000
      @sound = {}
      @lock = Mutex.new

      module_function

      # @param hash [Object] a parsed document
      # @return [Array<Fault>] what the schema refuses; empty when it holds
      def faults(hash)
        return [Fault.new(message: "the model is not a JSON object", cure: "Give one model document.")] unless hash.is_a?(Hash)

        extent = Extent.faults(hash)
        return extent unless extent.empty?

        found = head.validate(hash).map { |error| fault(error, nil) }
        statements = hash["statements"]
        found.concat(statements.each_with_index.flat_map { |s, i| statement_faults(s, i) }.to_a) if statements.is_a?(Array)
        found.first(MOST_FAULTS)
      end

      def statement_faults(statement, index)
        return [Fault.new(statement: "statement #{index + 1}", message: "is not a JSON object")] unless statement.is_a?(Hash)

        kind = statement["kind"]
        unless KINDS.include?(kind)
          return [Fault.new(statement: statement["id"] || "statement #{index + 1}", path: "kind",
                            message: "“#{kind}” is not a kind of statement", cure: "Known kinds: #{KINDS.join(', ')}.")]
        end
        return [] if @sound&.key?(statement)

        faults = likeliest(checker(kind).validate(statement).to_a).map { |error| fault(error, statement["id"].is_a?(String) ? statement["id"] : "statement #{index + 1}") }
        remember(statement) if faults.empty?
        faults
      end

      # An edit changes one statement of many: those that were found sound before are not looked at again.
      def remember(statement)
        @lock.synchronize do
          @sound.shift if @sound.size >= REMEMBERED
          @sound[statement] = true
        end
      end

      # Where a value may have one of several forms, only what is wrong with the form
      # that it comes nearest to.
      def likeliest(errors)
        of_statement, of_forms = errors.partition { |e| e["schema_pointer"].start_with?("/$defs/statement_") }
        of_statement + of_forms.group_by { |e| e["data_pointer"][%r{\A/[^/]+(/\d+)?}] }.values.flat_map do |same|
          forms = same.group_by { |e| e["schema_pointer"][%r{\A/\$defs/\w+(/oneOf/\d+)?}] }
          forms.values.max_by { |form| [form.map { |e| e["data_pointer"].count("/") }.max, -form.size] }
        end
      end

      # The schema without the statements themselves, which are checked one by one
      # so that each message is about its own kind.
      def head
        @head ||= JSONSchemer.schema(DOCUMENT.merge("properties" => DOCUMENT["properties"].merge(
          "statements" => DOCUMENT.dig("properties", "statements").except("items")
        )), formats: formats)
      end

      def checker(kind)
        @checkers ||= {}
        @checkers[kind] ||= JSONSchemer.schema(
          { "$schema" => DOCUMENT["$schema"], "$ref" => "#/$defs/statement_#{kind}", "$defs" => DOCUMENT["$defs"] },
          formats: formats
        )
      end

      def formats
        @formats ||= Quantity::Dimension::NAMED.keys.to_h do |kind|
          [kind, ->(value, _schema) { !value.is_a?(String) || readable?(value, kind) }]
        end.merge("stress#{Quantity::Formula::SUFFIX}" => ->(value, _schema) { !value.is_a?(String) || readable?(value, "stress", Quantity::Formula) })
      end

      def readable?(value, kind, reader = nil)
        (reader ? reader.new(value, kind) : Quantity.parse(value, kind)) && true
      rescue Quantity::Unreadable
        false
      end

      def fault(error, statement)
        path = error["data_pointer"].delete_prefix("/").tr("/", ".")
        message, cure = Refusal.words(error)
        Fault.new(statement: statement, path: path.empty? ? nil : path, message: message, cure: cure)
      end
    end
  end
end
