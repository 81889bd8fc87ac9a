# frozen_string_literal: true

module LatticeServer
  module Store
    # Bolts of one's own: a thread with its strength.
    class OwnBolts < OwnEntries
      WORD = "bolt"
      TABLE = :own_bolts
      DIMENSIONS = { "diameter" => "length", "pitch" => "length", "stress_area" => "area", "head" => "length", "proof" => "stress" }.freeze
      FIELDS = DIMENSIONS.keys.freeze

      private

      def ships?(name) = Lattice::Matter::Threads::TABLE.values_at("sizes", "classes").any? { |part| part.key?(name) }

      # By the same rules as a note's own thread.
      # @raise [Lattice::InvalidInput]
      def known!(kept)
        DIMENSIONS.each { |key, dimension| quantity!(kept, key, dimension) }
        missing = %w[diameter proof].find { |key| !kept[key] } and raise Problem.new(422, "the bolt has no #{missing == 'proof' ? 'proof strength' : missing}", cure: "Give it.")
        Lattice::Matter::Threads.own!(kept)
      end
    end
  end
end
