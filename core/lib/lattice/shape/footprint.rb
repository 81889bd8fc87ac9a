# frozen_string_literal: true

module Lattice
  module Shape
    # Bodies that have only faces square to one line and faces along it, seen along that line:
    # the cells that the edges of their square faces part the plane into, and from which height
    # to which each body fills each cell.
    class Footprint
      V = Vectors
      SQUARE = 1e-5 # by which normals may be off
      NEAR = 2e-6   # of the size: what is one
      MOST = 1500   # pieces of edges that are laid over each other

      # A cell of the plane: its name, its face at the lowest height, and [body, lower level,
      # upper level] of each column over it, bodies and heights by their index.
      Cell = Struct.new(:name, :facets, :columns)

      # frame: its z runs along the line; heights: of all square faces, ascending, m; cells;
      # sources: name of an edge of the cells => [body, edge] names of the edges that it stands for
      attr_reader :frame, :heights, :cells, :sources

      # @param bodies [Array<Body>] solids
      # @return [Footprint, nil] along the line with the fewest levels of those that suit
      def self.of(bodies)
        return nil unless bodies.all? { |b| b.solid? && b.facets.closed? }

        axes(bodies).map { |axis| new(bodies, axis) }.select(&:sound?).min_by { |found| found.heights.size }
      end

      # Normals of plane faces, opposite ones once; two at most can be square to all other faces.
      def self.axes(bodies)
        planes = bodies[0].facets.faces.filter_map { |f| f.surface.axis if f.surface.plane? }
        planes.each_with_object([]) { |axis, list| list << axis unless list.any? { |other| V.dot3(axis, other).abs > 1 - SQUARE } }
      end

      # @param axis [Array<Float>] unit vector along the line
      def initialize(bodies, axis)
        @bodies = bodies
        @size = bodies.map(&:size).max
        @near = @size * NEAR
        # Along the line itself, not against it.
        axis = axis.map(&:-@) if axis.sum.negative?
        @frame = Frame.new([0.0, 0.0, 0.0], [*V.across(axis), axis])
        @places = bodies.map { |b| @frame.back(b.facets.points) }
        @sound = sort && lay
      end

      def sound? = @sound

      private

      # The square faces of every body with their heights; false when a face is neither square nor along.
      def sort
        @caps = @bodies.each_with_index.map { |body, b| caps(body.facets, @places[b][true, 2]) or return false }
        @heights = @caps.flatten(1).map(&:last).sort.each_with_object([]) { |h, list| list << h if list.empty? || h - list.last > @near * 10 }
        @caps.each { |list| list.each { |cap| cap[1] = @heights.index { |h| (h - cap[1]).abs <= @near * 10 } } }
      end

      # @return [Array, nil] [face, height] of each square face
      def caps(facets, heights)
        lean = facets.flat[0].dot(Numo::DFloat[*@frame.axes[2]])
        found = facets.faces.each_index.filter_map do |face|
          rows = facets.of(face)
          next if lean[rows].abs.max < SQUARE * 10

          at = heights[facets.nodes_of(face)]
          return nil if at.max - at.min > @near * 5

          [face, at.mean]
        end
        found if found.size > 1
      end

      def lay
        curves = distinct(edges)
        return false if curves.empty? || curves.size > MOST

        graph = PlaneGraph.new(distinct(Meeting.cut_all(curves, @near)), @near)
        return false if graph.loose

        base = Frame.new(@frame.point([0.0, 0.0, @heights[0]]), @frame.axes)
        cells = graph.regions.map.with_index { |r, i| Cell.new("cell #{i + 1}", Planar.call(Outline.new("cell", r.boundary, r.holes), base, "cell")) }
        fill(cells) && (@cells = cells.reject { |cell| cell.columns.empty? }).any?
      end

      # Edges of square faces as seen along the line; of splines every piece.
      def edges
        @sources = Hash.new { |hash, key| hash[key] = [] }
        @caps.each_with_index.flat_map do |list, b|
          faces = list.map(&:first)
          @bodies[b].facets.edges.select { |e| e.faces.intersect?(faces) }.flat_map { |edge| seen(edge, b) }
        end
      end

      def seen(edge, body)
        name = @bodies[body].name
        key = "#{edge.name} of #{name}" # as messages about its divisions call it
        @sources[key] << [name, edge.name]
        points = @places[body][edge.run, 0..1].to_a
        case edge.curve
        when "line" then [Line.new(points.first, points.last, key)]
        when "circle", "arc" then [arc(edge, points, key)]
        else points.each_cons(2).map { |a, b| Line.new(a, b, key) }
        end
      end

      def arc(edge, points, key)
        centre = @frame.back(Numo::DFloat[edge.centre])[0, 0..1].to_a
        start, *angles = points.map { |x, y| Math.atan2(y - centre[1], x - centre[0]) }
        steps = [start, *angles].each_cons(2).map { |a, b| ((b - a + Math::PI) % (2 * Math::PI)) - Math::PI }
        sweep = edge.closed ? (steps.sum <=> 0) * 2 * Math::PI : steps.sum
        Arc.new(centre, edge.radius, start, sweep, key)
      end

      # Curves that lie on each other are there once, and stand for all of them.
      def distinct(curves)
        marks = curves.flat_map { |c| [[*c.from, 0.0], [*c.to, 0.0], c.closed? ? [*c.centre, c.radius] : [*c.points(Numo::DFloat[0.5])[0, true].to_a, 0.0]] }
        _, rank = Weld.call(Numo::DFloat.cast(marks), @near)
        same = curves.each_index.group_by { |i| [curves[i].closed? ? nil : [rank[3 * i], rank[(3 * i) + 1]].sort, rank[(3 * i) + 2]] }
        same.values.map do |list|
          list.drop(1).each { |i| @sources[curves[list[0]].key] |= @sources[curves[i].key] }
          curves[list[0]]
        end
      end

      # @return [Boolean] false when a body's square faces do not pair up over a cell
      def fill(cells)
        points = Numo::DFloat.cast(cells.map { |cell| within(cell.facets) })
        over = @caps.each_with_index.map { |list, b| list.map { |face, level| [Polygon.inside(points, *border(b, face)), level] } }
        cells.each_with_index do |cell, i|
          cell.columns = over.each_with_index.flat_map do |list, b|
            levels = list.filter_map { |hits, level| level if hits[i] == 1 }.sort
            return false if levels.size.odd?

            levels.each_slice(2).map { |low, high| [b, low, high] }
          end
        end
      end

      # @return [Array<Float>] [x, y] within a plane face: of its largest triangle
      def within(facets)
        row = facets.flat[1].max_index
        @frame.back(facets.points[facets.triangles[row, true].dup, true])[true, 0..1].mean(0).to_a
      end

      # @return [Array<Numo::DFloat>] starts and ends of the border of a face, [k, 2]
      def border(body, face)
        steps = @bodies[body].facets.edges.select { |e| e.faces.include?(face) }.flat_map { |e| e.run.each_cons(2).to_a }
        (0..1).map { |k| @places[body][steps.map { |s| s[k] }, 0..1].dup }
      end
    end
  end
end
