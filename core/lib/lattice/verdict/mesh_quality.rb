# frozen_string_literal: true

module Lattice
  module Verdict
    # What is said of the elements of a mesh before it is solved: poor ones are odd, folded
    # ones stop a solve.
    class MeshQuality
      # @param poor [Array<Hash>] see Mesh::QualityReport#poor; keys may be text, as kept
      # @param units [String] the note's system
      def initialize(poor, units)
        @poor = poor.map { |entry| entry.transform_keys(&:to_sym) }
        @units = units
      end

      # @return [Array<Notice>]
      def notices = @poor.map { |entry| Notice.new(entry[:what] == "folded" ? :stops : :odd, fault(entry)) }

      # @raise [InvalidInput] when elements are folded
      def check!
        faults = notices.select(&:stops?).map(&:fault)
        raise InvalidInput, faults unless faults.empty?
      end

      private

      def fault(entry)
        at = entry[:at].map { |c| Quantity::Display.format(c, "length", system: @units) }.join("; ")
        value = [entry[:worst].round(2), entry[:unit]].compact.join(" ")
        many = entry[:count] == 1 ? "one element is" : "#{entry[:count]} elements are"
        Fault.new(message: "#{many} #{entry[:what]}: the #{entry[:measure]} is #{value} at worst, in “#{entry[:body]}” near #{at}",
                  cure: "Give a smaller size there, or use tetrahedra and triangles; the mesh look shows them.")
      end
    end
  end
end
