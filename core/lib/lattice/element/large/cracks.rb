# frozen_string_literal: true

module Lattice
  module Element
    module Large
      # Cracks of elements: strain [e], the direction in which each opens [e], rad, and the distance from crack to crack, m, nil where it is not told.
      Cracks = Struct.new(:strain, :angle, :spacing) do
        const_set(:CHUNK, 500) # cracks at a time, each against all elements

        # Width is the mean strain of cracks over the distance from one to the next, times that distance: what single elements say follows the mesh.
        # @param middles [Numo::DFloat] [e, 3] of the elements
        # @return [Numo::DFloat, nil] [k, 5] of those that are open: x, y, direction, strain, width in m (zero where no distance is told); nil where none is
        def table(middles)
          open = strain.gt(0).where
          return if open.empty?

          columns = [middles[open, 0], middles[open, 1], angle[open], strain[open], spacing ? widths(middles, open) : Numo::DFloat.zeros(open.size)]
          Numo::DFloat.hstack(columns.map { |c| c.dup.reshape(open.size, 1) })
        end

        private

        # Along the way that it opens, as far as half the distance to either side, and a quarter across.
        def widths(middles, open)
          open.to_a.each_slice(self.class::CHUNK).map { |some| widths_of(middles, Numo::Int32.cast(some)) }.reduce { |a, b| a.concatenate(b) }
        end

        def widths_of(middles, open)
          x, y = [0, 1].map { |c| middles[true, c].dup.reshape(1, strain.size) - middles[open, c].dup.reshape(open.size, 1) }
          cos, sin = [Numo::NMath.cos(angle[open]), Numo::NMath.sin(angle[open])].map { |v| v.reshape(open.size, 1) }
          near = Numo::DFloat.cast((((x * cos) + (y * sin)).abs <= spacing / 2) & (((y * cos) - (x * sin)).abs <= spacing / 8))
          near.dot(strain) / near.sum(1) * spacing
        end
      end
    end
  end
end
