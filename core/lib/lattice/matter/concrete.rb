# frozen_string_literal: true

module Lattice
  module Matter
    # What concrete bears: tension and compression in Pa, the energy that opening a crack takes in J/m², the distance of cracks in m (nil where not told).
    Concrete = Struct.new(:tension, :compression, :energy, :spacing) do
      # @param statement [Model::Statement]
      # @return [Concrete]
      # @raise [InvalidInput]
      def self.read(statement)
        values = { "tension" => "stress", "compression" => "stress", "energy" => "stiffness" }.to_h { |key, dimension| [key, statement.quantity(key, dimension)] }
        spacing = statement.quantity("spacing", "length")
        low = values.merge("spacing" => spacing).find { |_, value| value && !value.positive? }
        raise statement.fault("its #{low[0]} is not above zero", path: low[0], cure: "Give a value above zero.") if low
        raise statement.fault("it bears more tension than compression", path: "tension", cure: "Concrete bears about a tenth in tension.") if values["tension"] >= values["compression"]

        new(*values.values, spacing)
      end

      def meaning = ["concrete", *to_a]
    end
  end
end
