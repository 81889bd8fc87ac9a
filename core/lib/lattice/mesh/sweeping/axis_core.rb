# frozen_string_literal: true

module Lattice
  module Mesh
    module Sweeping
      # The middle of a revolved body beside a piece of its axis: a disc of quadrilaterals,
      # swept along the axis from the side that ends there to the side at the other end. What is
      # left of the outline keeps off the axis and is turned about it.
      class AxisCore
        SHARE = 0.5 # of what is free beside the axis, that the core takes
        NEAR = 1e-9 # of the outline

        # A core: its radius, the sides of the outline at its lower and upper end, and the key of
        # the line that it meets the rest at.
        Core = Struct.new(:radius, :lower, :upper, :key) do
          # @return [Float] m along the axis, at the core's radius
          def length = top - bottom
          def bottom = height(lower, Numo::DFloat[radius])[0]
          def top = height(upper, Numo::DFloat[radius])[0]

          # @param radii [Numo::DFloat]
          # @param share [Float] from the lower end to the upper
          # @return [Numo::DFloat] heights
          def heights(radii, share) = (height(lower, radii) * (1 - share)) + (height(upper, radii) * share)

          private

          # Of a side's part within the core.
          def height(side, radii)
            return (radii * ((side.to[1] - side.from[1]) / (side.to[0] - side.from[0]))) + height_on_axis(side) if side.is_a?(Shape::Line)

            sign = side.points(Numo::DFloat[0.5])[0, 1] <=> side.centre[1]
            (Numo::NMath.sqrt((side.radius**2) - ((radii - side.centre[0])**2)) * sign) + side.centre[1]
          end

          def height_on_axis(side) = side.from[0].abs < side.to[0].abs ? side.from[1] : side.to[1]
        end

        # cores, and the outline without them
        attr_reader :cores, :outline

        # @param outline [Shape::Outline] that touches the axis, x = 0
        # @return [AxisCore, nil] nil when there is no room for cores
        def self.of(outline)
          found = new(outline)
          found if found.outline
        end

        def initialize(outline)
          @near = outline.size * NEAR
          @cores = []
          sides = outline.boundary.segments
          return unless sides.each_index.none? { |i| axis?(sides[i]) && axis?(sides[i - 1]) }
          return unless sides.each_index.all? { |i| axis?(sides[i]) || off_axis?(sides, i) }

          @room = room(outline, sides)
          kept = trimmed(sides) or return
          @outline = Shape::Outline.new(outline.name, Shape::Loop.new(kept, outline.boundary.name), outline.holes)
        end

        private

        def axis?(side) = side.is_a?(Shape::Line) && [side.from, side.to].all? { |p| p[0].abs < @near }

        # Sides may touch the axis where they end at a piece of it.
        def off_axis?(sides, index)
          side = sides[index]
          return true if side.is_a?(Shape::Arc) && side.closed?

          [[side.from, sides[index - 1]], [side.to, sides[(index + 1) % sides.size]]].all? { |point, other| point[0] > @near || axis?(other) }
        end

        # How far off the axis sides are that do not end there, and how far those reach that do.
        def room(outline, sides)
          ending = sides.each_index.select { |i| !axis?(sides[i]) && (axis?(sides[i - 1]) || axis?(sides[(i + 1) % sides.size])) }
          others = (sides.reject.with_index { |side, i| axis?(side) || ending.include?(i) } + outline.holes.flat_map(&:segments)).map { |side| least(side) }
          [*others, *ending.map { |i| reach(sides[i]) }].min
        end

        def sampled(side) = side.points(Numo::DFloat.linspace(0, 1, 65))[true, 0]
        def least(side) = sampled(side).min

        # The part of a side from the axis on over which it leads away from it.
        def reach(side)
          x = sampled(side).to_a
          x.reverse! if x[0] > x[-1]
          x.each_cons(2).take_while { |a, b| b > a }.map(&:last).last || 0.0
        end

        # @return [Array, nil] the sides, with a line along each core in the place of the axis
        def trimmed(sides)
          radius = @room * SHARE
          return nil unless radius > @near

          kept = sides.dup
          sides.each_index.select { |i| axis?(sides[i]) }.each do |i|
            above = (i - 1) % sides.size
            below = (i + 1) % sides.size
            upper, kept[above] = parted(kept[above], radius, ends: true)
            lower, kept[below] = parted(kept[below], radius, ends: false)
            @cores << Core.new(radius, lower, upper, "core #{@cores.size + 1}")
            kept[i] = Shape::Line.new(kept[above].to, kept[below].from, @cores.last.key)
          end
          kept if @cores.all? { |core| core.length > radius * 0.1 }
        end

        # @param ends [Boolean] whether the side ends on the axis, or starts there
        # @return [Array] the part of a side within the core, and the rest
        def parted(side, radius, ends:)
          cut = Shape::Line.new([radius, -1e3 * (1 + radius)], [radius, 1e3 * (1 + radius)], "cut")
          shares = Shape::Meeting.crossings(side, cut).filter_map { |point| Shape::Meeting.share_of(side, point, @near * 100) }
          share = ends ? shares.max : shares.min
          parts = [Shape::Meeting.part(side, 0.0, share, side.key), Shape::Meeting.part(side, share, 1.0, side.key)]
          ends ? parts.reverse : parts
        end
      end
    end
  end
end
