# frozen_string_literal: true

module Lattice
  module Matter
    # Sizes of bolts and their property classes, as they ship with the product.
    class Threads
      TABLE = JSON.parse(File.read(File.expand_path("../../../data/threads.json", __dir__))).freeze
      YOUNG = 205e9 # of bolt steels, Pa
      POISSON = 0.3
      SHEARED = 1 / Math.sqrt(3) # of what pulls that shears, after von Mises
      LARGE = 0.016 # m, above which some classes are stronger

      attr_reader :size, :grade

      # @param size [String] such as "M10"
      # @param grade [String] such as "8.8"
      def initialize(size, grade)
        @size = size
        @grade = grade
        @row = TABLE["sizes"].fetch(size)
        @class = TABLE["classes"].fetch(grade)
      end

      # SI: m, m², Pa
      def diameter = Quantity.parse(@row["diameter"], "length")
      def head = Quantity.parse(@row["head"], "length")
      def stress_area = Quantity.parse(@row["stress_area"], "area")
      def proof = Quantity.parse((diameter > LARGE && @class["above_16_mm"]) || @class["proof"], "stress")
      def proof_force = proof * stress_area

      # @return [Float] N that it may be sheared with, through its thread
      def shear_force = proof_force * SHEARED
    end
  end
end
