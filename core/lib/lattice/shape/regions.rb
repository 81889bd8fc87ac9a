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
        graph = PlaneGraph.new(pieces, @near)
        check_ends(graph.loose)
        named(graph.regions.map { |r| Outline.new(@outline.name, r.boundary, r.holes) }.reject { |region| hole?(region) })
      end

      private

      # The sides, and what lies within of the dividers, cut where they meet.
      def pieces
        curves = @outline.segments + dividers
        own = @outline.segments.size
        curves.each_index.flat_map do |i|
          parts = Meeting.cut(curves, i, @near)
          i < own ? parts : parts.select { |part| inside?(part) }
        end
      end

      def dividers
        @statement["dividers"].each_with_index.flat_map do |divider, i|
          path = "dividers.#{i}"
          corners = Corners.new(@statement, "divider #{i + 1} side ").resolve(divider["corners"], "#{path}.corners")
          Sides.new(@statement, path, "divider #{i + 1}").call(corners, closed: false, fillet_name: ->(k) { "divider #{i + 1} fillet #{k + 1}" })
        end
      end

      def inside?(curve)
        at = Numo::DFloat.cast([curve.points(Numo::DFloat[0.5])[0, true].to_a])
        loops = @outline.loops.map { |loop| loop.polyline(0.02)[0] }
        from = Numo::DFloat.vstack(loops)
        to = Numo::DFloat.vstack(loops.map { |p| p[(1..p.shape[0]).map { |i| i % p.shape[0] }, true] })
        Polygon.inside(at, from, to)[0] == 1
      end

      def check_ends(loose)
        return unless loose

        raise @statement.fault("#{loose.key} ends within the outline without meeting a line", path: "dividers", cure: "Draw it on to a side or to another divider.")
      end

      # What a cut hole encloses is traced too, but is not there.
      def hole?(region)
        @outline.holes.any? { |hole| region.boundary.segments.all? { |s| s.key.start_with?(hole.name) } }
      end

      def named(regions)
        labels = @statement["regions"] || []
        names = Array.new(regions.size)
        labels.each_with_index do |label, i|
          point = Numo::DFloat.cast([%w[x y].map { |k| Quantity.parse(label[k], "length") }])
          found = regions.index { |r| PlaneGraph.within?(r.boundary, point) && r.holes.none? { |h| PlaneGraph.within?(h, point) } }
          raise @statement.fault("the region “#{label['name']}” lies outside of the outline", path: "regions.#{i}", cure: "Give a point within a region.") unless found

          names[found] = label["name"]
        end
        order = regions.each_index.sort_by { |i| regions[i].area_and_centroid[1].map { |c| c.round(9) } }
        order.each_with_index.map { |i, k| regions[i].named(names[i] || "region #{k + 1}") }
      end
    end
  end
end
