# frozen_string_literal: true

module Lattice
  module Mesh
    # The length wanted of a side at any place of an outline: the given one, less at
    # given places, on curves and across thin places, growing gently away from there.
    class PlaneSizing
      FLOOR = 1.0 / 40 # of the given size: nothing finer by itself, unless that is asked for
      MOST_SAMPLES = 3000
      HEIGHTS = 40 # at most, in which regions are looked for

      attr_reader :size

      # @param outline [Shape::Outline]
      # @param plan [SizingPlan]
      # @param frame [Shape::Frame] from the outline's plane to space, in which the plan is
      # @param scale [Float] on every size: the triangulation before halving is twice as coarse
      # @param divisions [Hash] index of a segment => Division
      # @param depth [Float] m of the body over the outline, within which regions count
      def initialize(outline, plan, frame, scale: 1.0, divisions: {}, depth: 0.0)
        @plan = plan
        @turn = plan.turn * scale * Settings::HALVED
        @size = plan.size * scale
        @depth = depth
        sample(outline)
        @limits = Numo::DFloat.minimum(@curve, thickness_limits / plan.through)
        wish(outline, frame, scale)
        divisions.each { |index, division| grow_from(outline.segments[index], division, scale) }
        @floor = [size * FLOOR, *(plan.local + plan.regions).map { |_, own| own * scale }].min
        @limits = @limits.clip(@floor, size)
        keep = (@limits < size * 0.999).where
        @points = @points[keep, true]
        @limits = @limits[keep]
      end

      # @param points [Numo::DFloat] [n, 2]
      # @return [Numo::DFloat] [n]
      def at(points)
        result = Numo::DFloat.zeros(points.shape[0]).fill(size)
        return result if @limits.size.zero? || result.size.zero?

        step = [1_000_000 / @limits.size, 1].max
        (0...result.size).step(step) do |start|
          range = start...[start + step, result.size].min
          result[range] = ((distances(points[range, true], @points) * @plan.growth) + @limits).min(1)
        end
        result.clip(@floor, size)
      end

      private

      # What the plan asks for near the plane, and in its regions over a lattice of the outline.
      def wish(outline, frame, scale)
        @plan.local.each { |points, size| add(frame.back(points)[true, 0..1].dup, size * scale) }
        @plan.regions.each do |test, size|
          lattice = lattice_of(outline, [size * scale / 2, outline.size / 300].max)
          inside = heights(size).map { |z| test.call(frame.apply(lattice.tap { |at| at[true, 2] = z })) }.reduce(:|).where
          add(lattice[inside, 0..1].dup, size * scale) unless inside.empty?
        end
      end

      def heights(size)
        steps = [(@depth / size * 2).ceil, HEIGHTS].min
        steps.zero? ? [0.0] : (0..steps).map { |k| @depth * k / steps }
      end

      # Beside a divided side elements are as long as its pieces.
      def grow_from(segment, division, scale)
        shares = division.shares
        add(segment.points((shares[0...-1] + shares[1..]) / 2), (shares[1..] - shares[0...-1]) * (segment.length * scale))
      end

      # @param limit [Float, Numo::DFloat] at each of the points
      def add(points, limit)
        @points = Numo::DFloat.vstack([@points, points])
        @limits = @limits.concatenate(Numo::DFloat.zeros(points.shape[0]) + limit)
      end

      def lattice_of(outline, pitch)
        (x0, y0), (x1, y1) = outline.bounds
        nx, ny = [x1 - x0, y1 - y0].map { |d| (d / pitch).ceil + 1 }
        Numo::DFloat.zeros(ny, nx, 3).tap do |grid|
          grid[true, true, 0] = (Numo::DFloat.new(1, nx).seq * pitch) + x0
          grid[true, true, 1] = (Numo::DFloat.new(ny, 1).seq * pitch) + y0
        end.reshape(nx * ny, 3)
      end

      def sample(outline)
        step = [size / 3, outline.segments.sum(&:length) / MOST_SAMPLES].max
        parts = outline.segments.map do |segment|
          n = [(segment.length / step).ceil, segment.radius.infinite? ? 2 : (segment.sweep.abs / @turn * 3).ceil].max
          params = (Numo::DFloat.new(n).seq + 0.5) / n
          ahead = segment.points((params + 1e-4).clip(0, 1)) - segment.points((params - 1e-4).clip(0, 1))
          tangent = ahead / Numo::NMath.sqrt((ahead**2).sum(1)).reshape(n, 1)
          [segment.points(params), tangent, Numo::DFloat.zeros(n).fill(segment.radius.infinite? ? size : segment.radius * @turn)]
        end
        @points, tangents = [0, 1].map { |k| Numo::DFloat.vstack(parts.map { |p| p[k] }) }
        @curve = Numo::DFloat.hstack(parts.map { |p| p[2] })
        @inward = Numo::DFloat.zeros(tangents.shape)
        @inward[true, 0] = -tangents[true, 1]
        @inward[true, 1] = tangents[true, 0]
      end

      # Two stretches of outline that face each other across material: the size is
      # at most the distance, so that two elements fit after halving.
      def thickness_limits
        limits = Numo::DFloat.zeros(@points.shape[0]).fill(size)
        n = limits.size
        step = [500_000 / n, 1].max
        (0...n).step(step) do |start|
          range = start...[start + step, n].min
          away = distances(@points[range, true], @points)
          along = [0, 1].map { |k| @points[true, k].reshape(1, n) - @points[range, k].reshape(range.size, 1) }
          ahead = along.each_with_index.sum { |d, k| d * @inward[range, k].reshape(range.size, 1) }
          opposed = [0, 1].sum { |k| @inward[range, k].reshape(range.size, 1) * @inward[true, k].reshape(1, n) }
          facing = (opposed < -0.7) & (ahead > away * 0.7) & (away < size)
          away[(~facing).where] = size
          limits[range] = away.min(1)
        end
        limits
      end

      def distances(a, b)
        x = a[true, 0].reshape(a.shape[0], 1) - b[true, 0].reshape(1, b.shape[0])
        y = a[true, 1].reshape(a.shape[0], 1) - b[true, 1].reshape(1, b.shape[0])
        Numo::NMath.sqrt((x * x) + (y * y))
      end
    end
  end
end
