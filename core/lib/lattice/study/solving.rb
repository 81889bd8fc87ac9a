# frozen_string_literal: true

module Lattice
  module Study
    # The one way in which studies are solved: by the command line, the worker, checks and specs. A keeper
    # gives what was computed before under a digest, or keeps what is computed now.
    class Solving
      # Keeps nothing.
      class Keeper
        # @param kind [Symbol] :mesh or :result
        # @param digest [String]
        # @yieldreturn [Object] computed
        def keep(_kind, _digest, *) = yield

        # @param digest [String] of a result
        # @return [Waypoints, Waypoints::None] where it has come to
        def waypoints(_digest) = Waypoints::None.new
      end

      # @param problem [Problem]
      # @param keeper [#keep, #waypoints]
      # @param monitor [Monitor]
      def initialize(problem, keeper: Keeper.new, monitor: Monitor.new)
        @problem = problem
        @keeper = keeper
        @monitor = monitor
      end

      attr_reader :problem, :monitor, :keeper

      # @param problem [Problem]
      # @param keeper [#keep] the same one, unless another is given
      # @return [Solving] of another problem
      def for(problem, keeper: @keeper, monitor: @monitor) = Solving.new(problem, keeper: keeper, monitor: monitor)

      # @param grid [Mesh::Grid] the problem's mesh, where it is at hand
      # @return [Solving]
      def on(grid) = tap { @grid = grid }

      # @param study [Model::Statement]
      # @return [Waypoints, Waypoints::None] where it has come to
      def waypoints(study) = @keeper.waypoints(@problem.study_digest(study))

      # @return [Mesh::Grid]
      def grid = @grid ||= @keeper.keep(:mesh, @problem.mesh_digest) { @problem.mesh(@monitor) }

      # @param study [Model::Statement]
      # @return [Result::Outcome]
      def call(study)
        kind = Kinds.of(study)
        own = kind.problem(@problem, study)
        there = own.equal?(@problem) ? self : self.for(own)
        @keeper.keep(:result, @problem.study_digest(study), own.mesh_digest, -> { there.grid }) { kind.solve(self, study) }
      end
    end
  end
end
