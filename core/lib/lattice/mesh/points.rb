# frozen_string_literal: true

module Lattice
  module Mesh
    # The points at which fields are read: every node once for each body it belongs to (of shells, for each
    # face, and of members, for each of them), so that nothing is averaged across a border, a fold or a knot. In a
    # mesh of one solid they are its nodes.
    class Points
      # Nodes that bear points of their own: of a body, or of one face or member of it; and the number of the first.
      Group = Struct.new(:body, :place, :nodes, :first) do
        def range = first...(first + nodes.size)

        # Nodes that follow one another need no search.
        def at(index)
          return index - nodes[0] + first if nodes.size.positive? && nodes[-1] - nodes[0] == nodes.size - 1

          (Algebra::Search.first_not_below(nodes, index.flatten) + first).reshape(*index.shape)
        end
      end

      # nodes [p]: the node of each point
      attr_reader :nodes, :groups

      # @param grid [Grid]
      def initialize(grid)
        @grid = grid
        first = 0
        @groups = grid.blocks.map(&:body).uniq.flat_map { |body| parts(body) || [[body, nil, grid.body_nodes(body)]] }.concat(grid.loose.map do |name, conn|
          [name, nil, conn.flatten]
        end).map do |body, place, nodes|
          Group.new(body, place, nodes, first).tap { first += nodes.size }
        end
        @nodes = @groups.map(&:nodes).reduce { |a, b| a.concatenate(b) } || Numo::Int32.zeros(0)
        @blocks = {}
      end

      def size = nodes.size

      # @return [Range] the points of a body
      def of(body)
        mine = groups.select { |g| g.body == body }
        mine.first.first...mine.last.range.end
      end

      # @param index [Integer] of a block of the grid
      # @return [Numo::Int32] [e, k] the points of its elements
      def block(index)
        @blocks[index] ||= begin
          block = @grid.blocks[index]
          mine = groups.select { |g| g.body == block.body }
          mine.size == 1 ? mine[0].at(block.conn) : parted(block, mine)
        end
      end

      # @param key [Array(String, String)] of a place
      # @param conn [Numo::Int32] its connectivity
      # @return [Numo::Int32] points of the same shape; at the edges of shells those of one face that has them all
      def place(key, conn)
        mine = groups.select { |g| g.body == key[0] }
        group = (mine[0] if mine.size == 1) || mine.find { |g| g.place == key[1] } || mine.find { |g| within?(conn, g) } || mine[0]
        group.at(conn)
      end

      # @param places [Array<Shape::Place>]
      # @return [Numo::Int32] their distinct points
      def under(places)
        Algebra::Gather.distinct(places.flat_map do |p|
          next [Numo::Int32.new(of(p.body).size).seq(of(p.body).begin)] if p.of == :bodies

          conn = @grid.places.fetch(p.key)
          mine = groups.select { |g| g.body == p.body }
          one = mine.find { |g| g.place == p.name || mine.size == 1 }
          one ? [one.at(conn)] : mine.map { |g| shared(conn, g) }
        end)
      end

      # What is known at the nodes of elements, averaged at the points.
      # @param width [Integer] of a value
      # @yield [Integer] number of a block; answers [e, k, width], or nil where there is nothing
      # @return [Numo::DFloat] [p, width]
      def mean(width)
        sum = Numo::DFloat.zeros(size, width)
        hits = Numo::Int32.zeros(size)
        @grid.blocks.each_index do |b|
          values = yield(b) or next
          sum += Algebra::Gather.sum(values, block(b), size)
          hits += block(b).flatten.bincount(minlength: size)
        end
        sum / Numo::DFloat.cast(hits.clip(1, nil)).reshape(size, 1)
      end

      # @return [Boolean] whether some node has several points
      def shared? = @shared ||= Algebra::Gather.distinct([nodes]).size < size

      private

      # The faces of shells and the lines of members; nil for solids and for regions of the plane.
      def parts(body)
        kinds = @grid.of(body).map { |b| Element::Kind[b.kind].dimension }.uniq
        return nil unless kinds == [1] || (kinds == [2] && @grid.dimension == 3)

        found = @grid.places.select { |(name, _), conn| name == body && @grid.piece(name, conn)&.dimension == kinds[0] }
        found.map { |(_, place), conn| [body, place, Algebra::Gather.distinct([conn])] }
      end

      # Elements of a block by the face or member they lie on, known by their first and third corner, or both ends.
      def parted(block, mine)
        result = Numo::Int32.zeros(*block.conn.shape)
        mine.each do |group|
          conn = @grid.places.fetch([group.body, group.place])
          next unless conn.shape[1] == block.conn.shape[1]

          rows = Numo::Int32.cast(member(corner_keys(block.conn), corner_keys(conn).sort).where)
          result[rows, true] = group.at(block.conn[rows, true].dup) unless rows.empty?
        end
        result
      end

      def corner_keys(conn) = (Numo::Int64.cast(conn[true, 0]) * @grid.nodes.shape[0]) + conn[true, conn.shape[1] > 2 ? 2 : 1]

      def member(values, sorted)
        at = Algebra::Search.first_not_below(sorted, values)
        sorted[at.clip(0, sorted.size - 1)].eq(values)
      end

      def within?(conn, group) = member(conn.flatten, group.nodes).all?

      # Points of a group at those of some nodes that it has.
      def shared(conn, group)
        flat = conn.flatten
        rows = member(flat, group.nodes).where
        rows.empty? ? Numo::Int32.zeros(0) : group.at(flat[rows].dup)
      end
    end
  end
end
