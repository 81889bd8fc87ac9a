# frozen_string_literal: true

module Lattice
  module Element
    module Large
      # Frames that do not turn: of rings, whose movements are taken to be small.
      class StillFrame
        # @param start [Numo::DFloat] [e, n, 3] nodes where nothing has moved
        def initialize(start)
          @start = start
          @arms = start - (start.sum(1) / start.shape[1]).reshape(start.shape[0], 1, 3)
        end

        def axes = 1

        # @see FittedFrame#call
        def call(range, places, _turns)
          moved = places - @start[range, true, true]
          [Rotation.none(places.shape[0]), @arms[range, true, true] + moved, Numo::DFloat.zeros(*places.shape, 1)]
        end
      end
    end
  end
end
