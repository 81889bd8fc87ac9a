# frozen_string_literal: true

module Lattice
  module Mesh
    module Remeshing
      # A triangulated surface that is being changed. Arrays grow and shrink as a whole.
      #
      # points [n, 3]; kinds [n]: CORNER, ON_CURVE or ON_FACE; homes [n]: the curve or face of
      # a point; triangles [t, 3]; owners [t] faces. Pieces of curves, in the direction of the
      # curve: pieces [m, 2] points, curve [m], reach [m, 2] lengths from the curve's start.
      class Sheet
        CORNER = 0
        ON_CURVE = 1
        ON_FACE = 2
        SIDES = [[0, 1], [1, 2], [2, 0]].freeze

        attr_accessor :points, :kinds, :homes, :triangles, :owners, :pieces, :curve, :reach, :sizes
        attr_reader :source, :field, :divisions

        # @param source [Source]
        # @param field [SizeField]
        # @param divisions [Hash] curve => shares of its length at which it is cut
        def initialize(source, field, divisions = {})
          @source = source
          @divisions = divisions
          facets = source.facets
          @points = facets.points.dup
          @triangles = facets.triangles.dup
          @owners = facets.owners.dup
          settle_kinds(facets)
          settle_pieces(facets)
          resize(field)
          Holding.new(self).call
        end

        # Takes another field of sizes.
        def resize(field)
          @field = field
          @sizes = field.at(@points)
        end

        # @return [Sheet] that can be changed without changing this one
        def copy
          dup.tap do |sheet|
            %i[points kinds homes triangles owners pieces curve reach sizes].each { |name| sheet.public_send("#{name}=", public_send(name).dup) }
          end
        end

        def count = @triangles.shape[0]
        def facets_edge(curve) = @source.facets.edges[curve]

        # @return [Numo::Bit] which pieces lie on divided curves
        def held
          @held ||= Numo::Bit.zeros([@source.curves.size, 1].max).tap { |held| held[@divisions.keys] = 1 unless @divisions.empty? }
          @held[@curve]
        end

        # @return [Algebra::Pairs] the sides as they are now
        def sides = Algebra::Pairs.new([[@triangles, SIDES]])

        # @param pairs [Algebra::Pairs]
        # @return [Numo::Int32] for each side the piece of a curve it is, or -1
        def pieces_of(pairs)
          result = Numo::Int32.zeros(pairs.size).fill(-1)
          return result if @curve.empty?

          result[pairs.find(@pieces[true, 0].dup, @pieces[true, 1].dup)] = Numo::Int32.new(@curve.size).seq
          result
        end

        # @return [Array<Numo::DFloat>] corners of triangles [k, 3]
        def corners(triangles = @triangles) = (0..2).map { |k| @points[triangles[true, k].dup, true] }

        # @return [Numo::DFloat] [sides] length over the size wanted there
        def ratios(pairs) = lengths(pairs) * 2 / (@sizes[pairs.low] + @sizes[pairs.high])

        # @return [Numo::DFloat] [sides] m
        def lengths(pairs) = Shape::Vectors.norm(@points[pairs.high, true] - @points[pairs.low, true])

        # @return [Numo::DFloat] how far points lie off their faces, m
        def off_face(points, faces) = Shape::Vectors.norm(points - @source.project(points, faces))

        # Leaves out points that no triangle uses.
        def compact
          used = Algebra::Gather.distinct([@triangles])
          rank = Numo::Int32.zeros(@points.shape[0])
          rank[used] = Numo::Int32.new(used.size).seq
          @points = @points[used, true].dup
          @kinds = @kinds[used].dup
          @homes = @homes[used].dup
          @sizes = @sizes[used].dup
          @triangles = rank[@triangles.flatten].reshape(*@triangles.shape).dup
          @pieces = rank[@pieces.flatten].reshape(*@pieces.shape).dup unless @curve.empty?
          self
        end

        # Normals of flat triangles that are not unit: twice the area long.
        def spans(triangles = @triangles)
          a, b, c = corners(triangles)
          Shape::Vectors.cross(b - a, c - a)
        end

        # @return [Numo::Int32] triangles that face another way than the shape does there
        def folded(facing = 0.2)
          a, b, c = corners
          normal = Shape::Vectors.unit(Shape::Vectors.cross(b - a, c - a))
          Numo::Int32.cast((Shape::Vectors.dot(normal, @source.normals((a + b + c) / 3, @owners)) < facing).where)
        end

        # @return [Numo::DFloat] [t] 1 for even sides, 0 for none: 4 √3 A / Σ l²
        def self.shapes(a, b, c)
          area = Shape::Vectors.norm(Shape::Vectors.cross(b - a, c - a))
          area * (2 * Math.sqrt(3)) / ([b - a, c - b, a - c].map { |side| Shape::Vectors.dot(side, side) }.reduce(:+) + 1e-300)
        end

        private

        def settle_kinds(facets)
          count = @points.shape[0]
          @kinds = Numo::Int32.zeros(count).fill(ON_FACE)
          @homes = Numo::Int32.zeros(count)
          @homes[@triangles.flatten] = Algebra::Gather.repeat(@owners, 3)
          ends = []
          inner = []
          facets.edges.each_with_index do |edge, i|
            nodes = edge.run
            inner << [nodes[1...-1], i]
            edge.closed && facets.vertices.none? { |v| v[:node] == nodes[0] } ? inner << [[nodes[0]], i] : ends.push(nodes[0], nodes[-1])
          end
          inner.each do |nodes, i|
            next if nodes.empty?

            @kinds[nodes] = ON_CURVE
            @homes[nodes] = i
          end
          @kinds[ends] = CORNER unless ends.empty?
          crowded
        end

        # Points of more than two pieces of curves stay where they are.
        def crowded
          nodes = @source.facets.edges.flat_map { |e| e.run.each_cons(2).to_a.flatten }
          return if nodes.empty?

          counts = Numo::Int32.cast(nodes).bincount(minlength: @points.shape[0])
          @kinds[(counts.ne(2) & counts.ne(0)).where] = CORNER
        end

        def settle_pieces(facets)
          rows = facets.edges.each_with_index.flat_map { |edge, i| edge.run.each_cons(2).map { |a, b| [a, b, i] } }
          @pieces = rows.empty? ? Numo::Int32.zeros(0, 2) : Numo::Int32.cast(rows.map { |a, b, _| [a, b] })
          @curve = rows.empty? ? Numo::Int32.zeros(0) : Numo::Int32.cast(rows.map(&:last))
          @reach = Numo::DFloat.zeros(rows.size, 2)
          first = 0
          facets.edges.each_index do |i|
            reaches = @source.curves.reaches(i)
            n = reaches.size - 1
            @reach[first...(first + n), 0] = reaches[0...-1]
            @reach[first...(first + n), 1] = reaches[1..]
            first += n
          end
        end
      end
    end
  end
end
