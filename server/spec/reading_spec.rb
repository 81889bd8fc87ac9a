# frozen_string_literal: true

require_relative "spec_helper"

# Fields in the ways they can be read: what the window draws, and what it is refused.
RSpec.describe LatticeServer::App do
  let(:view) { new_model(model) }
  let(:study) do
    compute(api_post("/models/#{view['id']}/runs", { kind: "study", study: "pull" })[1]["id"])
    api_get("/models/#{view['id']}")[1]["studies"][0]
  end

  def skin
    header "Host", "localhost:4567"
    get "/api/meshes/#{study['mesh']}/skin"
    JSON.parse(last_response.body.b.split("\n", 2)[0])["arrays"]
  end

  it "sends what elements have at the corners of triangles, with extremes of their own" do
    expect(study["findings"]["summary"]["by_element"]).to be(true)
    corners = skin["triangles"]["shape"].reduce(:*)
    averaged, unaveraged, mean = %w[averaged unaveraged element].map { |how| fields(study, "names=stress_xx&how=#{how}") }
    expect([averaged, unaveraged, mean].map { |f| f[1]["corners"] }).to eq([false, true, true])
    expect([unaveraged, mean].map { |f| f[2]["stress_xx"].size }).to eq([corners, corners])
    peaks = [mean, averaged, unaveraged].map { |f| f[1]["extremes"]["stress_xx"]["max"] }
    expect(peaks).to eq(peaks.sort)
    expect(unaveraged[1]["extremes"]["stress_xx"]["max_at"][0]).to be_within(1e-9).of(0)
    mean[2]["stress_xx"].each_slice(3) { |of| expect(of.uniq.size).to eq(1) }
  end

  it "sends what a frame's fields have in common by itself, and a field without it" do
    whole, common, field = ["names=von_mises", "names=von_mises&only=frame", "names=von_mises&only=field"].map { |words| fields(study, words)[2] }
    expect([common.keys, field.keys]).to eq([["moved"], ["von_mises"]])
    expect(common.merge(field)).to eq(whole)
    expect(fields(study, "names=von_mises&only=half").first(2)).to match([422, include("error" => a_string_including("no part of what is sent"))])
  end

  it "lays the inside open on a plane, with the field and how it moves" do
    _, meta, arrays = fields(study, "names=stress_xx,displacement_y&cut=x,0.1")
    expect(meta["cut"]).to eq([["bar", "cut", 0, arrays["cut triangles"].size / 3]])
    arrays["cut positions"].each_slice(3).zip(arrays["cut stress_xx"]) { |(x, y, _), s| expect([x, s]).to match([be_within(1e-7).of(0.1), be_within(3e6).of((y - 0.01) * 1.5e10)]) }
    expect(arrays["cut moved"].each_slice(3).map { |m| m[1] }).to eq(arrays["cut displacement_y"])
    expect(fields(study, "names=stress_xx&cut=x,9")[1]["cut"]).to eq([])
  end

  it "turns components around an axis" do
    plain, about = ["", "&around=x,0,0.01,0.005"].map { |words| fields(study, "names=displacement_y,displacement_z,displacement_x#{words}")[2] }
    across = ->(found, *names) { found.values_at(*names).transpose.map { |a, b| Math.sqrt((a * a) + (b * b)) } }
    across[about, "displacement_x", "displacement_y"].zip(across[plain, "displacement_y", "displacement_z"]) { |one, other| expect(one).to be_within(1e-9).of(other) }
    expect(about["displacement_z"]).to eq(plain["displacement_x"])
  end

  it "takes one result from another in the same way" do
    zero = fields(study, "names=von_mises&how=unaveraged&less=#{study['result']}&less_frame=0")
    expect(zero[2]["von_mises"].uniq).to eq([0.0])
  end

  it "says what is wrong with what is asked" do
    { "how=nicely" => "not a way to read a field", "around=w,0,0,0" => "not an axis and a point", "around=z,0,0" => "not an axis and a point", "around=z,0,0,NaN" => "not an axis and a point",
      "cut=x" => "not an axis and a place", "cut=x,one" => "not an axis and a place" }.each do |words, message|
      expect(fields(study, "names=von_mises&#{words}").first(2)).to match([422, include("error" => a_string_including(message), "cure" => be_a(String))])
    end
  end

  it "tells least and greatest of each body and group" do
    words = { model: view["id"], study: "pull", name: "stress_xx", frame: 0 }.map { |k, v| "#{k}=#{v}" }.join("&")
    status, rows = api_get("/results/#{study['result']}/places?#{words}")
    expect([status, rows.map { |r| r["place"] }]).to eq([200, %w[bar root tip]])
    whole = fields(study, "names=stress_xx")[1]["extremes"]["stress_xx"]
    expect(rows[0].values_at("least", "greatest").map { |e| [e["value"], e["at"]] }).to eq([whole.values_at("min", "min_at"), whole.values_at("max", "max_at")])
    expect(rows[1]["greatest"]["at"][0]).to be_within(1e-12).of(0)
    expect(api_get("/results/#{study['result']}/places?#{words.sub('stress_xx', 'heat_flow')}")[0]).to be_between(400, 422)
    expect(api_get("/results/#{study['result']}/places?#{words.sub('frame=0', 'frame=7')}")).to match([422, include("error" => a_string_including("no frame 7"))])
    expect(api_get("/results/#{study['result']}/places?#{words.sub('pull', 'push')}")[0]).to be_between(400, 422)
  end

  it "tells least and greatest over all frames" do
    expect(api_get("/results/#{study['result']}/range?name=stress_xx")).to match([200, fields(study, "names=stress_xx")[1]["extremes"]["stress_xx"].slice("min", "max")])
    expect(api_get("/results/#{study['result']}/range?name=stress_xx&how=unaveraged")[1]["max"]).to eq(fields(study, "names=stress_xx&how=unaveraged")[1]["extremes"]["stress_xx"]["max"])
    expect(api_get("/results/#{study['result']}/range?name=beauty")[0]).to eq(422)
  end

  it "tells fields at the nodes of a place" do
    id = new_model(model)["id"]
    ask = ->(**words) { api_get("/results/#{study['result']}/nodes?#{URI.encode_www_form({ model: id, study: 'pull', at: 'root', names: 'reaction_y,von_mises' }.merge(words))}") }
    status, body = ask.call
    expect(status).to eq(200)
    expect(body["at"].map(&:first)).to all(be_within(1e-12).of(0))
    expect(body["values"]["reaction_y"].sum).to be_within(1e-6).of(1000)
    expect(body["values"]["von_mises"].size).to eq(body["at"].size)
    expect(ask.call(at: "gone")).to match([422, include("error" => a_string_including("no group or body named “gone”"))])
    expect(ask.call(names: "beauty")[0]).to eq(422)
    expect(ask.call(frame: 3)[1]["error"]).to include("no frame 3")
    expect(ask.call(study: "push")[0]).to eq(422)
  end

  it "sends a frame as a file, and a table as a workbook" do
    files = { "glb" => "glTF", "stl" => "Gentle Lattice", "vtu" => "<?xml" }.to_h do |kind, head|
      header "Host", "localhost:4567"
      get "/api/results/#{study['result']}/export/bar.#{kind}?field=von_mises&times=20"
      [kind, [last_response.status, last_response.body.b.start_with?(head), last_response.headers["content-disposition"]]]
    end
    expect(files).to eq(%w[glb stl vtu].to_h { |kind| [kind, [200, true, "attachment; filename=\"bar.#{kind}\""]] })
    expect(api_get("/results/#{study['result']}/export/bar.doc")).to match([422, include("faults" => [include("message" => a_string_including("not a format"))])])
    expect(api_get("/results/#{study['result']}/export/bar.glb?times=many")[1]["error"]).to include("“times” is not a number")
    header "Content-Type", "application/json"
    post "/api/workbook", JSON.generate(name: "Reactions", rows: [["x, N"], [1.5]]), "CONTENT_TYPE" => "application/json"
    expect([last_response.status, last_response.body.b[0, 2]]).to eq([200, "PK"])
    expect(api_post("/workbook", { name: "x", rows: [[{ a: 1 }]] })).to match([422, include("error" => a_string_including("not lists"))])
  end

  it "tells how what touches stands on a mesh" do
    expect(api_get("/meshes/#{study['mesh']}/touches?model=#{view['id']}")).to eq([200, []])
    expect(api_get("/meshes/#{'0' * 64}/touches?model=#{view['id']}")[0]).to eq(404)
  end
end
