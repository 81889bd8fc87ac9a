# frozen_string_literal: true

module Lattice
  module Result
    # The fields that a result has: name, words, kind of quantity. Window, tray, limits and files take
    # them from here.
    module Catalogue
      Field = Struct.new(:name, :words, :dimension) do
        def as_json = to_h
      end

      VECTORS = { "displacement" => %w[displacement length], "rotation" => %w[rotation angle], "velocity" => %w[velocity velocity], "acceleration" => %w[acceleration acceleration],
                  "reaction" => %w[reaction force], "moment_reaction" => ["reaction moment", "moment"] }.freeze
      STRESS = { "von_mises" => "von Mises stress", "tresca" => "Tresca stress", "principal_max" => "greatest principal stress", "principal_mid" => "middle principal stress",
                 "principal_min" => "least principal stress" }.merge(Stress::COMPONENTS.to_h { |c| ["stress_#{c}", "stress #{c}"] }).freeze
      PARTS = VECTORS.flat_map do |name, (words, dimension)|
        way = name == "rotation" ? "about" : "along"
        [Field.new(name, words, dimension), *%w[x y z].map { |c| Field.new("#{name}_#{c}", "#{words} #{way} #{c}", dimension) }]
      end
      JUMP = Field.new("stress_error", "estimated error of stress", "stress")
      LIFE = { "life_power" => ["life, as a power of ten", "ratio"], "damage" => ["damage of the design life", "ratio"], "fatigue_safety" => ["factor on the load for the design life", "ratio"],
               "alternating" => ["equivalent alternating stress", "stress"], "biaxiality" => ["how biaxial the stress is", "ratio"] }.map { |name, (words, dimension)| Field.new(name, words, dimension) }
      HEAT = [Field.new("temperature", "temperature", "temperature"), Field.new("heat_flux", "flow of heat", "power per area")].freeze
      SOUND = Field.new("sound_intensity", "sound radiated into air by an area", "power per area")
      PLASTIC = Field.new("plastic_strain", "equivalent plastic strain, or strain of cracks", "ratio")
      STRAIN = Strain::FIELDS.merge(Strain::LESS).map { |name, words| Field.new(name, words, "ratio") }.freeze
      TOUCH = { "touch_pressure" => ["pressure of touch", "stress"], "touch_gap" => %w[gap length], "touch_slip" => %w[slip length],
                "touch_state" => ["how it touches: 1 sticks, 2 slides, 3 open", "ratio"] }.map { |name, (words, dimension)| Field.new(name, words, dimension) }
      FREE = Field.new("thermal_strain", "strain that temperature alone would bring", "ratio")
      WARMTH = Field.new("warmth", "temperature above what is free of stress", "temperature change")
      RESULTANTS = ShellResultants::FIELDS.map { |name, (words, dimension)| Field.new(name, words, dimension) }
      ALL = STRESS.map { |name, words| Field.new(name, words, "stress") } + [JUMP] + PARTS + RESULTANTS + LIFE + HEAT + [WARMTH, FREE, PLASTIC, SOUND] + STRAIN + TOUCH
      FIELDS = ALL.to_h { |field| [field.name, field] }.freeze

      # Names of fields by what may find them: with their components, of vectors.
      OF_VECTOR = VECTORS.keys.to_h { |name| [name, [name, *%w[x y z].map { |c| "#{name}_#{c}" }]] }.freeze
      RATES = OF_VECTOR.values_at("velocity", "acceleration").flatten.freeze
      MOVED = (OF_VECTOR.values_at("displacement", "rotation").flatten + RATES).freeze
      # What is found of what goes in increments.
      OF_INCREMENTS = [PLASTIC, *TOUCH].map(&:name).freeze
      OF_STATES = (FIELDS.keys - RATES - (LIFE + HEAT + [SOUND]).map(&:name) - OF_INCREMENTS).freeze

      module_function

      # @return [Field]
      # @raise [InvalidInput]
      def field!(name)
        FIELDS[name] || raise(InvalidInput.at("“#{name}” is not a field", cure: "Known: #{FIELDS.keys.join(', ')}."))
      end

      def dimension_of(name) = field!(name).dimension

      # @return [Array(String, Integer), nil] the vector that a field is of, and its component
      def vector(name)
        vector = VECTORS.keys.select { |v| name == v || name.match?(/\A#{v}_[xyz]\z/) }.max_by(&:size) or return nil
        [vector, name == vector ? nil : "xyz".index(name[-1])]
      end
    end
  end
end
