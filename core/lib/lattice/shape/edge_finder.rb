# frozen_string_literal: true

module Lattice
  module Shape
    # Finds edges: chains of triangle sides where faces meet, where a surface ends, or
    # where more than two triangles meet. Chains end at corners: where other than two such sides
    # meet, where the faces change, or at a sharp turn.
    class EdgeFinder
      TURN = Math.cos(0.7)

      def self.call(facets) = new(facets).call

      def initialize(facets)
        @facets = facets
        @points = facets.points
      end

      # @return [Array<Edge>]
      def call
        collect
        chains = walk
        named(chains)
      end

      private

      # Sides between different faces; the faces of each, sorted.
      def collect
        topology = @facets.topology
        @between = {}
        keep_borders(*topology.pairs)
        lone = topology.counts.ne(2)
        corner = lone[topology.sides].where
        owners = @facets.owners[(Numo::Int32.cast(corner) / 3)].to_a
        topology.sides[corner].to_a.zip(owners).group_by(&:first).each { |side, all| @between[side] = all.map(&:last).uniq.sort }
        @at = Hash.new { |hash, node| hash[node] = [] }
        @ends = @between.keys.to_h { |side| [side, topology.ends[side, true].to_a] }
        @ends.each { |side, (p, q)| [p, q].each { |node| @at[node] << side } }
      end

      def keep_borders(sides, one, two)
        return if sides.empty?

        a = @facets.owners[one].dup
        b = @facets.owners[two].dup
        border = a.ne(b).where
        sides[border].to_a.zip(a[border].to_a, b[border].to_a) { |side, *faces| @between[side] = faces.sort }
      end

      def walk
        @used = {}
        starts = @at.keys.select { |node| corner?(node) }
        chains = starts.flat_map { |node| @at[node].filter_map { |side| follow(node, side) } }
        rest = @ends.keys.reject { |side| @used[side] }
        chains + rest.filter_map { |side| @used[side] ? nil : follow(@ends[side][0], side) }
      end

      def corner?(node)
        sides = @at[node]
        return true unless sides.size == 2 && @between[sides[0]] == @between[sides[1]]

        directions = sides.map { |side| Vectors.unit3(Vectors.minus3(place(other(side, node)), place(node))) }
        -Vectors.dot3(*directions) < TURN
      end

      def other(side, node) = @ends[side][0] == node ? @ends[side][1] : @ends[side][0]
      def place(node) = (@places ||= {})[node] ||= @points[node, true].to_a

      def follow(node, side)
        return nil if @used[side]

        faces = @between[side]
        chain = [node]
        loop do
          @used[side] = true
          node = other(side, node)
          chain << node
          break if node == chain.first || corner?(node)

          side = @at[node].find { |s| !@used[s] } or break
        end
        [chain, faces]
      end

      # Edges are named for the faces that meet; several between the same two are counted.
      def named(chains)
        ordered = chains.sort_by { |nodes, faces| [faces, @points[nodes, true].mean(0).to_a.map { |c| c.round(9) }] }
        # Short labels first: a face may bear the name that a second edge of others would get.
        taken = {}
        names = ordered.sort_by.with_index { |(_, faces), i| [label(faces).size, i] }.to_h { |chain| [chain, Naming.free(label(chain[1]), taken)] }
        ordered.map { |chain| Edge.of(names[chain], chain[0], @points, chain[1]) }
      end

      def label(faces)
        names = faces.map { |f| @facets.faces[f].name }
        names.size == 1 ? "rim of #{names[0]}" : names.join(" | ")
      end
    end
  end
end
