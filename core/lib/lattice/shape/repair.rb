# frozen_string_literal: true

module Lattice
  module Shape
    # Makes a sound surface of loose triangles: welds their corners, makes near points one where
    # that is asked for, drops what is degenerate or doubled, closes T-joints, turns all triangles the same way and
    # outwards; and reports what was found and what was mended.
    class Repair
      WELD = 1e-6 # of the size
      SLIVER = 1e-3 # height over length of the longest side
      TINY = 1e-4 # of the size
      ROUNDS = 4

      # points [n, 3], triangles [t, 3], kept [t] the input triangle each came from, report
      attr_reader :points, :triangles, :kept, :report

      # @param points [Numo::DFloat] [n, 3]
      # @param triangles [Numo::Int32] [t, 3]
      # @param merge [Float, nil] m, within which points become one
      def initialize(points, triangles, merge: nil)
        @input = triangles.shape[0]
        @report = { triangles: @input }
        @merge = merge
        weld(points, triangles)
        merge_points if merge
        drop
        ROUNDS.times { break unless close_joints }
        orient
        outwards
        count
      end

      private

      def weld(points, triangles)
        @size = Math.sqrt(((points.max(0) - points.min(0))**2).sum)
        @points, rank = Weld.call(points, @size * WELD)
        @triangles = rank[triangles.flatten].reshape(*triangles.shape).dup
        @kept = Numo::Int32.new(@input).seq
        @report[:points_welded] = points.shape[0] - @points.shape[0]
      end

      def merge_points
        before = @points.shape[0]
        @points, rank = NearPoints.call(@points, @merge)
        @triangles = rank[@triangles.flatten].reshape(*@triangles.shape).dup
        @report[:points_merged] = before - @points.shape[0]
      end

      # The topology of the triangles as they are now.
      def current
        @current = Topology.new(@triangles) unless @current_of.equal?(@triangles)
        @current_of = @triangles
        @current
      end

      def turn(rows)
        turned = @triangles.dup
        turned[rows, true] = @triangles[rows, [0, 2, 1]].dup
        @triangles = turned
      end

      def keep(rows)
        @triangles = @triangles[rows, true].dup
        @kept = @kept[rows].dup
      end

      # Triangles without area, and those that are there twice.
      def drop
        a, b, c = (0..2).map { |k| @triangles[true, k].dup }
        sound = a.ne(b) & b.ne(c) & c.ne(a)
        @report[:degenerate] = @triangles.shape[0] - sound.count
        keep(sound.where)
        return if @triangles.empty?

        first = Doubled.first(@triangles)
        @report[:doubled] = first.size - first.count
        keep(first.where)
      end

      # Open sides on which another open point lies are cut there.
      def close_joints
        return false if @triangles.empty?

        topology = current
        open = topology.open
        return false if open.empty? || open.size > 4000

        cuts = joints(topology, open)
        return false if cuts.empty?

        @report[:joints_closed] = @report.fetch(:joints_closed, 0) + cuts.size
        cut(topology, cuts)
        true
      end

      # @return [Hash{Integer => Integer}] the point that cuts an open side
      def joints(topology, open)
        nodes = Algebra::Gather.distinct([topology.ends[open, true]])
        at = @points[nodes, true].dup
        reach = [@size * WELD * 20, @merge || 0.0].max
        open.to_a.each_with_object({}) do |side, cuts|
          p, q = topology.ends[side, true].to_a
          from = @points[p, true].dup
          along = @points[q, true] - from
          length = Math.sqrt((along**2).sum)
          share = (at - from).dot(along) / (length**2)
          off = Vectors.norm(at - from - Vectors.times(Numo::DFloat.zeros(*at.shape) + along, share))
          inner = ((off < reach) & (share > reach / length) & (share < 1 - (reach / length))).where
          next if inner.empty?

          best = inner.to_a.min_by { |i| (share[i] - 0.5).abs }
          cuts[side] = nodes[best]
        end
      end

      def cut(topology, cuts)
        corner_of = {}
        sides = topology.sides
        cuts.each_key { |side| corner_of[sides.eq(side).where[0]] = cuts[side] }
        done = {}
        extra = corner_of.filter_map do |corner, node|
          triangle, k = corner.divmod(3)
          next if done[triangle]

          done[triangle] = true
          tri = @triangles[triangle, true].to_a
          first = tri.dup.tap { |t| t[(k + 1) % 3] = node }
          second = tri.dup.tap { |t| t[k] = node }
          @triangles[triangle, true] = first
          [second, @kept[triangle]]
        end
        @triangles = @triangles.concatenate(Numo::Int32.cast(extra.map(&:first)))
        @kept = @kept.concatenate(Numo::Int32.cast(extra.map(&:last)))
      end

      # Turns triangles that run against their neighbours.
      def orient
        return if @triangles.empty? || current.misled.empty?

        against = Numo::Int32.zeros(current.counts.size)
        against[current.misled] = 1
        side, one, two = current.pairs
        turned = OneWay.turned(@triangles.shape[0], one, two, against[side].dup).where
        @report[:turned] = turned.size
        turn(turned)
      end

      # Closed pieces whose volume is negative are turned inside out.
      def outwards
        return if @triangles.empty?

        piece = pieces
        a, b, c = (0..2).map { |k| @points[@triangles[true, k].dup, true].dup - @points.mean(0) }
        volumes = piece.bincount(Vectors.dot(a, Vectors.cross(b, c)))
        inside_out = volumes.lt(-1e-12 * (@size**3)) & closed_pieces(piece, volumes.size)
        rows = inside_out[piece].where
        return if rows.empty?

        @report[:turned] = @report.fetch(:turned, 0) + rows.size
        turn(rows)
      end

      def closed_pieces(piece, count)
        topology = current
        bad = topology.counts.ne(2)
        owners = piece[(Numo::Int32.cast(bad[topology.sides].where) / 3)]
        owners.empty? ? Numo::Bit.ones(count) : owners.bincount(minlength: count).eq(0)
      end

      def pieces
        _, one, two = current.pairs
        Components.call(@triangles.shape[0], one, two)
      end

      def count
        @report[:bodies] = 0
        return if @triangles.empty?

        topology = current
        lengths = Vectors.norm(@points[topology.ends[true, 0].dup, true] - @points[topology.ends[true, 1].dup, true])
        longest = lengths[topology.sides].reshape(@triangles.shape[0], 3).max(1)
        a, b, c = (0..2).map { |k| @points[@triangles[true, k].dup, true].dup }
        height = Vectors.norm(Vectors.cross(b - a, c - a)) / longest
        @report.merge!(open_edges: topology.open.size, crowded_edges: topology.crowded.size, slivers: (height < longest * SLIVER).count,
                       tiny_edges: (lengths < @size * TINY).count, bodies: pieces.max + 1)
        @report[:open_at] = @points[topology.ends[topology.open[0], 0], true].to_a unless topology.open.empty?
      end
    end
  end
end
