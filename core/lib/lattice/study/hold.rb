# frozen_string_literal: true

module Lattice
  module Study
    # Lets some cases act first, in few increments, so that others come on top of them.
    class Hold
      FIRST = 0.5

      # @param equations [Engine::Equations]
      # @param study [Model::Statement]
      def initialize(equations, study)
        @equations = equations
        @study = study
      end

      # The level of the equations then grows what comes on top.
      # @param start [Engine::Pose]
      # @param weights [Numo::DFloat, nil] [cases] that act first
      # @param more [Numo::DFloat] [cases] that grow then
      # @yield [Engine::March::Increment]
      # @return [Engine::March::Increment, nil] where it has come to rest; nil where nothing acts first
      # @raise [SolveFailed]
      def call(start, weights, more)
        return unless weights

        @equations.between(weights * 0, weights)
        last = nil
        walk = Engine::March.new(@equations, Engine::Control::Level.new(FIRST, 1.0)).call(start) do |increment|
          last = increment
          yield increment
          :stop if increment.level >= 1 - 1e-9
        end
        unless walk == "done"
          raise SolveFailed.new("it does not bear what acts first#{" beyond #{(last.level * 100).round} %" if last}", statement: @study.id,
                                                                                                                      cure: "Look at it in a static study, or a collapse study of that case alone.")
        end

        @equations.between(weights, weights + more)
        last
      end
    end
  end
end
