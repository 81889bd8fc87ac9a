# frozen_string_literal: true

module Lattice
  module Mesh
    # Transfinite quadrilaterals on an outline with four sides and no hole.
    # W. J. Gordon, C. A. Hall, Construction of curvilinear co-ordinate systems, 1973.
    module Mapped
      SQUARE_ENOUGH = 0.35 # least scaled Jacobian, or the sides are not mapped
      FOLDED = 0.1         # the same where divisions are given

      module_function

      # @param divisions [Hash] index of a segment => Division
      # @return [PlaneMesher::Result, nil] nil where the outline is not of that kind
      def call(outline, plan, divisions = {})
        sides = outline.segments
        return nil unless outline.holes.empty? && sides.size == 4

        shares = shares_of(sides, plan, divisions) or return nil
        across, up = shares.first(2).map { |s| s.size - 1 }
        points = patch(*sides.zip(shares).map { |side, s| side.points(s) }, shares)
        quads = grid(across, up)
        return nil if Quality.quad_jacobian(points, quads).min < (divisions.empty? ? SQUARE_ENOUGH : FOLDED)

        PlaneMesher::Result.new(points, quads, border(across, up, shares), sides)
      end

      # @return [Array<Numo::DFloat>, nil] of each side; nil where opposite sides are to be
      #   divided differently
      def shares_of(sides, plan, divisions)
        counts = [[0, 2], [1, 3]].map do |pair|
          given = divisions.values_at(*pair).compact.map(&:count).uniq
          return nil if given.size > 1

          given[0] || pair.map { |side| pieces(sides[side], plan) }.max
        end
        (0..3).map do |side|
          # What is given of one side alone holds on the opposite one.
          division = divisions[side] || divisions[(side + 2) % 4]&.reversed || Division.new(counts[side % 2])
          division.shares
        end
      end

      def pieces(side, plan)
        turn = side.radius.infinite? ? 0 : side.sweep.abs / (plan.turn * Settings::HALVED)
        [((side.length / plan.size) - 1e-6).ceil, turn.ceil, plan.through].max
      end

      # Blend of the four sides less the blend of the four corners.
      # @param bottom [Numo::DFloat] [across + 1, d] and so on: points of the sides, in the
      #   order in which they follow each other
      # @param shares [Array<Numo::DFloat>] of the four sides
      # @return [Numo::DFloat] [(up + 1) (across + 1), d]
      def patch(bottom, right, top, left, shares = nil)
        top = top.reverse(0)
        left = left.reverse(0)
        u, v = blends(bottom.shape[0], right.shape[0], shares)
        columns = (0...bottom.shape[1]).map do |k|
          along = ((1 - v) * row(bottom, k)) + (v * row(top, k))
          over = ((1 - u) * column(left, k)) + (u * column(right, k))
          corner = ((1 - u) * (1 - v) * bottom[0, k]) + (u * (1 - v) * bottom[-1, k]) + (u * v * top[-1, k]) + ((1 - u) * v * top[0, k])
          (along + over - corner).flatten
        end
        Numo::DFloat.vstack(columns).transpose.dup
      end

      # Where points of the patch lie between left and right, and between bottom and top.
      def blends(columns, rows, shares)
        shares ||= [columns, rows, columns, rows].map { |n| Numo::DFloat.new(n).seq / (n - 1) }
        bottom, right, top, left = shares
        top = 1 - top.reverse
        left = 1 - left.reverse
        v = ((left + right) / 2).reshape(rows, 1)
        u = ((1 - v) * bottom.reshape(1, columns)) + (v * top.reshape(1, columns))
        v = ((1 - u) * left.reshape(rows, 1)) + (u * right.reshape(rows, 1))
        [u, v]
      end

      def row(points, component) = points[true, component].reshape(1, points.shape[0])
      def column(points, component) = points[true, component].reshape(points.shape[0], 1)

      def grid(across, up)
        i = Numo::Int32.new(across).seq.reshape(1, across)
        j = Numo::Int32.new(up).seq.reshape(up, 1) * (across + 1)
        corner = (i + j).flatten
        quads = Numo::Int32.zeros(across * up, 4)
        [0, 1, across + 2, across + 1].each_with_index { |offset, k| quads[true, k] = corner + offset }
        quads
      end

      def border(across, up, shares)
        width = across + 1
        nodes = [
          (0..across).to_a, (0..up).map { |j| (j * width) + across },
          (0..across).map { |i| (up * width) + across - i }, (0..up).map { |j| (up - j) * width }
        ]
        rows = nodes.each_with_index.flat_map do |chain, side|
          count = chain.size - 1
          (0...count).map { |k| [chain[k], chain[k + 1], side, shares[side][k], shares[side][k + 1]] }
        end.transpose
        Border.new(*rows.first(3).map { |r| Numo::Int32.cast(r) }, *rows.last(2).map { |r| Numo::DFloat.cast(r) })
      end
    end
  end
end
