# frozen_string_literal: true

module Lattice
  module Result
    # A shape of vibration or buckling as a state: its largest movement is one.
    module ModeShape
      module_function

      # @param structure [System::Structure]
      # @param vector [Numo::DFloat] [unknowns]
      # @return [State]
      def of(structure, vector)
        dofs = structure.dofs
        moved = dofs.spread(vector)
        scale = 1 / Numo::NMath.sqrt((moved**2).sum(1)).max
        turned = dofs.names.include?(:rx) ? dofs.spread(vector, %i[rx ry rz]) * scale : nil
        State.new(displacement: moved * scale, rotation: turned, stress: structure.pieces.map { {} }, ends: structure.pieces.map { nil }, fibres: structure.pieces.map(&:fibres), energy: nil)
      end
    end
  end
end
