# frozen_string_literal: true

module Lattice
  module Model
    # One line of the note, read only.
    class Statement
      attr_reader :data

      def initialize(data)
        @data = data.freeze
        freeze
      end

      def id = data["id"]
      def kind = data["kind"]
      def name = data["name"]
      def [](key) = data[key]
      def dig(...) = data.dig(...)
      def off? = data["off"] == true

      # @param key [String] the field; of a field within another with a dot, such as ball.radius or curve.0.at
      # @return [Float, nil] the field in SI, nil when absent
      def quantity(key, dimension)
        text = data.dig(*key.split(".").map { |part| part.match?(/\A\d+\z/) ? part.to_i : part })
        text && Quantity.parse(text, dimension)
      end

      # @return [String] how messages name this statement
      def label
        what = [name, data["target"], data["study"]].find { |text| text && !text.empty? }
        [kind.tr("_", " "), what && "“#{what}”"].compact.join(" ")
      end

      # @param value [String, Array<Numeric>] an axis with its sign, or three components
      # @return [Numo::DFloat] unit vector [3], of the "direction" field when no other is given
      # @raise [InvalidInput] when its length is zero
      def direction(value = data["direction"])
        vector = Numo::DFloat.zeros(3)
        if value.is_a?(String)
          vector["xyz".index(value[1])] = value.start_with?("-") ? -1.0 : 1.0
          return vector
        end
        vector[] = value
        largest = vector.abs.max
        raise fault("its direction has no length", path: "direction", cure: "Give a component that is not zero.") if largest.zero?

        # Scaled first: the squares of very large or small components would be none.
        vector /= largest
        vector / Math.sqrt((vector**2).sum)
      end

      # @return [InvalidInput] a fault that names this statement, to be raised
      def fault(message, path: nil, cure: nil)
        InvalidInput.new(fault_at(message, path: path, cure: cure))
      end

      def fault_at(message, path: nil, cure: nil)
        Fault.new(statement: id, path: path, message: "#{label}: #{message}", cure: cure)
      end
    end
  end
end
