# frozen_string_literal: true

module Lattice
  module Element
    # A block of a mesh as its body has it solved: a formulation with a material.
    module Pieces
      module_function

      # @param block [Mesh::Block]
      # @param grid [Mesh::Grid]
      # @param body [Shape::Body]
      # @param material [Matter::Material]
      # @param sections [Matter::Sections]
      # @return [ContinuumPiece, ShellPiece, BeamPiece]
      def of(block, grid, body, material, sections)
        coordinates = Algebra::Gather.rows(grid.nodes, block.conn)
        return BeamPiece.new(block, coordinates, body, material, sections.of_block(block, grid)) if body.members?

        (body.faces? ? ShellPiece : ContinuumPiece).new(block, coordinates, body, material)
      end
    end
  end
end
