# frozen_string_literal: true

module LatticeServer
  # One run in a process of its own: it can be killed at any moment without harm.
  class RunProcess
    def initialize(run_id)
      @db = Database.connect
      @runs = Store::Runs.new(@db)
      @run = @runs.find(run_id)
    end

    def call
      die_with_parent
      outcome = compute
      @runs.progress(@run[:id], nil, 1.0)
      @runs.finish(@run[:id], "done", outcome: outcome.merge(phases: @monitor.phases, memory: peak_memory))
    rescue Lattice::InvalidInput, Lattice::SolveFailed => e
      fail_with(e.message, place: e.faults.filter_map(&:place).first, statement: e.faults.filter_map(&:statement).first, motions: e.faults.filter_map(&:motions).first)
    rescue Errno::ENOSPC
      Store::Sweep.new(@db).call(stale: 0)
      fail_with("The disk is full. Free some space, then retry; a smaller mesh takes less.")
    rescue NoMemoryError
      fail_with("Memory ran out. Use a larger mesh size.")
    rescue StandardError => e
      # A fault of ours: the details go to the server's own log, a plain sentence to the user.
      warn e.full_message
      fail_with("An unexpected fault stopped the run (#{e.class}). The details are in the server's log.")
    end

    private

    def compute
      @monitor = Lattice::Study::Monitor.new { |event, text, share| follow(event, text, share) }
      computation = Computation.new(Store::Derived.new(@db), JSON.parse(@run[:document]), @monitor)
      @run[:kind] == "mesh" ? computation.mesh : computation.study(@run[:study])
    end

    def follow(event, text, share)
      return @runs.public_send(event, @run[:id], finite(text)) if text.is_a?(Hash)

      event == :phase ? @runs.progress(@run[:id], text, share) : @runs.log(@run[:id], text)
    end

    # What went out of all bounds is no number that can be told.
    def finite(told) = told.merge(residuals: told[:residuals].select(&:finite?))

    # @param place [Array<Float>, nil] m, where it lies in the model
    # @param statement [String, nil] id of the one that mends it
    # @param motions [Array<Hash>, nil] that nothing resists
    def fail_with(message, **more)
      @runs.log(@run[:id], message)
      @runs.finish(@run[:id], "failed", error: message, outcome: more.compact.then { |found| found.empty? ? nil : found })
    end

    def die_with_parent
      parent = Process.ppid
      Thread.new do
        sleep 0.5 while Process.ppid == parent
        exit!(1)
      end
    end

    def peak_memory
      File.read("/proc/self/status")[/VmHWM:\s+(\d+)/, 1].to_i * 1024
    rescue SystemCallError
      nil
    end
  end
end
