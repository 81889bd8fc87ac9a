# frozen_string_literal: true

module Lattice
  module Quantity
    # The systems in which quantities are shown. Each is a table from the kind of
    # quantity to the unit it is shown in.
    module Display
      COMMON = { "ratio" => "", "angle" => "deg", "temperature" => "degC", "temperature change" => "K", "expansion" => "1/K", "time" => "s",
                 "frequency" => "Hz", "conductivity" => "W/(m K)", "power" => "W", "film" => "W/(m2 K)", "power per area" => "W/m2" }.freeze

      SYSTEMS = {
        "mm-N" => COMMON.merge("length" => "mm", "area" => "mm2", "volume" => "mm3", "second moment" => "mm4",
                               "inertia" => "kg mm2", "force" => "N", "moment" => "N m", "stress" => "MPa", "stiffness" => "N/mm", "line load" => "N/mm", "bed stiffness" => "N/mm3",
                               "mass" => "kg", "density" => "kg/m3", "acceleration" => "m/s2", "velocity" => "mm/s"),
        "SI" => COMMON.merge("length" => "m", "area" => "m2", "volume" => "m3", "second moment" => "m4",
                             "inertia" => "kg m2", "force" => "N", "moment" => "N m", "stress" => "Pa", "stiffness" => "N/m", "line load" => "N/m", "bed stiffness" => "N/m3",
                             "mass" => "kg", "density" => "kg/m3", "acceleration" => "m/s2", "velocity" => "m/s"),
        "m-kN" => COMMON.merge("length" => "m", "area" => "m2", "volume" => "m3", "second moment" => "m4",
                               "inertia" => "t m2", "force" => "kN", "moment" => "kN m", "stress" => "MPa", "stiffness" => "kN/m", "line load" => "kN/m", "bed stiffness" => "kN/m3",
                               "mass" => "t", "density" => "t/m3", "acceleration" => "m/s2", "velocity" => "m/s"),
        "mm-N-t" => COMMON.merge("length" => "mm", "area" => "mm2", "volume" => "mm3", "second moment" => "mm4",
                                 "inertia" => "t mm2", "force" => "N", "moment" => "N mm", "stress" => "MPa", "stiffness" => "N/mm", "line load" => "N/mm", "bed stiffness" => "N/mm3",
                                 "mass" => "t", "density" => "t/mm3", "acceleration" => "mm/s2", "velocity" => "mm/s"),
        "in-lbf" => COMMON.merge("length" => "in", "area" => "in2", "volume" => "in3", "second moment" => "in4",
                                 "inertia" => "lb in2", "force" => "lbf", "moment" => "lbf in", "stress" => "psi", "stiffness" => "lbf/in", "line load" => "lbf/in", "bed stiffness" => "lbf/in3",
                                 "mass" => "lb", "density" => "lb/in3", "acceleration" => "in/s2", "velocity" => "in/s",
                                 "temperature" => "degF"),
        "in-kip" => COMMON.merge("length" => "in", "area" => "in2", "volume" => "in3", "second moment" => "in4",
                                 "inertia" => "lb in2", "force" => "kip", "moment" => "kip in", "stress" => "ksi", "stiffness" => "kip/in", "line load" => "kip/in", "bed stiffness" => "kip/in3",
                                 "mass" => "lb", "density" => "lb/in3", "acceleration" => "in/s2", "velocity" => "in/s",
                                 "temperature" => "degF"),
        "ft-slug" => COMMON.merge("length" => "ft", "area" => "ft2", "volume" => "ft3", "second moment" => "ft4",
                                  "inertia" => "slug ft2", "force" => "lbf", "moment" => "lbf ft", "stress" => "psf", "stiffness" => "lbf/ft", "line load" => "lbf/ft", "bed stiffness" => "lbf/ft3",
                                  "mass" => "slug", "density" => "slug/ft3", "acceleration" => "ft/s2", "velocity" => "ft/s",
                                  "temperature" => "degF")
      }.freeze
      DEFAULT = "mm-N"

      module_function

      # @return [Array(Float, Float)] factor and offset with SI = shown * factor + offset
      def scale(kind, system)
        unit = SYSTEMS.fetch(system).fetch(kind)
        return [1.0, 0.0] if unit.empty?

        found = Unit.find(unit)
        [found ? found.factor : Parser.parse(unit).si.to_f, found ? found.offset : 0.0]
      end

      # @param value [Float] in SI
      # @return [String] such as "6.5 N", with four significant digits
      def format(value, kind, system: DEFAULT)
        factor, offset = scale(kind, system)
        unit = SYSTEMS.fetch(system).fetch(kind)
        [number((value - offset) / factor), unit].reject(&:empty?).join(" ")
      end

      # @return [String] four significant digits, thousands parted by a narrow space
      def number(value)
        return "0" if value.zero?
        return value.to_s unless value.finite?

        size = Math.log10(value.abs).floor
        return Kernel.format("%.3e", value).sub(/\.?0*e/, "e").sub(/e([-+])0*(\d)/, 'e\1\2').sub("e+", "e") if size < -3 || size > 6

        text = Kernel.format("%.#{[3 - size, 0].max}f", value)
        text = text.sub(/\.?0+\z/, "") if text.include?(".")
        whole, fraction = text.split(".")
        [whole.gsub(/(\d)(?=(\d{3})+\z)/, "\\1\u202f"), fraction].compact.join(".")
      end

      # @return [Hash] every system with unit, factor and offset by kind, for interfaces
      def table
        SYSTEMS.to_h do |system, units|
          [system, units.to_h { |kind, unit| [kind, { unit: unit, scale: scale(kind, system) }] }]
        end
      end
    end
  end
end
