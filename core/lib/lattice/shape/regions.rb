# frozen_string_literal: true

module Lattice
  module Shape
    # Parts an outline by its dividers into regions that share their border: all lines are
    # cut where they meet, and the faces of the plane graph are traced.
    class Regions
      NEAR = 1e-7 # of the outline's size

      # @param statement [Model::Statement] the outline
      # @param outline [Outline]
      def initialize(statement, outline)
        @statement = statement
        @outline = outline
        @near = outline.size * NEAR
      end

      # @return [Array<Outline>] named regions
      # @raise [InvalidInput] when a divider ends in the open
      def call
        @curves = @outline.segments + dividers
        @pieces = @curves.each_index.flat_map { |i| cut(i) }
        @pieces.select! { |piece| piece[:own] || inside?(piece[:curve]) }
        join
        check_ends
        named(build(trace))
      end

      private

      def dividers
        @statement["dividers"].each_with_index.flat_map do |divider, i|
          path = "dividers.#{i}"
          corners = Corners.new(@statement, "divider #{i + 1} side ").resolve(divider["corners"], "#{path}.corners")
          Sides.new(@statement, path, "divider #{i + 1}").call(corners, closed: false, fillet_name: ->(k) { "divider #{i + 1} fillet #{k + 1}" })
        end
      end

      def cut(index)
        parts = Meeting.cut(@curves, index, @near)
        parts.map { |part| { curve: part, own: index < @outline.segments.size, closed: parts.size == 1 && part.closed? } }
      end

      def inside?(curve)
        at = Numo::DFloat.cast([curve.points(Numo::DFloat[0.5])[0, true].to_a])
        loops = @outline.loops.map { |loop| loop.polyline(0.02)[0] }
        from = Numo::DFloat.vstack(loops)
        to = Numo::DFloat.vstack(loops.map { |p| p[(1..p.shape[0]).map { |i| i % p.shape[0] }, true] })
        Polygon.inside(at, from, to)[0] == 1
      end

      def join
        ends = @pieces.flat_map { |p| [p[:curve].from, p[:curve].to] }
        _, rank = Weld.call(Numo::DFloat.cast(ends), @near)
        @pieces.each_with_index { |p, i| p[:nodes] = [rank[2 * i], rank[(2 * i) + 1]] }
      end

      def check_ends
        count = Hash.new(0)
        @pieces.reject { |p| p[:closed] }.each { |p| p[:nodes].each { |n| count[n] += 1 } }
        loose = @pieces.find { |p| !p[:closed] && p[:nodes].any? { |n| count[n] == 1 } }
        return unless loose

        raise @statement.fault("#{loose[:curve].key} ends within the outline without meeting a line", path: "dividers", cure: "Draw it on to a side or to another divider.")
      end

      # Every piece is run along both ways; at its end the next is the first to the right.
      def trace
        halves = @pieces.flat_map { |p| [[p, false], [p, true]] }
        leaving = Hash.new { |hash, key| hash[key] = [] }
        halves.each { |half| leaving[start(half)] << half unless half[0][:closed] }
        leaving.each_value { |all| all.sort_by! { |half| heading(half) } }
        used = {}
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

      # Counter-clockwise runs bound regions; clockwise ones are holes of the region around
      # them, or the outside.
      def build(runs)
        loops = runs.map { |segments| Loop.new(segments, "side") }
        outer, inner = loops.partition { |l| l.area.positive? }
        outer.map do |boundary|
          holes = inner.select { |hole| around(hole, outer)&.equal?(boundary) }
          Outline.new(@outline.name, boundary, holes)
        end.reject { |region| hole?(region) }
      end

      # What a cut hole encloses is traced too, but is not there.
      def hole?(region)
        @outline.holes.any? { |hole| region.boundary.segments.all? { |s| s.key.start_with?(hole.name) } }
      end

      def around(hole, outer)
        point = Numo::DFloat.cast([hole.segments[0].points(Numo::DFloat[0.37])[0, true].to_a])
        outer.select { |loop| loop.area > hole.area.abs * (1 + 1e-9) && contains?(loop, point) }.min_by(&:area)
      end

      def contains?(loop, point)
        from = loop.polyline(0.02)[0]
        Polygon.inside(point, from, from[(1..from.shape[0]).map { |i| i % from.shape[0] }, true])[0] == 1
      end

      def named(regions)
        labels = @statement["regions"] || []
        names = Array.new(regions.size)
        labels.each_with_index do |label, i|
          point = Numo::DFloat.cast([%w[x y].map { |k| Quantity.parse(label[k], "length") }])
          found = regions.index { |r| contains?(r.boundary, point) && r.holes.none? { |h| contains?(h, point) } }
          raise @statement.fault("the region “#{label['name']}” lies outside of the outline", path: "regions.#{i}", cure: "Give a point within a region.") unless found

          names[found] = label["name"]
        end
        order = regions.each_index.sort_by { |i| regions[i].area_and_centroid[1].map { |c| c.round(9) } }
        order.each_with_index.map { |i, k| regions[i].named(names[i] || "region #{k + 1}") }
      end
    end
  end
end
