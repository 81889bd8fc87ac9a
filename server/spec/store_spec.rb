# frozen_string_literal: true

RSpec.describe LatticeServer::Store do
  let(:db) { LatticeServer::Database.connect }

  describe LatticeServer::Store::Derived do
    let(:folder) { Dir.mktmpdir }
    let(:derived) { described_class.new(db, folder) }
    let(:digest) { SecureRandom.hex(32) }

    it "promises only what is wholly written" do
      expect { derived.put(digest, "mesh", {}) { raise "the disk is full" } }.to raise_error("the disk is full")
      expect(derived.find(digest)).to be_nil
      derived.put(digest, "mesh", { elements: 3 }) { |path| File.write(path, "x") }
      expect(derived.find(digest)).to eq("elements" => 3)
      expect(File.read(derived.path!(digest, "mesh"))).to eq("x")
    end

    it "does not give out paths for what it does not have, or for names that are no digests" do
      expect { derived.path!(digest, "mesh") }.to raise_error(LatticeServer::Problem, /has not been computed/)
      expect { derived.path!("../../etc/passwd", "mesh") }.to raise_error(LatticeServer::Problem)
      derived.put(digest, "mesh", {}) { |path| File.write(path, "x") }
      File.delete(derived.path(digest, "mesh"))
      expect { derived.path!(digest, "mesh") }.to raise_error(LatticeServer::Problem)
    end

    it "takes the same digest twice" do
      2.times { |k| derived.put(digest, "findings", { k: k }) }
      expect(derived.find(digest)).to eq("k" => 1)
    end
  end

  describe LatticeServer::Store::Runs do
    let(:queue) { runs }

    it "hands each run to one worker only, oldest first" do
      ids = Array.new(2) { |k| queue.queue(new_model["id"], "mesh", nil, JSON.generate(k: k))[:id] }
      others = []
      claimed = []
      while (run = queue.claim(Process.pid))
        (ids.include?(run[:id]) ? claimed : others) << run[:id]
      end
      expect(claimed).to eq(ids)
      expect(queue.find(ids[0])).to include(state: "running", worker: Process.pid)
      (claimed + others).each { |id| queue.finish(id, "stopped") }
    end

    it "ends a run once: a late end does not overwrite an earlier one" do
      run = queue.queue(new_model["id"], "mesh", nil, "{}")[:id]
      queue.take(run, Process.pid)
      queue.finish(run, "stopped")
      queue.finish(run, "done", outcome: { a: 1 })
      expect(queue.find(run)).to include(state: "stopped", outcome: nil)
    end

    it "interrupts only the runs whose worker is gone" do
      mine, lost = Array.new(2) { queue.queue(new_model["id"], "mesh", nil, "{}")[:id] }
      queue.take(mine, 1)
      queue.take(lost, 2)
      queue.interrupt_orphans { |worker| worker == 1 }
      expect([mine, lost].map { |id| queue.find(id)[:state] }).to eq(%w[running interrupted])
      queue.finish(mine, "stopped")
    end
  end

  describe LatticeServer::Store::Models do
    it "keeps every revision, and the models of a project go with it" do
      project = new_project
      view = new_model(model, project: project)
      3.times { |k| api_put("/models/#{view['id']}/document", { version: k + 1, document: model(body: { "thickness" => "#{k + 30} mm" }) }) }
      expect(db[:revisions].where(model_id: view["id"]).count).to eq(4)
      api_delete("/projects/#{project}")
      expect(db[:revisions].where(model_id: view["id"]).count).to eq(0)
      expect(api_get("/models/#{view['id']}")[0]).to eq(404)
    end

    it "lets one of two edits at the same moment through" do
      view = new_model
      store = described_class.new(db)
      edited = LatticeServer::Sketches.of(JSON.generate(model(body: { "thickness" => "31 mm" })))
      outcomes = Array.new(4) do
        Thread.new do
          store.edit(view["id"], edited, 1) && :saved
        rescue LatticeServer::Problem => e
          e.status
        end
      end.map(&:value)
      expect(outcomes.tally).to eq(:saved => 1, 409 => 3)
    end
  end

  it "opens a database of its own kind again, with its migrations made" do
    path = File.join(Dir.mktmpdir, "again.sqlite3")
    first = LatticeServer::Database.at(path)
    LatticeServer::Store::Projects.new(first).create("Kept")
    first.disconnect
    expect(LatticeServer::Store::Projects.new(LatticeServer::Database.at(path)).all.map { |p| p[:name] }).to eq(["Kept"])
    expect(LatticeServer::Database.at(path).fetch("PRAGMA foreign_keys").first.values).to eq([1])
    expect(LatticeServer::Database.at(path).fetch("PRAGMA journal_mode").first.values).to eq(["wal"])
  end
end
