# frozen_string_literal: true

module LatticeServer
  # Takes runs from the queue one by one and has each computed by a child process.
  class Worker
    POLL = 0.1

    # @param parent [Integer, nil] ends when this process is no longer the parent
    def initialize(parent: nil)
      @parent = parent
      @runs = Store::Runs.new(Database.connect)
    end

    def call
      @runs.interrupt_orphans { |pid| pid != Process.pid && alive?(pid) }
      sweep
      until over?
        run = @runs.claim(Process.pid)
        run ? supervise(run[:id]) : sleep(POLL)
      end
    end

    # Ends soon; what is being computed is handed back. For signal handlers.
    def finish = @ended = true

    private

    def supervise(run_id)
      child = start(run_id)
      until Process.wait(child, Process::WNOHANG)
        return hand_back(child, run_id) if over?

        stop(child, run_id) if @runs.stop_wanted?(run_id)
        sleep POLL
      end
      sweep
      @runs.finish(run_id, "interrupted", error: "The process was ended from outside#{', perhaps because memory ran out' if $CHILD_STATUS.termsig == 9}. Retry to run it again.")
    end

    # SQLite connections do not survive a fork: both sides open their own.
    def start(run_id)
      Database.disconnect
      child = fork do
        RunProcess.new(run_id).call
        exit!(0)
      end
      @runs = Store::Runs.new(Database.connect)
      child
    end

    def stop(child, run_id)
      @runs.log(run_id, "Stopped on request.")
      @runs.finish(run_id, "stopped")
      kill(child)
    end

    def kill(child)
      Process.kill(:KILL, child)
    rescue Errno::ESRCH
      nil
    end

    def hand_back(child, run_id)
      kill(child)
      Process.wait(child)
      @runs.hand_back(run_id)
    end

    # What cannot be removed now is removed another time.
    def sweep
      Store::Sweep.new(Database.connect).call
    rescue SystemCallError, Sequel::DatabaseError => e
      warn "sweeping failed: #{e.message}"
    end

    def over? = @ended || orphaned?
    def orphaned? = @parent && Process.ppid != @parent

    def alive?(pid)
      Process.kill(0, pid) && true
    rescue Errno::ESRCH
      false
    rescue Errno::EPERM
      true
    end
  end
end
