# frozen_string_literal: true

module Lattice
  module Shape
    # Union, difference, intersection and splitting of closed surfaces, by the general
    # library Manifold, which works on triangles and tells for each where it came from. Its
    # coordinates have single precision: afterwards every point is moved back onto the
    # surfaces that meet there.
    class Combining
      TOOL = File.expand_path("../../../node/combine_shapes.mjs", __dir__)
      SECONDS = 60
      MEMORY = 3 * (1024**3)
      ROUNDS = 12
      FAR = 1e-2 # of the extent, beyond which a point is left where it is

      # @param bodies [Array(String, Facets)] names and surfaces; the first meets the others
      # @param how [String] union, subtract, intersect or split
      # @yield [String, String] body and face names, gives the name of the face in the result
      # @return [Array<Facets>] one, or two for split: inside and outside; empty ones left out as nil
      # @raise [ChildProcess::Failed]
      def self.call(bodies, how, &) = new(bodies, how, &).call

      def initialize(bodies, how, &naming)
        @bodies = bodies
        @how = how
        @faces = bodies.flat_map { |name, facets| facets.faces.map { |f| Face.new(naming.call(name, f.name), f.surface, f.colour) } }
      end

      def call
        arrays, meta = run
        meta["pieces"].map { |piece| restored(arrays, piece) }
      end

      private

      # Surfaces are moved about the origin and scaled to one, to use all the digits there are.
      def run
        all = @bodies.map { |_, f| f.points }.reduce { |a, b| a.concatenate(b) }
        @middle = (all.max(0) + all.min(0)) / 2
        @scale = (all.max(0) - all.min(0)).max / 2
        @exact = (all - @middle) / @scale
        Dir.mktmpdir do |folder|
          input, output = %w[in out].map { |name| File.join(folder, name) }
          Format::ArrayFile.write(input, { "points" => @exact, "triangles" => joined(&:triangles), "faces" => labels }, { surfaces: ranges })
          ChildProcess.run("node", "--max-old-space-size=2048", TOOL, input, output, @how, seconds: SECONDS, memory: MEMORY)
          return Format::ArrayFile.read(output)
        end
      end

      def joined(&) = @bodies.map { |_, f| f }.map(&).reduce { |a, b| a.concatenate(b) }

      def labels
        first = 0
        @bodies.map do |_, facets|
          (facets.owners + first).tap { first += facets.faces.size }
        end.reduce { |a, b| a.concatenate(b) }
      end

      def ranges
        point = triangle = 0
        @bodies.map do |name, facets|
          { name: name, points: [point, point += facets.points.shape[0]], triangles: [triangle, triangle += facets.count] }
        end
      end

      def restored(arrays, piece)
        rows = Range.new(*piece["triangles"], true)
        return nil if rows.size.zero?

        first = piece["points"][0]
        points = arrays["points"][Range.new(*piece["points"], true), true].dup
        labels = arrays["faces"][rows].dup
        repair = Repair.new(points, arrays["triangles"][rows, true] - first)
        return nil if repair.triangles.empty? # a sliver of no volume

        owners = labels[repair.kept].dup
        exact = on_surfaces(repair.points, repair.triangles, owners)
        placed = (exact * @scale) + @middle
        owners = Coplanar.call(owners, @bodies.map(&:last)) if @how == "union"
        parted(placed, repair.triangles, owners)
      end

      # Onto each of the surfaces that meet at a point, in turn. Points of free faces stay in
      # single precision.
      def on_surfaces(points, triangles, owners)
        moved = points.dup
        surfaces = @faces.map { |f| scaled(f.surface) }
        known = Algebra::Gather.distinct([owners]).to_a.reject { |f| surfaces[f].free? }
        nodes = known.to_h { |f| [f, Algebra::Gather.distinct([triangles[owners.eq(f).where, true]])] }
        ROUNDS.times { nodes.each { |f, at| moved[at, true] = surfaces[f].project(moved[at, true].dup) } }
        far = (Vectors.norm(moved - points) > FAR).where
        moved[far, true] = points[far, true].dup unless far.empty?
        moved
      end

      def scaled(surface)
        return surface if surface.free?

        surface.dup.tap do |s|
          s.origin = Vectors.minus3(surface.origin, @middle.to_a).map { |c| c / @scale }
          s.radius = surface.radius / @scale if surface.radius
          s.minor = surface.minor / @scale if surface.minor
        end
      end

      # A face that falls into several pieces becomes several faces, the largest first.
      def parted(points, triangles, owners)
        _, one, two = Topology.new(triangles).pairs
        same = owners[one].eq(owners[two]).where
        piece = Components.call(triangles.shape[0], one[same].dup, two[same].dup)
        areas = piece.bincount(area_of(points, triangles)).to_a
        face_of = Numo::Int32.zeros(areas.size)
        face_of[piece] = owners
        face_of = face_of.to_a
        names = {}
        areas.each_index.group_by { |p| @faces[face_of[p]].name }.each do |name, pieces|
          pieces.sort_by { |p| [-areas[p].round(15), p] }.each_with_index { |p, i| names[p] = i.zero? ? name : "#{name} (#{i + 1})" }
        end
        faces = areas.each_index.map { |p| Face.new(names[p], @faces[face_of[p]].surface, @faces[face_of[p]].colour) }
        Facets.new(points: points, triangles: triangles, owners: piece, faces: faces)
      end

      def area_of(points, triangles)
        a, b, c = (0..2).map { |k| points[triangles[true, k].dup, true].dup }
        Vectors.norm(Vectors.cross(b - a, c - a)) / 2
      end
    end
  end
end
