# frozen_string_literal: true

module Lattice
  module Verdict
    module Hand
      # Which shapes of a result bend a body in a direction: cut into slices along its length, most of its movement is that of
      # slices as a whole, that way.
      class Shapes
        SLICES = 20
        MOSTLY = 0.5 # of the movement

        # @param result [Result::Outcome]
        # @param body [String]
        # @param along [Array<Float>, nil] unit of its length; nil for plates, whose movement is not cut
        def initialize(result, body, along)
          @result = result
          @nodes = result.grid.body_nodes(body)
          return unless along

          place = result.grid.nodes[@nodes, true].dot(Numo::DFloat.cast(along))
          @slice = Numo::Int32.cast(((place - place.min) / (place.max - place.min) * SLICES).floor.clip(0, SLICES - 1))
          @count = @slice.bincount(minlength: SLICES)
        end

        # @param unit [Array<Float>]
        # @yield [Float] the value of a frame; answers whether it counts
        # @return [Result::Frame, nil] the first
        def first(unit) = @result.frames.find { |frame| yield(frame.value) && share(frame.index, unit) > MOSTLY }

        private

        def share(frame, unit)
          moved = @result.displacement(frame)[@nodes, true]
          that_way = moved.dot(Numo::DFloat.cast(unit))
          total = (moved**2).sum
          return 0.0 if total.zero?
          return (that_way**2).sum / total unless @slice

          ((@slice.bincount(that_way, minlength: SLICES)**2) / @count.clip(1, nil)).sum / total
        end
      end
    end
  end
end
