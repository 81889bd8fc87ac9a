# frozen_string_literal: true

RSpec.describe LatticeServer::Worker do
  # A model that takes some seconds, so that there is time to interfere.
  def long_run
    view = new_model(model(mesh: { "size" => "1.6 mm" }, outline: { "boundary" => rectangle("0 mm", "0 mm", "200 mm", format("%.6f mm", 20 + rand)) }))
    api_post("/models/#{view['id']}/runs", { kind: "study", study: "pull" })[1]["id"]
  end

  def state(run) = runs.find(run)[:state]

  def start_worker
    Process.spawn({ "LATTICE_DATA" => ENV.fetch("LATTICE_DATA") }, RbConfig.ruby, File.join(LatticeServer::Config::ROOT, "bin", "worker"))
  end

  def end_worker(pid)
    Process.kill(:KILL, pid)
    Process.wait(pid)
  rescue Errno::ESRCH, Errno::ECHILD
    nil
  end

  it "computes what is queued, telling its progress" do
    view = new_model
    run = api_post("/models/#{view['id']}/runs", { kind: "study", study: "pull" })[1]["id"]
    worker = start_worker
    eventually { state(run) == "done" }
    expect(runs.find(run)).to include(share: 1.0, error: nil)
  ensure
    end_worker(worker)
  end

  it "leaves an interrupted run with its log and a retry when it is killed in the middle" do
    run = long_run
    worker = start_worker
    eventually { state(run) == "running" && runs.find(run)[:log].include?("unknowns") }
    end_worker(worker)
    expect(state(run)).to eq("running")

    again = start_worker # finds the orphan at its start
    eventually { state(run) == "interrupted" }
    expect(runs.find(run)[:log]).to match(/elements.*The worker process ended unexpectedly/m)
    expect(runs.find(run)[:error]).to include("Retry")
    fresh = api_post("/runs/#{run}/retry")[1]["id"]
    eventually { state(fresh) == "running" }
    api_post("/runs/#{fresh}/stop")
    eventually { state(fresh) == "stopped" }
  ensure
    end_worker(again)
  end

  it "tells how a study in increments converges, keeps what came to rest when it is stopped, and goes on from there" do
    way = { "id" => "far", "kind" => "study", "name" => "far", "type" => "collapse", "first" => "0.2", "increments" => 14 }
    view = new_model(model({ mesh: { "size" => "4.5 mm" }, force: { "value" => "40 kN" } }, way))
    run = api_post("/models/#{view['id']}/runs", { kind: "study", study: "far" })[1]["id"]
    worker = start_worker
    eventually(60) { Dir[File.join(LatticeServer::Config.derived, "*.way", "memory")].any? }
    told = api_get("/runs/#{run}")[1]
    expect(told["course"].last).to include("level" => be_positive, "residuals" => include(be < 1e-5))
    expect(told["increments"]).to be >= told["course"].size
    eventually { api_get("/runs/#{run}")[1]["keeps"] }
    api_post("/runs/#{run}/stop")
    eventually { state(run) == "stopped" }
    expect(api_get("/runs/#{run}")[1]).to include("course" => [], "trying" => nil, "increments" => be_positive, "keeps" => true)
    fresh = api_post("/runs/#{run}/retry")[1]["id"]
    eventually(90) { LatticeServer::Store::Runs::ENDED.include?(state(fresh)) }
    expect(runs.find(fresh)).to include(state: "done", log: include("It goes on from increment"))
    expect(Dir[File.join(LatticeServer::Config.derived, "*.way")]).to be_empty
    found = api_get("/models/#{view['id']}")[1]["studies"].find { |study| study["name"] == "far" }
    expect(found["findings"]["summary"]["frames"].size).to eq(14)
  ensure
    end_worker(worker)
  end

  it "stops a run on request, and goes on with the next" do
    run = long_run
    worker = start_worker
    eventually { state(run) == "running" && runs.find(run)[:phase] }
    api_post("/runs/#{run}/stop")
    eventually { state(run) == "stopped" }
    expect(runs.find(run)[:log]).to include("Stopped on request")
    view = new_model
    next_run = api_post("/models/#{view['id']}/runs", { kind: "mesh" })[1]["id"]
    eventually { state(next_run) == "done" }
  ensure
    end_worker(worker)
  end

  it "computes two models at once where there are processors, and one model's runs one after the other" do
    one = long_run
    other = long_run
    model = runs.find(one)[:model_id]
    later = api_post("/models/#{model}/runs", { kind: "mesh" })[1]["id"]
    expect([1, 2].map { runs.claim(Process.pid)[:id] }).to eq([one, other])
    expect(runs.claim(Process.pid)).to be_nil
    runs.finish(one, "done")
    expect(runs.claim(Process.pid)[:id]).to eq(later)
    [other, later].each { |id| runs.finish(id, "stopped") }

    both = [long_run, long_run]
    worker = start_worker
    eventually { both.map { |id| state(id) } == (Etc.nprocessors > 1 ? %w[running running] : %w[running queued]) }
    both.each { |id| api_post("/runs/#{id}/stop") }
    eventually { both.all? { |id| state(id) == "stopped" } }
  ensure
    worker && end_worker(worker)
  end

  # A mast that four records shake, one after the other or two at once.
  def batch
    spot = ->(z) { { "x" => "0 m", "y" => "0 m", "z" => "#{z} m" } }
    values = Array.new(400) { |i| (Math.sin(i / 7.0) + rand).round(6) }
    record = ->(name) { { "id" => name, "kind" => "ground_motion", "name" => name, "step" => "10 ms", "unit" => "m/s2", "values" => [values.rotate(name.sum % 97)] } }
    points = { "feet" => 0, "top" => 3 }.map { |name, z| { "id" => name, "kind" => "group", "name" => name, "of" => "points", "rule" => { "plane" => { "axis" => "z", "at" => "#{z} m" } } } }
    list = [{ "id" => "l", "kind" => "line", "name" => "way", "corners" => [spot[0], spot[3]] }, { "id" => "b", "kind" => "body", "name" => "mast", "outline" => "way", "make" => "members" },
            { "id" => "o", "kind" => "outline", "name" => "round", "boundary" => { "circle" => { "x" => "0 mm", "y" => "0 mm", "diameter" => "80 mm" } } },
            { "id" => "s", "kind" => "section", "target" => "mast", "outline" => "round" }, { "id" => "m", "kind" => "material", "target" => "mast", "material" => "steel S355" }, *points,
            { "id" => "h", "kind" => "support", "target" => "feet", "components" => %w[x y z rx ry rz] }, { "id" => "w", "kind" => "mass", "target" => "top", "value" => "500 kg" },
            *%w[one two three four].map { |name| record[name] }, { "id" => "g", "kind" => "mesh", "size" => "1 m" },
            { "id" => "c", "kind" => "study", "name" => "shake", "type" => "shaking", "ground" => [{ "motion" => "one", "direction" => "+x" }],
              "runs" => { "motions" => %w[one two three four], "scales" => ["1"] } }]
    new_model({ "format" => "gentle-lattice-model", "version" => 2, "name" => "Mast", "units" => "mm-N", "statements" => list })
  end

  it "goes on with a batch where it was killed: what was done is not done again" do
    view = batch
    run = api_post("/models/#{view["id"]}/runs", { kind: "study", study: "shake" })[1]["id"]
    worker = start_worker
    eventually { runs.find(run)[:phase].to_s.match?(/[1-3] of 4 runs/) }
    child = File.read("/proc/#{worker}/task/#{worker}/children").split.first
    Process.kill(:KILL, child.to_i)
    eventually { state(run) == "interrupted" }
    fresh = api_post("/runs/#{run}/retry")[1]["id"]
    eventually { state(fresh) == "done" }
    expect(runs.find(fresh)[:log]).to include("still applies")
    shaken = api_get("/models/#{view['id']}")[1]["studies"].find { |s| s["name"] == "shake" }["findings"]["findings"].find { |f| f["kind"] == "shaking" }
    expect(shaken["runs"].map { |row| row["motion"] }).to eq(%w[one two three four])
  ensure
    end_worker(worker)
  end

  it "survives the death of the process that computes" do
    run = long_run
    worker = start_worker
    eventually { state(run) == "running" && runs.find(run)[:phase] }
    child = eventually { File.read("/proc/#{worker}/task/#{worker}/children").split.first }
    Process.kill(:KILL, child.to_i)
    eventually { state(run) == "interrupted" }
    expect(runs.find(run)[:error]).to match(/ended from outside.*Retry/)
  ensure
    end_worker(worker)
  end
end

RSpec.describe LatticeServer::RunEvents do
  it "tells of a run once for every change" do
    view = new_model
    run = api_post("/models/#{view['id']}/runs", { kind: "mesh" })[1]["id"]
    events = described_class.new(LatticeServer::Database.connect, view["id"])
    told = -> { events.changes.map { |event| JSON.parse(event[/^data: (.*)$/, 1])["state"] } }
    expect(told.call).to eq(["queued"])
    expect(told.call).to eq([])
    runs.take(run, Process.pid)
    expect(told.call).to eq(["running"])
    runs.finish(run, "stopped")
    expect(told.call).to eq(["stopped"])
  end
end
