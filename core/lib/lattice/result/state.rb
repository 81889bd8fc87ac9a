# frozen_string_literal: true

module Lattice
  module Result
    # What is kept of one computed state, SI: displacement, load and reaction [n, 3] at the nodes; rotation, moment
    # load and moment reaction [n, 3] where nodes turn (nil elsewhere); stress: for every block of the mesh, by
    # layer, [e, k, 6] at the nodes of its elements; energy in J, nil where it is not that of one solution.
    State = Struct.new(:displacement, :load, :reaction, :rotation, :moment_load, :moment_reaction, :stress, :energy, keyword_init: true) do
      const_set(:TABLES, %i[displacement load reaction rotation moment_load moment_reaction].freeze)

      # @param terms [Array(State, Float)]
      # @return [State] their sum with factors; linear all through
      def self.sum(terms)
        tables = self::TABLES.to_h { |name| [name, terms[0][0][name] && terms.map { |state, factor| state[name] * factor }.reduce(:+)] }
        stress = terms[0][0].stress.each_index.map do |block|
          terms[0][0].stress[block].keys.to_h { |layer| [layer, terms.map { |state, factor| state.stress[block][layer] * factor }.reduce(:+)] }
        end
        new(**tables, stress: stress, energy: nil)
      end
    end
  end
end
