# frozen_string_literal: true

module Lattice
  module Shape
    # Lines and arcs that meet at their ends only, and the regions of the plane that they part.
    # The faces of the graph are traced: at the end of each piece the next is the first to the right.
    # M. de Berg et al., Computational Geometry, 2008, ch. 2.
    class PlaneGraph
      # A region: a counter-clockwise boundary and clockwise holes.
      Region = Struct.new(:boundary, :holes)

      # @param loop [Loop]
      # @param point [Numo::DFloat] [1, 2]
      def self.within?(loop, point) = inside?(loop.polyline(0.02)[0], point)

      # @param run [Numo::DFloat] [n, 2] points of a closed line
      def self.inside?(run, point)
        return false unless (0..1).all? { |k| point[0, k].between?(*run[true, k].minmax) }

        Polygon.inside(point, run, run[(1..run.shape[0]).map { |i| i % run.shape[0] }, true])[0] == 1
      end

      # @param pieces [Array<Line, Arc>]
      # @param near [Float] m, by which ends that meet may be apart
      def initialize(pieces, near)
        @near = near
        _, rank = Weld.call(Numo::DFloat.cast(pieces.flat_map { |p| [p.from, p.to] }), near)
        @pieces = pieces.each_with_index.map { |p, i| { curve: p, closed: p.closed?, nodes: [rank[2 * i], rank[(2 * i) + 1]] } }
      end

      # @return [Line, Arc, nil] a piece that ends in the open
      def loose
        open = @pieces.reject { |p| p[:closed] }
        count = open.flat_map { |p| p[:nodes] }.tally
        open.find { |p| p[:nodes].any? { |n| count[n] == 1 } }&.fetch(:curve)
      end

      # Counter-clockwise runs bound regions; clockwise ones are holes of the region around
      # them, or the outside.
      # @return [Array<Region>]
      def regions
        loops = trace.map { |segments| Loop.new(segments, "side") }
        outer, inner = loops.map { |loop| [loop, loop.area, loop.polyline(0.02)[0]] }.partition { |_, area, _| area.positive? }
        held = inner.group_by { |hole| around(hole, outer) }
        outer.map { |boundary, _| Region.new(boundary, held.fetch(boundary, []).map(&:first)) }
      end

      private

      # Every piece is run along both ways.
      def trace
        halves = @pieces.flat_map { |p| [[p, false], [p, true]] }
        leaving = Hash.new { |hash, key| hash[key] = [] }
        halves.each { |half| leaving[start(half)] << half unless half[0][:closed] }
        leaving.each_value { |all| all.sort_by! { |half| heading(half) } }
        used = {}.compare_by_identity
        halves.filter_map { |half| used[half] ? nil : follow(half, leaving, used) }
      end

      def start(half) = half[0][:nodes][half[1] ? 1 : 0]
      def finish(half) = half[0][:nodes][half[1] ? 0 : 1]
      def curve(half) = half[1] ? half[0][:curve].reverse : half[0][:curve]

      # A little way along, so that tangent pieces differ by their curvature.
      def heading(half)
        line = curve(half)
        from, to = line.points(Numo::DFloat[0.0, [1.0, @near * 1000 / line.length].min]).to_a
        Math.atan2(to[1] - from[1], to[0] - from[0])
      end

      def follow(half, leaving, used)
        run = []
        at = half
        until used[at]
          used[at] = true
          run << at
          break if at[0][:closed]

          around = leaving[finish(at)]
          back = around.index { |h| h[0].equal?(at[0]) && h[1] != at[1] }
          at = around[back - 1]
        end
        run.map { |h| curve(h) }
      end

      # The smallest loop that a hole lies in; each with its area and its points.
      def around(hole, outer)
        loop, area, = hole
        point = loop.segments[0].points(Numo::DFloat[0.37])
        found = outer.sort_by { |o| o[1] }.find { |_, size, run| size > area.abs * (1 + 1e-9) && PlaneGraph.inside?(run, point) }
        found && found[0]
      end
    end
  end
end
