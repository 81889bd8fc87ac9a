# frozen_string_literal: true

module Lattice
  module Quantity
    # A quantity that may change from place to place: the grammar of Parser, with the coordinates x, y and z, which are
    # lengths, and a few functions. "9.81 kN/m3 * max(3 m - z, 0 m)" is a pressure that grows with depth.
    class Formula
      # Numbers are arrays over the places.
      class Places < Parser
        VARIABLES = %w[x y z].freeze
        FUNCTIONS = { "min" => 2, "max" => 2, "abs" => 1, "sqrt" => 1, "sin" => 1, "cos" => 1, "exp" => 1 }.freeze

        def self.parse_at(text, points) = new(text, points).parse

        # @param text [String]
        # @param points [Numo::DFloat] [k, 3]
        def initialize(text, points)
          super(text)
          @points = points
          # Commas part what a function takes.
          @scanner.string = text.to_s.tr("−–", "--").gsub(/[²³⁴]|⁻¹/, SUPERSCRIPTS).gsub("×", "*").strip if text.to_s.match?(/m(in|ax)/)
        end

        private

        def lone_temperature = nil

        def unit(name)
          return Value.new(@points[true, VARIABLES.index(name)].dup, Dimension.named("length")) if VARIABLES.include?(name)

          @scanner.check(/\(/) && FUNCTIONS.key?(name) ? function(name) : super
        end

        def unknown(name)
          return super if Unit.closest(name)

          raise Unreadable, "“#{name}” is neither a unit nor known: the coordinates are x, y and z, the functions #{FUNCTIONS.keys.join(', ')}"
        end

        def function(name)
          taken = arguments
          raise Unreadable, "#{name} takes #{FUNCTIONS[name] == 1 ? 'one value' : 'two values, parted by a comma'}" unless taken.size == FUNCTIONS[name]

          one, two = taken.map { |v| Numo::DFloat.zeros(@points.shape[0]) + v.si }
          case name
          when "min", "max"
            one_kind!(name, *taken)
            Value.new(name == "min" ? Numo::DFloat.minimum(one, two) : Numo::DFloat.maximum(one, two), taken[0].dimension)
          when "abs" then Value.new(one.abs, taken[0].dimension)
          when "sqrt" then root(one, taken[0].dimension)
          else Value.new(Numo::NMath.public_send(name, one), plain(name, taken[0].dimension))
          end
        end

        def arguments
          @scanner.skip(/\(/)
          taken = [sum]
          loop do
            skip
            return taken if @scanner.skip(/\)/)

            @scanner.skip(/,/) or raise Unreadable, "a “)” is missing"
            taken << sum
          end
        end

        def one_kind!(name, one, other)
          return if one.dimension == other.dimension

          raise Unreadable, "#{name} compares a #{one.dimension} with a #{other.dimension}"
        end

        def root(values, dimension)
          raise Unreadable, "sqrt wants an even power of a unit" if dimension.exponents.any?(&:odd?)
          raise Unreadable, "sqrt of what is negative" if (values < 0).any?

          Value.new(Numo::NMath.sqrt(values), Dimension.new(dimension.exponents.map { |e| e / 2 }))
        end

        def plain(name, dimension)
          return dimension if dimension.none? || (name != "exp" && dimension == Dimension.named("angle"))

          raise Unreadable, "#{name} wants a plain number, not a #{dimension}"
        end

        # Arrays are looked through when the whole is known.
        def checked(value) = value
        def divided(value, by) = Value.new(value.si / (by.si.is_a?(Numeric) ? nonzero(by) : by.si), value.dimension / by.dimension)
        def nonzero(value) = value.si.zero? ? raise(Unreadable, "it divides by zero") : value.si
      end

      # How the schema calls them: "stress of place".
      SUFFIX = " of place"
      PROBE = Numo::DFloat[[0.137, 0.211, 0.173], [1.37, 2.11, 1.73]].freeze

      # @return [Float, String] SI, or the text where it changes
      def self.meaning(text, kind) = constant?(text, kind) ? Quantity.parse(text, kind) : text.delete(" ")

      # @return [Boolean] whether it is the same everywhere
      def self.constant?(text, kind)
        Quantity.parse(text, kind) && true
      rescue Unreadable
        false
      end

      # @param text [String]
      # @param kind [String] of quantity
      # @raise [Unreadable]
      def initialize(text, kind)
        @text = text
        @kind = kind
        if self.class.constant?(text, kind) then @constant = Quantity.parse(text, kind)
        elsif text.to_s.match?(/\b([xyz]\b|(#{Places::FUNCTIONS.keys.join('|')})\()/o) then values(PROBE)
        else Quantity.parse(text, kind)
        end
      end

      # @param points [Numo::DFloat] [k, 3]
      # @param statement [Model::Statement] named where it has no value
      # @return [Numo::DFloat] [k] SI
      # @raise [InvalidInput]
      def at(points, statement)
        return Numo::DFloat.zeros(points.shape[0]).fill(@constant) if @constant

        found = values(points)
        off = (found.abs < Float::INFINITY).eq(0).where
        return found if off.empty?

        where = points[off[0], true].to_a.zip(%w[x y z]).map { |v, k| "#{k} = #{Display.format(v, 'length', system: 'SI')}" }.join(", ")
        raise statement.fault("“#{@text}” is no finite number at #{where}: it divides by zero there", path: "value", cure: "Keep what it divides by away from zero, with max for one.")
      rescue Unreadable => e
        raise statement.fault(e.message, path: "value", cure: "Type a #{@kind} in terms of x, y and z.")
      end

      private

      def values(points)
        read(points)
      rescue Unreadable => e
        raise if e.message.start_with?("“#{@text}”")

        raise Unreadable, "“#{@text}” cannot be read: #{e.message}"
      end

      def read(points)
        value = Places.parse_at(@text, points)
        wanted = Dimension.named(@kind)
        raise Unreadable, "“#{@text}” is a #{value.dimension}, but a #{@kind} is wanted" unless value.dimension == wanted

        Numo::DFloat.zeros(points.shape[0]) + value.si
      end
    end
  end
end
