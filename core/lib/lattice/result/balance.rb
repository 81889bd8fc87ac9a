# frozen_string_literal: true

module Lattice
  module Result
    # Resultants and moments about the origin of the loads and of the reactions, and what is left
    # over as a share of the sizes of all forces that act. In a ring only what acts along its axis
    # has a resultant: the rest holds itself.
    class Balance
      # @param grid [Mesh::Grid]
      # @param state [State]
      # @param ring [Boolean]
      # @param places [Numo::DFloat] [n, 3] where the nodes are
      def initialize(grid, state, ring, places = grid.nodes)
        @places = places
        @state = state
        @ring = ring
      end

      # @return [Hash] load, reaction, load_moment, reaction_moment: arrays of three; error: a ratio; size: of all forces, N
      def to_h
        size = [@state.load, @state.reaction].sum { |table| Numo::NMath.sqrt((table**2).sum(1)).sum } + (turned / extent)
        { load: @state.load.sum(0).to_a, reaction: @state.reaction.sum(0).to_a, load_moment: moment(@state.load, @state.moment_load).to_a,
          reaction_moment: moment(@state.reaction, @state.moment_reaction).to_a, error: size.zero? ? 0.0 : left_over / size, size: size }
      end

      private

      # Sizes of the moments at nodes, N m
      def turned = [@state.moment_load, @state.moment_reaction].compact.sum { |table| Numo::NMath.sqrt((table**2).sum(1)).sum }
      def extent = @extent ||= [norm(@places.max(0) - @places.min(0)), 1e-12].max

      # The greater of the resultant and of the moment about the middle over the size of the part.
      # @return [Float] N
      def left_over
        all = @state.load + @state.reaction
        return all[true, 1].sum.abs if @ring

        middle = (@places.max(0) + @places.min(0)) / 2
        turns = @state.moment_load && (@state.moment_load + @state.moment_reaction)
        [norm(all.sum(0)), norm(moment(all, turns, middle)) / extent].max
      end

      def moment(table, turns, about = Numo::DFloat.zeros(3))
        x, y, z = (0..2).map { |k| @places[true, k] - about[k] }
        fx, fy, fz = (0..2).map { |k| table[true, k] }
        own = turns ? turns.sum(0) : Numo::DFloat.zeros(3)
        own + Numo::DFloat[((y * fz) - (z * fy)).sum, ((z * fx) - (x * fz)).sum, ((x * fy) - (y * fx)).sum]
      end

      def norm(vector) = Math.sqrt((vector**2).sum)
    end
  end
end
