# frozen_string_literal: true

module Lattice
  module Quantity
    # A named unit: factor to SI, offset (temperatures) and dimension.
    Unit = Struct.new(:name, :factor, :offset, :dimension) do
      def self.table
        @table ||= build.freeze
      end

      # @return [Unit, nil]
      def self.find(name)
        table[name]
      end

      # @return [String, nil] the known unit spelled most like +name+
      def self.closest(name)
        table.keys.find { |known| known.casecmp?(name) } ||
          DidYouMean::SpellChecker.new(dictionary: table.keys).correct(name).first
      end

      def self.build
        table = {}
        add = lambda do |dimension, units|
          units.each { |name, factor| table[name.to_s] = new(name.to_s, factor.to_f, 0.0, Dimension.named(dimension)) }
        end
        add.call("length", m: 1, km: 1e3, dm: 0.1, cm: 1e-2, mm: 1e-3, um: 1e-6, "µm": 1e-6, nm: 1e-9,
                           in: 0.0254, ft: 0.3048, yd: 0.9144, mil: 2.54e-5)
        add.call("mass", kg: 1, g: 1e-3, mg: 1e-6, t: 1e3, lb: POUND, lbm: POUND, oz: POUND / 16, slug: SLUG)
        add.call("time", s: 1, ms: 1e-3, min: 60, h: 3600)
        add.call("force", N: 1, kN: 1e3, MN: 1e6, mN: 1e-3, lbf: POUND_FORCE, kip: POUND_FORCE * 1e3)
        add.call("stress", Pa: 1, kPa: 1e3, MPa: 1e6, GPa: 1e9, hPa: 1e2, bar: 1e5, mbar: 1e2, atm: 101_325,
                           psi: PSI, ksi: PSI * 1e3, psf: POUND_FORCE / (0.3048**2), ksf: POUND_FORCE * 1e3 / (0.3048**2))
        add.call("moment", J: 1, kJ: 1e3, mJ: 1e-3, Nm: 1, kNm: 1e3)
        add.call("frequency", Hz: 1, kHz: 1e3)
        add.call("angle", rad: 1, deg: Math::PI / 180, "°": Math::PI / 180)
        add.call("ratio", "%": 0.01)
        add_temperatures(table)
        add.call("power", W: 1, kW: 1e3, mW: 1e-3)
        table["gn"] = new("gn", 9.80665, 0.0, Dimension.named("acceleration"))
        table
      end

      def self.add_temperatures(table)
        kelvin = Dimension.named("temperature")
        { "K" => [1.0, 0.0], "degC" => [1.0, 273.15], "°C" => [1.0, 273.15],
          "degF" => [5.0 / 9, 273.15 - (32 * 5.0 / 9)], "°F" => [5.0 / 9, 273.15 - (32 * 5.0 / 9)] }
          .each { |name, (factor, offset)| table[name] = new(name, factor, offset, kelvin) }
      end
      private_class_method :build, :add_temperatures
    end

    # Exact by definition: the international pound and standard gravity.
    POUND = 0.45359237
    POUND_FORCE = POUND * 9.80665
    SLUG = POUND_FORCE / 0.3048
    PSI = POUND_FORCE / (0.0254**2)
  end
end
