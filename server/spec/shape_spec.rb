# frozen_string_literal: true

require_relative "spec_helper"

RSpec.describe LatticeServer::App do
  include Api

  def shape_model(*statements)
    list = statements.each_with_index.map { |s, i| { "id" => "s#{i + 1}" }.merge(s) }
    new_model({ "format" => "gentle-lattice-model", "version" => 2, "name" => "Shape", "units" => "mm-N", "statements" => list })
  end

  def send_file(model, name, bytes)
    header "Host", "127.0.0.1:4567"
    post "/api/models/#{model['id']}/files?name=#{Rack::Utils.escape(name)}", bytes, "CONTENT_TYPE" => "application/octet-stream"
    [last_response.status, answer]
  end

  # Named arrays and meta of the last answer.
  def arrays
    head, rest = last_response.body.b.split("\n", 2)
    parsed = JSON.parse(head)
    types = { "f4" => Numo::SFloat, "i4" => Numo::Int32 }
    found = parsed["arrays"].transform_values do |a|
      type = types.fetch(a["type"])
      type.from_binary(rest[a["offset"], a["shape"].reduce(1, :*) * 4], a["shape"])
    end
    [found, parsed["meta"]]
  end

  def stl(*statements) = Lattice::Format::Stl.binary([parts_of(*statements).bodies.last.facets])

  it "sends surfaces, edges and places of a shape" do
    model = shape_model(*block)
    header "Host", "127.0.0.1:4567"
    get "/api/models/#{model['id']}/shape/#{model['shape']['digest']}"
    found, meta = arrays
    expect(found["positions"].shape).to eq([36, 3])
    expect(found["positions"].max(0).to_a.map { |c| c.round(6) }).to eq([0.06, 0.04, 0.01])
    expect(meta["faces"].sum { |f| f[3] }).to eq(12)
    expect(meta["edges"].size).to eq(12)
    expect(meta["places"].find { |p| p["name"] == "top" }).to include("kind" => "plane", "normal" => [0.0, 0.0, 1.0])
    expect(api_get("/models/#{model['id']}/shape/#{'0' * 64}")[0]).to eq(404)
  end

  it "tells what it knows of bodies, lines, corners and regions" do
    line = { "kind" => "line", "name" => "way", "corners" => [spot(0, 0, 0), { "distance" => "50 mm", "angle" => "90 deg" }] }
    view = shape_model(*block, line, outline_named("strip", rectangle("0 mm", "0 mm", "10 mm", "4 mm"), dividers: [corners([0, 2], [10, 2])]),
                       { "kind" => "material", "target" => "block", "material" => "steel S355" })
    expect(view["shape"]["bodies"][0]).to include("faces" => 6, "closed" => true, "mass" => be_within(1e-6).of(0.1884))
    expect(view["shape"]["lines"]["way"]["points"].last.map { |c| c.round(9) }).to eq([0, 0.05, 0])
    expect(view["shape"]["corners"].values.last.last.map { |c| c.round(9) }).to eq([0, 0.05, 0])
    expect(view["shape"]["regions"]["strip"].map { |r| r["name"] }).to eq(["region 1", "region 2"])
  end

  it "reads a file, keeps it, and the note takes it up" do
    model = shape_model
    status, brought = send_file(model, "bench plate.stl", stl(*block))
    expect([status, brought["bodies"]]).to eq([201, [{ "name" => "bench plate", "make" => "solid", "faces" => 6 }]])
    import = { "id" => "i", "kind" => "import", "name" => "plate", "file" => brought["file"], "digest" => brought["digest"] }
    status, view = api_put("/models/#{model['id']}/document", { version: 1, document: model["document"].merge("statements" => [import]) })
    expect(status).to eq(200)
    expect(view["shape"]["bodies"][0]["volume"]).to be_within(1e-11).of(2.4e-5)
    expect(view["shape"]["reports"]["i"]).to include("open_edges" => 0, "bodies" => 1)
    expect(view["document"]["statements"][0]["digest"]).to eq(brought["digest"])
  end

  it "refuses files that cannot be read, and nothing changes" do
    model = shape_model(*block)
    [["part.step", "not a step file", "is not a STEP file"], ["part.stl", "", "is empty"], ["part.exe", "x", "none of the kinds"],
     ["../../etc/part.stl", stl(*block)[0, 300], "cut short"]].each do |name, bytes, words|
      status, body = send_file(model, name, bytes)
      expect([status, body["error"]]).to match([422, include(words)])
      expect(body["faults"][0]["cure"]).not_to be_nil
    end
    expect(send_file(model, "", stl(*block))[0]).to eq(422)
    expect(send_file(model, "\xff\xfe.stl", "")[0]).to eq(400)
    expect(api_get("/models/#{model['id']}")[1]["version"]).to eq(1)
    expect(Dir[File.join(LatticeServer::Config.data, "files", "*")].map { |f| File.size(f) }).not_to include(300)
  end

  it "says in the note when an imported file is not kept here" do
    view = shape_model({ "kind" => "import", "name" => "lost", "file" => "lost.stl", "digest" => "a" * 64 })
    expect(view["notices"].map { |n| n["message"] }.join).to include("the file “lost.stl” is not kept here")
  end

  it "measures places, and says which are not there" do
    model = shape_model(*block)
    status, body = api_post("/models/#{model['id']}/measures", { places: [%w[block top], %w[block bottom]] })
    expect(status).to eq(200)
    expect(body["lines"].find { |l| l["words"] == "least distance" }["value"]).to be_within(1e-12).of(0.01)
    expect(api_post("/models/#{model['id']}/measures", { places: [%w[block lid]] })).to match([422, include("error" => include("no place “lid”"))])
    [[], nil, 7, [1], ["top"], [["block"]], [["block", 3]], { "a" => 1 }].each { |bad| expect(api_post("/models/#{model['id']}/measures", { places: bad })[0]).to eq(422) }
  end

  it "exports the shape" do
    model = shape_model(*block)
    header "Host", "127.0.0.1:4567"
    get "/api/models/#{model['id']}/export/block.stl"
    expect([last_response.status, last_response.body.bytesize]).to eq([200, 84 + (12 * 50)])
    get "/api/models/#{model['id']}/export/block.dwg"
    expect(last_response.status).to eq(422)
  end

  it "keeps a model whose combination fails, and names the statement" do
    view = shape_model(*block, { "kind" => "combine", "name" => "part", "how" => "subtract", "body" => "block", "with" => ["ghost"] })
    expect(view["shape"]["bodies"].map { |b| b["name"] }).to eq(["block"])
    expect(view["notices"].find { |n| n["statement"] == "s3" }["message"]).to include("no body named “ghost”")
  end
end
