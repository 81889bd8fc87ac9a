# frozen_string_literal: true

require_relative "spec_helper"

RSpec.describe LatticeServer::App do
  include Api

  def collapse(**more) = { "id" => "c", "kind" => "study", "name" => "give way", "type" => "collapse", "control" => "loads", "first" => "0.5", "upto" => "1" }.merge(more.transform_keys(&:to_s))
  def flow(*points) = { "id" => "y", "kind" => "yielding", "target" => "everything", "curve" => points.map { |strain, stress| { "strain" => strain, "stress" => stress } } }

  it "answers increments as frames, what was found, and curves of what yields" do
    made = new_model(model({ body: { "thickness" => "11.3 mm" } }, collapse, flow(["0", "400 MPa"], ["5 %", "500 MPa"])))
    compute(api_post("/models/#{made['id']}/runs", { kind: "study", study: "give way" })[1]["id"])
    view = api_get("/models/#{made['id']}")[1]
    expect(view["flows"]).to eq("y" => [[0.0, 400e6], [0.05, 500e6]])
    found = view["studies"].find { |s| s["name"] == "give way" }["findings"]
    expect(found["summary"]["frames"].map { |f| [f["kind"], f["value"]] }.last).to eq(["increment", 1.0])
    expect(found["summary"]["catalogue"].map { |f| f["name"] }).to include("plastic_strain")
    told = found["findings"].find { |f| f["kind"] == "collapse" }
    expect(told).to include("reason" => "done", "at_least" => nil, "holds" => true)
    expect(told["curve"]["factors"].size).to eq(told["residuals"].size + 1)
  end

  it "says what a collapse study or a curve lacks, by statement and cure" do
    view = new_model(model({}, collapse, flow(["1 %", "400 MPa"])))
    expect(view["notices"]).to include(include("statement" => "y", "severity" => "stops", "message" => /after it has yielded/, "cure" => /\w/))
    view = new_model(model({}, collapse(upto: "-1")))
    expect(view["notices"]).to include(include("statement" => "c", "severity" => "stops", "message" => /not above zero/, "cure" => /\w/))
    expect(api_post("/models/#{view['id']}/runs", { kind: "study", study: "give way" })[0]).to eq(422)
  end
end
