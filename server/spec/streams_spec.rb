# frozen_string_literal: true

require_relative "spec_helper"
require_relative "support_server"

RSpec.describe LatticeServer::Streams do
  let(:server) { RealServer.new.start }

  after { server.clear }

  def follow(view)
    TCPSocket.new("127.0.0.1", server.port).tap { |s| s.write("GET /api/models/#{view['id']}/events HTTP/1.1\r\nHost: 127.0.0.1:#{server.port}\r\n\r\n") }
  end

  def told(socket, words, seconds: 5)
    text = +""
    eventually(seconds) do
      text << socket.read_nonblock(100_000, exception: false).to_s.delete_prefix("wait_readable")
      text.include?(words)
    end
    text
  end

  it "serves a hundred windows and stays quick, and ends in two seconds with its runs handed back" do
    project = server.call(:Post, "/projects", { name: "Windows" })["id"]
    view = server.call(:Post, "/projects/#{project}/models", { document: model(mesh: { "size" => "1.6 mm" }) })
    sockets = Array.new(100) { follow(view) }
    sockets.each { |socket| expect(told(socket, ": here")).to start_with("HTTP/1.1 200 OK") }
    started = server.now
    server.call(:Get, "/models/#{view['id']}")
    expect(server.now - started).to be < 1
    run = server.call(:Post, "/models/#{view['id']}/runs", { kind: "study", study: "pull" })["id"]
    sockets.each { |socket| expect(told(socket, "\"state\":\"running\"")).to include(run) }
    sockets.first(50).each(&:close)
    expect(server.end_with(:TERM)).to be < 2
    server.start
    waiting = server.call(:Get, "/runs/#{run}")
    expect(waiting["log"]).to include("waits until it is started again")
    eventually(60) { server.call(:Get, "/runs/#{run}")["state"] == "done" }
  ensure
    sockets&.each(&:close)
  end
end

RSpec.describe LatticeServer::Config do
  it "says in a sentence that the data folder cannot be written to" do
    allow(FileUtils).to receive(:mkdir_p).and_raise(Errno::EROFS)
    expect { described_class.check! }.to raise_error(LatticeServer::Problem, /cannot be written to \(EROFS\)/)
    allow(FileUtils).to receive(:mkdir_p).and_raise(Errno::ENOSPC)
    expect { described_class.check! }.to raise_error(LatticeServer::Problem, /is full/)
  end
end
