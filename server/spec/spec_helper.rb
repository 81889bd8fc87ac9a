# frozen_string_literal: true

require "tmpdir"
ENV["LATTICE_DATA"] = Dir.mktmpdir("lattice-spec")
at_exit { FileUtils.remove_entry(ENV.fetch("LATTICE_DATA")) }

require_relative "../lib/lattice_server"
require "rack/test"
require_relative "../../core/spec/support/models"

# Talks to the application as a browser on this machine would.
module Api
  include Rack::Test::Methods
  include Models

  def app = LatticeServer::App
  def answer = JSON.parse(last_response.body)

  %w[get post put patch delete].each do |verb|
    define_method("api_#{verb}") do |path, body = nil, headers = {}|
      header "Host", headers.delete("Host") || "127.0.0.1:4567"
      headers.each { |name, value| header name, value }
      public_send(verb, "/api#{path}", body.is_a?(String) ? body : body && JSON.generate(body), "CONTENT_TYPE" => "application/json")
      [last_response.status, answer]
    end
  end

  def new_project(name = "Fernhollow") = api_post("/projects", { name: name })[1]["id"]

  def new_model(document = model, project: new_project)
    api_post("/projects/#{project}/models", { document: document })[1]
  end

  # @return [Array(Integer, Hash, Hash)] status, meta and arrays of numbers, or the refusal
  def fields(study, words)
    header "Host", "localhost:4567"
    get "/api/results/#{study['result']}/fields?#{words}"
    return [last_response.status, answer, {}] unless last_response.status == 200

    head, bytes = last_response.body.b.split("\n", 2)
    parsed = JSON.parse(head)
    [200, parsed["meta"], parsed["arrays"].transform_values { |a| bytes[a["offset"], 4 * a["shape"].reduce(:*)].unpack(a["type"] == "f4" ? "e*" : "l<*") }]
  end

  def runs = LatticeServer::Store::Runs.new(LatticeServer::Database.connect)

  # Computes a queued run here and now.
  def compute(run)
    runs.take(run, Process.pid)
    LatticeServer::RunProcess.new(run).call
  end

  # Waits for something that another process does.
  def eventually(seconds = 30)
    deadline = Process.clock_gettime(Process::CLOCK_MONOTONIC) + seconds
    until (found = yield)
      raise "it did not happen within #{seconds} s" if Process.clock_gettime(Process::CLOCK_MONOTONIC) > deadline

      IO.select(nil, nil, nil, 0.05)
    end
    found
  end
end

RSpec.configure do |config|
  config.disable_monkey_patching!
  config.order = :random
  config.include Api
end
