# frozen_string_literal: true

module Lattice
  module Element
    module Beam
      # Consistent masses of straight members: cubic across, linear along; turns about the axis with the polar moment.
      # J. S. Archer, Consistent mass matrix for distributed mass systems, 1963.
      module Mass
        # Over the length of a unit mass: rows and columns are movement and turn at either end.
        ACROSS = [[156, 22, 54, -13], [22, 4, 13, -3], [54, 13, 156, -22], [-13, -3, -22, 4]].freeze

        module_function

        # @param lengths [Numo::DFloat] [e] m
        # @param area [Numo::DFloat] [e] m²
        # @param polar [Numo::DFloat] [e] m⁴
        # @param density [Float] kg/m³
        # @param bar [Numo::Bit] [e] those that do not bend
        # @return [Numo::DFloat] [e, 12, 12] in the axes of the members
        def local(lengths, area, polar, density, bar)
          m = Numo::DFloat.zeros(lengths.size, 12, 12)
          whole = area * lengths * density
          { 0 => whole, 3 => polar * lengths * density }.each { |dof, value| pair(m, dof, value) }
          straight = Numo::DFloat.cast(bar)
          { [1, 5, 7, 11] => 1, [2, 4, 8, 10] => -1 }.each { |dofs, sign| Cubic.add(m, dofs, ACROSS, whole * (1 - straight) / 420, lengths, sign) }
          [1, 2].each { |dof| pair(m, dof, whole * straight) }
          m
        end

        def pair(matrix, dof, value)
          [[dof, dof, 3], [dof + 6, dof + 6, 3], [dof, dof + 6, 6], [dof + 6, dof, 6]].each { |r, c, part| matrix[true, r, c] = matrix[true, r, c] + (value / part) }
        end
      end
    end
  end
end
