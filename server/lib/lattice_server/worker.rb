# frozen_string_literal: true

require "etc"

module LatticeServer
  # Takes runs from the queue and has each computed by a child process: two at once where there are processors, but of
  # one model one after the other, since they share its mesh and what they start from.
  class Worker
    POLL = 0.1
    SEATS = [Etc.nprocessors, 2].min

    # @param parent [Integer, nil] ends when this process is no longer the parent
    def initialize(parent: nil)
      @parent = parent
      @runs = Store::Runs.new(Database.connect)
      @children = {}
    end

    def call
      @runs.interrupt_orphans { |pid| pid != Process.pid && alive?(pid) }
      sweep
      until over?
        run = @children.size < SEATS && @runs.claim(Process.pid)
        @children[start(run[:id])] = run[:id] if run
        @children.to_a.each { |child, run_id| look_after(child, run_id) }
        sleep POLL unless run
      end
      @children.each { |child, run_id| hand_back(child, run_id) }
    end

    # Ends soon; what is being computed is handed back. For signal handlers.
    def finish = @ended = true

    private

    def look_after(child, run_id)
      return (stop(child, run_id) if @runs.stop_wanted?(run_id)) unless Process.wait(child, Process::WNOHANG)

      @children.delete(child)
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
