# frozen_string_literal: true

module Lattice
  module Verdict
    # Whether a model whose bodies, supports, joins and loads are alike on both sides of a plane answers alike there: what differs
    # tells of an uneven mesh. Where likeness cannot be told (movements and temperatures that are given), nothing is claimed.
    class Symmetry
      ALIKE = 0.01 # of the extent, or of all forces, within which sides are taken to be alike
      OUTSIDE = 0.05 # of a reference element, that a mirrored point may lie outside
      MOST = 3000 # points that are compared
      UNTOLD = %w[displacement motion temperature temperature_map pressure_map displacement_map].freeze
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
        return unless bodies_alike?(axis, middle) && loads_alike?(axis, middle, high - low) && conditions_alike?(axis, middle, high - low)

        points, along = mirrored(axis, middle) || return
        differs(points, along).then { |share| { axis: "xyz"[axis], at: middle, difference: share, holds: share < FAR } }
      end

      # Every body has its like, of the same material and section, where it is mirrored.
      def bodies_alike?(axis, middle)
        all = @problem.parts.bodies.map { |b| [b.bounds, [@problem.materials.to_h[b.name], b.make, b.wall, b.members? && @problem.sections.names(b.name)]] }
        all.all? do |bounds, made|
          low, high = bounds.map(&:dup)
          low[axis], high[axis] = [high[axis], low[axis]].map { |c| (2 * middle) - c }
          all.any? { |other, as| as == made && [low, high].flatten.zip(other.flatten).all? { |a, b| (a - b).abs < ALIKE * @problem.parts.size } }
        end
      end

      # What acts across the plane is as large the other way on its other side, what acts along it as large the same way: told by
      # sums and by moments of first, second and third order.
      def loads_alike?(axis, middle, extent)
        load = @result.load(@frame)
        size = load.abs.sum
        return false if size.zero?

        arm = (grid.nodes[true, axis] - middle) / (extent / 2)
        [0, 2].all? { |power| (load[true, axis] * (arm**power)).sum.abs < ALIKE * size } &&
          ([0, 1, 2] - [axis]).product([1, 3]).all? { |k, power| (load[true, k] * (arm**power)).sum.abs < ALIKE * size }
      end

      # Whatever holds, joins or weighs has one that says the same on the other side, itself perhaps.
      def conditions_alike?(axis, middle, extent)
        others = @problem.conditions.reject(&:loads?)
        return false if @problem.conditions.any? { |c| UNTOLD.include?(c.statement.kind) } || others.any? { |c| c.class.targets.nil? }

        told = others.map { |c| [[c.class, Model::Meaning.of(c.statement, except: %w[target to])], grid.nodes[grid.nodes_of(c.places), axis].minmax] }
        told.all? { |says, (low, high)| told.any? { |same, (least, most)| same == says && [low + most, high + least].all? { |sum| ((sum / 2) - middle).abs < ALIKE * extent } } }
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
