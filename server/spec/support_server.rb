# frozen_string_literal: true

require "net/http"
require "socket"

# A real server in a process of its own, with data of its own.
class RealServer
  attr_reader :pid, :port, :data

  def initialize(data = Dir.mktmpdir("lattice-server"))
    @data = data
    @port = TCPServer.open("127.0.0.1", 0) { |server| server.addr[1] }
  end

  # @return [RealServer] that answers
  def start
    @pid = Process.spawn({ "LATTICE_DATA" => data, "LATTICE_PORT" => port.to_s }, File.join(LatticeServer::Config::ROOT, "bin", "server"), out: File::NULL, err: File::NULL)
    deadline = now + 30
    until answers?
      raise "the server does not answer" if now > deadline

      IO.select(nil, nil, nil, 0.05)
    end
    self
  end

  def answers?
    Net::HTTP.get_response(URI("http://127.0.0.1:#{port}/api/units")).is_a?(Net::HTTPSuccess)
  rescue SystemCallError
    false
  end

  # @return [Hash] the answer
  def call(verb, path, body = {})
    request = Net::HTTP.const_get(verb).new("/api#{path}", { "content-type" => "application/json" })
    request.body = JSON.generate(body) unless verb == :Get
    JSON.parse(Net::HTTP.start("127.0.0.1", port, read_timeout: 30) { |http| http.request(request) }.body)
  end

  # @return [Float] seconds until it was gone
  def end_with(signal)
    started = now
    Process.kill(signal, pid)
    Process.wait(pid)
    @pid = nil
    now - started
  end

  def clear
    end_with(:KILL) if pid
    FileUtils.remove_entry(data, true) # a worker may still be closing its files
  end

  def now = Process.clock_gettime(Process::CLOCK_MONOTONIC)
end
