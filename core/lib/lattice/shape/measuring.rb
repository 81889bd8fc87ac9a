# frozen_string_literal: true

module Lattice
  module Shape
    # What can be measured on places: each by itself, all together, and two against each other.
    class Measuring
      MOST = 4000 # triangles a side, above which distances are not searched

      # @param parts [Parts]
      # @param densities [Hash{String => Float}] kg/m³ of bodies, where they are known
      def initialize(parts, densities = {})
        @parts = parts
        @densities = densities
      end

      # @param places [Array<Place>]
      # @return [Array<Hash>] lines of words, value in SI and kind of quantity; value may be a list
      def call(places)
        return alone(places[0]) if places.size == 1

        lines = together(places)
        places.size == 2 ? lines + between(*places) : lines
      end

      private

      def line(words, value, kind) = { words: words, value: value, kind: kind }

      def alone(place)
        lines = case place.of
                when :bodies then whole(@parts.body(place.body))
                when :faces then [line("area", place.measure, "area"), line("middle", place.at, "length")]
                when :edges then [line("length", place.measure, "length")]
                else [line("at", place.at, "length")]
                end
        lines << line("diameter", 2 * place.radius, "length") << line("radius", place.radius, "length") if place.radius
        lines << line("half angle", place.angle, "angle") if place.angle
        lines << line("normal", place.normal, "ratio") if place.normal
        lines << line("axis", place.axis, "ratio") if place.axis
        lines
      end

      def whole(body)
        return [line("length", body.length, "length"), line("members", body.facets.edges.size.to_f, "ratio")] if body.members?

        lines = [line("volume", body.volume, "volume"), line("surface", body.facets.measures.area, "area"), line("centre of mass", body.centre, "length"),
                 line("extent", body.bounds.transpose.map { |a, b| b - a }, "length")]
        density = @densities[body.name]
        return lines unless body.solid? && density

        inertia = body.facets.measures.inertia
        lines + [line("mass", density * body.volume, "mass"), line("inertia about its centre (xx; yy; zz)", (0..2).map { |k| density * inertia[k][k] }, "inertia")]
      end

      def together(places)
        kinds = places.map(&:of).uniq
        return [] if kinds.size > 1 || kinds == [:points]

        words, kind = { faces: ["area together", "area"], edges: ["length together", "length"], bodies: ["volume together", "volume"] }.fetch(kinds[0])
        [line(words, places.sum { |p| p.measure || 0.0 }, kind)]
      end

      def between(one, other)
        lines = [angle(one, other)].compact
        if one.of == :points && other.of == :points
          step = Vectors.minus3(other.at, one.at)
          return [line("distance", Vectors.norm3(step), "length"), line("step", step, "length"), *lines]
        end
        lines.unshift(line("middle to middle", Vectors.norm3(Vectors.minus3(other.at, one.at)), "length"))
        lines.unshift(line("axis to axis", axis_distance(one, other), "length")) if axes?(one, other)
        nearest = nearest(one, other)
        nearest ? lines.unshift(line("least distance", nearest, "length")) : lines
      end

      def axes?(one, other) = one.radius && other.radius && one.axis && other.axis && Vectors.norm3(Vectors.cross3(one.axis, other.axis)) < 1e-6

      def axis_distance(one, other)
        origins = [one, other].map { |p| origin(p) }
        away = Vectors.minus3(origins[1], origins[0])
        Vectors.norm3(Vectors.cross3(away, one.axis))
      end

      def origin(place)
        facets = @parts.body(place.body).facets
        place.of == :faces ? facets.faces.find { |f| f.name == place.name }.surface.origin : facets.edges.find { |e| e.name == place.name }.centre
      end

      def direction(place)
        return [place.normal, :normal] if place.normal
        return [place.axis, :along] if place.axis && place.kind != "sphere"
        return nil unless place.kind == "line"

        facets = @parts.body(place.body).facets
        edge = facets.edges.find { |e| e.name == place.name }
        [Vectors.unit3(Vectors.minus3(*[edge.nodes.last, edge.nodes.first].map { |n| facets.points[n, true].to_a })), :along]
      end

      def angle(one, other)
        a, b = [one, other].map { |p| direction(p) }
        return nil unless a && b

        cosine = Vectors.dot3(a[0], b[0]).abs.clamp(0.0, 1.0)
        turn = Math.acos(cosine)
        line("angle", a[1] == b[1] ? turn : (Math::PI / 2) - turn, "angle")
      end

      def nearest(one, other)
        figures = [one, other].map { |p| figure(p) }
        return nil if figures.any? { |f| f.triangles.shape[0] > MOST }

        Nearest.distance(*figures)
      end

      def figure(place)
        facets = @parts.body(place.body).facets
        nodes = Numo::Int32.cast(@parts.body(place.body).nodes_of(place))
        points = facets.points[nodes, true].dup
        case place.of
        when :points then Nearest::Figure.new(points, segments([place.node], [place.node], facets), Numo::DFloat.zeros(0, 3, 3))
        when :edges then Nearest::Figure.new(points, segments(nodes[0...-1].to_a, nodes[1..].to_a, facets), Numo::DFloat.zeros(0, 3, 3))
        else surface(facets, place, points)
        end
      end

      def surface(facets, place, points)
        rows = place.of == :bodies ? Numo::Int32.new(facets.count).seq : facets.of(facets.faces.index { |f| f.name == place.name })
        triangles = facets.triangles[rows, true].dup
        return Nearest::Figure.new(points, segments(*facets.edges.map { |e| [e.nodes.first, e.nodes.last] }.transpose, facets), Numo::DFloat.zeros(0, 3, 3)) if triangles.empty?

        sides = Topology.new(triangles).ends
        corners = facets.points[triangles.flatten, true].reshape(rows.size, 3, 3).dup
        Nearest::Figure.new(points, segments(sides[true, 0].to_a, sides[true, 1].to_a, facets), corners)
      end

      def segments(from, to, facets)
        result = Numo::DFloat.zeros(from.size, 2, 3)
        result[true, 0, true] = facets.points[from, true]
        result[true, 1, true] = facets.points[to, true]
        result
      end
    end
  end
end
