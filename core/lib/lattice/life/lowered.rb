# frozen_string_literal: true

module Lattice
  module Life
    # What lowers the strength of a part below that of a polished bar in a laboratory: factors that are typed, or follow by hand.
    class Lowered
      # a Su^b with Su in MPa: C. J. Noll, C. Lipson, Allowable Working Stresses, 1946.
      FINISHES = { "polished" => [1.0, 0.0], "ground" => [1.58, -0.085], "machined" => [4.51, -0.265], "hot rolled" => [57.7, -0.718], "as forged" => [272.0, -0.995] }.freeze
      # Of strengths that scatter normally by 8 %: 1 − 0.08 z. This and what follows: J. E. Shigley, C. R. Mischke, Mechanical Engineering Design, 1989.
      RELIABILITY = { "50 %" => 1.0, "90 %" => 0.897, "95 %" => 0.868, "99 %" => 0.814, "99.9 %" => 0.753 }.freeze
      # Of round bars that turn under bending, up to a diameter in mm: a d^b.
      SIZES = [[51.0, 1.24, -0.107], [254.0, 1.51, -0.157]].freeze
      SMALL = 2.79 # mm, under which size does nothing
      # Of steels, by powers of the temperature in °F.
      WARM = [0.975, 0.432e-3, -0.115e-5, 0.104e-8, -0.595e-12].freeze
      KNOWN = (70.0..1000.0) # °F
      BOUNDS = (1e-6..2.0)

      # @param study [Model::Statement]
      # @yieldreturn [Float] Pa, the ultimate strength
      def initialize(study, &ultimate)
        @study = study
        @ultimate = ultimate
      end

      # @return [Hash{String => Float}]
      def all = @all ||= { "surface" => surface, "reliability" => life["reliability"] && RELIABILITY.fetch(life["reliability"]), "size" => size, "temperature" => temperature, "other" => ratio("other") }.compact

      # @return [Hash{String => String}] with numbers put in, for a reader with a calculator
      def worked = all && (@worked || {})

      # @raise [InvalidInput]
      def check!
        all.each do |key, value|
          raise @study.fault("its #{key} factor is #{value}, outside 0 to 2", path: "life.#{key}", cure: "Give a factor such as 0.9.") unless BOUNDS.cover?(value)
        end
      end

      private

      def life = @study["life"]
      def ratio(key) = read(key, "ratio")

      def read(key, dimension)
        @study.quantity("life.#{key}", dimension)
      rescue Quantity::Unreadable => e
        raise @study.fault(e.message, path: "life.#{key}", cure: "Give a factor such as 0.9#{", or a #{dimension}" unless dimension == 'ratio'}.")
      end

      def figure(value) = format("%.5g", value)
      def work(key, words, value) = ((@worked ||= {})[key] = words) && value

      # Whether it is no plain number.
      def of_unit?(key) = life[key].to_s.match?(/[[:alpha:]°]/) && !life[key].match?(/\A[\d.+-]+e[+-]?\d+\z/i)

      def surface
        finish = life["surface"] or return
        a, b = FINISHES.fetch(finish)
        return 1.0 if b.zero?

        ultimate = @ultimate.call / 1e6
        work("surface", "#{a} · #{figure(ultimate)}^#{b}, strength in MPa, at most 1", [a * (ultimate**b), 1.0].min)
      end

      def size
        return ratio("size") unless of_unit?("size")

        across = read("size", "length") * 1e3
        return work("size", "1 up to #{SMALL} mm", 1.0) if across.between?(0, SMALL)

        _, a, b = SIZES.find { |upto, _| across.between?(SMALL, upto) }
        raise @study.fault("no factor of size is known for a diameter of #{life['size']}", path: "life.size", cure: "Give a diameter up to 254 mm, or a factor.") unless a

        work("size", "#{a} · #{figure(across)}^#{b}, diameter in mm", a * (across**b))
      end

      def temperature
        return ratio("temperature") unless of_unit?("temperature")

        warm = (read("temperature", "temperature") * 1.8) - 459.67
        raise @study.fault("no factor of temperature is known at #{life['temperature']}", path: "life.temperature", cure: "Give 21 to 537 °C, of steels, or a factor.") unless KNOWN.cover?(warm.round(6))

        text = WARM.each_with_index.map { |c, power| [c, *([figure(warm) + (power > 1 ? "^#{power}" : "")] if power.positive?)].join(" · ") }.join(" + ").gsub("+ -", "− ")
        work("temperature", "#{text}, in °F", WARM.each_with_index.sum { |c, power| c * (warm**power) })
      end
    end
  end
end
