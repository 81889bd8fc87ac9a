# frozen_string_literal: true

module Lattice
  module Shape
    # Where lines and arcs of the plane meet.
    module Meeting
      module_function

      # @param curve [Line, Arc]
      # @param other [Line, Arc]
      # @param near [Float] m
      # @return [Array<Float>] shares (0 to 1) along +curve+ at which +other+ meets it
      def shares(curve, other, near)
        ends = [curve, other].reject(&:closed?).flat_map { |c| [c.from, c.to] }
        points = crossings(curve, other) + ends
        points.filter_map do |point|
          share = share_of(curve, point, near)
          share if share && share_of(other, point, near)
        end
      end

      # @return [Float, nil] where along a curve a point lies, if it lies on it
      def share_of(curve, point, near)
        curve.is_a?(Line) ? on_line(curve, point, near) : on_arc(curve, point, near)
      end

      def on_line(line, point, near)
        dx = line.to[0] - line.from[0]
        dy = line.to[1] - line.from[1]
        length = line.length
        share = (((point[0] - line.from[0]) * dx) + ((point[1] - line.from[1]) * dy)) / (length**2)
        off = (((point[0] - line.from[0]) * dy) - ((point[1] - line.from[1]) * dx)).abs / length
        off <= near && share.between?(-near / length, 1 + (near / length)) ? share.clamp(0.0, 1.0) : nil
      end

      def on_arc(arc, point, near)
        dx = point[0] - arc.centre[0]
        dy = point[1] - arc.centre[1]
        return nil if (Math.hypot(dx, dy) - arc.radius).abs > near

        turn = (Math.atan2(dy, dx) - arc.start) % (2 * Math::PI)
        turn -= 2 * Math::PI if arc.sweep.negative? && turn.positive?
        share = turn / arc.sweep
        slack = near / arc.length
        share -= 2 * Math::PI / arc.sweep.abs if share > 1 + slack && (share - (2 * Math::PI / arc.sweep.abs)).abs <= slack
        share.between?(-slack, 1 + slack) ? share.clamp(0.0, 1.0) : nil
      end

      def crossings(a, b)
        if a.is_a?(Line) && b.is_a?(Line) then lines(a, b)
        elsif a.is_a?(Line) then line_arc(a, b)
        elsif b.is_a?(Line) then line_arc(b, a)
        else arcs(a, b)
        end
      end

      def lines(a, b)
        ax = a.to[0] - a.from[0]
        ay = a.to[1] - a.from[1]
        bx = b.to[0] - b.from[0]
        by = b.to[1] - b.from[1]
        det = (ax * by) - (ay * bx)
        return [] if det.abs < 1e-12 * a.length * b.length

        share = (((b.from[0] - a.from[0]) * by) - ((b.from[1] - a.from[1]) * bx)) / det
        [[a.from[0] + (ax * share), a.from[1] + (ay * share)]]
      end

      def line_arc(line, arc)
        ux = (line.to[0] - line.from[0]) / line.length
        uy = (line.to[1] - line.from[1]) / line.length
        along = ((arc.centre[0] - line.from[0]) * ux) + ((arc.centre[1] - line.from[1]) * uy)
        foot = [line.from[0] + (ux * along), line.from[1] + (uy * along)]
        half = (arc.radius**2) - (((foot[0] - arc.centre[0])**2) + ((foot[1] - arc.centre[1])**2))
        return [] if half < -1e-9 * (arc.radius**2)

        half = Math.sqrt([half, 0.0].max)
        [-half, half].map { |h| [foot[0] + (ux * h), foot[1] + (uy * h)] }
      end

      def arcs(a, b)
        dx = b.centre[0] - a.centre[0]
        dy = b.centre[1] - a.centre[1]
        distance = Math.hypot(dx, dy)
        return [] if distance < 1e-12 * a.radius || distance > (a.radius + b.radius) * (1 + 1e-9)

        along = ((distance**2) + (a.radius**2) - (b.radius**2)) / (2 * distance)
        square = (a.radius**2) - (along**2)
        return [] if square < -1e-9 * (a.radius**2)

        half = Math.sqrt([square, 0.0].max)
        [-half, half].map { |h| [a.centre[0] + ((dx * along) - (dy * h)).fdiv(distance), a.centre[1] + ((dy * along) + (dx * h)).fdiv(distance)] }
      end

      # Cuts all of many curves where they meet: only those whose boxes meet are compared.
      # @return [Array<Line, Arc>]
      def cut_all(curves, near)
        boxes = Numo::DFloat.cast(curves.map { |c| box(c, near) })
        curves.each_index.flat_map do |i|
          mine = boxes[i, true]
          meet = (0..1).map { |k| (boxes[true, k] <= mine[k + 2]) & (boxes[true, k + 2] >= mine[k]) }.reduce(:&)
          others = meet.where.to_a - [i]
          cut([curves[i], *curves.values_at(*others)], 0, near)
        end
      end

      # @return [Array<Float>] least x and y, greatest x and y; of arcs those of the whole circle
      def box(curve, near)
        reach = curve.is_a?(Line) ? 0.0 : curve.radius
        ends = curve.is_a?(Line) ? [curve.from, curve.to] : [curve.centre]
        xs, ys = ends.transpose
        [xs.min - reach - near, ys.min - reach - near, xs.max + reach + near, ys.max + reach + near]
      end

      # Cuts one of several curves wherever the others meet it.
      # @return [Array<Line, Arc>] the curve itself when none does
      def cut(curves, index, near)
        curve = curves[index]
        shares = inner_shares(curve, curves.each_index.flat_map { |k| k == index ? [] : shares(curve, curves[k], near) }, near / curve.length)
        return [curve] if shares.empty?

        # A circle that is cut starts anew at its first cut.
        stops = curve.closed? ? [*shares, shares.first + 1.0] : [0.0, *shares, 1.0]
        stops.each_cons(2).with_index.map { |(a, b), i| part(curve, a, b, "#{curve.key} part #{i + 1}") }
      end

      # Where a curve is cut: not at its own ends, unless it has none.
      def inner_shares(curve, shares, gap)
        inner = if curve.closed?
                  shares.map { |t| t > 1 - gap ? 0.0 : t }
                else
                  shares.select { |t| t > gap && t < 1 - gap }
                end
        inner.sort.each_with_object([]) { |t, all| all << t if all.empty? || t - all.last > gap }
      end

      # @return [Line, Arc] the part of a curve between two shares
      def part(curve, from, to, key)
        whole = to >= 1.0
        return curve.dup.tap { |c| c.key = key } if from.zero? && whole

        if curve.is_a?(Line)
          a, b = curve.points(Numo::DFloat[from, to]).to_a
          Line.new(from.zero? ? curve.from : a, whole ? curve.to : b, key)
        else
          Arc.new(curve.centre, curve.radius, curve.start + (curve.sweep * from), curve.sweep * (to - from), key)
        end
      end
    end
  end
end
