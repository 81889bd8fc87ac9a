# frozen_string_literal: true

module LatticeServer
  # What the workspace shows of a model: its sketch, and what of the derived data still applies.
  # A model that cannot be sketched shows its note, with what is wrong.
  class ModelView
    NOTHING = { digest: "", dimension: nil, size: nil, up: "y", bodies: [], total: nil, outlines: {}, lines: {}, corners: {}, regions: {}, patches: {}, reports: {}, through: {}, bolts: {},
                lines_between: [] }.freeze

    # @param revision [Integer, nil] an older one, with what of the derived data is its own; nil takes the one in force
    # @raise [Problem] 404
    def initialize(db, model_id, revision: nil)
      @db = db
      @models = Store::Models.new(db)
      @runs = Store::Runs.new(db)
      @derived = Store::Derived.new(db)
      @model = @models.find(model_id)
      @older = revision && @models.revision!(model_id, revision)
    end

    # @return [String] JSON
    def to_json(*)
      project = @db[:projects][id: @model[:project_id]]
      rest = { id: @model[:id], project: project.slice(:id, :name), version: @model[:version], can_undo: @models.undo?(@model), can_redo: @models.redo?(@model),
               ready: notices.none? { |n| n[:severity].to_s == "stops" }, notices: notices, offers: sketch[:offers] || [], mesh: mesh, studies: studies, fault: @fault&.to_h,
               runs: @runs.of(@model[:id], 20).map { |run| RunView.new(run).to_h } }
      "{#{sketch[:text]},#{JSON.generate(rest)[1..]}"
    end

    # @return [Hash] counts for the home screen
    def verdict
      state = self.state or return { hold: 0, fail: 0, stale: 0, studies: 0, fault: @fault.message }
      found = state.studies.map { |study| @derived.find(study["findings"]) }
      limits = found.compact.flat_map { |f| f["findings"] }.select { |f| Lattice::Verdict::Findings::JUDGED.include?(f["kind"]) }
      { hold: limits.count { |f| f["holds"] }, fail: limits.count { |f| f["holds"] == false }, stale: found.count(nil), studies: found.size }
    end

    private

    def head = @head ||= @older || @models.head(@model)

    def sketch
      @sketch ||= Sketches.of(head[:document]).tap { |found| @models.note_state(@model, found) unless @older || (head[:state] && Store::State.new(JSON.parse(head[:state])).current?) }
    rescue Lattice::InvalidInput => e
      broken(e.faults.first)
    rescue Problem => e
      broken(Lattice::Fault.new(message: "this model cannot be shown: #{e.message}", cure: "Undo the last change, or mend the note. #{e.body[:cure]}"))
    end

    # The note can be mended, or the edit undone.
    def broken(fault)
      @fault = fault
      @sketch = { text: "\"document\":#{head[:document]},#{JSON.generate(shape: NOTHING, groups: {})[1...-1]}", units: "mm-N", meshed: false, mesh: nil,
                  studies: [], notices: [fault.as_json.merge(severity: :stops)] }
    end

    # @return [Store::State, nil] nil where the model cannot be sketched
    def state
      kept = head[:state] && Store::State.new(JSON.parse(head[:state]))
      return kept if kept&.current?

      sketch
      @fault ? nil : Store::State.new(JSON.parse(Store::State.of(sketch)))
    end

    def notices
      poor = mesh&.dig(:summary, "poor") || []
      sketch[:notices] + Lattice::Verdict::MeshQuality.new(poor, sketch[:units]).notices.map(&:as_json)
    end

    def mesh
      return nil unless sketch[:meshed]

      digest = sketch[:mesh]
      @mesh ||= { digest: digest, summary: (summary = @derived.find(digest)), before: summary ? nil : mesh_before }
    end

    # The mesh that was made last: it stays until there is another.
    def mesh_before
      digest = @runs.last_mesh(@model[:id]) or return nil
      found = @derived.find(digest)
      found && { digest: digest, summary: found }
    end

    def studies = sketch[:studies].map { |study| study_state(study) }

    def study_state(study)
      return told(study, "unsolved") unless study[:findings]

      findings = @derived.find(study[:findings])
      return told(study, "solved", findings, study[:result], study[:mesh]) if findings && whole?(study)

      return told(study, "unsolved") if @older

      older = @runs.last_done(@model[:id], study[:name])
      outcome = older && JSON.parse(older[:outcome])
      kept = outcome && whole?({ result: outcome["result_digest"], mesh: outcome["mesh_digest"] })
      return told(study, "unsolved") unless kept

      told(study, "stale", @derived.find(outcome["findings_digest"]), outcome["result_digest"], outcome["mesh_digest"])
    end

    # Findings whose fields are gone are to be computed again.
    def whole?(study) = [study[:result], study[:mesh]].all? { |digest| @derived.find(digest) }

    def told(study, name, findings = nil, result = nil, mesh = nil)
      { name: study[:name], statement: study[:statement], state: name, findings: findings, result: result, mesh: mesh }
    end
  end
end
