# frozen_string_literal: true

module Lattice
  module Verdict
    # What a statement allows: a value with its unit, or a share of a strength of the material.
    class Allowed
      STRENGTH = %r{\A\s*(yield|ultimate)\s*(?:([/*])\s*(.+))?\z}

      # @param statement [Model::Statement]
      # @param field [String] of it
      # @param dimension [String] of the value
      # @param problem [Study::Problem]
      def initialize(statement, field, dimension, problem)
        @statement = statement
        @field = field
        @dimension = dimension
        @problem = problem
      end

      # @param body [String] whose strength counts
      # @return [Float] in SI
      # @raise [InvalidInput]
      def of(body)
        value = STRENGTH.match(text) ? strength(body, Regexp.last_match) : typed
        return value if value.positive?

        raise @statement.fault("the limit “#{text}” is not above zero", path: @field, cure: "Give a value above zero.")
      end

      private

      def text = @statement[@field]

      def typed
        Quantity.parse(text, @dimension)
      rescue Quantity::Unreadable => e
        raise @statement.fault(e.message, path: @field, cure: @dimension == "stress" ? "Give a stress, or a share such as yield / 1.5." : "Give a #{@dimension}.")
      end

      def strength(body, match)
        raise @statement.fault("a strength limits a stress, not a #{@dimension}", path: @field, cure: "Give a #{@dimension}, such as #{Quantity::EXAMPLES[@dimension]}.") unless @dimension == "stress"

        value = @problem.materials.to_h[body]&.public_send(match[1])
        raise @statement.fault("the material of “#{body}” has no #{match[1]} strength", path: @field, cure: "Give the limit as a stress.") unless value

        match[2] ? scaled(value, match[2], match[3]) : value
      end

      def scaled(value, operator, share)
        factor = Quantity.parse(share, "ratio")
        raise Quantity::Unreadable, "“#{share}” is zero" if factor.zero?

        operator == "/" ? value / factor : value * factor
      rescue Quantity::Unreadable => e
        raise @statement.fault(e.message, path: @field, cure: "Write it like yield / 1.5.")
      end
    end
  end
end
