# frozen_string_literal: true

module Lattice
  module Engine
    # Weak springs that hold what nothing holds yet, as a part across a gap. They begin anew wherever something has come to rest, again and
    # again until they hold nothing (proximal point method; R. T. Rockafellar, Monotone operators and the proximal point algorithm, 1976):
    # what is found is in balance without them, and where nothing else holds, nothing comes to rest. What they took on the way is told.
    class Steadying
      include Memory

      remembers :@from, :@kept, :@work, :@kept_work

      ENOUGH = 1e-7 # of all forces inside, that they may hold in the end

      # @return [Numo::DFloat] [unknowns] their stiffness
      attr_reader :rate

      # @return [Float] J that they took
      attr_reader :work

      # @param diagonal [Numo::DFloat] [unknowns] of the stiffness
      # @param share [Float] of it
      def initialize(diagonal, share)
        @rate = diagonal.abs * share
        @from = @kept = @now = Numo::DFloat.zeros(diagonal.size)
        @work = @kept_work = @size = 0.0
      end

      # @param moved [Numo::DFloat] [unknowns]
      # @param others [Numo::DFloat] [unknowns] forces inside besides
      # @return [Numo::DFloat] [unknowns]
      def forces(moved, others)
        @now = moved
        @size = Math.sqrt((others**2).sum)
        @rate * (moved - @from)
      end

      # @return [Boolean] whether they hold nothing any more
      def settle
        step = @now - @from
        held = @rate * step
        @work += held.dot(step) / 2
        @from = @now
        Math.sqrt((held**2).sum) <= @size * ENOUGH
      end

      def keep
        @kept = @from
        @kept_work = @work
      end

      # A try that failed leaves nothing behind.
      def back
        @from = @kept
        @work = @kept_work
      end
    end
  end
end
