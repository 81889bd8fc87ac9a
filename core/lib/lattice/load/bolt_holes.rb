# frozen_string_literal: true

module Lattice
  module Load
    # Which walls or rims of holes lie on one axis, one behind the other: there goes a bolt.
    class BoltHoles
      V = Shape::Vectors
      SAME = 0.2     # of the radius, by which axes may lie beside each other
      ALONG = 0.999  # cosine of directions that are one
      APART = 2.0    # of the hole's width: parts farther from each other along an axis have bolts of their own

      # head and nut: [3] ends of the grip; axis from one to the other; radius of the holes; first and last: bodies at the ends;
      # engaged: m of the last one's wall about its end that hold by a thread, nil where a nut does
      Hole = Struct.new(:head, :nut, :axis, :radius, :first, :last, :engaged, keyword_init: true) do
        def length = V.norm3(V.minus3(nut, head))
      end

      # @param parts [Shape::Parts]
      # @param places [Array<Shape::Place>] walls (faces) or rims (edges) of holes
      # @param thread [Float, nil] m of thread that hold in the last part instead of a nut
      def initialize(parts, places, thread = nil)
        @thread = thread
        @parts = parts
        @places = places
      end

      # @return [Array<Hole>] by their axes; those through one body alone have first and last the same
      def call = lines.flat_map { |list| stacks(list) }.map { |list| hole(list) }

      # @return [Shape::Place, nil] one that is no hole
      def wrong = @places.find { |p| p.of == :faces ? !p.bore : !%w[circle arc].include?(p.kind) }

      private

      # Extents along axes: [place, axis, a point of it, from, to]
      def extents
        @places.map do |place|
          body = @parts.body(place.body)
          round = place.of == :faces ? body.facets.faces.find { |f| f.name == place.name }.surface : body.facets.edges.find { |e| e.name == place.name }
          axis = place.of == :faces ? round.axis : (round.axis || place.axis)
          axis = axis.map(&:-@) if axis[axis.map(&:abs).each_with_index.max[1]].negative?
          along = body.facets.points[body.nodes_of(place), true].dot(Numo::DFloat[*axis])
          [place, axis, place.of == :faces ? round.origin : round.centre, along.min, along.max]
        end
      end

      def lines
        extents.each_with_object([]) do |row, found|
          same = found.find { |list| one_axis?(list[0], row) }
          same ? same << row : found << [row]
        end
      end

      def one_axis?(one, other)
        return false if V.dot3(one[1], other[1]).abs < ALONG

        rel = V.minus3(other[2], one[2])
        V.norm3(V.minus3(rel, one[1].map { |c| c * V.dot3(rel, one[1]) })) < SAME * radius(one[0])
      end

      def radius(place) = place.radius || (place.bounds.transpose.map { |a, b| b - a }.max / 2)

      # Runs of walls along one axis, parted where they lie far from each other.
      def stacks(list)
        sorted = list.sort_by { |row| row[3] }
        reach = sorted[0][4]
        sorted.slice_when do |_, row|
          far = row[3] - reach > APART * 2 * radius(row[0])
          reach = far ? row[4] : [reach, row[4]].max
          far
        end.to_a
      end

      def hole(list)
        axis = list[0][1]
        base = list[0][2]
        at = ->(s) { V.plus3(base, axis, s - V.dot3(base, axis)) }
        last = list.max_by { |row| row[4] }
        engaged = @thread && [@thread, last[4] - last[3]].min
        nut = engaged ? last[3] + (engaged / 2) : last[4]
        Hole.new(head: at[list[0][3]], nut: at[nut], axis: axis, radius: list.map { |row| radius(row[0]) }.min, first: list[0][0].body, last: last[0].body, engaged: engaged)
      end
    end
  end
end
