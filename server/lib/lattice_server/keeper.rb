# frozen_string_literal: true

module LatticeServer
  # Keeps one worker process alive beside the web server.
  class Keeper
    PATIENCE = 1.5 # s for handing back what is being computed

    attr_reader :pid

    def start
      @thread = Thread.new { keep until @ended }
      self
    end

    def stop
      @ended = true
      Process.kill(:TERM, pid) if pid
      @thread.join(PATIENCE) || Process.kill(:KILL, pid)
    rescue Errno::ESRCH
      nil
    end

    private

    def keep
      @pid = Process.spawn(RbConfig.ruby, File.join(Config::ROOT, "bin", "worker"), "--parent", Process.pid.to_s)
      Process.wait(@pid)
      return if @ended

      gone = @pid
      Store::Runs.new(Database.connect).interrupt_orphans { |worker| worker != gone }
      sleep 0.3
    end
  end
end
