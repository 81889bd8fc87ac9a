# frozen_string_literal: true

module Lattice
  module Mesh
    # Solids cut open by a plane across an axis. Each element that the plane meets is parted into tetrahedra, from its middle
    # to the triangles that its faces are drawn with, and each of those is cut; what is known at the nodes of elements
    # is read along their sides.
    class PlaneCut
      # Corners of a tetrahedron beyond the plane (as bits) => triangles, each of three sides that are cut.
      CASES = begin
        ends = [0, 1, 2, 3]
        (1..14).to_h do |code|
          beyond, before = ends.partition { |c| code[c] == 1 }
          sides = beyond.product(before)
          next [code, [sides]] unless sides.size == 4

          one, two, three, four = sides
          [code, [[one, two, four], [one, four, three]]]
        end.freeze
      end

      # positions [v, 3] m; triangles [t, 3] count within them; faces: [body, name, first, count] over triangles
      attr_reader :positions, :triangles, :faces

      # @param grid [Grid]
      # @param axis [Integer] 0 to 2
      # @param at [Float] m
      # @param only [Array<String>, nil] bodies; nil takes all
      def initialize(grid, axis:, at:, only: nil)
        @grid = grid
        @faces = []
        @pieces = grid.blocks.each_with_index.filter_map do |block, b|
          next unless Element::Kind[block.kind].dimension == 3 && (only.nil? || only.include?(block.body))

          cut(block, b, grid.nodes[true, axis] - at)
        end
        @positions = tabulated(3) { |b| Algebra::Gather.rows(grid.nodes, grid.blocks[b].conn) }
        lay
      end

      def empty? = @pieces.empty?

      # What is known at the nodes of elements, where the plane meets them; asked for of those blocks alone.
      # @param width [Integer] of a value
      # @yield [Integer] number of a block; answers [e, k, width], or [e, k] where width is 1
      # @return [Numo::DFloat] [v, width]
      def tabulated(width)
        parts = @pieces.map { |piece| yield(piece[:block]).then { |known| read(piece, known.reshape(*known.shape.first(2), width)) } }
        parts.empty? ? Numo::DFloat.zeros(0, width) : Numo::DFloat.vstack(parts)
      end

      private

      # @param from [Numo::DFloat] [n] how far every node lies beyond the plane
      def cut(block, number, from)
        at = Algebra::Gather.rows(from.reshape(from.size, 1), block.conn)[true, true, 0]
        rows = ((at.min(1) < 0) & (at.max(1) >= 0)).where
        return if rows.empty?

        kind = Element::Kind[block.kind]
        middle = middle_of(kind)
        near = at[rows, true].dup
        near = Numo::DFloat.hstack([near, near.dot(middle).reshape(rows.size, 1)])
        parts = tetrahedra(kind)
        sides = CASES.flat_map { |code, triangles| crossed(near, parts, code, triangles) }
        return if sides.empty?

        element, one, other, share = [0, 1, 2, 3].map { |c| sides.map { |s| s[c] }.reduce { |a, b| a.concatenate(b) } }
        { block: number, body: block.body, middle: middle, rows: Numo::Int32.cast(rows)[element].dup, one: one, other: other, share: share }
      end

      # Values of the shape functions at the middle of the reference element.
      def middle_of(kind)
        centre = kind.nodes_at[0...kind.corners, true].mean(0)
        kind.values(centre.reshape(1, 3))[0, true].dup
      end

      # Local nodes of the tetrahedra of an element; its middle comes after all nodes.
      def tetrahedra(kind)
        middle = kind.edges.to_h { |a, b, m| [[a, b].sort, m] }
        kind.faces.flat_map do |face|
          nodes = kind.quadratic? ? face + face.each_index.map { |k| middle.fetch([face[k], face[(k + 1) % face.size]].sort) } : face
          Skin::TRIANGLES.fetch(nodes.size).map { |triangle| [kind.nodes, *triangle.map { |n| nodes[n] }] }
        end
      end

      # @return [Array<Array>] for every tetrahedron that is cut so: element, both local nodes and the share of the way, of the
      #   corners of triangles, one after the other
      def crossed(near, tetrahedra, code, triangles)
        tetrahedra.filter_map do |nodes|
          mark = nodes.each_with_index.map { |n, c| (near[true, n] >= 0).then { |beyond| code[c] == 1 ? beyond : beyond.eq(0) } }.reduce(:&)
          rows = mark.where
          next if rows.empty?

          corners(near, Numo::Int32.cast(rows), nodes, triangles.flatten(1))
        end
      end

      def corners(near, rows, nodes, sides)
        table = -> { Numo::Int32.zeros(rows.size, sides.size) }
        element = table.call
        one = table.call
        other = table.call
        share = Numo::DFloat.zeros(rows.size, sides.size)
        sides.each_with_index do |(a, b), k|
          element[true, k] = rows
          one[true, k] = nodes[a]
          other[true, k] = nodes[b]
          from = near[rows, nodes[a]].dup
          share[true, k] = from / (from - near[rows, nodes[b]])
        end
        [element, one, other, share].map(&:flatten)
      end

      # @param corners [Numo::DFloat] [e, k, width] of its block
      def read(piece, corners)
        rows, one, other = piece.values_at(:rows, :one, :other)
        width = corners.shape[2]
        known = corners.shape[1]
        middle = Numo::DFloat.zeros(rows.size, width)
        own = corners[rows, true, true]
        width.times { |w| middle[true, w] = own[true, true, w].dot(piece[:middle]) }
        flat = corners.reshape(corners.shape[0] * known, width)
        from, to = [one, other].map { |local| local_values(flat, rows, local, known, middle) }
        from + ((to - from) * piece[:share].reshape(rows.size, 1))
      end

      def local_values(flat, rows, local, known, middle)
        inside = Numo::DFloat.cast(local < known).reshape(rows.size, 1)
        (flat[(rows * known) + local.clip(0, known - 1), true] * inside) + (middle * (1 - inside))
      end

      def lay
        first = 0
        @pieces.each do |piece|
          count = piece[:rows].size / 3
          @faces << [piece[:body], "cut", first, count]
          first += count
        end
        @triangles = first.zero? ? Numo::Int32.zeros(0, 3) : Numo::Int32.new(first * 3).seq.reshape(first, 3)
      end
    end
  end
end
