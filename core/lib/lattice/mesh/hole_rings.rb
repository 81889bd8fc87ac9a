# frozen_string_literal: true

module Lattice
  module Mesh
    # Rings of quadrilaterals round circular holes of an outline: the rest is meshed as if the
    # holes reached out to the last ring, and the rings are laid between.
    class HoleRings
      # +count+ rings, together +width+ m wide.
      Ring = Struct.new(:count, :width) { def signature = to_a }

      ROOM = 1.05 # of the reach of a ring, from the next side

      # @param outline [Shape::Outline]
      # @param rings [Hash] index of a segment => Ring
      # @raise [InvalidInput] when one has no room, or goes round no circle
      def initialize(outline, rings)
        @outline = outline
        @rings = rings
        rings.each { |index, ring| check(outline.segments[index], ring) }
      end

      # @return [Shape::Outline] with wider holes
      def widened
        replaced = @rings.to_h { |index, ring| [@outline.segments[index].key, ring.width] }
        holes = @outline.holes.map do |hole|
          width = replaced[hole.segments[0].key]
          width ? Shape::Loop.new([hole.circle.dup.tap { |c| c.radius += width }], hole.name) : hole
        end
        Shape::Outline.new(@outline.name, @outline.boundary, holes)
      end

      # @param mesh [PlaneMesher::Result] of the widened outline
      # @return [PlaneMesher::Result] of the outline
      def lay(mesh)
        @points = mesh.points
        @quads = mesh.quads
        border = mesh.border.dup
        border.from = border.from.dup
        border.to = border.to.dup
        @rings.each { |index, ring| lay_one(index, ring, border) }
        PlaneMesher::Result.new(@points, @quads, border, @outline.segments)
      end

      private

      def check(circle, ring)
        hole = @outline.holes.any? { |h| h.circle && h.circle.key == circle.key }
        raise InvalidInput.at("“#{circle.key}” is not the circle of a hole", cure: "Ask for rings round circular holes only.") unless hole

        reach = circle.radius + ring.width
        return if reach * ROOM < room(circle)

        raise InvalidInput.at("a ring #{shown(ring.width)} wide has no room round “#{circle.key}”", cure: "Give a width below #{shown((room(circle) / ROOM) - circle.radius)}.")
      end

      # From the middle of a hole to the nearest other side, or ring about another hole.
      def room(circle)
        centre = Numo::DFloat[circle.centre]
        @outline.segments.each_with_index.filter_map do |other, index|
          next if other.key == circle.key

          at = other.points(Numo::DFloat.new(65).seq / 64)
          Numo::NMath.sqrt(((at - centre)**2).sum(1)).min - (@rings[index]&.width || 0.0)
        end.min
      end

      # Ring by ring from the border of the widened hole to the hole itself.
      def lay_one(index, ring, border)
        circle = @outline.segments[index]
        on = border.segment.eq(index).where
        outer = border.from[on].dup
        after = after_each(outer, border.to[on].dup)
        ring.count.times do |k|
          inner = Numo::Int32.new(outer.size).seq + @points.shape[0]
          radius = circle.radius + (ring.width * (ring.count - 1 - k) / ring.count)
          @points = Numo::DFloat.vstack([@points, drawn_in(outer, circle, radius)])
          @quads = Numo::Int32.vstack([@quads, Numo::Int32.vstack([outer, inner, inner[after].dup, outer[after].dup]).transpose])
          outer = inner
        end
        border.from[on] = outer
        border.to[on] = outer[after]
      end

      # @return [Numo::Int32] the place in +from+ of each of +to+
      def after_each(from, to)
        place = Numo::Int32.zeros(@points.shape[0])
        place[from] = Numo::Int32.new(from.size).seq
        place[to].dup
      end

      def drawn_in(nodes, circle, radius)
        away = @points[nodes, true] - Numo::DFloat[circle.centre]
        (away * (radius / Numo::NMath.sqrt((away**2).sum(1))).reshape(nodes.size, 1)) + Numo::DFloat[circle.centre]
      end

      def shown(length) = Quantity::Display.format(length, "length")
    end
  end
end
