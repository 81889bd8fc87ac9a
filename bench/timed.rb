# frozen_string_literal: true

module Bench
  # Seconds that something takes.
  module Timed
    # @return [Array] what the block gives, and seconds
    def timed
      start = Process.clock_gettime(Process::CLOCK_MONOTONIC)
      result = yield
      [result, Process.clock_gettime(Process::CLOCK_MONOTONIC) - start]
    end
  end
end
