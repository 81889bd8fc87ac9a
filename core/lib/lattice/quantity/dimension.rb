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
        "temperature change" => of(temperature: 1),
        "force" => of(mass: 1, length: 1, time: -2),
        "inertia" => of(mass: 1, length: 2),
        "moment" => of(mass: 1, length: 2, time: -2),
        "stress" => of(mass: 1, length: -1, time: -2),
        "stiffness" => of(mass: 1, time: -2),
        "line load" => of(mass: 1, time: -2),
        "bed stiffness" => of(mass: 1, length: -2, time: -2),
        "density" => of(mass: 1, length: -3),
        "acceleration" => of(length: 1, time: -2),
        "velocity" => of(length: 1, time: -1),
        "frequency" => of(time: -1),
        "film" => of(mass: 1, time: -3, temperature: -1),
        "power" => of(mass: 1, length: 2, time: -3),
        "power per area" => of(mass: 1, time: -3),
        "expansion" => of(temperature: -1),
        "conductivity" => of(mass: 1, length: 1, time: -3, temperature: -1)
      }.freeze

      # The largest size that is taken of a kind, in SI: far beyond anything that is built, and near
      # enough to 1 that squares and products of such numbers stay numbers.
      LARGEST = {
        "ratio" => 1e9, "length" => 1e5, "area" => 1e10, "volume" => 1e15, "second moment" => 1e20, "angle" => 1e4, "mass" => 1e15, "time" => 1e12,
        "temperature" => 1e6, "temperature change" => 1e6,
        "force" => 1e15, "inertia" => 1e25, "moment" => 1e18, "stress" => 1e15, "stiffness" => 1e18, "line load" => 1e15, "bed stiffness" => 1e21, "density" => 1e13,
        "acceleration" => 1e9, "velocity" => 1e7, "frequency" => 1e12, "film" => 1e9, "power" => 1e15, "power per area" => 1e15, "expansion" => 1e3, "conductivity" => 1e9
      }.freeze

      # The least that is not zero.
      LEAST = Hash.new(1e-30).merge("length" => 1e-12, "stress" => 1e-9, "ratio" => 1e-18).freeze

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
