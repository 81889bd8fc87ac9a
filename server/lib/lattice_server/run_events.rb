# frozen_string_literal: true

module LatticeServer
  # Watches the runs of a model and yields one event for every change of one.
  class RunEvents
    POLL = 0.2
    BEAT = 10 # seconds between signs of life, by which a closed connection is noticed

    def initialize(db, model_id)
      @runs = Store::Runs.new(db)
      @model_id = model_id
      @seen = {}
    end

    # @yield [String] Server-Sent Events, until the reader is gone
    def each
      quiet = 0.0
      loop do
        changed = changes
        changed.each { |run| yield "event: run\ndata: #{JSON.generate(run)}\n\n" }
        quiet = changed.empty? ? quiet + POLL : 0.0
        if quiet >= BEAT
          yield ": still here\n\n"
          quiet = 0.0
        end
        sleep POLL
      end
    end

    private

    def changes
      @runs.of(@model_id, 20).map { |run| RunView.new(run).to_h }.reject { |run| @seen[run[:id]] == run }
           .each { |run| @seen[run[:id]] = run }.reverse
    end
  end
end
