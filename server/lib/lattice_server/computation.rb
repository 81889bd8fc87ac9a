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
      findings = tell(study, solving.call(study))
      bases(study).each { |base| tell(base, solving.call(base)) }
      { findings_digest: @problem.findings_digest(study), result_digest: @problem.study_digest(study), mesh_digest: @problem.mesh_digest_of(study), whole_mesh: @problem.mesh_digest, holds: findings[:holds] }
    end

    # What was computed before, where it is whole; else what is computed now, kept.
    # @param kind [Symbol] :mesh or :result
    # @param mesh [String] digest of the mesh that a result lies on
    # @param grid [Proc] of a result
    def keep(kind, digest, mesh = nil, grid = nil, &)
      before(kind, digest, grid) || yield.tap { |made| kind == :mesh ? keep_mesh(digest, made) : keep_result(digest, made, mesh) }
    end

    # Where a study that goes in increments has come to.
    # @param digest [String] of its result
    def waypoints(digest) = Lattice::Study::Waypoints.new(@derived.path(digest, "way"))

    private

    # @return [Hash] the findings, kept
    def tell(study, result)
      Lattice::Verdict::Findings.new(@problem, study, result).to_h.tap { |findings| @derived.put(@problem.findings_digest(study), "findings", findings) }
    end

    # Studies that were solved on the way to it, and have not told what they found.
    def bases(study, found = [])
      base = @problem.studies.find { |s| s.name == study["of"] }
      return found if base.nil? || found.include?(base)

      bases(base, @derived.find(@problem.study_digest(base)) && !@derived.find(@problem.findings_digest(base)) ? found + [base] : found)
    end

    def solving = @solving ||= Lattice::Study::Solving.new(@problem, keeper: self, monitor: @monitor)
    def grid = solving.grid

    def before(kind, digest, grid)
      @derived.find(digest) or return nil
      @monitor.log(kind == :mesh ? "The mesh still applies." : "The result still applies; only the findings are made anew.")
      path = @derived.path(digest, kind)
      kind == :mesh ? Lattice::Format::GridFile.read(path) : Lattice::Format::ResultFile.read(path, grid.call)
    rescue Lattice::Format::ArrayFile::Torn
      @monitor.log("Its file is not whole; it is computed again.")
      @derived.forget(digest)
    end

    def keep_mesh(digest, grid)
      summary = grid.summary
      quality = summary[:quality]
      @monitor.log("#{summary[:elements]} elements, #{summary[:unknowns]} unknowns#{", worst #{quality[:measure]} #{quality[:worst].round(2)}" if quality}")
      @derived.put(digest, "mesh", summary) { |path| Lattice::Format::GridFile.write(path, grid) }
    end

    def keep_result(digest, result, mesh)
      @derived.put(digest, "result", { mesh: mesh }) { |path| Lattice::Format::ResultFile.write(path, result) }
    end
  end
end
