# frozen_string_literal: true

module Lattice
  module Load
    module Above
      # How much of a solid body lies above points, against the way it weighs: between the faces that an upright line goes in and out through.
      class Solid
        AT_ONCE = 200_000 # points
        ASIDE = [1.0, 0.618].freeze # a little of the size, so that no line meets the side between two triangles
        LITTLE = 1e-8

        # @param grid [Mesh::Grid]
        # @param body [String]
        # @param up [Integer] axis
        def initialize(grid, body, up)
          @up = up
          @across = [0, 1, 2] - [up]
          corners = triangles(grid, body)
          flat = corners[true, true, @across].dup
          turn = twice_area(flat)
          span = flat.max(1) - flat.min(1)
          keep = (turn.abs > (span.max(1)**2) * 1e-9).where
          @corners = corners[keep, true, true].dup
          @flat = flat[keep, true, true].dup
          @turn = turn[keep].dup
          @sign = @turn.sign * outward
        end

        # @param points [Numo::DFloat] [k, 3]
        # @return [Numo::DFloat] [k] m
        def call(points)
          return Numo::DFloat.zeros(points.shape[0]) if @turn.empty?

          (0...points.shape[0]).step(AT_ONCE).map { |from| over(points[from...[from + AT_ONCE, points.shape[0]].min, true].dup) }.reduce { |a, b| a.concatenate(b) }
        end

        private

        # [t, 3, 3]
        def triangles(grid, body)
          conns = grid.places.select { |(owner, _), conn| owner == body && grid.piece(owner, conn)&.dimension == 2 }.values
          parts = conns.flat_map { |conn| Mesh::Skin::TRIANGLES.fetch(conn.shape[1]).map { |local| conn[true, local].dup } }
          nodes = Numo::Int32.vstack(parts)
          grid.nodes[nodes.flatten, true].reshape(nodes.shape[0], 3, 3)
        end

        def twice_area(flat)
          one, two = [1, 2].map { |k| flat[true, k, true] - flat[true, 0, true] }
          (one[true, 0] * two[true, 1]) - (one[true, 1] * two[true, 0])
        end

        # The volume between all its faces and the ground tells which way they look.
        def outward = (@corners[true, true, @up].mean(1) * @turn).sum.negative? ? -1 : 1

        def over(points)
          k = points.shape[0]
          low, high = %i[min max].map { |way| @flat.public_send(way, 1) }
          size = (high - low).max
          at = Numo::DFloat.zeros(k, 2).tap { |all| 2.times { |c| all[true, c] = points[true, @across[c]] + (size * LITTLE * ASIDE[c]) } }
          one, two = Algebra::Boxes.near([at, at].map { |table| lying(table) }, [low, high].map { |table| lying(table) }, (high - low).mean)
          return Numo::DFloat.zeros(k) if one.empty?

          inside, height = met(at[one, true].dup, two)
          height -= points[one, @up]
          counts = (inside & (height > 0)).where
          return Numo::DFloat.zeros(k) if counts.empty?

          Numo::DFloat.cast(one[counts].bincount(height[counts] * @sign[two[counts]], minlength: k))
        end

        def lying(table) = Numo::DFloat.zeros(table.shape[0], 3).tap { |all| all[true, 0..1] = table }

        # @return [Array(Numo::Bit, Numo::DFloat)] whether upright lines go through triangles, and where
        def met(at, of)
          flat = @flat[of, true, true].dup
          shares = [[1, 2], [2, 0], [0, 1]].map do |i, j|
            own = flat[true, [0, i, j], true].dup.tap { |corners| corners[true, 0, true] = at }
            twice_area(own) / @turn[of]
          end
          inside = shares.map { |share| share >= 0 }.reduce(:&)
          [inside, shares.each_with_index.sum { |share, c| share * @corners[of, c, @up] }]
        end
      end
    end
  end
end
