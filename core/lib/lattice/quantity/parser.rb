# frozen_string_literal: true

require "strscan"

module Lattice
  module Quantity
    # Recursive descent over typed quantities:
    #
    #   sum     = product (("+" | "-") product)*
    #   product = group (("*" | "·" | "/") group)*
    #   group   = factor factor*            (side by side: binds tighter than "/")
    #   factor  = ("-" | "+") factor | atom ("^" integer)?
    #   atom    = number | unit | "(" sum ")"
    #
    # so that "W/m K" is W/(m·K) and "0.5*12 kN" is 6 kN. A digit after a unit
    # is its power: "N/mm2".
    class Parser
      NUMBER = /(?:\d+(?: \d{3})+(?!\d)|\d+)?(?:\.\d+|\.)?(?:[eE][-+]?\d+)?/
      UNIT = /[A-Za-zµ°%]+/
      SUPERSCRIPTS = { "²" => "^2", "³" => "^3", "⁴" => "^4", "⁻¹" => "^-1" }.freeze
      LONGEST = 200

      # @param text [String]
      # @return [Value]
      # @raise [Unreadable]
      def self.parse(text)
        new(text).parse
      end

      def initialize(text)
        @text = text
        plain = text.to_s.tr("−–", "--").gsub(/[²³⁴]|⁻¹/, SUPERSCRIPTS).gsub("×", "*")
        # a comma between digits is a decimal comma when it cannot be read otherwise
        plain = plain.sub(/(\d),(\d)/, '\1.\2') if plain.count(",") == 1 && !plain.include?(".")
        @scanner = StringScanner.new(plain.strip)
        @depth = 0
      end

      def parse
        raise Unreadable, "it is empty" if @scanner.eos?
        raise Unreadable, "it is longer than #{LONGEST} characters" if @scanner.string.length > LONGEST

        temperature = lone_temperature and return temperature
        value = sum
        skip
        raise Unreadable, "“#{@scanner.rest}” is not understood" unless @scanner.eos?
        checked(value)
      end

      private

      def checked(value)
        raise Unreadable, "it is not a finite number" unless value.si.to_f.finite?

        value
      end

      # Offsets only make sense for a temperature that stands alone.
      def lone_temperature
        match = /\A([-+]?#{NUMBER.source})\s*(deg[CF]|°[CF])\z/o.match(@scanner.string)
        return unless match && match[1].match?(/\d/)

        unit = Unit.find(match[2])
        Value.new((Float(match[1]) * unit.factor) + unit.offset, unit.dimension)
      end

      def skip = @scanner.skip(/[\s ]+/)

      def sum
        value = product
        loop do
          skip
          if @scanner.skip(/\+/) then value += product
          elsif @scanner.skip(/-/) then value -= product
          else return value
          end
        end
      end

      def product
        value = group
        loop do
          skip
          if @scanner.skip(%r{/}) then value = divided(value, group)
          elsif @scanner.skip(/[*·]/) then value *= group
          else return value
          end
        end
      end

      def group
        value = factor
        loop do
          skip
          return value unless @scanner.check(/[\d.A-Za-zµ°%(]/)

          value *= factor
        end
      end

      def divided(value, by) = value / by

      def factor
        skip
        return -factor if @scanner.skip(/-/)
        return factor if @scanner.skip(/\+/)

        value = atom
        skip
        @scanner.skip(/\^/) ? value**power : value
      end

      def power
        @scanner.scan(/[-+]?\d{1,2}/)&.to_i or raise Unreadable, "“^” wants a whole number after it"
      end

      def atom
        if @scanner.skip(/\(/) then parenthesis
        elsif @scanner.check(/\.?\d/) then Value.new(Float(@scanner.scan(NUMBER).delete("  ")), Dimension::NONE)
        elsif (name = @scanner.scan(UNIT)) then unit(name)
        else raise Unreadable, @scanner.eos? ? "it ends too early" : "“#{@scanner.rest}” is not understood"
        end
      end

      def parenthesis
        @depth += 1
        raise Unreadable, "its parentheses nest too deeply" if @depth > 20

        value = sum
        skip
        @scanner.skip(/\)/) or raise Unreadable, "a “)” is missing"
        @depth -= 1
        value
      end

      def unit(name)
        unit = Unit.find(name) or unknown(name)
        value = Value.new(unit.factor, unit.dimension)
        digit = @scanner.scan(/[2-4]/)
        digit ? value**digit.to_i : value
      end

      def unknown(name)
        hint = Unit.closest(name)
        raise Unreadable, "“#{name}” is not a known unit#{"; did you mean “#{hint}”?" if hint}"
      end
    end
  end
end
