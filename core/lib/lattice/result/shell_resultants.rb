# frozen_string_literal: true

module Lattice
  module Result
    # Forces, moments and shears per length of shells, from the stress in their layers: N = t (top + bottom) / 2,
    # M = t² (top − bottom) / 12, Q = 2 t / 3 of the shear in the middle. Axis 1 is the model's x laid into the face, or y
    # where the face looks along x; 3 is the face's normal.
    class ShellResultants
      V = Shape::Vectors
      STEEP = 0.985 # cosine of about 10°
      # Words, dimension, and how each is read.
      FIELDS = {
        "force_11" => ["membrane force 11", "line load", :force, 0, 0], "force_22" => ["membrane force 22", "line load", :force, 1, 1], "force_12" => ["membrane force 12", "line load", :force, 0, 1],
        "moment_11" => ["bending moment 11 per length", "force", :moment, 0, 0], "moment_22" => ["bending moment 22 per length", "force", :moment, 1, 1],
        "moment_12" => ["twisting moment 12 per length", "force", :moment, 0, 1],
        "shear_13" => ["transverse shear 13 per length", "line load", :shear, 0, 2], "shear_23" => ["transverse shear 23 per length", "line load", :shear, 1, 2]
      }.freeze
      TENSOR = [[0, 3, 5], [3, 1, 4], [5, 4, 2]].freeze # of xx, yy, zz, xy, yz, zx

      # @param grid [Mesh::Grid]
      # @param walls [Hash{String => Float}] thickness of bodies of faces, m
      def initialize(grid, walls)
        @grid = grid
        @walls = walls
      end

      # @yieldparam layer [String]
      # @yieldreturn [Numo::DFloat] [p, 6] stress at the points of the mesh
      # @return [Numo::DFloat] [p], zero where there are no shells
      def field(name, &)
        _, _, what, i, j = FIELDS.fetch(name)
        component(combined(what, &), axes[i], axes[j])
      end

      private

      def combined(what)
        t = thickness.reshape(thickness.size, 1)
        case what
        when :force then (yield("top") + yield("bottom")) * t / 2
        when :moment then (yield("top") - yield("bottom")) * (t**2) / 12
        else yield("middle") * t * (2.0 / 3)
        end
      end

      def thickness
        @thickness ||= Numo::DFloat.zeros(@grid.points.size).tap { |all| @walls.each { |body, t| all[@grid.points.of(body)] = t if @grid.points.groups.any? { |g| g.body == body } } }
      end

      # aᵀ σ b at every point
      def component(stress, one, other)
        (0..2).to_a.product((0..2).to_a).sum { |a, b| stress[true, TENSOR[a][b]] * one[true, a] * other[true, b] }
      end

      # [p, 3] of each axis
      def axes
        @axes ||= begin
          normal = normals
          guide = Numo::DFloat.zeros(*normal.shape)
          steep = Numo::DFloat.cast(normal[true, 0].abs > STEEP)
          guide[true, 0] = 1 - steep
          guide[true, 1] = steep
          first = V.unit(guide - V.times(normal, V.dot(guide, normal)))
          [first, V.cross(normal, first), normal]
        end
      end

      # Of faces, the mean of the elements at each point; x elsewhere, where nothing is read.
      def normals
        points = @grid.points
        sum = Numo::DFloat.zeros(points.size, 3)
        @grid.blocks.each_with_index do |block, b|
          next unless @walls.key?(block.body)

          at = Algebra::Gather.rows(@grid.nodes, block.conn)
          a, c = block.conn.shape[1] == 4 ? [[0, 2], [1, 3]] : [[0, 1], [0, 2]]
          normal = V.cross(at[true, a[1], true] - at[true, a[0], true], at[true, c[1], true] - at[true, c[0], true])
          spread = Numo::DFloat.zeros(*at.shape) + normal.reshape(block.size, 1, 3)
          sum += Algebra::Gather.sum(spread, points.block(b), points.size)
        end
        none = V.norm(sum).eq(0).where
        sum[none, 0] = 1.0 unless none.empty?
        V.unit(sum)
      end
    end
  end
end
