# frozen_string_literal: true

module LatticeServer
  # What the workspace shows of a model: document, places, readiness, and what of the
  # derived data still applies.
  class ModelView
    def initialize(db, model_id)
      @db = db
      @models = Store::Models.new(db)
      @runs = Store::Runs.new(db)
      @derived = Store::Derived.new(db)
      @model = @models.find(model_id)
      @document = Lattice::Model::Document.new(@models.document(model_id))
      @problem = Lattice::Study::Problem.new(@document)
    end

    def to_h
      project = @db[:projects][id: @model[:project_id]]
      readiness = Lattice::Verdict::Readiness.new(@problem)
      { id: @model[:id], project: project.slice(:id, :name), version: @model[:version], document: @document.data,
        can_undo: @models.undo?(@model), can_redo: @models.redo?(@model), shape: shape, groups: groups,
        ready: readiness.ready?, notices: readiness.notices.map(&:as_json), mesh: mesh, studies: studies,
        runs: @runs.of(@model[:id], 20).map { |run| RunView.new(run).to_h } }
    end

    # @return [Hash] counts for the home screen
    def verdict
      found = studies.map { |s| s[:findings] && s[:state] == "solved" ? s[:findings]["findings"] : [] }.flatten.select { |f| f["kind"] == "limit" }
      { hold: found.count { |f| f["holds"] }, fail: found.count { |f| f["holds"] == false }, stale: studies.count { |s| s[:state] != "solved" },
        studies: studies.size }
    end

    private

    def shape
      { digest: @problem.shape_digest, dimension: @problem.parts.dimension, size: @problem.parts.bodies.empty? ? nil : @problem.parts.size,
        bodies: @problem.parts.bodies.map { |b| body(b) }, outlines: outlines, places: @problem.parts.places.map(&:as_json) }
    end

    def body(body)
      { name: body.name, make: body.make, thickness: body.thickness, volume: body.volume, area: body.area, outline: body.outline.name }
    end

    def outlines
      @document.active("outline").to_h { |s| [s.name, @document.outline(s).loops.map { |loop| loop_lines(loop) }] }
    end

    # Fine polylines, with the name of the side that leaves each point.
    def loop_lines(loop)
      points, owners = loop.polyline(0.06)
      { points: points.to_a, keys: owners.map { |i| loop.segments[i].key } }
    end

    def groups
      @document.active("group").to_h { |g| [g.name, @problem.groups.members(g).map(&:key)] }
    end

    def mesh
      return nil unless @problem.size&.positive? && !@problem.parts.bodies.empty?

      digest = @problem.mesh_digest
      { digest: digest, summary: @derived.find(digest) }
    end

    def studies
      @studies ||= @problem.studies.map { |study| study_state(study) }
    end

    def study_state(study)
      digest = @problem.findings_digest(study)
      findings = @derived.find(digest)
      return state(study, "solved", findings, @problem.study_digest(study), @problem.mesh_digest) if findings

      older = @runs.last_done(@model[:id], study.name)
      outcome = older && JSON.parse(older[:outcome])
      return state(study, "unsolved", nil, nil, nil) unless outcome

      state(study, "stale", @derived.find(outcome["findings_digest"]), outcome["result_digest"], outcome["mesh_digest"])
    rescue Lattice::InvalidInput
      state(study, "unsolved", nil, nil, nil)
    end

    def state(study, name, findings, result, mesh)
      { name: study.name, statement: study.id, state: name, findings: findings, result: result, mesh: mesh }
    end
  end
end
