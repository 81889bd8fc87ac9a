# frozen_string_literal: true

module LatticeServer
  module Building
    # The sizes wanted of elements, kept for the last few models that were asked about.
    module WantedSizes
      KEPT = 4
      @kept = {}

      module_function

      # @param problem [Lattice::Study::Problem]
      # @param params [Hash] body, x, y and z in m
      # @return [Hash] size in m, and corners of the elements' faces
      # @raise [Problem]
      def at(problem, params)
        point = %i[x y z].map { |key| MeshLook.number(params, key) || raise(Problem.new(422, "“#{key}” is missing", cure: "Send x, y and z in metres.")) }
        digest = problem.mesh_digest or raise Problem.new(422, "the model has no mesh statement that can be followed", cure: "Add one, or mend it.")

        found = sizes(problem, digest)
        { size: found.at(params[:body].to_s, point), corners: found.corners(params[:body].to_s) }
      end

      def sizes(problem, digest)
        @kept[digest] ||= Lattice::Mesh::WantedSize.new(problem.parts.bodies, problem.settings).tap { @kept.shift if @kept.size >= KEPT }
      end
    end
  end
end
