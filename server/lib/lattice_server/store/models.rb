# frozen_string_literal: true

module LatticeServer
  module Store
    # Models and their revisions. Every edit is a new revision whose parent is the one
    # it was made from; undo and redo move the head along that tree.
    class Models
      def initialize(db)
        @db = db
      end

      # @param sketch [Hash] of the document; see Building::Sketch
      def create(project_id, sketch)
        now = Time.now
        id = SecureRandom.alphanumeric(10)
        @db.transaction do
          @db[:models].insert(id: id, project_id: project_id, name: sketch[:name], head: 1, created_at: now, changed_at: now)
          @db[:revisions].insert(model_id: id, number: 1, document: sketch[:document], state: State.of(sketch), created_at: now)
          touch_project(project_id)
        end
        find(id)
      end

      # @raise [Problem] 404
      def find(id)
        @db[:models][id: id] or raise Problem.new(404, "there is no model “#{id}”", cure: "It may have been deleted; go back to the list.")
      end

      def delete(id)
        @db[:models].where(id: find(id)[:id]).delete
      end

      # @return [String] JSON of the document in force
      def text(id) = head(find(id))[:document]

      # @return [Hash] the revision of a model that is in force
      def head(model) = revision(model[:id], model[:head])

      # Notes what follows from a revision, where an earlier program did not.
      def note_state(model, sketch)
        @db[:revisions].where(model_id: model[:id], number: model[:head]).update(state: State.of(sketch))
      end

      # @param sketch [Hash] of the edited document
      # @param version [Integer] the version that the edit was made on
      # @raise [Problem] 409 when someone else changed the model since
      def edit(id, sketch, version)
        change(id, version) do |model|
          number = @db[:revisions].where(model_id: id).max(:number) + 1
          @db[:revisions].insert(model_id: id, number: number, parent: model[:head], document: sketch[:document], state: State.of(sketch), created_at: Time.now)
          { head: number, name: sketch[:name] }
        end
      end

      def undo(id, version)
        change(id, version) do |model|
          parent = revision(id, model[:head])[:parent] or raise Problem.new(422, "there is nothing to undo")
          { head: parent, name: name_at(id, parent) }
        end
      end

      def redo(id, version)
        change(id, version) do |model|
          child = child(id, model[:head]) or raise Problem.new(422, "there is nothing to redo")
          { head: child, name: name_at(id, child) }
        end
      end

      # @return [Hash] one of its revisions
      # @raise [Problem] 404
      def revision!(id, number) = revision(id, number) || raise(Problem.new(404, "there is no revision #{number} of this model"))

      # The newest revisions, with the digests of findings of their studies.
      # @return [Array<Hash>] number, created_at, findings
      def revisions(id, limit = 60)
        @db[:revisions].where(model_id: find(id)[:id]).reverse(:number).limit(limit).select(:number, :created_at, :state).map do |row|
          { number: row[:number], created_at: row[:created_at], findings: (row[:state] ? State.new(JSON.parse(row[:state])).studies : []).filter_map { |s| s["findings"] } }
        end
      end

      def undo?(model) = !revision(model[:id], model[:head])[:parent].nil?
      def redo?(model) = !child(model[:id], model[:head]).nil?

      private

      def change(id, version)
        @db.transaction(mode: :immediate) do
          model = find(id)
          conflict(model) unless version == model[:version]
          @db[:models].where(id: id).update(version: model[:version] + 1, changed_at: Time.now, **yield(model))
          touch_project(model[:project_id])
        end
        find(id)
      end

      def conflict(model)
        raise Problem.new(409, "the model was changed in another window since you opened it",
                          cure: "Your edit was not saved. Load the newer version, then make the edit again.", version: model[:version])
      end

      def revision(id, number) = @db[:revisions][model_id: id, number: number]
      def child(id, number) = @db[:revisions].where(model_id: id, parent: number).max(:number)
      def name_at(id, number) = JSON.parse(revision(id, number)[:document])["name"]
      def touch_project(id) = @db[:projects].where(id: id).update(changed_at: Time.now)
    end
  end
end
