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

    def grid = @grid ||= kept(@problem.mesh_digest, "The mesh still applies.") { |path| Lattice::Format::GridFile.read(path) } || make_grid(@problem.mesh_digest)

    # @return [Object, nil] what was computed before, where it is whole
    def kept(digest, words)
      row = @derived.find(digest) or return nil
      @monitor.log(words)
      yield(@derived.path(digest, row["mesh"] ? "result" : "mesh"))
    rescue Lattice::Format::ArrayFile::Torn
      @monitor.log("Its file is not whole; it is computed again.")
      @derived.forget(digest)
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
      before = kept(digest, "The result still applies; only the findings are made anew.") { |path| Lattice::Format::ResultFile.read(path, grid) }
      return before if before

      Lattice::Study::Static.new(@problem, grid, study, @monitor).call.tap do |result|
        @derived.put(digest, "result", { mesh: @problem.mesh_digest }) { |path| Lattice::Format::ResultFile.write(path, result) }
      end
    end
  end
end
