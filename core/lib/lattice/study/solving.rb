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
      end

      # @param problem [Problem]
      # @param keeper [#keep]
      # @param monitor [Monitor]
      def initialize(problem, keeper: Keeper.new, monitor: Monitor.new)
        @problem = problem
        @keeper = keeper
        @monitor = monitor
      end

      # @return [Mesh::Grid]
      def grid = @grid ||= @keeper.keep(:mesh, @problem.mesh_digest) { @problem.mesh(@monitor) }

      # @param study [Model::Statement]
      # @return [Result::Outcome]
      def call(study)
        mesh = -> { grid }
        @keeper.keep(:result, @problem.study_digest(study), mesh) { Kinds.of(study).call(@problem, grid, study, @monitor) }
      end
    end
  end
end
