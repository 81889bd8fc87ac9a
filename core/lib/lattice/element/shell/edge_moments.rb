# frozen_string_literal: true

module Lattice
  module Element
    module Shell
      # A load along an edge works on the bulge of the sides, too: it brings moments about the normal at the ends
      # of every side, ± p L² / 12 for the part p of the load that lies in the plane across the side (1.5 times as much
      # on triangles, whose sides bulge more). Without them the elements along the edge read half as much again.
      class EdgeMoments
        V = Shape::Vectors
        BULGES = { 3 => TriangleMembrane::BULGE, 4 => 1.0 }.freeze

        # @param grid [Mesh::Grid]
        # @param body [String] of faces
        def initialize(grid, body)
          @grid = grid
          keys = []
          tables = []
          grid.of(body).each { |block| sides(block, keys, tables) }
          @keys, index = Algebra::Distinct.of(keys.reduce { |a, b| a.concatenate(b) })
          table = tables.reduce { |a, b| a.concatenate(b) }
          count = Numo::DFloat.cast(index.bincount(minlength: @keys.size))
          @tensors = Numo::DFloat.zeros(@keys.size, 9).tap { |all| 9.times { |c| all[true, c] = index.bincount(table[true, c].dup, minlength: @keys.size) / count } }
        end

        # @param conn [Numo::Int32] [k, 2] sides along the edge
        # @param per_length [Numo::DFloat] [3] N/m
        # @return [Numo::DFloat] [k, 2, 3] moments at their ends, N m
        def call(conn, per_length)
          along = @grid.nodes[conn[true, 1].dup, true] - @grid.nodes[conn[true, 0].dup, true]
          arm = V.cross(along, Numo::DFloat.zeros(*along.shape) + per_length.reshape(1, 3))
          tensor = @tensors[Algebra::Search.first_not_below(@keys, key(conn[true, 0].dup, conn[true, 1].dup)), true].reshape(conn.shape[0], 3, 3)
          moment = Numo::DFloat.zeros(conn.shape[0], 3)
          3.times { |i| moment[true, i] = (0..2).map { |j| tensor[true, i, j] * arm[true, j] }.reduce(:+) }
          moment *= (V.norm(along) / 12).reshape(conn.shape[0], 1)
          Numo::DFloat.zeros(conn.shape[0], 2, 3).tap do |all|
            all[true, 0, true] = moment
            all[true, 1, true] = -moment
          end
        end

        private

        def key(a, b) = (Numo::Int64.cast(Numo::Int32.minimum(a, b)) * @grid.nodes.shape[0]) + Numo::Int32.maximum(a, b)

        # The keys of a block's sides, and n nᵀ of the element that each belongs to.
        def sides(block, keys, tables)
          n = block.conn.shape[1]
          normal = Frame.new(Algebra::Gather.rows(@grid.nodes, block.conn)).axes[2]
          tensor = Numo::DFloat.zeros(block.size, 9).tap { |t| 3.times { |i| 3.times { |j| t[true, (3 * i) + j] = normal[true, i] * normal[true, j] * BULGES.fetch(n) } } }
          Points::SIDES.fetch(n).each do |i, j|
            keys << key(block.conn[true, i].dup, block.conn[true, j].dup)
            tables << tensor
          end
        end
      end
    end
  end
end
