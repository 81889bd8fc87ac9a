# frozen_string_literal: true

require_relative "../../server/spec/spec_helper"
require_relative "../../server/spec/support_server"
require_relative "mutations"
require "open3"

# Nothing that is sent stops the server or is answered without words: seeded, and longer with
# LATTICE_CAMPAIGN=10 for ten times as much.
RSpec.describe "A campaign of spoilt input" do
  root = LatticeServer::Config::ROOT
  factor = ENV.fetch("LATTICE_CAMPAIGN", "1").to_i
  seed = ENV.fetch("LATTICE_SEED", "20").to_i

  def now = Process.clock_gettime(Process::CLOCK_MONOTONIC)

  # What is turned into words only at the last gate is a fault of ours.
  def foreseen(messages) = expect(messages.grep(/nothing can be made/)).to eq([])

  # @return [Symbol] how it ended
  def outcome(slowest: 10)
    started = now
    yield
    :carried_out
  rescue Lattice::InvalidInput => e
    expect(e.faults).to all(have_attributes(message: /\w/))
    foreseen(e.faults.map(&:message))
    :refused
  rescue LatticeServer::Problem => e
    expect(e.body).to include(error: /\w/, cure: /\w/)
    foreseen([e.message])
    :limited
  ensure
    expect(now - started).to be <= slowest
  end

  it "refuses spoilt documents with words, or shows them" do
    documents = Dir[File.join(root, "demo", "*.json")].map { |file| JSON.parse(File.read(file)) }
    documents.each { |d| d["statements"].select { |s| s["kind"] == "import" }.each { |s| Lattice::Shape::Store.shared.add_file(File.join(root, "demo", s["file"])) } }
    mutations = Mutations.new(seed)
    tally = Array.new(500 * factor) do |i|
      text = JSON.generate(mutations.document(documents[i % documents.size]))
      outcome { foreseen(LatticeServer::Builders.quick.ask(:sketch, text)[:notices].map { |n| n[:message] }) }
    end.tally
    expect(tally.values.sum).to eq(500 * factor)
    expect(tally.keys).to include(:refused, :carried_out)
  end

  it "refuses spoilt files with words, or reads them" do
    Dir.mktmpdir do |folder|
      model = File.join(root, "demo", "shutter-link.json")
      _, status = Open3.capture2e(File.join(root, "bin", "lattice"), "mesh", model, "--size", "20 mm", "--out", File.join(folder, "link.vtu"))
      expect(status.exitstatus).to eq(0)
      stl = File.join(folder, "link.stl")
      Open3.capture2e(File.join(root, "bin", "lattice"), "shape", model, "--export", stl)
      sources = [stl, File.join(folder, "link.vtu"), File.join(root, "demo", "camera-arm.stl"), *Dir[File.join(root, "demo", "*.{step,stp,obj,igs}")]].uniq
      mutations = Mutations.new(seed + 1)
      tally = Array.new(200 * factor) do |i|
        source = sources[i % sources.size]
        path = File.join(folder, "spoilt#{File.extname(source)}")
        File.binwrite(path, mutations.file(File.binread(source)))
        outcome(slowest: 20) do
          source.end_with?(".vtu") ? Lattice::Format::VTU.read(path) : Lattice::Format::ShapeFile.read_apart(path, File.basename(path))
        end
      end.tally
      expect(tally.values.sum).to eq(200 * factor)
      expect(tally[:refused]).to be > 20
    end
  end

  it "loses no edit to a kill, and leaves no run stuck" do
    server = RealServer.new.start
    project = server.call(:Post, "/projects", { name: "Kills" })["id"]
    view = server.call(:Post, "/projects/#{project}/models", { document: model })
    random = Random.new(seed)
    (20 * factor).times do |k|
      acknowledged = server.call(:Put, "/models/#{view['id']}/document", { version: view["version"], document: model(force: { "value" => "#{k + 2} kN" }) })
      expect(acknowledged["version"]).to eq(view["version"] + 1)
      server.call(:Post, "/models/#{view['id']}/runs", { kind: "study", study: "pull" })
      IO.select(nil, nil, nil, random.rand * 0.5)
      server.end_with(:KILL)
      view = server.start.call(:Get, "/models/#{view['id']}")
      expect(view["document"]["statements"].find { |s| s["kind"] == "force" }["value"]).to eq("#{k + 2} kN")
    end
    eventually(60) { server.call(:Get, "/models/#{view['id']}")["runs"].none? { |run| %w[queued running].include?(run["state"]) } }
  ensure
    server&.clear
  end
end
