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
      # @return [ContinuumPiece, ShellPiece]
      def of(block, grid, body, material)
        coordinates = Algebra::Gather.rows(grid.nodes, block.conn)
        (body.faces? ? ShellPiece : ContinuumPiece).new(block, coordinates, body, material)
      end
    end
  end
end
