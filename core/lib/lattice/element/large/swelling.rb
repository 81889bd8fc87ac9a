# frozen_string_literal: true

module Lattice
  module Element
    module Large
      # How the elements of a piece swell as they are warmed: in the frames that turn with them, and freely since they came.
      module Swelling
        # How it would swell if nothing held it.
        # @param strain [Numo::DFloat] [e, n] at its nodes
        # @param force [Numo::DFloat] [e, n, names] that it brings, as all was drawn; it is among the loads
        # @param rate [Numo::DFloat, nil] [e, n, names] by which that grows with the level
        def warm(strain, force, rate = nil)
          @warmth = [strain, force]
          @rate = @still ? nil : rate
          @pushes = rate && Numo::DFloat.zeros(*force.shape)
          @swollen = @cold ? @warmth.zip(@cold).map { |now, then_| now - then_ } : @warmth
          @flowing&.warm(@swollen[0])
        end

        # @return [Numo::DFloat, nil] [e, n, names] what a unit of level swells by, at the last pose, more than as all was drawn
        def swelling = @rate && @pushes

        private

        # Free strain since it came: a number, or [e, n].
        def free_strain = @swollen ? @swollen[0] : 0.0

        # What it swells by is among the loads, as all was drawn.
        def loaded(force, range) = @warmth ? force + @warmth[1][range, true, true] : force
      end
    end
  end
end
