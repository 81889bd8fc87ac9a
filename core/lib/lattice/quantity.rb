# frozen_string_literal: true

module Lattice
  # Numbers with units: read from text, held in SI, shown in display units.
  module Quantity
    EXAMPLES = {
      "length" => "14 mm", "force" => "6.5 kN", "stress" => "355 MPa", "density" => "7850 kg/m3",
      "acceleration" => "9.81 m/s2", "angle" => "30 deg", "ratio" => "1.5", "temperature" => "20 degC",
      "expansion" => "12e-6 /K", "conductivity" => "50 W/(m K)", "moment" => "2 kN m", "line load" => "4 kN/m", "mass" => "3 kg",
      "bed stiffness" => "50 N/mm3", "stiffness" => "5 kN/mm", "time" => "8 s"
    }.freeze

    REMEMBERED = 20_000
    @read = {}

    module_function

    # @param text [String, Numeric] what was typed, such as "0.5*12 kN"
    # @param kind [String] the kind of quantity wanted, such as "force"
    # @return [Float] in SI units
    # @raise [Unreadable] naming what is wrong and giving an example
    def parse(text, kind)
      wanted = Dimension.named(kind)
      value = text.is_a?(Numeric) ? Value.new(text.to_f, Dimension::NONE) : read(text.to_s)
      return bounded(value.si.to_f, text, kind) if value.dimension == wanted

      got = value.dimension.none? ? "a bare number" : "a #{value.dimension}"
      raise Unreadable, "“#{text}” is #{got}, but a #{kind} is wanted#{example(kind)}"
    rescue Unreadable => e
      raise if e.message.start_with?("“#{text}”")

      raise Unreadable, "“#{text}” cannot be read: #{e.message}#{example(kind)}"
    end

    # The same texts are read again with every edit of a long note.
    def read(text)
      @read.clear if @read.size >= REMEMBERED
      @read[text] ||= Parser.parse(text)
    end

    # What is too large or too small to be meant, and would not be a number any more when squared.
    def bounded(value, text, kind)
      most = Dimension::LARGEST.fetch(kind.to_s)
      least = Dimension::LEAST[kind.to_s]
      return value if value.zero? || value.abs.between?(least, most)

      raise Unreadable, "“#{text}” is #{value.abs > most ? "beyond #{shown(most, kind)}, the largest" : "below #{shown(least, kind)}, the smallest"} #{kind} that is taken"
    end

    def shown(value, kind)
      unit = Display::SYSTEMS.fetch("SI").fetch(kind.to_s)
      [Kernel.format("%.0e", value).sub("e+", "e").sub(/e(-?)0*/, 'e\\1'), unit].reject(&:empty?).join(" ")
    end

    def example(kind)
      EXAMPLES[kind] ? " (for example #{EXAMPLES[kind]})" : ""
    end
  end
end
