# frozen_string_literal: true

module LatticeServer
  module Store
    # The digests that follow from a revision: of its mesh, and of the results and findings of its studies.
    class State
      # @param sketch [Hash] see Building::Sketch
      # @return [String] as it is kept
      def self.of(sketch) = JSON.generate(computation: Lattice::COMPUTATION, mesh: sketch[:mesh], studies: sketch[:studies])

      # @param data [Hash] parsed
      def initialize(data)
        @data = data
      end

      # @return [Boolean] whether it is of the computation in force
      def current? = @data["computation"] == Lattice::COMPUTATION
      def studies = @data["studies"]
      def digests = [@data["mesh"], *studies.flat_map { |s| s.values_at("findings", "result", "mesh") }].compact
    end
  end
end
