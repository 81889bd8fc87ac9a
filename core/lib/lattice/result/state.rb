# frozen_string_literal: true

module Lattice
  module Result
    # What is kept of one computed state, SI: displacement, load and reaction [n, 3] at the nodes; rotation, moment
    # load and moment reaction [n, 3] where nodes turn (nil elsewhere); stress: for every block of the mesh, by
    # layer, [e, k, 6] at the nodes of its elements; ends: for every block of members [e, 2, 6] N, V2, V3, T, M2, M3, nil for
    # others, and fibres that make stress of them; bolts [m, 2, 6] the same of bolts, nil without; connectors [c, 8], see
    # System::Connectors#rows_of; bars [k] strain of embedded bars,
    # flowed_bars [k] what of it stays, nil where they do not flow; cracks [k, 5], see Element::Large::Cracks#table, nil where nothing cracks;
    # energy in J, nil where it is not that of one solution; warmth [n, 1] K above what is free of stress, nil where nothing is warmed;
    # plastic: for every block of the mesh [e, k] equivalent plastic strain at the nodes of its elements, nil where nothing may yield;
    # free: the same of the strain that temperature alone would bring, nil where nothing is warmed;
    # flow: for every block, as stress, plastic strain (shears are half of the angle), nil where metals do not flow or nobody asks;
    # touch [n, 4] pressure, gap, slip, and 1 sticks, 2 slides, 3 open, 0 elsewhere; nil where nothing touches.
    State = Struct.new(:displacement, :load, :reaction, :rotation, :moment_load, :moment_reaction, :stress, :ends, :fibres, :bolts, :connectors, :bars, :energy,
                       :warmth, :plastic, :free, :flow, :touch, :flowed_bars, :cracks, keyword_init: true) do
      const_set(:TABLES, %i[displacement load reaction rotation moment_load moment_reaction bolts connectors bars warmth touch flowed_bars cracks].freeze)

      # @param terms [Array(State, Float)]
      # @return [State] their sum with factors; linear all through
      def self.sum(terms)
        tables = self::TABLES.to_h { |name| [name, terms[0][0][name] && terms.map { |state, factor| state[name] * factor }.reduce(:+)] }
        # Where states add up, no link lets go.
        tables[:connectors] = tables[:connectors].tap { |all| all[true, 6..7] = Numo::DFloat[[1.0, 0.0]] } if tables[:connectors]
        first = terms[0][0]
        added = ->(&pick) { terms.map { |state, factor| pick.call(state) * factor }.reduce(:+) }
        ends, free = %i[ends free].map { |name| by_block(terms, name) }
        # What is largest and least over a section does not add up: it is read from the forces again.
        stress = first.stress.each_with_index.map { |layers, b| first.fibres[b] ? first.fibres[b].stresses(ends[b]) : layers.keys.to_h { |layer| [layer, added.call { |state| state.stress[b][layer] }] } }
        new(**tables, stress: stress, ends: ends, free: free, fibres: first.fibres, energy: nil)
      end

      # @return [Array<Numo::DFloat, nil>, nil] what adds up, of every block
      def self.by_block(terms, name)
        first = terms[0][0][name] or return
        first.each_index.map { |b| first[b] && terms.map { |state, factor| state[name][b] * factor }.reduce(:+) }
      end
      private_class_method :by_block
    end
  end
end
