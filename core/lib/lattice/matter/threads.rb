# frozen_string_literal: true

module Lattice
  module Matter
    # Sizes of bolts and their property classes: as they ship with the product, or of one's own.
    class Threads
      TABLE = JSON.parse(File.read(File.expand_path("../../../data/threads.json", __dir__))).freeze
      YOUNG = 205e9 # of bolt steels, Pa
      POISSON = 0.3
      SHEARED = 1 / Math.sqrt(3) # of what pulls that shears, after von Mises
      LARGE = 0.016 # m, above which some classes are stronger
      LOST = 0.9382 # pitches by which the diameter of the stress area is less than the thread's, ISO 898-1
      FLATS = 1.5   # diameters across the flats of a head, where they are not told

      # @return [Hash] of a bolt of one's own: name, diameter, pitch, stress_area, head, proof as typed
      # @raise [InvalidInput]
      def self.own!(bolt)
        written = { "id" => "own", "kind" => "bolt", "target" => "", "size" => bolt.slice("name", "diameter", "pitch", "stress_area", "head"), "class" => bolt.slice("name", "proof") }
        new(written["size"], written["class"]).check!(Model::Statement.new(written))
        bolt
      end

      # @param size [String, Hash] such as "M10", or name, diameter, pitch, stress area and head
      # @param grade [String, Hash] such as "8.8", or name and proof strength
      def initialize(size, grade)
        @row = size.is_a?(Hash) ? size : TABLE["sizes"].fetch(size).merge("name" => size)
        @class = grade.is_a?(Hash) ? grade : TABLE["classes"].fetch(grade).merge("name" => grade)
      end

      def size = @row["name"]
      def grade = @class["name"]

      # SI: m, m², Pa
      def diameter = Quantity.parse(@row["diameter"], "length")
      def pitch = @row["pitch"] && Quantity.parse(@row["pitch"], "length")
      def head = @row["head"] ? Quantity.parse(@row["head"], "length") : FLATS * diameter
      def stress_area = @row["stress_area"] ? Quantity.parse(@row["stress_area"], "area") : Math::PI / 4 * ((diameter - (LOST * pitch))**2)
      def proof = Quantity.parse((diameter > LARGE && @class["above_16_mm"]) || @class["proof"], "stress")
      def proof_force = proof * stress_area

      # @return [Float] N that it may be sheared with, through its thread
      def shear_force = proof_force * SHEARED

      # @param statement [Model::Statement] that it is written in
      # @raise [InvalidInput] for a thread of one's own that is none
      def check!(statement)
        wrong = ->(message, path, cure) { raise statement.fault("its #{message}", path: path, cure: cure) }
        wrong.call("diameter is not above zero", "size", "Give a length above zero.") unless diameter.positive?
        wrong.call("proof strength is not above zero", "class", "Give a stress above zero.") unless proof.positive?
        wrong.call("thread has neither a pitch nor a stress area", "size", "Give one of them.") unless pitch || @row["stress_area"]
        wrong.call("pitch is not between zero and half its diameter", "size", "Give the distance from thread to thread.") if pitch && !pitch.between?(diameter * 1e-3, diameter / 2)
        wrong.call("stress area is not less than its shank's", "size", "Give the area of the thread.") unless stress_area.positive? && stress_area < Math::PI / 4 * (diameter**2)
        wrong.call("head is not wider than its shank", "size", "Give its width across the flats.") unless head > diameter
      end
    end
  end
end
