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
    end

    def to_h
      project = @db[:projects][id: @model[:project_id]]
      mesh = self.mesh
      readiness = Lattice::Verdict::Readiness.new(problem, mesh&.dig(:summary, "poor") || [])
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

    # Only what needs the shape has it built.
    def problem = @problem ||= Lattice::Study::Problem.new(@document)

    def shape
      parts = problem.parts
      inventory = Lattice::Shape::Inventory.new(parts.bodies, problem.materials.to_h)
      { digest: problem.shape_digest, dimension: parts.dimension, size: parts.bodies.empty? ? nil : parts.size, up: up, bodies: inventory.rows, total: inventory.total,
        outlines: outlines, lines: lines, corners: corners, regions: regions, patches: parts.patches, reports: parts.reports }
    end

    # Up is against gravity; without it, along z where storeys rise that way or an elevation
    # is drawn over x and z, otherwise along y.
    def up
      gravity = @document.active("gravity").first
      return gravity["direction"].is_a?(String) && gravity["direction"].end_with?("z") ? "z" : "y" if gravity

      rises = @document.active("frame").any? { |s| s["up"] != "y" } || @document.active("body").any? { |s| s.dig("on", "plane") == "xz" }
      rises ? "z" : "y"
    end

    # Where typed corners lie, whatever they are placed by.
    def corners
      @document.active.select { |s| s["corners"] || s.dig("boundary", "corners") }.to_h do |s|
        list = s["corners"] || s.dig("boundary", "corners")
        [s.id, Lattice::Shape::Corners.new(s).resolve(list, "corners", space: s.kind == "line").map(&:at)]
      rescue Lattice::InvalidInput
        [s.id, []]
      end
    end

    def regions
      @document.active("outline").to_h do |s|
        [s.name, @document.outline(s).regions.map { |r| { name: r.name, at: r.area_and_centroid[1], loops: r.loops.map { |loop| loop_lines(loop) } } }]
      end.reject { |_, parts| parts.empty? }
    end

    # Open lines as points in space, with the name of the leg of every step.
    def lines
      @document.active("line").to_h do |s|
        line = Lattice::Shape::SpaceLine.read(s)
        [s.name, { points: line.points, keys: line.legs }]
      rescue Lattice::InvalidInput
        [s.name, nil]
      end.compact
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
      @document.active("group").to_h do |group|
        [group.name, problem.groups.members(group).map(&:key)]
      rescue Lattice::InvalidInput
        [group.name, []]
      end
    end

    def mesh
      return nil unless problem.size&.positive? && !problem.parts.bodies.empty?

      digest = problem.mesh_digest
      summary = @derived.find(digest)
      { digest: digest, summary: summary, before: summary ? nil : mesh_before }
    end

    # The mesh that was made last: it stays until there is another.
    def mesh_before
      digest = @runs.last_mesh(@model[:id]) or return nil
      found = @derived.find(digest)
      found && { digest: digest, summary: found }
    end

    def studies
      @studies ||= @document.active("study").map { |study| study_state(study) }
    end

    def study_state(study)
      digest = problem.findings_digest(study)
      findings = @derived.find(digest)
      return state(study, "solved", findings, problem.study_digest(study), problem.mesh_digest) if findings

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
