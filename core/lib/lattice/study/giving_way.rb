# frozen_string_literal: true

module Lattice
  module Study
    # What a way of growing loads tells: where the load was greatest before it fell, how the part moved most, and how it was found.
    class GivingWay
      SOFT = 0.1

      # @return [Hash] factor, at and least; see to_h
      def self.extremes(found) = new(found, nil).extremes

      # @param found [Array<Engine::March::Increment>]
      # @param result [Result::Way]
      def initialize(found, result)
        @found = found
        @result = result
        @levels = found.map(&:level)
      end

      # @return [Hash] factor: the load factor at which it gives way, nil where none was passed; at: the frame before it; least: the lowest
      #   after it; soft: where it goes soft without falling; reached: the greatest there is; bears: the one of these that counts;
      #   lower: the first frame in which some direction does not resist, and how many; curve: the place that moves most, its component,
      #   and how far in every frame, m; turned: the greatest turn, rad
      def to_h
        found = extremes
        soft = found[:factor] ? nil : softened
        { **found, soft: soft, reached: @levels.max, bears: found[:factor] || soft&.fetch(:factor) || @levels.max, lower: lower(found[:at]),
                   increments: @found.size, iterations: @found.sum { |f| f.residuals.size }, residuals: @found.map(&:residuals), curve: curve, turned: turned }
      end

      def extremes = peak.then { |top| { factor: top&.last, at: top&.first, least: top && least(top.first) } }

      private

      # The first maximum, between two increments: by the cubic through their levels and slopes.
      # @return [Array(Integer, Float), nil] the frame before it, and its level
      def peak
        i = (0...(@levels.size - 1)).find { |k| turns?(k) } or return
        [i, extreme(i, 1)]
      end

      # The lowest after it.
      def least(top)
        (top...(@levels.size - 1)).map { |k| extreme(k, -1) }.min
      end

      # Whether the level rises before it falls between an increment and the next.
      def turns?(index)
        before, after = @found[index, 2].map(&:slope)
        before && after ? before.positive? && after.negative? : @levels[index] > @levels[index + 1]
      end

      def extreme(index, sign)
        ends = @levels[index, 2]
        slopes = @found[index, 2].map(&:slope)
        return ends.max_by { |l| l * sign } if slopes.include?(nil)

        length = Math.sqrt(((@found[index + 1].pose.moved - @found[index].pose.moved)**2).sum)
        a, b = slopes.map { |s| s * length }
        rise = ends[1] - ends[0]
        bend = (3 * rise) - (2 * a) - b
        curl = a + b - (2 * rise)
        inner = roots(3 * curl, 2 * bend, a).grep(0..1).map { |t| ends[0] + (t * (a + (t * (bend + (t * curl))))) }
        [*ends, *inner].max_by { |l| l * sign }
      end

      def roots(square, linear, constant)
        return linear.zero? ? [] : [-constant / linear] if square.abs < linear.abs * 1e-12

        inside = (linear**2) - (4 * square * constant)
        inside.negative? ? [] : [1, -1].map { |sign| (-linear + (sign * Math.sqrt(inside))) / (2 * square) }
      end

      # Where the load, without falling, rises by less than a tenth of what it did on the whole so far for the same movement.
      # @return [Hash, nil] the frame before it, and the factor
      def softened
        ratios = @found.map { |f| f.slope && (f.slope * Math.sqrt((f.pose.moved**2).sum) / f.level) }
        i = (1...ratios.size).find { |k| ratios[k] && ratios[k - 1] && ratios[k] < SOFT } or return
        before, after = ratios[(i - 1)..i]
        share = ((before - SOFT) / (before - after)).clamp(0.0, 1.0)
        { frame: i - 1, factor: @levels[i - 1] + ((@levels[i] - @levels[i - 1]) * share) }
      end

      def lower(top)
        i = @found.index { |f| f.lower.nil? || f.lower.positive? }
        i && (top.nil? || i < top) ? { frame: i, factor: @levels[i], directions: @found[i].lower } : nil
      end

      def curve
        last = @result.displacement(@found.size - 1)
        node = Shape::Vectors.norm(last).max_index
        component = (0..2).max_by { |c| last[node, c].abs }
        { at: @result.grid.nodes[node, true].to_a, component: "xyz"[component], moved: [0.0, *@found.each_index.map { |k| @result.displacement(k)[node, component] }], factors: [0.0, *@levels] }
      end

      def turned
        return 0.0 unless @result.rotation(0)

        @found.each_index.map { |k| Shape::Vectors.norm(@result.rotation(k)).max }.max
      end
    end
  end
end
