# frozen_string_literal: true

module Lattice
  module Shape
    # A body: its labelled surface, and how it was drawn where it is a prism or plane region.
    # make: solid, plane stress, plane strain, axisymmetric, faces or members.
    class Body
      attr_reader :name, :make, :facets, :prism, :revolution, :wall, :signature, :merged, :colour, :whole

      # @param facets [Facets] without triangles for members
      # @param prism [Prism, nil] for bodies that were extruded and not altered since
      # @param revolution [Revolution, nil] for solids that were revolved and not altered since
      # @param wall [Float, nil] thickness of faces, m
      # @param merged [Hash] what became one: points, edges, faces
      # @param signature [Array] what the body was made from, for digests
      # @param whole [String, nil] the body statement whose regions share their borders
      def initialize(name:, make:, facets:, signature:, prism: nil, revolution: nil, wall: nil, merged: {}, colour: nil, whole: nil)
        @whole = whole
        @name = name
        @make = make
        @facets = facets
        @prism = prism
        @revolution = revolution
        @wall = wall
        @merged = merged
        @colour = colour
        @signature = signature
      end

      def renamed(name) = with(name: name)
      def with_merged(merged) = with(merged: merged)

      # @return [Body] the same but for some of its properties
      def with(**changes)
        Body.new(name: name, make: make, facets: facets, prism: prism, revolution: revolution, wall: wall, merged: merged, colour: colour, signature: signature, whole: whole, **changes)
      end

      def solid? = make == "solid"
      def axisymmetric? = make == "axisymmetric"
      def faces? = make == "faces"
      def members? = make == "members"
      def plane? = !solid? && !faces? && !members?
      def dimension = plane? ? 2 : 3

      def outline = prism&.outline
      def thickness = prism&.thickness || wall
      def frame = prism ? prism.frame : Frame.new

      # @return [Float] m²: of the outline for prisms and plane regions, otherwise of the surface
      def area = prism ? plane_moments[0] : surface_area

      # @return [Float] m³; of the whole ring when axisymmetric (Pappus); of the sheet for faces
      def volume
        return 2 * Math::PI * plane_moments[1][0] * plane_moments[0] if axisymmetric?
        return plane_moments[0] * thickness if prism
        return surface_area * (wall || 0.0) if faces?

        members? ? 0.0 : facets.measures.volume
      end

      # @return [Float] m, of members
      def length = facets.edges.sum { |e| e.length(facets.points) }

      # @return [Array<Float>] centre of mass at one density
      def centre
        return centre_of_members if members?
        return frame.point([*plane_moments[1], solid? ? thickness / 2 : 0.0]) if prism

        facets.measures.centre
      end

      # @return [Array<Array<Float>>] corners of the bounding box in space
      def bounds
        low, high = facets.bounds
        return [low, high] unless prism

        (x0, y0), (x1, y1) = outline.bounds
        box = [x0, x1].product([y0, y1], [0.0, solid? ? thickness : 0.0]).map { |p| frame.point(p) }.transpose
        [box.map(&:min), box.map(&:max)]
      end

      def size = Math.sqrt(bounds.transpose.sum { |a, b| (b - a)**2 })

      # @return [Array<Place>] the body itself, its faces, edges and points
      def places = facets.remember([name, make, prism&.signature]) { BodyPlaces.new(self).call }

      # Points spread over a place, enough to tell which rigid motions it resists.
      # @param place [Place]
      # @return [Numo::DFloat] [k, 3]
      def sample(place)
        nodes = nodes_of(place)
        step = [nodes.size / 60, 1].max
        facets.points[(0...nodes.size).step(step).map { |i| nodes[i] }, true].dup
      end

      # @return [Array(Numo::DFloat, Numo::DFloat)] the corners of the triangles of a face, or of the pieces of a side of a region, and outward units [k, 3]
      def sample_surface(place)
        return sample_side(place) if place.of == :edges

        face = facets.faces.index { |f| f.name == place.name }
        corners = Algebra::Gather.rows(facets.points, facets.triangles[facets.of(face), true].dup)
        a, b, c = (0..2).map { |k| corners[true, k, true].dup }
        normals = Vectors.unit(Vectors.cross(b - a, c - a))
        [Numo::DFloat.vstack([a, b, c]), Numo::DFloat.vstack([normals] * 3)]
      end

      # @return [Array<Integer>] points of a place
      def nodes_of(place)
        case place.of
        when :faces then facets.nodes_of(facets.faces.index { |f| f.name == place.name }).to_a
        when :edges then facets.edges.find { |e| e.name == place.name }.run
        when :points then [place.node]
        else (0...facets.points.shape[0]).to_a
        end
      end

      private

      # The border of a region runs counter-clockwise: outward is to the right, or to the left; held is held.
      def sample_side(place)
        from, to = nodes_of(place).each_cons(2).to_a.transpose.map { |nodes| facets.points[nodes, true] }
        along = to - from
        right = Vectors.unit(Vectors.cross(along, Numo::DFloat.zeros(*along.shape).tap { |up| up[true, 2] = 1.0 }))
        [Numo::DFloat.vstack([from, to]), Numo::DFloat.vstack([right] * 2)]
      end

      # Each piece weighs as much as it is long.
      def centre_of_members
        from, to = facets.edges.flat_map { |e| e.run.each_cons(2).to_a }.transpose.map { |nodes| facets.points[nodes, true] }
        lengths = Vectors.norm(to - from)
        (Vectors.times((from + to) / 2, lengths).sum(0) / lengths.sum).to_a
      end

      def plane_moments = @plane_moments ||= outline.area_and_centroid
      def surface_area = facets.count.zero? ? 0.0 : facets.measures.area
    end
  end
end
