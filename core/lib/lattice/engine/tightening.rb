# frozen_string_literal: true

module Lattice
  module Engine
    # Bolts in stages: while the case that they are tightened in grows, each pulls with the force that it is to have then; else it
    # keeps the shortening that it came to.
    class Tightening
      include Memory

      remembers :@shortening, :@from, :@upto, :@pulling

      # @param structure [System::Structure]
      def initialize(structure)
        @structure = structure
        @bolts = structure.bolts
        cases = structure.problem.cases
        @mine = @bolts.tightened
        @case = @mine.map { |i| cases.index(@bolts.bolts[i].condition.case_name) }
        @forces = Numo::DFloat.cast(@mine.map { |i| @bolts.bolts[i].force })
        @pulls = @bolts.pulls
        @rigidity = Numo::DFloat.cast(@mine.map { |i| @bolts.rigidity[i] })
        @shortening = Numo::DFloat.zeros(@mine.size)
        @pulling = Numo::Bit.zeros(@mine.size)
        @from = @upto = @shortening
      end

      # @param from [Numo::DFloat] [cases]
      # @param upto [Numo::DFloat] [cases]
      def between(from, upto)
        @from, @upto = [from, upto].map { |factors| Numo::DFloat.cast(@case.map { |c| factors[c] }) * @forces }
        @pulling = @from.ne(@upto)
      end

      # Loads at the beginning of a stage, and what they grow by.
      # @return [Array(Numo::DFloat, Numo::DFloat)] [unknowns] each
      def pushes
        [@from, @upto - @from].map { |force| (force * Numo::DFloat.cast(@pulling) / @rigidity).dot(@pulls) }
      end

      # @param u [Numo::DFloat] [unknowns]
      # @return [Numo::DFloat] [unknowns] what tightened bolts hold besides their stiffness
      def forces(u)
        locked = @shortening * (1 - Numo::DFloat.cast(@pulling))
        (locked - (elongations(u) * Numo::DFloat.cast(@pulling))).dot(@pulls) * -1
      end

      # What bolts that pull with a given force do not resist.
      # @return [Array<Array>] unknowns and small matrices of each; see System::DenseBlocks
      def slack
        @pulling.where.to_a.map do |t|
          dofs = @bolts.bolts[@mine[t]].dofs
          along = @bolts.axial(@mine[t])
          [dofs, along.reshape(along.size, 1).dot(along.reshape(1, along.size)) * -@rigidity[t]]
        end
      end

      # Keeps the shortenings at which the forces are what they are.
      # @param u [Numo::DFloat] [unknowns] at the end of a stage
      def lock(u)
        at = @pulling.where
        return if at.empty?

        made = (@upto / @rigidity) - elongations(u)
        @shortening = @shortening.dup.tap { |all| all[at] = made[at] }
      end

      # @return [Numo::DFloat] [bolts] shortenings now
      def shortenings(u, level)
        Numo::DFloat.zeros(@bolts.bolts.size).tap do |all|
          pulled = (((@from + ((@upto - @from) * level)) / @rigidity) - elongations(u)) * Numo::DFloat.cast(@pulling)
          all[@mine] = (@shortening * (1 - Numo::DFloat.cast(@pulling))) + pulled
        end
      end

      private

      def elongations(u) = Numo::DFloat.cast(@mine.map { |i| (@bolts.axial(i) * u[@bolts.bolts[i].dofs]).sum })
    end
  end
end
