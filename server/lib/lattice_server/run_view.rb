# frozen_string_literal: true

module LatticeServer
  # What is told of a run.
  class RunView
    SHOWN = 60 # increments, the last ones, of what runs

    def initialize(run)
      @run = run
    end

    def to_h
      @run.slice(:id, :model_id, :kind, :study, :state, :phase, :share, :log, :error)
          .merge(increments: lines.size, keeps: lines.any? && JSON.parse(lines.last)["keeps"] == true,
                 course: @run[:state] == "running" ? lines.last(SHOWN).map { |line| JSON.parse(line) } : [], trying: trying,
                 outcome: @run[:outcome] && JSON.parse(@run[:outcome]),
                 created_at: @run[:created_at].iso8601, started_at: @run[:started_at]&.iso8601(2), finished_at: @run[:finished_at]&.iso8601(2))
    end

    private

    def lines = @lines ||= @run[:course].to_s.lines
    def trying = @run[:state] == "running" && @run[:trying] ? JSON.parse(@run[:trying]) : nil
  end
end
