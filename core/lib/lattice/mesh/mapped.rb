# frozen_string_literal: true

module Lattice
  module Mesh
    # Transfinite quadrilaterals on an outline with four sides and no hole.
    # W. J. Gordon, C. A. Hall, Construction of curvilinear co-ordinate systems, 1973.
    module Mapped
      SQUARE_ENOUGH = 0.35

      module_function

      # @return [PlaneMesher::Result, nil] nil where the outline is not of that kind
      def call(outline, plan)
        sides = outline.segments
        return nil unless outline.holes.empty? && sides.size == 4

        across = divisions(sides[0], sides[2], plan)
        up = divisions(sides[1], sides[3], plan)
        points = patch(sides, across, up)
        quads = grid(across, up)
        return nil if Quality.quad_jacobian(points, quads).min < SQUARE_ENOUGH

        PlaneMesher::Result.new(points, quads, border(across, up), sides)
      end

      def divisions(side, opposite, plan)
        [side, opposite].map do |s|
          turn = s.radius.infinite? ? 0 : s.sweep.abs / (plan.turn / 2)
          [((s.length / plan.size) - 1e-6).ceil, turn.ceil, plan.through].max
        end.max
      end

      # Blend of the four sides less the blend of the four corners.
      def patch(sides, across, up)
        s = Numo::DFloat.new(across + 1).seq / across
        t = Numo::DFloat.new(up + 1).seq / up
        bottom = sides[0].points(s)
        top = sides[2].points(1 - s)
        right = sides[1].points(t)
        left = sides[3].points(1 - t)
        u = s.reshape(1, across + 1)
        v = t.reshape(up + 1, 1)
        columns = [0, 1].map do |k|
          along = ((1 - v) * row(bottom, k)) + (v * row(top, k))
          over = ((1 - u) * column(left, k)) + (u * column(right, k))
          corner = ((1 - u) * (1 - v) * bottom[0, k]) + (u * (1 - v) * bottom[-1, k]) + (u * v * top[-1, k]) + ((1 - u) * v * top[0, k])
          (along + over - corner).flatten
        end
        Numo::DFloat.vstack(columns).transpose.dup
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

      def border(across, up)
        width = across + 1
        nodes = [
          (0..across).to_a, (0..up).map { |j| (j * width) + across },
          (0..across).map { |i| (up * width) + across - i }, (0..up).map { |j| (up - j) * width }
        ]
        rows = nodes.each_with_index.flat_map do |chain, side|
          count = chain.size - 1
          (0...count).map { |k| [chain[k], chain[k + 1], side, k.fdiv(count), (k + 1).fdiv(count)] }
        end.transpose
        Border.new(*rows.first(3).map { |r| Numo::Int32.cast(r) }, *rows.last(2).map { |r| Numo::DFloat.cast(r) })
      end
    end
  end
end
