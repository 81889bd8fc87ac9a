# frozen_string_literal: true

module Lattice
  module Shape
    # Sweeps the lines of an outline or open line through a row of stations: a solid with
    # caps when the lines are closed, faces when they are open. Each side makes a face
    # for each leg of the way.
    class Swept
      # The way: for every station a function of plane points to points in space; a leg name
      # ("" when there is one) for every step; whether it ends where it began; surface, a
      # function of a side and a leg to the surface that it makes.
      Way = Struct.new(:stations, :legs, :closed, :surface, :caps, keyword_init: true)

      # @param lines [SectionLines]
      # @param way [Way]
      # @param solid [Boolean]
      # @return [Facets]
      def self.call(lines, way, solid:) = new(lines, way, solid).call

      def initialize(lines, way, solid)
        @lines = lines
        @way = way
        @solid = solid
        @count = lines.points.shape[0]
      end

      # @return [Facets, nil] nil when nothing has an area
      def call
        stations = @way.stations.map { |station| station.call(@lines.points) }
        @faces = []
        @triangles = []
        @owners = []
        walls(stations.size)
        caps(stations) if @solid && !@way.closed
        finish(Numo::DFloat.vstack(stations))
      end

      private

      def face(name, surface)
        @faces.index { |f| f.name == name } || (@faces.push(Face.new(name, surface)).size - 1)
      end

      def add(owner, triangles)
        @triangles << triangles
        @owners << Numo::Int32.zeros(triangles.shape[0]).fill(owner)
      end

      def walls(stations)
        steps = @way.legs.size
        from, to, keys = steps_of_lines
        keys.uniq.each do |key|
          mine = Numo::Int32.cast(keys.each_index.select { |i| keys[i] == key })
          @way.legs.uniq.each do |leg|
            owner = face(leg.empty? ? key : "#{key} #{leg}", @way.surface.call(@lines.segments[key], leg))
            (0...steps).select { |s| @way.legs[s] == leg }.each do |s|
              low = s * @count
              high = ((s + 1) % stations) * @count
              add(owner, quads(from[mine].dup, to[mine].dup, low, high))
            end
          end
        end
      end

      def steps_of_lines
        pairs = @lines.runs.flat_map { |run| run.each_cons(2).to_a }
        [Numo::Int32.cast(pairs.map(&:first)), Numo::Int32.cast(pairs.map(&:last)), @lines.keys.flatten]
      end

      # Two triangles a step, seen from outside counter-clockwise for counter-clockwise lines.
      # The diagonal does not depend on which way a side is run, so that doubled sides
      # make the same triangles.
      def quads(from, to, low, high)
        n = from.size
        table = Numo::Int32.zeros(n * 2, 3)
        onward = Numo::Int32.cast(onward?(from, to))
        pick = ->(a, b) { (a * onward) + (b * (1 - onward)) }
        [[from + low, to + low, pick.call(to, from) + high], [pick.call(from, to) + low, to + high, from + high]].each_with_index do |corners, half|
          corners.each_with_index { |c, k| table[(half * n)...((half + 1) * n), k] = c }
        end
        table
      end

      # Whether a step runs towards greater x, or greater y where x stays.
      def onward?(from, to)
        step = @lines.points[to, true] - @lines.points[from, true]
        (step[true, 0] > 1e-12) | ((step[true, 0].abs <= 1e-12) & step[true, 1].gt(0))
      end

      def caps(stations)
        flat = Triangulation.call(@lines.points, @lines.loops)
        names = @way.caps
        add(face(names[0], cap_surface(stations.first, -1)), flat[true, [0, 2, 1]].dup)
        add(face(names[1], cap_surface(stations.last, 1)), flat + ((stations.size - 1) * @count))
      end

      def cap_surface(points, sign)
        loop = @lines.loops[0]
        rows = points[loop, true].dup
        centre = rows.mean(0)
        from = rows - centre
        around = Vectors.cross(from, from[[*1...loop.size, 0], true].dup).sum(0).to_a
        Surface.plane(rows[0, true].to_a, around.map { |c| c * sign })
      end

      # On an axis of revolution points coincide, and triangles and whole sides vanish.
      def finish(points)
        size = Math.sqrt(((points.max(0) - points.min(0))**2).sum)
        distinct, rank = Weld.call(points, size * 1e-8)
        triangles = rank[Numo::Int32.vstack(@triangles).flatten].reshape(@triangles.sum { |t| t.shape[0] }, 3).dup
        owners = Numo::Int32.hstack(@owners)
        a, b, c = (0..2).map { |k| triangles[true, k].dup }
        sound = (a.ne(b) & b.ne(c) & c.ne(a)).where
        return nil if sound.empty?

        outwards(Facets.new(points: distinct, triangles: triangles, owners: owners, faces: @faces).subset(sound))
      end

      # A solid is turned outwards.
      def outwards(facets)
        turn = @solid && volume(facets).negative?
        triangles = turn ? facets.triangles[true, [0, 2, 1]].dup : facets.triangles
        Facets.new(points: facets.points, triangles: triangles, owners: facets.owners, faces: facets.faces)
      end

      def volume(facets)
        a, b, c = facets.corners.map { |p| p - facets.points[0, true] }
        Vectors.dot(a, Vectors.cross(b, c)).sum
      end
    end
  end
end
