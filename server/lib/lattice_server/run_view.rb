# frozen_string_literal: true

module LatticeServer
  # What is told of a run.
  class RunView
    def initialize(run)
      @run = run
    end

    def to_h
      @run.slice(:id, :model_id, :kind, :study, :state, :phase, :share, :log, :error)
          .merge(outcome: @run[:outcome] && JSON.parse(@run[:outcome]),
                 created_at: @run[:created_at].iso8601, started_at: @run[:started_at]&.iso8601(2), finished_at: @run[:finished_at]&.iso8601(2))
    end
  end
end
