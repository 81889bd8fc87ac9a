# frozen_string_literal: true

module Lattice
  module Shape
    # Reads where an outline is placed in space.
    module Placement
      module_function

      # @param data [Hash, nil] of the document
      # @return [Frame]
      def read(data)
        return Frame.new unless data

        origin = %w[x y z].map { |k| data[k] ? Quantity.parse(data[k], "length") : 0.0 }
        Frame.on(data["plane"], origin, data["turn"] ? Quantity.parse(data["turn"], "angle") : 0.0)
      end

      # @return [Array<Float>] x, y, z of a spot of the document
      def spot(data) = %w[x y z].map { |k| Quantity.parse(data[k], "length") }
    end
  end
end
