# frozen_string_literal: true

module Lattice
  module Mesh
    # The visible surface of a mesh: faces of solids, or the whole of plane bodies,
    # cut into triangles through their mid-side nodes, face by face; and the lines of members.
    class Skin
      TRIANGLES = { 4 => [[0, 1, 2], [0, 2, 3]], 3 => [[0, 1, 2]], 8 => [[0, 4, 7], [4, 1, 5], [5, 2, 6], [6, 3, 7], [4, 5, 7], [5, 6, 7]],
                    6 => [[0, 3, 5], [3, 1, 4], [4, 2, 5], [3, 4, 5]] }.freeze
      SIDES = { 4 => [[0, 1], [1, 2], [2, 3], [3, 0]], 3 => [[0, 1], [1, 2], [2, 0]], 8 => [[0, 4], [4, 1], [1, 5], [5, 2], [2, 6], [6, 3], [3, 7], [7, 0]],
                6 => [[0, 3], [3, 1], [1, 4], [4, 2], [2, 5], [5, 0]] }.freeze

      # points: [k] indices into the grid's points, and nodes: [k] their nodes; triangles [t, 3], sides [s, 2] (of elements) and
      # lines [l, 2] (edges of the shape) count within them.
      # faces and edges: [body, name, first, count] over triangles and lines.
      attr_reader :points, :nodes, :triangles, :sides, :lines, :faces, :edges

      # @param grid [Grid]
      def initialize(grid)
        @grid = grid
        @faces = []
        @edges = []
        places = grid.places.to_h { |key, conn| [key, grid.piece(key[0], conn) ? grid.points.place(key, conn) : nil] }.compact
        surfaces, edges = [2, 1].map { |d| places.select { |key, conn| grid.piece(key[0], conn).dimension == d } }
        @points = Algebra::Gather.distinct(surfaces.values + edges.values)
        @nodes = grid.points.nodes[@points].dup
        @rank = Numo::Int32.zeros(grid.points.size)
        @rank[@points] = Numo::Int32.new(@points.size).seq
        @surfaces = surfaces
        @triangles = join(surfaces, @faces) { |conn| cut(@rank[conn], TRIANGLES) }
        @sides = sides_of(surfaces.values)
        @lines = join(edges, @edges) { |conn| halves(conn) }
      end

      # Which node of which element every corner of its triangles is.
      # @return [Numo::Int32] [t, 3] in the list of all nodes of all elements, block after block
      def corners
        @corners ||= begin
          owners = Owners.new(@grid)
          join(@surfaces, []) { |points, key| cut(owners.of(key[0], @grid.points.nodes[points]), TRIANGLES) }
        end
      end

      private

      def join(places, ranges)
        first = 0
        parts = places.map do |(body, name), conn|
          part = yield(conn, [body, name])
          ranges << [body, name, first, part.shape[0]]
          first += part.shape[0]
          part
        end
        parts.empty? ? Numo::Int32.zeros(0, 2) : Numo::Int32.vstack(parts)
      end

      def cut(conn, table)
        pieces = table.fetch(conn.shape[1])
        result = Numo::Int32.zeros(conn.shape[0], pieces.size, pieces[0].size)
        pieces.each_with_index { |local, k| local.each_with_index { |n, i| result[true, k, i] = conn[true, n] } }
        result.reshape(conn.shape[0] * pieces.size, pieces[0].size)
      end

      def sides_of(conns)
        return Numo::Int32.zeros(0, 2) if conns.empty?

        pairs = Numo::Int32.vstack(conns.map { |conn| cut(@rank[conn], SIDES) })
        unique = Algebra::Pairs.new([[pairs, [[0, 1]]]])
        Numo::Int32.vstack([unique.low, unique.high]).transpose.dup
      end

      def pieces(conn) = Numo::Int32.zeros(*conn.shape).tap { |ends| 2.times { |k| ends[true, k] = @rank[conn[true, k].dup].dup } }

      # Written column by column: stacking views by index as rows reads wrong memory
      # in Numo 0.9.2.
      def halves(conn)
        return pieces(conn) if conn.shape[1] == 2

        ends = Numo::Int32.zeros(conn.shape[0], 4)
        [0, 2, 2, 1].each_with_index { |n, k| ends[true, k] = @rank[conn[true, n].dup].dup }
        ends.reshape(conn.shape[0] * 2, 2)
      end
    end
  end
end
