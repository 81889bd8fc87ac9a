# frozen_string_literal: true

module Lattice
  module Study
    # What studies on one stiffness have in common: the equations of a problem on its mesh.
    class Linear
      ALONE = 1e-6 # of a moment over the part's size, under which a force is what rounding left over

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

      # What the stress of a frame of a static study adds to the stiffness.
      # @param result [Result::Outcome]
      # @param frame [Integer] a case or a combination
      # @param base [Model::Statement] that study
      # @return [Algebra::SymmetricMatrix]
      def stress_stiffness(result, frame, base)
        state = result.state(frame)
        @structure.geometric(@structure.dofs.gather(state.displacement, state.rotation), Steps.new(@problem.cases).weights[frame], Kinds::Static.options(base)[0])
      end

      # @param u [Numo::DFloat] [unknowns]
      # @param weights [Numo::DFloat] [cases] of the state
      # @param factor [Float] of all loads
      # @param scales [Array<Numo::DFloat, nil>, nil] for every piece [e], what its modulus is multiplied by
      # @return [Array(Array<Hash>, Array)] of every piece its stress by layer and, of members, the forces at the ends of its elements
      def recovered(u, weights, factor = 1.0, scales = nil)
        @structure.moved(u, weights, factor).each_with_index.map do |(piece, moved, free, per_length), i|
          # Stress is linear in both.
          scales&.at(i)&.then do |scale|
            free = (Numo::DFloat.zeros(*piece.conn.shape) + free) * scale.reshape(scale.size, 1)
            moved *= scale.reshape(scale.size, 1, 1)
          end
          next [piece.recover(moved, free), nil] unless per_length

          ends = piece.ends(moved, per_length, free)
          [piece.fibres.stresses(ends), ends]
        end.transpose
      end

      # What acts with some factors of the cases: label, and its size as it is; a torque has no force, but a moment.
      # @param totals [Array<Hash>] see System::Totals
      # @param weights [Numo::DFloat] [cases]
      # @return [Array<Hash>]
      def sizes_of(totals, weights)
        totals.filter_map do |total|
          weight = weights[@problem.cases.index(total[:case] == Load::Cases::UNNAMED ? "" : total[:case].to_s)]
          force, moment = total.values_at(:force, :moment).map { |parts| Math.sqrt(parts.sum { |f| f * f }) * weight.abs }
          turns = force * @problem.parts.size < moment * ALONE
          size = turns ? moment : force
          { label: total[:label], size: size, dimension: turns ? "moment" : "force" } if size.positive?
        end
      end

      # @param frames [Array<Result::Frame>]
      # @param shapes [Array<Numo::DFloat>] [unknowns] each
      # @return [Result::Outcome] a frame a shape
      def of_shapes(frames, shapes)
        about = Result::Outcome::About.new(mass: @structure.mass, ring: false, totals: [], joins: @structure.reports, walls: {})
        Result::Outcome.new(grid: @grid, frames: frames, states: shapes.map { |u| Result::ModeShape.of(@structure, u) }, about: about)
      end

      def check_folded(piece)
        return unless piece.folded?

        Verdict::MeshQuality.new(@grid.quality.poor, @problem.document.units).check!
        raise SolveFailed.new("an element of “#{piece.body.name}” is folded by its curved sides", cure: "Choose a smaller mesh size.")
      end
    end
  end
end
