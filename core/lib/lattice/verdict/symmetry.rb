# frozen_string_literal: true

module Lattice
  module Verdict
    # Whether a model whose shape, supports and loads are alike on both sides of a plane answers alike there: what differs tells
    # of an uneven mesh, or of something that was meant to be symmetric and is not.
    class Symmetry
      ALIKE = 0.01 # of the extent, or of all forces, within which sides are taken to be alike
      OUTSIDE = 0.05 # of a reference element, that a mirrored point may lie outside
      MOST = 3000 # points that are compared
      FAR = 0.05 # of the peak: the answer is not symmetric

      # @param problem [Study::Problem] on whose mesh the result lies
      # @param result [Result::Outcome]
      # @param frame [Integer] a state
      # @param name [String] the field that is compared
      def initialize(problem, result, frame, name)
        @problem = problem
        @result = result
        @frame = frame
        @name = name
      end

      # @return [Array<Hash>] of every plane across an axis about which the model is symmetric: axis, at (m), difference as a
      #   share of the field's peak, holds
      def to_h = (0..2).filter_map { |axis| about(axis) }

      private

      def grid = @result.grid

      def about(axis)
        low, high = grid.nodes[true, axis].minmax
        # A plane model has no other side along z.
        return if high - low <= 0

        middle = (low + high) / 2
        return unless loads_alike?(axis, middle, high - low) && held_alike?(axis, middle, high - low)

        points, along = mirrored(axis, middle) || return
        differs(points, along).then { |share| { axis: "xyz"[axis], at: middle, difference: share, holds: share < FAR } }
      end

      # Nothing acts across the plane in all, and what acts along it lies on both sides alike.
      def loads_alike?(axis, middle, extent)
        load = @result.load(@frame)
        size = load.abs.sum
        return false if size.zero?

        arm = grid.nodes[true, axis] - middle
        others = [0, 1, 2] - [axis]
        load[true, axis].sum.abs < ALIKE * size && others.all? { |k| (load[true, k] * arm).sum.abs < ALIKE * size * extent / 2 }
      end

      def held_alike?(axis, middle, extent)
        @problem.conditions.select(&:holds?).all? do |held|
          at = grid.nodes[grid.nodes_of(held.places), axis]
          @problem.conditions.any? do |other|
            next unless other.holds? && other.components == held.components

            there = grid.nodes[grid.nodes_of(other.places), axis]
            [at.min + there.max, at.max + there.min].all? { |sum| ((sum / 2) - middle).abs < ALIKE * extent }
          end
        end
      end

      # @return [Array(Numo::Int32, Result::Along), nil] points of the skin, and the result at where they are mirrored; nil where the shape has no other side
      def mirrored(axis, middle)
        all = grid.skin.points
        points = all.size > MOST ? all[(0...MOST).map { |i| i * all.size / MOST }].dup : all
        at = grid.nodes[grid.points.nodes[points], true].dup
        at[true, axis] = (at[true, axis] * -1) + (2 * middle)
        along = Result::Along.new(@result, at, reach: reach, outside: OUTSIDE)
        [points, along] if along.lost <= points.size * ALIKE
      end

      # How far from a face a point may lie: half of a wall.
      def reach = @problem.parts.bodies.filter_map { |b| b.faces? ? b.wall.to_f / 2 : nil }.max || (@problem.parts.size * 1e-6)

      def differs(points, along)
        own = @result.field(@name, @frame)
        there = along.values(@name, @frame)
        known = there.isnan.eq(0).where
        (own[points][known] - there[known]).abs.mean / [own.abs.max, 1e-300].max
      end
    end
  end
end
