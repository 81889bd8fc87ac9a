# frozen_string_literal: true

module Lattice
  module Result
    # Strains of solids and plane regions from how their nodes move, free strain and what flows or cracks among them; while movements are small.
    class Strain
      FIELDS = { "strain_max" => "greatest principal strain", "strain_min" => "least principal strain" }.merge(Stress::COMPONENTS.to_h { |c| ["strain_#{c}", "strain #{c}"] }).freeze
      LESS = { "strain_less_max" => "greatest principal strain, less that of temperature", "strain_less_min" => "least principal strain, less that of temperature" }.freeze

      # @return [Boolean] whether a field is of strains
      def self.of?(name) = FIELDS.key?(name) || LESS.key?(name)

      # @param grid [Mesh::Grid]
      # @param ring [Boolean] whether the region is one half of the section of rings
      def initialize(grid, ring)
        @grid = grid
        @ring = ring
      end

      # @return [Boolean] whether any body has strains through and through
      def any? = @grid.blocks.any? { |block| through?(block) }

      # @param name [String] one of FIELDS
      # @param moved [Numo::DFloat] [n, 3] m
      # @return [Numo::DFloat] [p] at the points of the mesh; zero in sheets and members
      def field(name, moved)
        tensor = tensors(moved)
        case name
        when "strain_max" then Stress.principal(tensor)[0]
        when "strain_min" then Stress.principal(tensor)[2]
        else tensor[true, Stress::COMPONENTS.index(name.delete_prefix("strain_"))].dup
        end
      end

      private

      def through?(block) = Element::Kind[block.kind].dimension == @grid.dimension

      # Averaged body by body: [p, 6]; shears are half of what the angle loses.
      def tensors(moved) = @grid.points.mean(6) { |b| @grid.blocks[b].then { |block| through?(block) ? tensor(block, moved) : Numo::DFloat.zeros(*block.conn.shape, 6) } }

      # At the nodes of every element [e, n, 6]
      def tensor(block, moved)
        d = @grid.dimension
        continuum = Element::Continuum.new(Element::Kind[block.kind], Algebra::Gather.rows(@grid.nodes, block.conn), d == 3 ? "solid" : "plane stress")
        own = moved[block.conn.flatten, true].reshape(*block.conn.shape, 3)
        slopes = (0...d).map { |c| continuum.nodal_slopes(own[true, true, c].dup) }
        Numo::DFloat.zeros(*block.conn.shape, 6).tap do |all|
          d.times { |c| all[true, true, c] = slopes[c][true, true, c] }
          [[3, 0, 1], *([[4, 1, 2], [5, 0, 2]] if d == 3)].each { |row, i, k| all[true, true, row] = (slopes[i][true, true, k] + slopes[k][true, true, i]) / 2 }
          all[true, true, 2] = hoop(block, own[true, true, 0].dup, all[true, true, 0].dup) if @ring
        end
      end

      # u / r; on the axis as along the radius.
      def hoop(block, moved, radial)
        radius = @grid.nodes[block.conn.flatten, 0].reshape(*block.conn.shape)
        axis = radius <= radius.max * 1e-9
        Algebra::Gather.put(radius, axis, 1.0)
        hoop = moved / radius
        at = axis.where
        at.empty? ? hoop : hoop.tap { |all| all[at] = radial[at] }
      end
    end
  end
end
