# frozen_string_literal: true

require_relative "spec_helper"

RSpec.describe LatticeServer::App do
  include Api

  def study(type, **more) = { "id" => type, "kind" => "study", "name" => type, "type" => type }.merge(more.transform_keys(&:to_s))
  def of(view, name) = view["studies"].find { |s| s["name"] == name }

  def solve(made, name) = compute(api_post("/models/#{made['id']}/runs", { kind: "study", study: name })[1]["id"])

  # @return [Array(Integer, Hash, nil)] status, and the head of an array file
  def arrays(path)
    header "Host", "127.0.0.1:4567"
    get "/api#{path}"
    [last_response.status, last_response.ok? ? JSON.parse(last_response.body.lines[0]) : nil]
  end

  def block = { "x" => "60 mm", "y" => "-1 mm", "z" => "-1 mm", "dx" => "50 mm", "dy" => "22 mm", "dz" => "12 mm" }
  # What another example solved of the same bar would be there already: each has a thickness of its own.
  def bar(thickness) = new_model(model({ body: { "thickness" => thickness } }, study("close_up", of: "pull", block: block, size: "6 mm"), study("ladder", of: "pull", rungs: 3), study("vibration", modes: 2)))

  it "keeps the result of a study on the mesh that it lies on, and shares that of the whole" do
    made = bar("10.1 mm")
    %w[close_up ladder pull].each { |name| solve(made, name) }
    view = api_get("/models/#{made['id']}")[1]
    meshes = %w[pull close_up ladder].map { |name| of(view, name)["mesh"] }
    expect(meshes.uniq.size).to eq(3)
    expect(view["studies"].map { |s| s["state"] }).to eq(%w[solved solved solved unsolved])
    status, head = arrays("/results/#{of(view, 'close_up')['result']}/fields?names=von_mises")
    expect([status, head["arrays"].keys]).to match([200, include("moved", "von_mises", "veiled", "driven")])
    expect(head["arrays"]["veiled"]["shape"]).to eq(head["arrays"]["von_mises"]["shape"])
    # The whole was computed for the close-up; the study itself takes it as it is.
    expect(view["runs"].find { |r| r["study"] == "pull" }["log"]).to include("The result still applies")
  end

  it "sends a shape's movement apart from the field of its size" do
    made = bar("10 mm")
    solve(made, "vibration")
    found = of(api_get("/models/#{made['id']}")[1], "vibration")
    head = arrays("/results/#{found['result']}/fields?names=displacement&frame=1")[1]
    expect(head["arrays"]["moved"]["shape"][1]).to eq(3)
    expect(head["arrays"]["displacement"]["shape"].size).to eq(1)
    expect(found["findings"]["summary"]["frames"][1]).to include("kind" => "mode", "unit" => "frequency", "value" => be_within(6).of(415))
    expect(arrays("/results/#{found['result']}/fields?names=von_mises&frame=7")[0]).to eq(422)
  end

  it "takes one result from another on the same mesh, or on another where its points are" do
    double = study("static", name: "double", load_factor: "2")
    made = new_model(model({ body: { "thickness" => "10.3 mm" } }, double, study("close_up", of: "pull", block: block, size: "6 mm"), study("vibration", modes: 1)))
    %w[pull double close_up vibration].each { |name| solve(made, name) }
    result = ->(name) { of(api_get("/models/#{made['id']}")[1], name)["result"] }
    ends = ->(path) { arrays(path)[1]["meta"]["extremes"]["displacement_y"].values_at("min", "max") }
    once = ends["/results/#{result['pull']}/fields?names=displacement_y"]
    expect(ends["/results/#{result['double']}/fields?names=displacement_y&less=#{result['pull']}"]).to match(once.map { |v| be_within(once[0].abs * 1e-6).of(v) })
    # A close-up moves as the whole does; of the whole only what the close-up has is told.
    expect(ends["/results/#{result['close_up']}/fields?names=displacement_y&less=#{result['pull']}"].map(&:abs).max).to be < once[0].abs * 2e-3
    expect(ends["/results/#{result['pull']}/fields?names=displacement_y&less=#{result['close_up']}"].map(&:abs).max).to be < once[0].abs * 2e-3
    veiled = fields({ "result" => result["pull"] }, "names=displacement_y&less=#{result['close_up']}")[2]["veiled"]
    expect(veiled.minmax).to eq([0.0, 1.0])
    expect(api_get("/results/#{result['pull']}/fields?names=von_mises&how=element&less=#{result['close_up']}")).to match([422, include("error" => a_string_including("are compared averaged"))])
    expect(api_get("/results/#{result['vibration']}/fields?names=von_mises")).to match([422, include("error" => "the result has no von Mises stress")])
    expect(api_get("/results/#{result['pull']}/fields?names=von_mises&less=#{result['double']}&less_frame=3")).to match([422, include("error" => "there is no frame 3")])
  end

  it "shows an older revision with what was solved of it" do
    made = bar("10.4 mm")
    solve(made, "pull")
    old = of(api_get("/models/#{made['id']}")[1], "pull")
    document = model({ body: { "thickness" => "12.4 mm" } }, study("close_up", of: "pull", block: block, size: "6 mm"), study("ladder", of: "pull", rungs: 3), study("vibration", modes: 2))
    expect(api_put("/models/#{made['id']}/document", { version: 1, document: document })[0]).to eq(200)
    _, list = api_get("/models/#{made['id']}/revisions")
    expect(list).to match("current" => 2, "revisions" => [include("number" => 2, "solved" => false), include("number" => 1, "solved" => true, "created_at" => be_a(String))])
    before = api_get("/models/#{made['id']}?revision=1")[1]
    expect(of(before, "pull")).to include("state" => "solved", "result" => old["result"])
    expect(before["document"]["statements"].find { |s| s["id"] == "body" }["thickness"]).to eq("10.4 mm")
    # What was solved last is stale in the revision in force, and not told of one that it is not of.
    expect(of(api_get("/models/#{made['id']}")[1], "pull")["state"]).to eq("stale")
    expect(of(api_get("/models/#{made['id']}?revision=2")[1], "pull")["state"]).to eq("unsolved")
    %w[7 x].each { |number| expect(api_get("/models/#{made['id']}?revision=#{number}")[0]).to eq(404) }
  end

  it "does not run a study that lacks something, and says what" do
    made = new_model(model({}, study("close_up", of: "pull", block: block.merge("x" => "900 mm"), size: "6 mm")))
    status, answer = api_post("/models/#{made['id']}/runs", { kind: "study", study: "close_up" })
    expect([status, answer["error"]]).to match([422, /its block holds nothing of the part/])
  end

  it "tells the runs of all models, the newest first, with their names" do
    made = bar("10.2 mm")
    solve(made, "vibration")
    found = api_get("/runs")[1]["runs"]
    expect(found[0]).to include("study" => "vibration", "state" => "done", "model" => "Test bar", "project" => "Fernhollow", "model_id" => made["id"])
    expect(found[0]).not_to have_key("document")
    expect(found.map { |r| r["created_at"] }).to eq(found.map { |r| r["created_at"] }.sort.reverse)
  end

  it "refuses a paper that it has not, and a report of a model that is gone" do
    made = new_model(model)
    expect(api_get("/models/#{made['id']}/report.pdf?paper=B5")).to match([422, include("error" => /“B5” is not a size of paper/, "cure" => "Choose A4 or Letter.")])
    expect(api_get("/models/gone/report.pdf")[0]).to eq(404)
  end
end
