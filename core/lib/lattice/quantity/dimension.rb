# frozen_string_literal: true

module Lattice
  module Quantity
    # Exponents of the base dimensions, in the order of BASES.
    class Dimension
      BASES = %i[length mass time temperature angle].freeze

      attr_reader :exponents

      def initialize(exponents)
        @exponents = exponents.freeze
        freeze
      end

      def self.of(**powers)
        new(BASES.map { |base| powers.fetch(base, 0) })
      end

      NONE = of

      # The kinds of quantity a statement can ask for.
      NAMED = {
        "ratio" => NONE,
        "length" => of(length: 1),
        "area" => of(length: 2),
        "volume" => of(length: 3),
        "second moment" => of(length: 4),
        "angle" => of(angle: 1),
        "mass" => of(mass: 1),
        "time" => of(time: 1),
        "temperature" => of(temperature: 1),
        "force" => of(mass: 1, length: 1, time: -2),
        "inertia" => of(mass: 1, length: 2),
        "moment" => of(mass: 1, length: 2, time: -2),
        "stress" => of(mass: 1, length: -1, time: -2),
        "stiffness" => of(mass: 1, time: -2),
        "density" => of(mass: 1, length: -3),
        "acceleration" => of(length: 1, time: -2),
        "frequency" => of(time: -1),
        "expansion" => of(temperature: -1),
        "conductivity" => of(mass: 1, length: 1, time: -3, temperature: -1)
      }.freeze

      # @return [Dimension] by the name of a kind of quantity
      def self.named(name)
        NAMED.fetch(name.to_s)
      end

      def *(other) = Dimension.new(exponents.zip(other.exponents).map(&:sum))
      def /(other) = Dimension.new(exponents.zip(other.exponents).map { |a, b| a - b })
      def **(other) = Dimension.new(exponents.map { |e| e * other })
      def ==(other) = other.is_a?(Dimension) && exponents == other.exponents
      alias eql? ==
      def hash = exponents.hash
      def none? = exponents.all?(&:zero?)

      # @return [String] the name of the kind of quantity, or its base powers
      def to_s
        NAMED.key(self) || BASES.zip(exponents).reject { |_, e| e.zero? }
                                .map { |base, e| e == 1 ? base.to_s : "#{base}^#{e}" }.join("·")
      end
    end
  end
end
