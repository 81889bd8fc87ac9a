# frozen_string_literal: true

module LatticeServer
  module Store
    # The queue of runs and what became of them.
    class Runs
      ENDED = %w[done failed stopped interrupted].freeze
      # What is told of a run: not the document it computes, which may be long.
      TOLD = %i[id model_id kind study state phase share log course trying error outcome created_at started_at finished_at].freeze

      def initialize(db)
        @db = db
      end

      # @param kind [String] "study" or "mesh"
      def queue(model_id, kind, study, document)
        busy = @db[:runs].where(model_id: model_id, kind: kind, study: study, state: %w[queued running]).first
        raise Problem.new(409, "that is being computed already", cure: "Stop it first, or wait for it.", run: busy[:id]) if busy

        id = SecureRandom.alphanumeric(10)
        @db[:runs].insert(id: id, model_id: model_id, kind: kind, study: study, document: document, created_at: Time.now)
        find(id)
      end

      # @raise [Problem] 404
      def find(id)
        @db[:runs][id: id] or raise Problem.new(404, "there is no run “#{id}”")
      end

      def of(model_id, limit = 50) = @db[:runs].where(model_id: model_id).reverse(:created_at).limit(limit).select(*TOLD).all

      # The newest runs of all models, with the names of their models and projects.
      def recent(limit = 100)
        names = %i[models projects].to_h { |table| [table, Sequel[table][:name]] }
        @db[:runs].join(:models, id: :model_id).join(:projects, id: Sequel[:models][:project_id]).reverse(Sequel[:runs][:created_at]).limit(limit)
                  .select(*TOLD.map { |column| Sequel[:runs][column] }, names[:models].as(:model), names[:projects].as(:project)).all
      end

      # The newest run of each study whose findings can be read.
      def last_done(model_id, study)
        @db[:runs].where(model_id: model_id, kind: "study", study: study, state: "done").reverse(:created_at).first
      end

      # @return [String, nil] digest of the mesh that a run made last
      def last_mesh(model_id)
        @db[:runs].where(model_id: model_id, state: "done").reverse(:created_at).limit(20).select_map(:outcome).each do |outcome|
          # Ladders and close-ups lie on meshes of their own.
          digest = outcome && JSON.parse(outcome).values_at("whole_mesh", "mesh_digest").compact.first and return digest
        end
        nil
      end

      # Takes the oldest queued run of a model that nothing runs of.
      # @return [Hash, nil]
      def claim(worker)
        queued = @db[:runs].where(state: "queued").order(:created_at)
        return nil unless queued.first

        @db.transaction(mode: :immediate) do
          run = queued.exclude(model_id: @db[:runs].where(state: "running").select(:model_id)).first
          run && take(run[:id], worker)
        end
      end

      # @return [Hash] the run, now running under this worker
      def take(id, worker)
        @db[:runs].where(id: id, state: "queued").update(state: "running", worker: worker, started_at: Time.now)
        find(id)
      end

      def progress(id, phase, share)
        @db[:runs].where(id: id).update(phase: phase, share: share)
      end

      def log(id, line)
        stamp = Time.now.strftime("%H:%M:%S")
        @db[:runs].where(id: id).update(log: Sequel.join([:log, "#{stamp} #{line}\n"]))
      end

      # @param told [Hash] of what came to rest
      def came(id, told)
        @db[:runs].where(id: id).update(course: Sequel.join([:course, "#{JSON.generate(told)}\n"]), trying: nil)
      end

      # @param told [Hash] of what is being tried
      def tries(id, told)
        @db[:runs].where(id: id).update(trying: JSON.generate(told))
      end

      # Ends a run that has not ended yet.
      def finish(id, state, error: nil, outcome: nil)
        @db[:runs].where(id: id).exclude(state: ENDED)
                  .update(state: state, error: error, outcome: outcome && JSON.generate(outcome), finished_at: Time.now, phase: nil)
      end

      # A run that was begun waits again, as its worker ends before it is done.
      def hand_back(id)
        log(id, "The server is being stopped; the run waits until it is started again.")
        @db[:runs].where(id: id, state: "running").update(state: "queued", worker: nil, started_at: nil, phase: nil, share: 0.0)
      end

      # A queued run stops at once, a running one when its worker sees the wish.
      def stop(id)
        run = find(id)
        raise Problem.new(422, "the run has ended already") if ENDED.include?(run[:state])

        @db[:runs].where(id: id).update(stop_wanted: true)
        finish(id, "stopped") if run[:state] == "queued"
        find(id)
      end

      def stop_wanted?(id) = find(id)[:stop_wanted]

      # Runs whose worker is gone become interrupted, with a word in their log.
      # @yield [Integer] a worker's process id, asking whether it still lives
      def interrupt_orphans
        @db[:runs].where(state: "running").all.each do |run|
          next if run[:worker] && yield(run[:worker])

          log(run[:id], "The worker process ended unexpectedly; nothing was lost but this run.")
          finish(run[:id], "interrupted", error: "The worker process was killed. Retry to run it again.")
        end
      end
    end
  end
end
