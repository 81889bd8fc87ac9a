# frozen_string_literal: true

module Lattice
  module Algebra
    # Many small symmetric matrices at once, with their last unknowns eliminated one by one.
    class Condensing
      # matrices: [e, kept, kept]
      attr_reader :matrices

      # @param all [Numo::DFloat] [e, n, n], used up
      # @param kept [Integer] unknowns that stay, the first ones
      def initialize(all, kept)
        @kept = kept
        @steps = (kept...all.shape[1]).to_a.reverse.map do |dof|
          column = all[true, 0...dof, dof].dup
          share = column / all[true, dof, dof].reshape(all.shape[0], 1)
          all = all[true, 0...dof, 0...dof] - (column.reshape(*column.shape, 1) * share.reshape(share.shape[0], 1, share.shape[1]))
          share
        end
        @matrices = all
      end

      # @return [Numo::DFloat] [e, n - kept, kept] what was eliminated as sums of what is kept
      def followers
        unit = Numo::DFloat.eye(@kept)
        Numo::DFloat.zeros(@matrices.shape[0], @steps.size, @kept).tap do |all|
          @kept.times { |k| all[true, true, k] = whole(Numo::DFloat.zeros(@matrices.shape[0], @kept) + unit[k, true].reshape(1, @kept))[true, @kept..] }
        end
      end

      # @param u [Numo::DFloat] [e, kept]
      # @return [Numo::DFloat] [e, n] with what was eliminated
      def whole(u)
        @steps.reverse.reduce(u) { |found, share| found.concatenate((share * found).sum(1).reshape(u.shape[0], 1) * -1, axis: 1) }
      end
    end
  end
end
