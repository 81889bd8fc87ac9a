# frozen_string_literal: true

module Lattice
  module Result
    # States along a way of loads that grow, in which the part has moved far: it is in balance where it is, not where it is drawn.
    class Way < Outcome
      SLID = 1e-4 # where ground slides, which comes to rest less exactly

      def small? = found[:ground] ? true : false

      def judged(_cases) = (0...frames.size).to_a

      # What touches presses along normals of the one side, so that its moment is not quite that of the other.
      def balanced
        return 1e-3 if state(0).touch

        found[:ground] ? SLID : super
      end

      def balance(frame = 0) = Balance.new(grid, state(frame), ring, grid.nodes + displacement(frame)).to_h
    end
  end
end
