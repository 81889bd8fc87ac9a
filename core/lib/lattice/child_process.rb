# frozen_string_literal: true

module Lattice
  # Runs a program with limits on its time and memory, so that no file or input can harm
  # the process that asked.
  class ChildProcess
    POLL = 0.01
    MESSAGE = 400

    # What it wrote to standard error, and why it was ended, if it was.
    class Failed < Error
      attr_reader :reason

      def initialize(reason, text)
        @reason = reason
        super(text)
      end
    end

    # @param command [Array<String>]
    # @param seconds [Numeric] time it may take
    # @param memory [Integer] bytes it may hold, with the processes it starts
    # @raise [Failed] with reason :time, :memory, :missing or :status
    def self.run(*command, seconds:, memory:) = new(command, seconds, memory).run

    def initialize(command, seconds, memory)
      @command = command
      @seconds = seconds
      @memory = memory
    end

    def run
      @errors, writer = IO.pipe
      # A child's own children stay in its group, so that whoever ends it ends them too.
      @apart = ENV["LATTICE_CHILD"].nil?
      @pid = Process.spawn({ "LATTICE_CHILD" => "1" }, *@command, in: File::NULL, out: File::NULL, err: writer, **(@apart ? { pgroup: true } : {}))
      writer.close
      @text = Thread.new { (@errors.read(1_000_000) || "").dup.force_encoding(Encoding::UTF_8).scrub("?") }
      wait
    rescue Errno::ENOENT
      raise Failed.new(:missing, "the program #{@command.first} is missing")
    ensure
      finish
    end

    private

    def wait
      deadline = now + @seconds
      until (status = Process.wait2(@pid, Process::WNOHANG)&.last)
        stop(:time, "took longer than #{@seconds} s") if now > deadline
        stop(:memory, "needed more than #{@memory / (1024**2)} MB") if held > @memory
        sleep POLL
      end
      @pid = nil
      raise Failed.new(:status, @text.value.strip[0, MESSAGE]) unless status.success?
    end

    def stop(reason, text) = raise(Failed.new(reason, text))
    def now = Process.clock_gettime(Process::CLOCK_MONOTONIC)

    # Resident memory of the whole process group.
    def held
      @next_look ||= now
      return 0 if now < @next_look

      @next_look = now + 0.2
      ProcessGroup.memory(@pid, alone: !@apart)
    end

    def finish
      if @pid
        Process.kill("KILL", @apart ? -@pid : @pid)
        Process.wait(@pid)
      end
    rescue SystemCallError
      nil
    ensure
      @text&.kill
      @errors&.close
    end
  end
end
