# frozen_string_literal: true

module Lattice
  module Mesh
    # Moves inner nodes towards the mean of their neighbours, but never where an
    # element gets worse than it may be.
    class QuadSmoothing
      GOOD = 0.6
      FINE = 0.75

      # @param points [Numo::DFloat] [n, 2 or 3], changed in place
      # @param quads [Numo::Int32] [q, 4]
      # @param fixed [Numo::Int32] nodes that stay
      # @yield [Numo::Int32, Numo::DFloat] nodes and where they are to go; answers the places on the surface
      def initialize(points, quads, fixed, &on_surface)
        @on_surface = on_surface
        @points = points
        @quads = quads
        free = Numo::Int8.zeros(points.shape[0]).fill(1)
        free[fixed] = 0
        @free = free.ne(0).where
        index_neighbours
      end

      def call(rounds: 12)
        return @points if @free.empty?

        rounds.times { relax }
        rounds.times { break unless search }
        @points
      end

      private

      def index_neighbours
        n = @points.shape[0]
        sides = Algebra::Pairs.new([[@quads, [[0, 1], [1, 2], [2, 3], [3, 0]]]])
        @from = sides.low.concatenate(sides.high)
        @to = sides.high.concatenate(sides.low)
        @degree = @from.bincount(minlength: n)[@free]
        @around = Incidence.padded(@quads, n)[@free, true]
      end

      # Only nodes of elements that are not good move, so that the graded rings beside
      # curves keep their depth.
      def relax
        poor = worst_around.lt(FINE).where
        return if poor.empty?

        target = @points[@free, true].dup
        target[poor, true] = mean_of_neighbours[poor, true].dup
        move_to(target)
      end

      def mean_of_neighbours
        n = @points.shape[0]
        target = Numo::DFloat.zeros(@free.size, @points.shape[1])
        @points.shape[1].times { |k| target[true, k] = @from.bincount(@points[@to, k], minlength: n)[@free] / @degree }
        target
      end

      def worst_around
        quality = Quality.quad_jacobian(@points, @quads).concatenate(Numo::DFloat[9.0])
        quality[@around].min(1)
      end

      # All at once; then the nodes of every element that came out worse than it may
      # go back, until there is none. Each round sends more nodes back, so it ends.
      def move_to(target)
        before = Quality.quad_jacobian(@points, @quads)
        old = @points[@free, true].dup
        moved = @on_surface ? @on_surface.call(Numo::Int32.cast(@free), target) : target.dup
        loop do
          @points[@free, true] = moved
          after = Quality.quad_jacobian(@points, @quads)
          worse = Numo::Int32.cast((after < before - 1e-12) & (after < GOOD)).concatenate(Numo::Int32[0])
          back = worse[@around].max(1).ne(0).where
          return if back.empty?

          moved[back, true] = old[back, true]
        end
      end

      # Pattern search for the nodes of poor elements, eight directions at a time.
      def search
        before = worst_around
        poor = before.lt(GOOD * 0.75).where
        return false if poor.empty?

        target = @points[@free, true].dup
        best = before.dup
        start = target.dup
        step = local_size[poor] * 0.12
        one, other = directions.map { |d| d[poor, true].dup }
        8.times do |k|
          trial = start.dup
          trial[poor, true] = start[poor, true] + Shape::Vectors.times(one, step * Math.cos(k * Math::PI / 4)) + Shape::Vectors.times(other, step * Math.sin(k * Math::PI / 4))
          trial = @on_surface.call(Numo::Int32.cast(@free), trial) if @on_surface
          @points[@free, true] = trial
          found = worst_around
          better = poor[(found[poor] > best[poor]).where]
          target[better, true] = trial[better, true]
          best[better] = found[better]
        end
        @points[@free, true] = start
        move_to(target)
        (worst_around[poor] > before[poor] + 1e-3).count.positive?
      end

      # Two unit vectors [free, 2 or 3] along the elements around each node, square to each other.
      def directions
        plane = Numo::DFloat.zeros(@free.size, @points.shape[1])
        return [0, 1].map { |k| plane.dup.tap { |all| all[true, k] = 1.0 } } if @points.shape[1] == 2

        @normals ||= begin
          corners = (0..3).map { |k| @points[@quads[true, k].dup, true] }
          normal = Shape::Vectors.unit(Shape::Vectors.cross(corners[2] - corners[0], corners[3] - corners[1]))
          flat = @quads.flatten
          (0..2).each { |k| plane[true, k] = flat.bincount(Algebra::Gather.repeat(normal[true, k].dup, 4), minlength: @points.shape[0])[@free] }
          Shape::Vectors.unit(plane)
        end
        least = @normals.abs.min_index(axis: 1)
        helper = Numo::DFloat.zeros(@free.size * 3).tap { |flat| flat[least] = 1.0 }.reshape(@free.size, 3)
        one = Shape::Vectors.unit(Shape::Vectors.cross(helper, @normals))
        [one, Shape::Vectors.cross(@normals, one)]
      end

      def local_size
        n = @points.shape[0]
        length = Numo::NMath.sqrt(((@points[@from, true] - @points[@to, true])**2).sum(1))
        @from.bincount(length, minlength: n)[@free] / @degree
      end
    end
  end
end
