# frozen_string_literal: true

module Lattice
  module Study
    # The formulation of each block of a mesh.
    module Blocks
      module_function

      # @return [Element::Continuum]
      def continuum(grid, block, body)
        Element::Continuum.new(Element::Kind[block.kind], Algebra::Gather.rows(grid.nodes, block.conn), body.make, thickness: body.thickness)
      end
    end
  end
end
