# frozen_string_literal: true

module Lattice
  module Engine
    # Which face meets which is looked for anew once what slides has come to rest, until it moves no farther; so that it may slide on and on. Pressures
    # and what friction holds go along with their nodes.
    module SlidingFar
      V = Shape::Vectors
      FOLLOWS = 0.02 # of an element's size, from which it is looked for anew

      # As it was where it came to rest last.
      # @param memory [Hash] see Memory
      def recall(memory)
        lay(@nodes + @dofs.spread(memory[:@origin])) if memory[:@origin]
        super
      end

      private

      # @return [Boolean] whether what meets has changed, and must come to rest once more
      def followed?
        return false unless @condition.slides_far? && (V.norm(across(@slip)) / @size).max > FOLLOWS

        pressure, held, gone = [@pressure, @held, slid].map { |values| spread_of(values) }
        return false unless lay_at(@moved)

        @gone = gone
        @pressure = pressure[@rows].dup
        @held = held[@rows, true].dup
        @last = Numo::DFloat.zeros(@rows.size, 3)
        true
      end

      # @return [Boolean] false where nothing is near any more: what met last stays, apart
      def lay_at(moved)
        lay(@nodes + @dofs.spread(moved))
        @origin = moved
        true
      rescue InvalidInput
        false
      end

      # What a try that fails comes back to.
      def stay = @stayed = [@origin, @gone]

      def turn_back
        origin, @gone = @stayed
        return if origin.equal?(@origin)

        lay(origin ? @nodes + @dofs.spread(origin) : @nodes)
        @origin = origin
      end

      # How far it has slid in all.
      def slid = @gone ? across(@slip) + @gone[@rows, true].dup : across(@slip)

      # Gaps that were taken as none stay so, node by node.
      def shift(nodes)
        return unless @condition.touching?

        @shift ||= spread_of(gap_of(nodes))
        @start -= @shift[@rows]
      end

      # Of rows at their nodes: [n] or [n, 3]
      def spread_of(values)
        Numo::DFloat.zeros(@dofs.nodes, *values.shape.drop(1)).tap { |all| values.ndim == 1 ? all[@rows] = values : all[@rows, true] = values }
      end
    end
  end
end
