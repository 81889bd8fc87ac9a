# frozen_string_literal: true

module Lattice
  module Matter
    # An isotropic material; values in SI, nil where unknown; over: what it is like over temperature.
    Material = Struct.new(:name, :young, :poisson, :density, :expansion, :conductivity, :yield, :ultimate, :source, :over,
                          keyword_init: true) do
      const_set(:DIMENSIONS, { young: "stress", poisson: "ratio", density: "density", expansion: "expansion",
                               conductivity: "conductivity", yield: "stress", ultimate: "stress" }.freeze)

      # @param statement [Model::Statement] a material statement
      # @return [Material]
      # @raise [InvalidInput] for an unknown name, or values that no material has
      def self.read(statement)
        known = Library.find(statement["material"])
        typed = statement["properties"] || {}
        values = self::DIMENSIONS.to_h do |key, dimension|
          text = typed[key.to_s] || (known && known[key.to_s])
          [key, text && Quantity.parse(text, dimension)]
        end
        over = OverTemperature.read(statement)
        values[:young] = over.young_at(OverTemperature::FREE) if over&.young
        new(name: statement["material"], source: known && typed.empty? ? known["source"] : "typed in", over: over, **values).tap { |m| m.check(statement, known) }
      end

      # @return [Boolean] whether it is known how it grows when it is warmed
      def grows? = !expansion.nil? || !over&.expansion.nil?

      # @param from [Float] K, at which it is free of stress
      # @param change [Float, Numo::DFloat] K, by which it is warmer
      # @return [Float, Numo::DFloat] strain that it takes freely
      def free_strain(from, change) = over&.expansion ? over.length_at(change + from) - over.length_at(from) : change * expansion

      def check(statement, known)
        if young.nil? || poisson.nil?
          missing = young.nil? ? "Young's modulus" : "Poisson's ratio"
          hint = known ? nil : Library.closest(name)
          raise statement.fault("“#{name}” is not in the library and has no #{missing}", path: "material",
                                                                                         cure: "Choose a library material#{" (such as #{hint})" if hint}, or type its properties.")
        end
        raise statement.fault("Young's modulus is not above zero", path: "properties.young", cure: "Give a positive value.") unless young.positive?
        raise statement.fault("Poisson's ratio is #{poisson}, outside -1 to 0.5", path: "properties.poisson", cure: "Give a value below 0.5, such as 0.3.") unless poisson > -1 && poisson < 0.5

        wrong = %i[yield ultimate conductivity].find { |key| self[key] && !self[key].positive? } or return
        raise statement.fault("its #{wrong} is not above zero", path: "properties.#{wrong}", cure: "Give a positive value, or leave it out.")
      end
    end
  end
end
