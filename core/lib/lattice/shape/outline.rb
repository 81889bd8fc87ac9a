# frozen_string_literal: true

module Lattice
  module Shape
    # A plane figure: a counter-clockwise boundary and clockwise holes.
    class Outline
      # regions: outlines that share borders, when dividers part this one; otherwise empty
      attr_reader :name, :boundary, :holes, :regions

      def initialize(name, boundary, holes, regions = [])
        @name = name
        @regions = regions.freeze
        @boundary = boundary.oriented(counter_clockwise: true)
        @holes = holes.map { |hole| hole.oriented(counter_clockwise: false) }.freeze
        freeze
      end

      def with_regions(regions) = Outline.new(name, boundary, holes, regions)
      def named(name) = Outline.new(name, boundary, holes, regions)
      def loops = [boundary, *holes]
      def segments = loops.flat_map(&:segments)

      # @return [Array(Float, Array<Float>)] area (m²) and centroid [x, y] (m)
      def area_and_centroid
        a, sx, sy = segments.map(&:moments).transpose.map(&:sum)
        [a, [sx / a, sy / a]]
      end

      # @return [Array<Array<Float>>] [[xmin, ymin], [xmax, ymax]]
      def bounds
        points = boundary.polyline(0.02)[0]
        [points.min(0).to_a, points.max(0).to_a]
      end

      # @return [Float] diagonal of the bounding box
      def size
        (x0, y0), (x1, y1) = bounds
        Math.hypot(x1 - x0, y1 - y0)
      end

      def signature = [loops.map { |l| l.segments.map { |s| [s.key, *s.signature] } }, regions.map { |r| [r.name, r.signature] }]
    end
  end
end
