# frozen_string_literal: true

module Lattice
  module Shape
    # A body made from an outline: extruded along z, or a plane region.
    class Body
      attr_reader :name, :make, :outline, :thickness, :area, :centroid

      # @param thickness [Float] m; 1 m (one metre of depth) for plane strain without one
      def initialize(name, make, outline, thickness)
        @name = name
        @make = make
        @outline = outline
        @thickness = thickness
        @area, @centroid = outline.area_and_centroid
        freeze
      end

      def solid? = make == "solid"
      def axisymmetric? = make == "axisymmetric"
      def dimension = solid? ? 3 : 2

      # @return [Float] m³; of the whole ring when axisymmetric (Pappus)
      def volume
        axisymmetric? ? 2 * Math::PI * centroid[0] * area : area * thickness
      end

      # @return [Array<Array<Float>>] corners of the bounding box in space
      def bounds
        low, high = outline.bounds
        [[*low, 0.0], [*high, solid? ? thickness : 0.0]]
      end

      def size = Math.sqrt(bounds.transpose.sum { |a, b| (b - a)**2 })

      # @return [Array<Place>] faces, edges, points, and the body itself
      def places
        [place(:bodies, name, "body", bounds, measure: volume), *(solid? ? solid_places : plane_places)]
      end

      # Points spread over a place, enough to tell which rigid motions it resists.
      # @param place [Place]
      # @return [Numo::DFloat] [k, 3]
      def sample(place)
        levels = place.bounds.map { |corner| corner[2] }.uniq
        plane = outline_points(place.name)
        Numo::DFloat.vstack(levels.map { |z| plane.concatenate(Numo::DFloat.zeros(plane.shape[0], 1).fill(z), axis: 1) })
      end

      def signature = [name, make, thickness, outline.signature]

      private

      def place(of, label, kind, box, **rest)
        Place.new(body: name, of: of, name: label, kind: kind, bounds: box, **rest)
      end

      def outline_points(place)
        segment = outline.segments.find { |s| place == s.key || place.start_with?("#{s.key} at ") }
        corner = outline.segments.find { |s| place.match?(/\A(start of|upright at) #{Regexp.escape(s.key)}( at (top|bottom))?\z/) }
        return segment.points(Numo::DFloat.new(13).seq / 12) if segment
        return Numo::DFloat[corner.from] if corner

        outline.boundary.polyline[0]
      end

      def segment_box(segment, z0, z1)
        points = segment.points(Numo::DFloat.new(33).seq / 32)
        [[*points.min(0).to_a, z0], [*points.max(0).to_a, z1]]
      end

      def bore(segment) = hole?(segment) && segment.closed? ? segment.radius * 2 : nil
      def hole?(segment) = segment.key.start_with?("hole")

      def curve(segment)
        if segment.radius.infinite?
          "line"
        else
          (segment.closed? ? "circle" : "arc")
        end
      end

      def wall(segment) = segment.radius.infinite? ? "plane" : "cylinder"

      def plane_places
        region = place(:faces, "region", "region", bounds, measure: area)
        sides = outline.segments.map { |s| place(:edges, s.key, curve(s), segment_box(s, 0.0, 0.0), bore: bore(s), measure: s.length) }
        points = cornered.map { |s| place(:points, "start of #{s.key}", "point", [[*s.from, 0.0]] * 2) }
        [region, *sides, *points]
      end

      def solid_places
        low, high = outline.bounds
        caps = { "bottom" => 0.0, "top" => thickness }.map do |label, z|
          place(:faces, label, "plane", [[*low, z], [*high, z]], measure: area)
        end
        caps + outline.segments.flat_map { |s| wall_places(s) } + cornered.flat_map { |s| corner_places(s) }
      end

      def wall_places(segment)
        face = place(:faces, segment.key, wall(segment), segment_box(segment, 0.0, thickness), bore: bore(segment),
                                                                                               measure: segment.length * thickness)
        rims = { "bottom" => 0.0, "top" => thickness }.map do |label, z|
          place(:edges, "#{segment.key} at #{label}", curve(segment), segment_box(segment, z, z), bore: bore(segment), measure: segment.length)
        end
        [face, *rims]
      end

      def corner_places(segment)
        at = segment.from
        [place(:edges, "upright at #{segment.key}", "line", [[*at, 0.0], [*at, thickness]], measure: thickness),
         place(:points, "start of #{segment.key} at bottom", "point", [[*at, 0.0]] * 2),
         place(:points, "start of #{segment.key} at top", "point", [[*at, thickness]] * 2)]
      end

      def cornered = outline.segments.reject(&:closed?)
    end
  end
end
