# frozen_string_literal: true

module Lattice
  module Shape
    # Completes half of a loop by its mirror image.
    module Mirrored
      module_function

      # @param half [Array<Corners::Corner>] from the mirror line to the mirror line
      # @param axis [String] "x": mirrored in the line x = at
      # @param at [Float] m
      # @return [Array<Corners::Corner>] the whole loop
      def call(half, axis, at)
        k = axis == "x" ? 0 : 1
        flip = ->(point) { point && point.dup.tap { |p| p[k] = (2 * at) - p[k] } }
        on_line = ->(corner) { (corner.at[k] - at).abs < 1e-12 }
        image = half.each_with_index.map do |corner, i|
          side = half[i - 1] if i.positive?
          corner.dup.tap do |c|
            c.at = flip.call(corner.at)
            c.through = side && flip.call(side.through)
            c.centre = side && flip.call(side.centre)
            c.turn = side&.turn
            c.side = side ? "#{side.side} mirrored" : "closing side"
          end
        end
        joined(half, image.reverse, on_line)
      end

      # Where the half ends on the mirror line, its corner and the image's are one, and the
      # image's side leaves it.
      def joined(half, image, on_line)
        if on_line.call(half.last)
          last = image.shift.tap { |c| c.fillet = half.last.fillet }
          half = [*half[0...-1], last]
        end
        image = image[0...-1] if on_line.call(half.first)
        half + image
      end
    end
  end
end
