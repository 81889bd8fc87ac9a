# frozen_string_literal: true

module Lattice
  module Shape
    # The middle faces of a sheet: one of its two skins, moved inwards by half its
    # thickness. Skins are found as pairs of faces that lie at one distance: parallel planes,
    # or round faces on one axis.
    class MidSurface
      ALIKE = 0.02 # by which distances may differ

      # @param body [Body] a closed solid
      # @return [Array(Facets, Float), nil] faces and thickness
      def self.call(body) = new(body).call

      def initialize(body)
        @facets = body.facets
        @areas = @facets.measures.face_areas
        # The volume over half the skin is near to the thickness of a thin sheet.
        @guess = @facets.measures.volume / (@areas.sum / 2)
      end

      def call
        distances = pairs
        return nil if distances.empty?

        thickness = common(distances) or return nil
        paired = distances.select { |_, d| (d - thickness).abs <= thickness * ALIKE }.keys.flatten.uniq
        return nil if paired.sum { |f| @areas[f] } < @areas.sum * 0.6

        [moved(one_side(paired), thickness / 2), thickness]
      end

      private

      # @return [Hash] pairs of faces => distance
      def pairs
        @facets.faces.each_index.to_a.combination(2).filter_map do |i, j|
          distance = between(i, j)
          [[i, j], distance] if distance && distance > @guess * 0.5 && distance < @guess * 3
        end.to_h
      end

      def between(i, j)
        a = @facets.faces[i].surface
        b = @facets.faces[j].surface
        return nil unless a.kind == b.kind && a.axis && Vectors.norm3(Vectors.cross3(a.axis, b.axis)) < 1e-5

        away = Vectors.minus3(b.origin, a.origin)
        case a.kind
        when "plane" then opposed(i, j, away)
        when "cylinder" then (a.radius - b.radius).abs if Vectors.norm3(Vectors.cross3(away, a.axis)) < @facets.size * 1e-5
        end
      end

      # Distance of planes whose outward normals point away from each other.
      def opposed(i, j, away)
        one, other = [i, j].map { |f| @facets.flat[0][@facets.of(f)[0], true].to_a }
        distance = Vectors.dot3(away, one)
        distance.negative? && Vectors.dot3(one, other) < -0.999 ? -distance : nil
      end

      # The distance that most of the area shares.
      def common(distances)
        weigh = ->(d) { distances.sum { |(i, j), other| (other - d).abs <= d * ALIKE ? [@areas[i], @areas[j]].min : 0.0 } }
        distances.values.max_by(&weigh)
      end

      # Paired faces that hang together with the largest one.
      def one_side(paired)
        neighbours = @facets.edges.select { |e| e.faces.size == 2 && (e.faces - paired).empty? }.map(&:faces)
        side = [paired.max_by { |f| @areas[f] }]
        loop do
          more = neighbours.select { |pair| pair.any? { |f| side.include?(f) } }.flatten.uniq - side
          return side if more.empty?

          side += more
        end
      end

      # Points move by the shortest step that brings each face around them inwards by the
      # distance.
      def moved(side, distance)
        @normals = @facets.corner_normals
        faces = @facets.faces.each_with_index.map { |face, i| side.include?(i) ? Face.new(face.name, shifted(i, distance), face.colour) : face }
        Facets.new(points: @facets.points - steps(side, distance), triangles: @facets.triangles, owners: @facets.owners, faces: faces).only(side)
      end

      # @return [Numo::DFloat] [n, 3]
      def steps(side, distance)
        result = Numo::DFloat.zeros(*@facets.points.shape)
        count = Numo::Int32.zeros(result.shape[0])
        at = side.map { |face| normals_at(face) }
        at.each do |nodes, normals|
          result[nodes, true] = normals * distance
          count[nodes] = count[nodes] + 1
        end
        shared(at, count > 1).each { |node, around| result[node, true] = corner_step(around, distance) }
        result
      end

      # The normals around points where faces of the side meet: on its inner edges only.
      # @return [Hash] node => normals of different directions
      def shared(at, wanted)
        at.each_with_object(Hash.new { |hash, node| hash[node] = [] }) do |(nodes, normals), found|
          rows = wanted[nodes].where
          next if rows.empty?

          nodes[rows].to_a.zip(normals[rows, true].to_a) { |node, n| found[node] << n if found[node].none? { |m| Vectors.dot3(n, m) > 0.9999 } }
        end
      end

      def corner_step(directions, distance)
        rows = Numo::DFloat.cast(directions)
        square = rows.dot(rows.transpose) + (Numo::DFloat.eye(directions.size) * 1e-12)
        rows.transpose.dot(SmallMatrix.solve(square, Numo::DFloat.ones(directions.size) * distance))
      end

      # @return [Array(Numo::Int32, Numo::DFloat)] the points of a face and its outward normals there
      def normals_at(face)
        rows = @facets.of(face)
        table = Numo::DFloat.zeros(*@facets.points.shape)
        table[@facets.triangles[rows, true].flatten.dup, true] = @normals[rows, true, true].dup.reshape(rows.size * 3, 3)
        nodes = @facets.nodes_of(face)
        [nodes, table[nodes, true].dup]
      end

      def shifted(face, distance)
        surface = @facets.faces[face].surface.dup
        row = @facets.of(face)[0]
        normal = @normals[row, 0, true].to_a
        if surface.plane?
          surface.origin = Vectors.plus3(surface.origin, normal, -distance)
        else
          away = surface.normals(@facets.points[@facets.triangles[row, 0...1].dup, true].dup)[0, true].to_a
          surface.radius += Vectors.dot3(normal, away).positive? ? -distance : distance
        end
        surface
      end
    end
  end
end
