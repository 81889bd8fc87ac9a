# frozen_string_literal: true

require "socket"

module LatticeServer
  # A process that was forked before the server had sockets or threads, and forks builders when they
  # are wanted: they start in no time, and hold nothing of the server's.
  class Nursery
    Child = Struct.new(:pid, :socket, :key)

    class << self
      # One for the process; a forked process makes its own.
      def shared
        @shared = nil unless @owner == Process.pid
        @owner = Process.pid
        @shared ||= new
      end

      def stop
        @shared&.stop if @owner == Process.pid
        @shared = nil
      end
    end

    def initialize
      @lock = Mutex.new
      @socket, inner = UNIXSocket.pair
      @pid = fork do
        @socket.close
        serve(inner)
        exit!(0)
      end
      inner.close
    end

    # @return [Child] a builder of its own process group
    def child
      @lock.synchronize do
        @socket.write("1")
        socket = @socket.recv_io(UNIXSocket)
        Child.new(@socket.read(4).unpack1("N"), socket, nil)
      end
    end

    def stop
      @socket.close
      Process.wait(@pid)
    rescue SystemCallError
      nil
    end

    private

    # Ends when the server is gone.
    def serve(inner)
      trap(:CHLD, "IGNORE")
      %i[INT TERM].each { |signal| trap(signal, "IGNORE") }
      while inner.read(1)
        ours, theirs = UNIXSocket.pair
        pid = fork { build(theirs, [inner, ours]) }
        theirs.close
        inner.send_io(ours)
        inner.write([pid].pack("N"))
        ours.close
      end
    end

    def build(socket, others)
      others.each(&:close)
      trap(:CHLD, "DEFAULT")
      Process.setpgrp
      ENV["LATTICE_CHILD"] = "1" # its own children stay in its group
      Building::Builder.new(socket).call
    ensure
      exit!(0)
    end
  end
end
