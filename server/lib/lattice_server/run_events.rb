# frozen_string_literal: true

module LatticeServer
  # What changed of the runs of a model since it was asked for last, as Server-Sent Events.
  class RunEvents
    def initialize(db, model_id)
      @runs = Store::Runs.new(db)
      @model_id = model_id
      @seen = {}
    end

    # @return [Array<String>] one event for every run that changed
    def changes
      @runs.of(@model_id, 20).reject { |run| @seen[run[:id]] == run }
           .each { |run| @seen[run[:id]] = run }.reverse
           .map { |run| "event: run\ndata: #{JSON.generate(RunView.new(run).to_h)}\n\n" }
    end
  end
end
