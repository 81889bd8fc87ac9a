# frozen_string_literal: true

RSpec.describe LatticeServer::App do
  describe "projects and models" do
    it "makes, renames, lists and deletes projects" do
      id = new_project("North dome")
      expect(api_patch("/projects/#{id}", { name: "South dome" })[0]).to eq(200)
      expect(api_get("/projects")[1]["projects"].map { |p| p["name"] }).to include("South dome")
      api_delete("/projects/#{id}")
      expect(api_get("/projects")[1]["projects"].map { |p| p["id"] }).not_to include(id)
    end

    it "makes an empty model, or one from a document" do
      project = new_project
      status, view = api_post("/projects/#{project}/models", { name: "New" })
      expect([status, view["document"]["statements"].size, view["ready"]]).to eq([201, 1, false])
      expect(new_model["shape"]["bodies"].first).to include("name" => "bar")
    end

    it "tells the workspace all that it shows" do
      view = new_model(model(body: { "thickness" => "21 mm" }))
      expect(view).to include("ready" => true, "notices" => [], "version" => 1, "can_undo" => false)
      expect(view["groups"]).to eq("root" => [["bar", "side 4"]], "tip" => [["bar", "side 2"]])
      expect(view["studies"].first).to include("name" => "pull", "state" => "unsolved")
      expect(view["shape"]["outlines"]["profile"].first["keys"]).to eq(["side 1", "side 2", "side 3", "side 4"])
      expect(view["mesh"]).to include("summary" => nil)
    end
  end

  describe "revisions" do
    def edit(view, version: view["version"], **changes)
      api_put("/models/#{view['id']}/document", { version: version, document: model(changes) })
    end

    it "undoes and redoes every edit, and forgets nothing when a new edit follows an undo" do
      view = new_model
      thickness = ->(v) { v["document"]["statements"].find { |s| s["id"] == "body" }["thickness"] }
      view = edit(view, body: { "thickness" => "11 mm" })[1]
      view = edit(view, body: { "thickness" => "12 mm" })[1]
      view = api_post("/models/#{view['id']}/undo", { version: view["version"] })[1]
      expect([thickness.call(view), view["can_redo"]]).to eq(["11 mm", true])
      view = api_post("/models/#{view['id']}/undo", { version: view["version"] })[1]
      expect([thickness.call(view), view["can_undo"]]).to eq(["10 mm", false])
      view = api_post("/models/#{view['id']}/redo", { version: view["version"] })[1]
      expect(thickness.call(view)).to eq("11 mm")
      view = edit(view, body: { "thickness" => "13 mm" })[1]
      expect([thickness.call(view), view["can_redo"]]).to eq(["13 mm", false])
      view = api_post("/models/#{view['id']}/undo", { version: view["version"] })[1]
      expect(thickness.call(view)).to eq("11 mm")
    end

    it "keeps undo through a restart" do
      view = edit(new_model, body: { "thickness" => "11 mm" })[1]
      LatticeServer::Database.disconnect
      expect(api_get("/models/#{view['id']}")[1]["can_undo"]).to be(true)
    end

    it "tells the second of two tabs that the model has changed, and loses neither edit" do
      first = new_model
      edit(first, body: { "thickness" => "11 mm" })
      status, body = edit(first, body: { "thickness" => "99 mm" })
      expect([status, body["error"]]).to match([409, /changed in another window/])
      expect(body["cure"]).to include("Load the newer version")
      expect(api_get("/models/#{first['id']}")[1]["document"]["statements"].find { |s| s["id"] == "body" }["thickness"]).to eq("11 mm")
    end

    it "says when there is nothing to undo or redo" do
      view = new_model
      %w[undo redo].each { |move| expect(api_post("/models/#{view['id']}/#{move}", { version: 1 })[0]).to eq(422) }
    end
  end

  describe "what it refuses" do
    let(:view) { new_model }

    it "saves nothing that is wrong, and names statement and cure" do
      { { force: { "value" => "3 mm" } } => /is a length, but a force is wanted/,
        { force: { "colour" => "red" } } => /not a known field/,
        { outline: { "boundary" => corners([0, 0], [20, 10], [20, 0], [0, 12]) } } => /cross or touch/,
        { outline: { "holes" => [circle(500, 500, 10)] } } => /hole 1 lies outside/ }.each do |changes, message|
        status, body = api_put("/models/#{view['id']}/document", { version: 1, document: model(changes) })
        expect([status, body["faults"].first["message"]]).to match([422, message])
        expect(body["faults"].first).to include("statement" => changes.keys.first.to_s, "cure" => a_string_matching(/\w/))
      end
      expect(api_get("/models/#{view['id']}")[1]["version"]).to eq(1)
    end

    it "refuses to solve what is not ready" do
      { { material: nil } => /no material/,
        { support: nil } => /free to slide along x, y and z/, { tip: { "rule" => { "plane" => { "axis" => "x", "at" => "7 mm" } } } } => /matches nothing/,
        { mesh: { "size" => "1e-6 mm" } } => /memory/ }.each do |changes, message|
        id = new_model(model(changes))["id"]
        status, body = api_post("/models/#{id}/runs", { kind: "study", study: "pull" })
        expect([status, body["error"]]).to match([422, message])
      end
    end

    it "answers 400 for malformed requests" do
      ["{bad", "", "[1]", "\xff\xfe", "[" * 100].each { |text| expect(api_put("/models/#{view['id']}/document", text)[0]).to eq(400) }
      expect(api_put("/models/#{view['id']}/document", { document: model })[1]["error"]).to include("“version” is missing")
    end

    it "shows a model whose mesh statement is wrong, with what to mend" do
      status, shown = api_put("/models/#{view['id']}/document", { version: 1, document: model(mesh: { "growth" => "0.9" }) })
      expect([status, shown["mesh"]["summary"]]).to eq([200, nil])
      expect(JSON.generate(shown["notices"])).to include("a growth of 0.9 does not grow")
    end

    it "answers 404 for unknown ids and paths" do
      [[:get, "/models/nope"], [:delete, "/models/nope"], [:get, "/runs/nope"], [:post, "/runs/nope/stop"], [:get, "/nowhere"], [:delete, "/projects/nope"],
       [:get, "/meshes/#{'0' * 64}/skin"], [:get, "/results/zzz/fields"]].each do |verb, path|
        status, body = send("api_#{verb}", path)
        expect([path, status, body["error"]]).to match([path, 404, /\w/])
      end
    end

    it "answers 413 for a request that is too large" do
      expect(api_post("/projects", "x" * ((20 * 1024 * 1024) + 1))[0]).to eq(413)
    end

    it "serves no file but the interface's own" do
      header "Host", "127.0.0.1"
      ["/../Gemfile", "/%2e%2e/Gemfile", "/assets/../../../Gemfile", "/..%2fGemfile"].each do |path|
        get path
        expect(last_response.body).not_to include("rubygems")
      end
    end

    it "refuses names that are empty, too long or no text" do
      ["", " ", "x" * 81, 7, nil].each { |name| expect(api_post("/projects", { name: name })[0]).to eq(422) }
    end

    it "refuses other host names and other origins" do
      expect(api_get("/projects", nil, "Host" => "evil.example")[0]).to eq(403)
      expect(api_post("/projects", { name: "x" }, "Origin" => "http://evil.example")[0]).to eq(403)
      expect(api_get("/projects", nil, "Origin" => "http://127.0.0.1:4567")[0]).to eq(200)
    end

    it "hides its own faults behind a plain sentence" do
      allow(LatticeServer::ModelView).to receive(:new).and_raise("secret")
      expect { api_get("/models/#{new_project}") }.to output(/secret/).to_stderr
      expect([last_response.status, last_response.body]).to match([500, /nothing was changed/])
      expect(last_response.body).not_to include("secret")
    end
  end

  describe "solving" do
    limit = { "id" => "l", "kind" => "limit", "study" => "pull", "quantity" => "von_mises", "target" => "bar", "at_most" => "yield" }

    def solved(document)
      view = new_model(document)
      run = api_post("/models/#{view['id']}/runs", { kind: "study", study: "pull" })[1]
      compute(run["id"])
      api_get("/models/#{view['id']}")[1]
    end

    it "queues, computes and tells the findings" do
      view = solved(model({ body: { "thickness" => "22 mm" } }, limit))
      study = view["studies"].first
      expect(study["state"]).to eq("solved")
      expect(study["findings"]["findings"].map { |f| f["kind"] }).to eq(%w[equilibrium limit])
      expect(view["mesh"]["summary"]["unknowns"]).to be > 1000
      run = view["runs"].first
      expect(run).to include("state" => "done", "share" => 1.0)
      expect(run["log"]).to match(/elements.*unknowns/m)
      expect(run["outcome"]["phases"].keys).to include("mesh", "stiffness", "cholmod factor")
    end

    it "sends skin and fields as binary arrays" do
      study = solved(model)["studies"].first
      read = lambda do |path|
        header "Host", "localhost:4567"
        get path
        head, bytes = last_response.body.b.split("\n", 2)
        parsed = JSON.parse(head)
        [parsed, parsed["arrays"].transform_values { |a| bytes[a["offset"], 4 * a["shape"].reduce(:*)].unpack(a["type"] == "f4" ? "e*" : "l<*") }]
      end
      skin, arrays = read.call("/api/meshes/#{study['mesh']}/skin")
      count = skin["arrays"]["positions"]["shape"][0]
      expect(arrays["triangles"].max).to be < count
      expect(skin["meta"]["faces"].map { |f| f[1] }).to include("top", "side 1")
      fields, values = read.call("/api/results/#{study['result']}/fields?names=von_mises,displacement_y")
      expect(values["von_mises"].size).to eq(count)
      expect(values["displacement_y"].min).to be_within(1e-9).of(fields["meta"]["extremes"]["displacement_y"]["min"])
      get "/api/results/#{study['result']}/fields?names=beauty"
      expect([last_response.status, answer["error"]]).to match([422, /“beauty” is not a field/])
    end

    it "measures the elements of a mesh, and sends those that are looked at" do
      mesh = solved(model)["studies"].first["mesh"]
      all = api_get("/meshes/#{mesh}/quality?measure=scaled_jacobian")[1]
      expect(all["measures"].map { |m| m["key"] }).to include("mean_ratio", "scaled_jacobian", "aspect")
      expect(all["worst"].map { |e| e["value"] }).to eq(all["worst"].map { |e| e["value"] }.sort)
      count = lambda do |words|
        header "Host", "localhost:4567"
        get "/api/meshes/#{mesh}/elements?measure=scaled_jacobian&#{words}"
        JSON.parse(last_response.body.b.split("\n", 2)[0])["meta"]["count"]
      end
      whole = count.call("")
      expect(count.call("axis=x&at=0.5") + count.call("axis=x&at=0.5&turned=true")).to eq(whole)
      expect(count.call("worse=-1")).to eq(0)
      ["elements?axis=w", "elements?worse=much", "quality?measure=beauty"].each { |path| expect(api_get("/meshes/#{mesh}/#{path}")[0]).to eq(422) }
    end

    it "tells how large elements will be at a place" do
      id = new_model(model)["id"]
      answer_to = ->(words) { api_get("/models/#{id}/size?#{words}") }
      expect(answer_to["body=bar&x=0.1&y=0.01&z=0.01"]).to match([200, { "size" => be_within(1e-6).of(0.01), "corners" => 4 }])
      expect(answer_to["body=ghost&x=0&y=0&z=0"][0]).to eq(422)
      expect(answer_to["body=bar&x=0&y=0"]).to match([422, hash_including("error" => /“z” is missing/)])
      expect(answer_to["body=bar&x=far&y=0&z=0"][0]).to eq(422)
    end

    it "computes only what no longer applies, and shares it between copies" do
      solved(model)
      copy = solved(model({}, limit))
      expect(copy["runs"].first["log"]).to match(/The result still applies.*The mesh still applies/m)
      other = solved(model(force: { "value" => "2 kN" }))
      expect(other["runs"].first["log"]).to include("The mesh still applies")
      expect(other["runs"].first["log"]).not_to include("The result still applies")
    end

    it "keeps older findings readable, as stale, until they are replaced" do
      view = solved(model)
      changed = api_put("/models/#{view['id']}/document", { version: 1, document: model(force: { "value" => "3 kN" }) })[1]
      study = changed["studies"].first
      expect(study).to include("state" => "stale", "result" => view["studies"].first["result"])
      expect(study["findings"]["summary"]["supports"].first["reaction"][1]).to be_within(1e-3).of(1000)
      undone = api_post("/models/#{view['id']}/undo", { version: 2 })[1]
      expect(undone["studies"].first["state"]).to eq("solved")
    end

    it "does not queue the same study twice, and stops what is queued" do
      view = new_model
      run = api_post("/models/#{view['id']}/runs", { kind: "study", study: "pull" })[1]
      expect(api_post("/models/#{view['id']}/runs", { kind: "study", study: "pull" })[0]).to eq(409)
      expect(api_post("/runs/#{run['id']}/stop")[1]["state"]).to eq("stopped")
      expect(api_post("/runs/#{run['id']}/stop")[0]).to eq(422)
      again = api_post("/runs/#{run['id']}/retry")[1]
      expect(again).to include("state" => "queued", "study" => "pull")
      runs.stop(again["id"])
    end

    it "writes down why a run failed" do
      view = new_model(model(body: { "thickness" => "23 mm" }))
      run = api_post("/models/#{view['id']}/runs", { kind: "study", study: "pull" })[1]
      allow(Lattice::Algebra::Factor).to receive(:new).and_raise(Lattice::SolveFailed, "memory ran out")
      compute(run["id"])
      expect(api_get("/runs/#{run['id']}")[1]).to include("state" => "failed", "error" => "memory ran out", "log" => a_string_matching(/memory ran out/))
    end

    it "keeps the mesh before, when the model changes and when the next one cannot be made" do
      view = new_model(model({ material: nil, support: nil, mesh: { "size" => "8 mm" } }))
      id = view["id"]
      compute(api_post("/models/#{id}/runs", { kind: "mesh" })[1]["id"])
      made = api_get("/models/#{id}")[1]["mesh"]
      expect(made).to include("before" => nil, "summary" => include("elements"))
      slit = corners([0, 0], [200, 0], [200, 1])
      statements = view["document"]["statements"].map { |s| s["kind"] == "outline" ? s.merge("boundary" => slit) : s }
      status, = api_put("/models/#{id}/document", { version: view["version"], document: view["document"].merge("statements" => statements) })
      expect(status).to eq(200)
      run = api_post("/models/#{id}/runs", { kind: "mesh" })[1]
      compute(run["id"])
      ended = api_get("/runs/#{run['id']}")[1]
      expect(ended).to include("state" => "failed", "error" => a_string_matching(/“bar” closes to|only .* wide/))
      expect(ended["outcome"]["place"].size).to eq(3)
      kept = api_get("/models/#{id}")[1]["mesh"]
      expect(kept["summary"]).to be_nil
      expect(kept["before"]).to eq(made.slice("digest", "summary"))
      get("/api/meshes/#{kept['before']['digest']}/skin")
      expect(last_response.status).to eq(200)
    end

    it "meshes alone" do
      view = new_model(model({ material: nil, support: nil }))
      run = api_post("/models/#{view['id']}/runs", { kind: "mesh" })[1]
      compute(run["id"])
      expect(api_get("/models/#{view['id']}")[1]["mesh"]["summary"]["kinds"]).to eq("hex20" => 40)
      expect(api_post("/models/#{new_model(model(body: nil))['id']}/runs", { kind: "mesh" })[0]).to eq(422)
    end
  end
end
