# frozen_string_literal: true

require_relative "spec_helper"

RSpec.describe LatticeServer::App do
  include Api

  def study(type, **more) = { "id" => type, "kind" => "study", "name" => type, "type" => type }.merge(more.transform_keys(&:to_s))
  def of(view, name) = view["studies"].find { |s| s["name"] == name }
  def solve(made, name) = compute(api_post("/models/#{made['id']}/runs", { kind: "study", study: name })[1]["id"])
  def send_file(path, text, type = "application/octet-stream") = api_raw(path, text, type)

  def api_raw(path, text, type)
    header "Host", "127.0.0.1:4567"
    post "/api#{path}", text, "CONTENT_TYPE" => type
    [last_response.status, JSON.parse(last_response.body)]
  end

  it "tells the curve of damping by mass and stiffness, and none of what cannot damp" do
    both = { "from" => "50 Hz", "from_ratio" => "2 %", "to" => "600 Hz", "to_ratio" => "3 %" }
    wrong = study("harmonic", of: "vibration", from: "50 Hz", to: "600 Hz", rayleigh: both.merge("to" => "10 Hz")).merge("id" => "wrong", "name" => "wrong")
    made = new_model(model({}, study("vibration", modes: 4), study("harmonic", of: "vibration", from: "50 Hz", to: "600 Hz", rayleigh: both), wrong))
    curves = api_get("/models/#{made['id']}")[1]["dampings"]
    expect(curves.keys).to eq(["harmonic"])
    expect(curves["harmonic"]).to include("ends" => [[50.0, 0.02], [600.0, 0.03]], "mass" => be_positive, "stiffness" => be_positive)
  end

  it "keeps a sweep as sums of its shapes: amplitudes of any frequency, and the envelope, are read out of it" do
    made = new_model(model({ body: { "thickness" => "10.7 mm" } }, study("vibration", modes: 4), study("harmonic", of: "vibration", from: "50 Hz", to: "600 Hz", points: 12)))
    %w[vibration harmonic].each { |name| solve(made, name) }
    found = of(api_get("/models/#{made['id']}")[1], "harmonic")
    frames = found["findings"]["summary"]["frames"]
    expect(frames[0]).to include("kind" => "frequency", "unit" => "frequency", "value" => be_within(1e-9).of(50))
    expect(frames[-1]).to include("kind" => "envelope")
    ends = lambda do |frame, field|
      header "Host", "127.0.0.1:4567"
      get "/api/results/#{found['result']}/fields?names=#{field}&frame=#{frame}"
      JSON.parse(last_response.body.lines[0])["meta"]["extremes"][field]["max"]
    end
    highest = frames.index(frames.max_by { |f| f["kind"] == "frequency" ? f["peaks"]["displacement"]["value"] : 0 })
    expect(ends[highest, "displacement"]).to be_within(1e-12).of(ends[frames.size - 1, "displacement"])
    expect(ends[highest, "velocity"] / ends[highest, "displacement"]).to be_within(1).of(2 * Math::PI * frames[highest]["value"])
    expect(api_get("/results/#{found['result']}/fields?names=reaction")[0]).to eq(422)
  end

  it "reads columns of a file, and says which line is wrong" do
    expect(send_file("/columns", "t,pull\n0,1\n1,-2\n")).to eq([200, { "names" => %w[t pull], "columns" => [[0.0, 1.0], [1.0, -2.0]] }])
    expect(send_file("/columns", "t,pull\n0,1\n1,x\n")).to match([422, include("error" => /line 3 has “x”/)])
    expect(send_file("/columns", "{}", "text/csv")[0]).to eq(415)
  end

  it "keeps a cloud of temperatures once it can be read; a model without its file opens and says so" do
    made = new_model(model)
    rows = (0..200).step(10).to_a.product([0, 10, 20], [0, 10]).map { |p| [*p, 50].join(",") }.join("\n")
    status, kept = send_file("/models/#{made['id']}/files?kind=cloud&name=flow.csv", "x,y,z,t\n#{rows}")
    expect([status, kept]).to match([201, include("file" => "flow.csv", "points" => 126, "least" => 50.0)])
    expect(send_file("/models/#{made['id']}/files?kind=cloud&name=flow.csv", "1,2\n")).to match([422, include("error" => /2 columns/)])
    map = { "id" => "t", "kind" => "temperature_map", "target" => "bar", "file" => "flow.csv", "digest" => kept["digest"], "unit" => "mm" }
    warm = model({ body: { "thickness" => "10.9 mm" }, material: { "properties" => { "young" => "210 GPa", "poisson" => "0.3", "expansion" => "12e-6 1/K" } } }, map)
    made = new_model(warm)
    solve(made, "pull")
    expect(of(api_get("/models/#{made['id']}")[1],
              "pull")["findings"]["summary"]["joins"][0]).to include("points" => 126, "target" => include("least" => be_within(1e-6).of(323.15), "greatest" => be_within(1e-6).of(323.15)))
    gone = new_model(warm.merge("statements" => warm["statements"].map { |s| s["id"] == "t" ? s.merge("digest" => "0" * 64) : s }))
    expect(api_get("/models/#{gone['id']}")[1]["notices"].map { |n| n["message"] }).to include(/the file “flow.csv” is not there/)
  end

  it "tells how long a part lasts, and the curves of the library" do
    made = new_model(model({ body: { "thickness" => "11.1 mm" } },
                           study("life", of: "pull", life: { "load" => { "ratio" => "-1" }, "curve" => { "library" => "welded or notched steel, detail 71" }, "design" => "1e6" })))
    solve(made, "life")
    # The static study that it is of was solved on the way.
    expect(of(api_get("/models/#{made['id']}")[1], "pull")).to include("state" => "solved", "findings" => include("findings" => include(include("kind" => "equilibrium"))))
    found = of(api_get("/models/#{made['id']}")[1], "life")["findings"]
    expect(found["findings"].find { |f| f["kind"] == "life" }).to include("holds" => be(true).or(be(false)), "worst" => include("body" => "bar", "safety" => be > 0))
    expect(api_get("/fatigue-curves")[1]["curves"]).to all(include("name", "points", "source"))
  end
end
