# frozen_string_literal: true

module Lattice
  module Engine
    # Two regions that press on each other: in every dual row a gap, the pressure that closes it, and what friction holds. The
    # pressure is a multiplier, found by a stiff bed that is corrected until nothing goes into anything (augmented). Friction is limited by the
    # pressure of the correction before, which keeps the tangent symmetric.
    # M. A. Puso, T. A. Laursen, A mortar segment-to-segment contact method for large deformation solid mechanics, 2004.
    class Touch
      include Memory
      include SlidingFar

      remembers :@pressure, :@held, :@last, :@fresh, :@kept, :@origin, :@gone, :@shift, :@stayed

      V = Shape::Vectors
      STIFF = 100.0 # of E / h, of the bed
      GRIP = 1.0 # of E / h, of what friction holds
      SLIDING = 1e-3 # of the grip, in the tangent of what slides
      NEAR = 0.02 # of an element's size, from which rows are taken to touch before anything is known
      CLOSED = 1e-3 # of an element's size, within which a gap is none
      AT_LIMIT = 0.99 # of what friction holds, from which it is told to slide
      ENOUGH = 1e-4 # change of the greatest pressure

      attr_reader :condition

      # @param structure [System::Structure]
      # @param condition [Load::Conditions::Touch]
      # @param nodes [Numo::DFloat] [n, 3] where they start
      # @raise [InvalidInput] when nothing lies within reach
      def initialize(structure, condition, nodes)
        @structure = structure
        @condition = condition
        @dofs = structure.dofs
        @dimension = structure.grid.dimension
        @nodes = nodes
        lay(nodes)
        @origin = nil
        count = @weights.size
        @pressure = Numo::DFloat.zeros(count)
        @held = Numo::DFloat.zeros(count, 3)
        @last = Numo::DFloat.zeros(count, 3)
        @fresh = true
        keep
      end

      # @param moved [Numo::DFloat] [unknowns]
      # @return [Numo::DFloat] [unknowns] forces inside
      def forces(moved)
        find(moved)
        push = V.times(@normals, @presses * @weights) - V.times(@drag, @weights)
        scattered(push).tap { |force| @bears = Math.sqrt((force**2).sum) }
      end

      # @return [Float] N, its forces at the last pose, against which what is left over may be measured: a fit presses without any load
      def bears = @bears || 0.0

      # @return [Algebra::Sparse] lower triangle
      def tangent
        stiff = @bed * @weights * Numo::DFloat.cast(@fresh ? @gaps < (@size * NEAR) : @presses > 0)
        across = friction? || @fresh ? stiff * (GRIP / STIFF) : stiff * 0
        outer = Numo::Linalg.matmul(@normals.reshape(stiff.size, 3, 1), @normals.reshape(stiff.size, 1, 3))
        blocks = outer * stiff.reshape(stiff.size, 1, 1)
        blocks += held_across(outer) * across.reshape(stiff.size, 1, 1)
        @fresh = false
        lower(blocks)
      end

      # @return [Integer] places that press now
      def pressing = (@presses > 0).count_true

      # Corrects the pressure.
      # @return [Boolean] whether nothing changes any more
      def settle
        most = [@presses.max, Float::MIN].max
        change = (@presses - @pressure).abs.max + V.norm(@drag - @held).max
        @pressure = @presses.dup
        @held = @drag.dup
        @last = @slip.dup
        !followed? && change <= most * ENOUGH
      end

      # What has come to rest stays.
      def keep
        @kept = [@pressure, @held, @last, @fresh]
        stay
      end

      # A try that failed leaves nothing behind.
      def back
        turn_back
        @pressure, @held, @last, @fresh = @kept
      end

      # At every node: pressure Pa, gap m, slip m, and how it is: 1 sticks, 2 slides, 3 open.
      # @return [Numo::DFloat] [n, 4], zero where nothing may touch
      def at_nodes
        table = Numo::DFloat.zeros(@dofs.nodes, 4)
        [@presses, @gaps, V.norm(across(slid)), status].each_with_index { |values, c| table[@rows, c] = values }
        share = (@factors * @weights[@row]).abs * Numo::DFloat.cast(@far)
        sums = @node.bincount(share, minlength: @dofs.nodes)
        others = sums.gt(0).where
        unless others.empty?
          [@presses, @gaps].each_with_index { |values, c| table[others, c] = @node.bincount(share * values[@row], minlength: @dofs.nodes)[others] / sums[others] }
          table[others, 3] = (Numo::DFloat.cast(table[others, 0] > 0) * -2) + 3
        end
        table
      end

      # @return [Hash] N and shares of the area
      def summary
        whole = @weights.sum
        closed = Numo::DFloat.cast(@presses > 0)
        state = status
        share = ->(mark) { (Numo::DFloat.cast(mark) * @weights).sum / whole }
        { force: V.times(@normals, @presses * @weights).sum(0).to_a, normal: (@presses * @weights).sum, shear: Math.sqrt((V.times(@drag, @weights).sum(0)**2).sum), greatest: @presses.max,
          closed: (closed * @weights).sum / whole, sticks: friction? ? share[state.eq(1)] : nil, slides: friction? ? share[state.eq(2)] : nil, into: [-@gaps.min, 0.0].max, size: @size.min }
      end

      # Before anything moves.
      # @return [Hash] least and greatest gap, m; area of what is in reach, m²; shares of it that are closed, apart, and drawn into each other
      def start
        near = @size * CLOSED
        shares = { closed: @start.abs <= near, apart: @start > near, into: @start < near * -1 }.transform_values { |mark| (Numo::DFloat.cast(mark) * @weights).sum / @weights.sum }
        { least: @start.min, greatest: @start.max, area: @weights.sum, nodes: @weights.size, size: @size.min, shares: shares }
      end

      private

      def friction? = @condition.friction.positive?

      # @param nodes [Numo::DFloat] [n, 3] where they are
      def lay(nodes)
        one, other = @sides ||= @condition.sides(@structure)
        found = one.pieces.filter_map { |piece| System::DualRows.over(nodes, piece, other, @condition.reach)&.first }
        @condition.out_of_reach! if found.empty?
        @columns = @gathered = nil
        @rows, @row, @node, @factors, @far, @weights = joined(found)
        @normals = @structure.normals(one.places, @rows, nodes)
        materials = (one.places + other.places).map { |p| @structure.problem.materials[p.body].young }
        deep, long = depth(one, nodes)
        @weights *= deep
        @size = long || (@dimension == 3 ? Numo::DFloat.zeros(@rows.size) + Math.sqrt(one.fineness) : Numo::DFloat.ones(@rows.size) * one.fineness / deep)
        @bed = (materials.min * STIFF) / @size
        @start = gap_of(nodes)
        shift(nodes)
      end

      # How deep plane regions are, and how far it is round a ring: what goes with a node over its length, so that one on the axis has its share.
      # @return [Array] depth m, and of rings what of the length goes with every row, m
      def depth(side, nodes)
        body = @structure.problem.parts.body(side.places[0].body)
        return [@dimension == 3 ? 1.0 : body.thickness, nil] unless body.axisymmetric?

        round, along = [:ring, 1.0].map do |measure|
          side.pieces.sum { |p| p.conn.flatten.bincount(Element::Surface.new(Algebra::Gather.rows(nodes, p.conn), measure, p.kind).shares.flatten, minlength: @dofs.nodes) }
        end
        [round[@rows] / along[@rows], along[@rows].dup]
      end

      # Rows by their nodes: that node, then entries (row, node, factor, whether on the other side), and the area of each.
      def joined(found)
        raise @condition.statement.fault("one of its sides has faces of several shapes", path: "target", cure: "Mesh it with one shape of elements, or use one statement for each.") if found.size > 1

        found[0].call
        own = found[0].own
        plain = found[0].plain
        rows = Algebra::Gather.distinct([own.nodes])
        rank = Numo::Int32.zeros(@dofs.nodes).tap { |all| all[rows] = Numo::Int32.new(rows.size).seq }
        row = rank[own.nodes].concatenate(rank[plain.nodes])
        far = Numo::Int32.zeros(own.nodes.size).concatenate(Numo::Int32.ones(plain.nodes.size))
        [rows, row, own.others.concatenate(plain.others), own.factors.concatenate(plain.factors * -1), far, found[0].node_weight[rows].dup]
      end

      # Rows applied to vectors at nodes: [rows, 3]
      def applied(table)
        Numo::DFloat.zeros(@rows.size, 3).tap { |all| 3.times { |c| all[true, c] = @row.bincount(table[@node, c] * @factors, minlength: @rows.size) } }
      end

      def gap_of(places) = V.dot(applied(places), @normals) * -1
      def across(vectors) = vectors - V.times(@normals, V.dot(vectors, @normals))

      def find(moved)
        @moved = moved
        @slip = applied(@dofs.spread(@origin ? moved - @origin : moved))
        @gaps = @start - V.dot(@slip, @normals)
        @presses = (@pressure - (@bed * @gaps)).clip(0, nil)
        @drag = friction? ? dragged : Numo::DFloat.zeros(@rows.size, 3)
      end

      # Tractions that hold the one side back, as far as friction does.
      def dragged
        # What was corrected already holds what moved before the correction.
        wanted = @held - V.times(across(@slip - @last), @bed * (GRIP / STIFF))
        limit = (@pressure.gt(0).any? ? @pressure : @presses) * @condition.friction
        size = V.norm(wanted)
        @slides = (size > limit) & (@presses > 0)
        @limit = limit
        @wanted = wanted
        @short = Numo::DFloat.minimum(limit / Numo::DFloat.maximum(size, Float::MIN), 1.0)
        V.times(wanted, @short * Numo::DFloat.cast(@presses > 0))
      end

      # What friction holds across the normal: all where a row sticks; where it slides, what turns the way it slides, and a little.
      def held_across(outer)
        all = Element::Large::Rotation.none(@weights.size) - outer
        return all if @fresh || !friction? || !@slides

        at = @slides.where
        return all if at.empty?

        along = V.unit(@wanted[at, true].dup)
        way = Numo::Linalg.matmul(along.reshape(at.size, 3, 1), along.reshape(at.size, 1, 3))
        all[at, true, true] = ((all[at, true, true] - way) * @short[at].reshape(at.size, 1, 1)) + (way * SLIDING)
        all
      end

      def status
        closed = Numo::DFloat.cast(@presses > 0)
        # Once corrected, what slides is held by all that friction holds, and no farther.
        sliding = friction? ? Numo::DFloat.cast(@slides | (V.norm(@drag) > @limit * AT_LIMIT)) : Numo::DFloat.ones(@rows.size)
        (closed * (sliding + 1)) + ((1 - closed) * 3)
      end

      # Forces in the rows, at the nodes of both sides.
      def scattered(push)
        %i[x y z].first(@dimension).each_with_index.reduce(Numo::DFloat.zeros(@dofs.size)) do |sum, (name, c)|
          sum + @dofs.at(@node, name).bincount(push[@row, c] * @factors, minlength: @dofs.size)
        end
      end

      # Gᵀ D G of blocks [rows, 3, 3].
      def lower(blocks)
        @columns ||= %i[x y z].first(@dimension).map { |name| @dofs.at(@node, name) }
        height = @rows.size * @dimension
        @gathered ||= Algebra::Sparse.from_entries(stacked(@columns), stacked((0...@dimension).map { |c| (@row * @dimension) + c }), stacked([@factors] * @dimension), @dofs.size, height)
        axes = (0...@dimension).to_a
        pairs = axes.product(axes)
        right = Algebra::Sparse.from_entries(stacked(pairs.map { |i, _| (@row * @dimension) + i }), stacked(pairs.map { |_, c| @columns[c] }),
                                             stacked(pairs.map { |i, c| blocks[@row, i, c] * @factors }), height, @dofs.size)
        @gathered.multiply(right, stype: -1)
      end

      def stacked(lists) = lists.map(&:dup).reduce { |a, b| a.concatenate(b) }
    end
  end
end
