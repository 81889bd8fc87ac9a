# frozen_string_literal: true

module Lattice
  module Study
    # What studies on one stiffness have in common: the equations of a problem on its mesh.
    class Linear
      # @param problem [Problem]
      # @param grid [Mesh::Grid]
      # @param study [Model::Statement]
      # @param monitor [Monitor]
      def initialize(problem, grid, study, monitor = Monitor.new)
        @problem = problem
        @grid = grid
        @study = study
        @monitor = monitor
      end

      private

      # @return [Array<Load::Condition>] what acts
      def conditions = @problem.conditions

      # @return [System::Structure] loaded and held
      def structure = System::Structure.new(@problem, @grid, conditions).apply

      # Sets the structure up.
      # @return [Array(Algebra::SymmetricMatrix, Algebra::SymmetricMatrix)] stiffness of elements and bolts, and of springs and joins besides
      # @raise [InvalidInput] when the memory that is free does not suffice, or elements are folded
      def stiffness
        Mesh::Estimate.check_solve!(@grid)
        @structure = @monitor.phase("loads and supports", upto: 0.2) { structure }
        matrix = @structure.bolted(@structure.assembled(@monitor) { |piece| check_folded(piece) })
        stiff = @structure.sprung(matrix)
        @structure.hold_idle(stiff)
        [matrix, stiff]
      end

      def check_folded(piece)
        return unless piece.folded?

        Verdict::MeshQuality.new(@grid.quality.poor, @problem.document.units).check!
        raise SolveFailed.new("an element of “#{piece.body.name}” is folded by its curved sides", cure: "Choose a smaller mesh size.")
      end
    end
  end
end
