# frozen_string_literal: true

module LatticeServer
  # Computes a run's mesh, result and findings, taking what is already there.
  class Computation
    def initialize(derived, document, monitor)
      @derived = derived
      @problem = Lattice::Study::Problem.new(Lattice::Model::Document.new(document))
      @monitor = monitor
    end

    # @return [Hash] the mesh's digest and summary
    def mesh
      Lattice::Verdict::Readiness.new(@problem).check_mesh!
      { mesh_digest: @problem.mesh_digest, summary: grid.summary }
    end

    # @param name [String] of the study
    # @return [Hash] digests and findings
    def study(name)
      study = @problem.study!(name)
      Lattice::Verdict::Readiness.new(@problem).check!
      result = result(study)
      findings = Lattice::Verdict::Findings.new(@problem, study, result).to_h
      digest = @problem.findings_digest(study)
      @derived.put(digest, "findings", findings)
      { findings_digest: digest, result_digest: @problem.study_digest(study), mesh_digest: @problem.mesh_digest, holds: findings[:holds] }
    end

    private

    def grid
      @grid ||= begin
        digest = @problem.mesh_digest
        @derived.find(digest) ? read_grid(digest) : make_grid(digest)
      end
    end

    def read_grid(digest)
      @monitor.log("The mesh still applies.")
      Lattice::Format::GridFile.read(@derived.path!(digest, "mesh"))
    end

    def make_grid(digest)
      @problem.mesh(@monitor).tap do |grid|
        summary = grid.summary
        quality = summary[:quality]
        @monitor.log("#{summary[:elements]} elements, #{summary[:unknowns]} unknowns#{", worst #{quality[:measure]} #{quality[:worst].round(2)}" if quality}")
        @derived.put(digest, "mesh", summary) { |path| Lattice::Format::GridFile.write(path, grid) }
      end
    end

    def result(study)
      digest = @problem.study_digest(study)
      if @derived.find(digest)
        @monitor.log("The result still applies; only the findings are made anew.")
        return Lattice::Format::ResultFile.read(@derived.path!(digest, "result"), grid)
      end
      Lattice::Study::Static.new(@problem, grid, study, @monitor).call.tap do |result|
        @derived.put(digest, "result", { mesh: @problem.mesh_digest }) { |path| Lattice::Format::ResultFile.write(path, result) }
      end
    end
  end
end
