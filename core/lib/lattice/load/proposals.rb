# frozen_string_literal: true

module Lattice
  module Load
    # Faces of different bodies that lie near each other and look at each other: pairs to join.
    class Proposals
      OPPOSED = -0.7 # cosine of the outward directions of what faces each other
      LEAST = 0.01   # of the smaller face that must lie within reach
      INSIDE = [[1.0 / 3, 1.0 / 3], [0.6, 0.2], [0.2, 0.6], [0.2, 0.2]].freeze # of a triangle, where it is looked at
      MOST = 3000 # points of a face
      AT_ONCE = 400_000
      V = Shape::Vectors

      # one and other: [body, face]; share of the smaller face within reach; least and greatest gap of that, m
      Pair = Struct.new(:one, :other, :share, :least, :greatest, :joined, keyword_init: true)

      # One face: triangles [t, 3, 3], outward units [t, 3], areas [t]
      Side = Struct.new(:body, :name, :corners, :normals, :areas) do
        def area = areas.sum
      end

      # @param problem [Study::Problem]
      # @param reach [Float] m
      def initialize(problem, reach)
        @problem = problem
        @reach = reach
      end

      # @return [Array<Pair>] those that are not joined yet first
      def call
        @sides = @problem.parts.bodies.select { |b| b.solid? || b.faces? }.flat_map { |body| sides(body) }
        return [] if @sides.size < 2

        near.filter_map { |i, j| look(@sides[i], @sides[j]) }.sort_by { |pair| [pair.joined ? 1 : 0, -pair.share] }
      end

      # How the bonds that there are would fare.
      # @return [Array<Hash>] statement, share of the smaller side within its reach, least and greatest gap of that (nil where
      #   nothing is), and the least gap of all
      def bonds
        @problem.conditions.grep(Conditions::Bond).filter_map do |bond|
          sides = [bond.places, bond.others].map { |list| whole(list) }
          next if sides.any?(&:nil?)

          { statement: bond.statement.id, reach: bond.reach, **fare(*sides.sort_by(&:area), bond.reach) }
        rescue InvalidInput
          nil
        end
      end

      private

      def fare(small, large, reach)
        away, weights = gaps(small, large)
        within = (away <= reach).where
        { share: within.empty? ? 0.0 : weights[within].sum / weights.sum, least: within.empty? ? nil : away[within].min, greatest: within.empty? ? nil : away[within].max,
          nearest: away.min.finite? ? away.min : nil }
      end

      # Faces of a side as one; nil for edges.
      def whole(places)
        return nil unless places.all? { |p| p.of == :faces }

        found = places.map { |p| sides(@problem.parts.body(p.body)).find { |side| side.name == p.name } }
        Side.new(found[0].body, found[0].name, *%i[corners normals areas].map { |key| found.map { |side| side[key] }.reduce { |a, b| a.concatenate(b) } })
      end

      def sides(body)
        facets = body.facets
        corners = Algebra::Gather.rows(facets.points, facets.triangles)
        normals, areas = facets.flat
        facets.faces.each_with_index.map do |face, i|
          rows = facets.of(i)
          Side.new(body.name, face.name, corners[rows, true, true].dup, normals[rows, true].dup, areas[rows].dup)
        end
      end

      # Pairs of faces of different bodies whose boxes come within reach.
      def near
        low = Numo::DFloat.vstack(@sides.map { |s| s.corners.min(0).min(0).reshape(1, 3) }) - (@reach / 2)
        high = Numo::DFloat.vstack(@sides.map { |s| s.corners.max(0).max(0).reshape(1, 3) }) + (@reach / 2)
        first, second = Algebra::Boxes.near([low, high], [low, high], (high - low).mean)
        meet = ((first < second) & ((low[first, true] <= high[second, true]) & (low[second, true] <= high[first, true])).all?(1)).where
        return [] if meet.empty?

        first[meet].to_a.zip(second[meet].to_a).uniq.reject { |i, j| @sides[i].body == @sides[j].body }
      end

      # The smaller face against the larger.
      def look(one, other)
        small, large = [one, other].sort_by(&:area)
        facing = cropped(large, small) or return
        away, weights = gaps(small, facing)
        within = (away <= @reach).where
        return if within.empty?

        share = weights[within].sum / weights.sum
        return if share < LEAST

        keys = [[small.body, small.name], [large.body, large.name]]
        Pair.new(one: keys[0], other: keys[1], share: share, least: away[within].min, greatest: away[within].max, joined: joined.any? { |sides| sides[0].intersect?(keys) && sides[1].intersect?(keys) })
      end

      # Those triangles of a side that come within reach of the box about another.
      # @return [Side, nil]
      def cropped(side, other)
        low = other.corners.min(1).min(0).reshape(1, 3) - @reach
        high = other.corners.max(1).max(0).reshape(1, 3) + @reach
        rows = ((side.corners.max(1) >= low) & (side.corners.min(1) <= high)).all?(1).where
        rows.empty? ? nil : Side.new(side.body, side.name, side.corners[rows, true, true].dup, side.normals[rows, true].dup, side.areas[rows].dup)
      end

      # Distances of points of the smaller side to what of the larger looks at them, and the area that each stands for.
      def gaps(small, large)
        points, normals, weights = sampled(small)
        away = Numo::DFloat.zeros(points.shape[0]).fill(Float::INFINITY)
        step = [AT_ONCE / large.areas.size, 1].max
        (0...points.shape[0]).step(step) { |first| measure(away, first...[first + step, points.shape[0]].min, points, normals, large) }
        [away, weights]
      end

      def sampled(side)
        at = INSIDE.map { |r, s| (side.corners[true, 0, true] * (1 - r - s)) + (side.corners[true, 1, true] * r) + (side.corners[true, 2, true] * s) }
        points = Numo::DFloat.vstack(at)
        normals = Numo::DFloat.vstack([side.normals] * INSIDE.size)
        weights = Numo::DFloat.hstack([side.areas] * INSIDE.size)
        return [points, normals, weights] if points.shape[0] <= MOST

        some = Numo::Int32.cast(Numo::DFloat.new(MOST).seq * points.shape[0].fdiv(MOST))
        [points[some, true].dup, normals[some, true].dup, weights[some].dup]
      end

      # Distances of a range of points to what looks at them.
      def measure(away, range, points, normals, large)
        count = large.areas.size
        p = Numo::Int32.new(range.size).seq(range.begin).reshape(range.size, 1).then { |rows| (rows + Numo::Int32.zeros(1, count)).flatten }
        t = (Numo::Int32.zeros(range.size, 1) + Numo::Int32.new(1, count).seq).flatten
        facing = (V.dot(normals[p, true].dup, large.normals[t, true].dup) < OPPOSED).where
        return if facing.empty?

        p = p[facing].dup
        t = t[facing].dup
        _, squares = Mesh::Remeshing::ClosestPoint.call(points[p, true].dup, *(0..2).map { |k| large.corners[t, k, true].dup })
        found = Numo::DFloat.zeros(range.size, count).fill(Float::INFINITY)
        found[((p - range.begin) * count) + t] = Numo::NMath.sqrt(squares)
        away[range] = found.min(1)
      end

      # Both sides of every join that there is, and of what may touch.
      def joined
        @joined ||= @problem.conditions.select { |c| c.joins? || c.touches? }.filter_map do |condition|
          [condition.places, condition.is_a?(Join) ? condition.others : condition.places].map { |list| list.map(&:key) }
        rescue InvalidInput
          nil
        end
      end
    end
  end
end
