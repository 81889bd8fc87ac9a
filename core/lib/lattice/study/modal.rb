# frozen_string_literal: true

module Lattice
  module Study
    # What answers made of natural shapes have in common.
    class Modal < Linear
      RIGID = 1e-3 # Hz under which a mode is no vibration

      # @param modes [Result::Outcome] of the vibration study
      # @param vibration [Model::Statement]
      def of(modes, vibration)
        @modes = modes
        @vibration = vibration
        self
      end

      private

      # [k, unknowns] of unit modal mass
      def shapes(masses)
        rows = @modes.frames.map do |frame|
          u = @structure.dofs.gather(@modes.displacement(frame.index), @modes.rotation(frame.index))
          u / Math.sqrt(u.dot(masses.dot(u)))
        end
        Numo::DFloat.zeros(rows.size, @structure.dofs.size).tap { |all| rows.each_with_index { |row, k| all[k, true] = row } }
      end

      # Shapes, the stiff rest, and the base.
      def rows(stiff, steady) = [*@shapes.shape[0].times.map { |k| @shapes[k, true].dup }, residual(stiff), steady].compact

      # What all modes that were left out would add, which are far too high to swing.
      def residual(stiff)
        return Numo::DFloat.zeros(@structure.dofs.size) if (@natural < RIGID).any? || @vibration["of"]

        constraints = @structure.constraints
        reduced, right = @monitor.phase("assembly", upto: 0.45) { [constraints.reduce(stiff), constraints.reduce_loads(@push)] }
        factor = @monitor.phase("factorisation", upto: 0.7) { Algebra::Factor.new(reduced) }
        u = constraints.expand_movements(@monitor.phase("solution", upto: 0.75) { factor.solve(right) })[0, true]
        factor.free
        @residual = true
        @work = @push[0, true].dot(u)
        u - (@share / ((@natural * 2 * Math::PI)**2)).dot(@shapes)
      rescue Algebra::Factor::NotPositive
        raise Loose.new(@structure, reduced).failure
      end

      # A movement of the whole strains nothing.
      def state(moved, still:)
        dofs = @structure.dofs
        turned = dofs.names.include?(:rx) ? dofs.spread(moved, %i[rx ry rz]) : nil
        stress, ends = recovered(still ? moved * 0 : moved, Numo::DFloat.zeros(@problem.cases.names.size))
        Result::State.new(displacement: dofs.spread(moved), rotation: turned, stress: stress, ends: ends, fibres: @structure.pieces.map(&:fibres), energy: nil)
      end
    end
  end
end
