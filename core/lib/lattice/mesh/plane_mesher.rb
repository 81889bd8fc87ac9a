# frozen_string_literal: true

module Lattice
  module Mesh
    # Meshes an outline with quadrilaterals: mapped where it has four sides,
    # otherwise from a Delaunay triangulation at twice the size, paired and halved.
    class PlaneMesher
      ROUNDS = 25

      # Straight-sided quadrilaterals and the pieces of the sides they end on.
      Result = Struct.new(:points, :quads, :border, :segments)

      # @param outline [Shape::Outline]
      # @param plan [SizingPlan] in space
      # @param frame [Shape::Frame] of the outline's plane
      # @param divisions [Hash] index of a segment => Division
      # @param rings [Hash] index of a segment => HoleRings::Ring
      # @param depth [Float] m of the body over the outline
      # @return [Result]
      # @raise [SolveFailed] when the sides cannot be recovered
      # @raise [InvalidInput] when divisions cannot be kept, or rings have no room
      def self.call(outline, plan, frame = Shape::Frame.new, divisions: {}, rings: {}, depth: 0.0)
        return (plan.even? && Mapped.call(outline, plan, divisions)) || new(outline, plan, frame, divisions, depth).call if rings.empty?

        laid = HoleRings.new(outline, rings)
        laid.lay(new(laid.widened, plan, frame, divisions, depth).call)
      end

      def initialize(outline, plan, frame, divisions, depth)
        @outline = outline
        @divisions = divisions
        @sizing = PlaneSizing.new(outline, plan, frame, scale: 2.0, divisions: divisions, depth: depth)
        divisions.each { |index, division| check_even(index, division) }
      end

      def call
        @places = PlanePoints.new(@outline, @sizing, @divisions)
        tri = triangles
        quads, rest = QuadMerge.pair(@places.points, tri, [@places.border.from, @places.border.to])
        points, quads, border = QuadMerge.halve(@places.points, quads, rest, @places.border, @outline.segments)
        QuadSmoothing.new(points, quads, border.from).call
        worst = Quality.quad_jacobian(points, quads).min
        raise SolveFailed.new("the outline “#{@outline.name}” could not be meshed without folded elements", cure: "Choose another mesh size.") if worst <= 0.02

        check_divisions(border)
        Result.new(points, quads, border, @outline.segments)
      end

      private

      # Every side is halved at the end.
      def check_even(index, division)
        return if division.count.even?

        raise InvalidInput.at("“#{@outline.segments[index].key}” cannot have #{division.count} pieces: where quadrilaterals are not mapped, edges have an even number",
                              cure: "Give #{division.count + 1}, or mesh with tetrahedra and triangles.")
      end

      def check_divisions(border)
        @divisions.each do |index, division|
          made = border.segment.eq(index).count
          next if made == division.count

          raise InvalidInput.at("“#{@outline.segments[index].key}” had to be divided into #{made} pieces instead of #{division.count}",
                                cure: "Give as many, or a size nearer to the length of its pieces.")
        end
      end

      # Triangles that keep every border piece: inner points too near to a piece go
      # first, then the piece is halved.
      def triangles
        ROUNDS.times do
          tri = Delaunay.triangles(@places.points)
          missing = missing_pieces(tri)
          return within(tri) if missing.empty?

          @places.split(missing) if @places.clear(missing).zero?
        end
        raise SolveFailed.new("the sides of the outline “#{@outline.name}” could not be meshed", cure: "Choose a smaller mesh size.")
      end

      def missing_pieces(tri)
        sides = Algebra::Pairs.new([[tri, [[0, 1], [1, 2], [2, 0]]]])
        sides.include?(@places.border.from, @places.border.to).eq(0).where
      end

      def within(tri)
        points = @places.points
        border = @places.border
        middle = Algebra::Gather.rows(points, tri).mean(1)
        kept = tri[Shape::Polygon.inside(middle, points[border.from, true], points[border.to, true]).where, true].dup
        Ears.open(points, kept, border)
      end
    end
  end
end
