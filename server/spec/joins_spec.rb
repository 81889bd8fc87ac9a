# frozen_string_literal: true

require_relative "spec_helper"

RSpec.describe LatticeServer::App do
  include Api

  # Two plates with two holes, one on the other.
  def plates(*more)
    drilled = outline_named("plan", rectangle("0 mm", "0 mm", "80 mm", "40 mm"), holes: [circle(20, 20, 9), circle(60, 20, 9)])
    list = [drilled, body_named("low", "plan", thickness: "10 mm"), body_named("high", "plan", thickness: "6 mm", on: on("xy", z: 10)), group_named("bores", { "bores" => { "diameter" => "9 mm" } }),
            group_named("seat", { "all" => [{ "body" => "low" }, { "plane" => { "axis" => "z", "at" => "10 mm" } }] }),
            group_named("foot", { "all" => [{ "body" => "high" }, { "plane" => { "axis" => "z", "at" => "10 mm" } }] }), *more]
    { "format" => "gentle-lattice-model", "version" => 2, "name" => "Plates", "units" => "mm-N", "statements" => list.each_with_index.map { |s, i| { "id" => "s#{i + 1}" }.merge(s) } }
  end

  def bond = { "kind" => "bond", "target" => "foot", "to" => "seat", "reach" => "0.1 mm" }
  def bolt(**more) = { "kind" => "bolt", "target" => "bores", "size" => "M8", "class" => "8.8" }.merge(more.transform_keys(&:to_s))
  def meeting(model, reach = nil) = api_get("/models/#{model['id']}/meeting#{"?reach=#{Rack::Utils.escape(reach)}" if reach}")

  it "tells which faces meet, and how the bonds that there are would fare" do
    status, found = meeting(new_model(plates))
    expect(status).to eq(200)
    expect(found["reach"]).to be_within(1e-9).of(0.5e-2 * 0.09)
    expect(found["pairs"]).to contain_exactly(include("share" => be_within(1e-6).of(1), "least" => be_within(1e-9).of(0), "joined" => false))
    expect(found["pairs"][0].values_at("one", "other").map(&:first)).to contain_exactly("low", "high")
    _, bonded = meeting(new_model(plates(bond)), "0.2 mm")
    expect(bonded["pairs"][0]["joined"]).to be(true)
    expect(bonded["bonds"]).to contain_exactly(include("statement" => "s7", "share" => be_within(1e-6).of(1), "greatest" => be_within(1e-9).of(0)))
  end

  it "refuses a reach that is none, with the cure" do
    model = new_model(plates)
    { "2 kN" => /is a force, but a length is wanted/, "0 mm" => /reach is not above zero/, "-1 mm" => /reach is not above zero/, "wide" => /not a known unit/ }.each do |reach, words|
      status, answer = meeting(model, reach)
      expect([status, answer["error"]]).to match([422, words])
      expect(answer["cure"]).to be_a(String)
    end
    expect(api_get("/models/nowhere/meeting")[0]).to eq(404)
  end

  it "shows the bolts of a statement before anything is solved, and where joins run" do
    shape = new_model(plates(bolt, bond))["shape"]
    expect(shape["bolts"]["s7"].map { |b| b.values_at("number", "first", "last") }).to eq([[1, "low", "high"], [2, "low", "high"]])
    expect(shape["bolts"]["s7"].map { |b| b["grip"] }).to all(be_within(1e-9).of(16e-3))
    expect(shape["lines_between"]).to contain_exactly(include("statement" => "s8", "ends" => [["high", anything], ["low", anything]]))
  end

  it "keeps a note whose joins are not finished: they are told of, not refused" do
    unfinished = [bolt(target: ""), bond.merge("to" => ""), { "kind" => "joint", "target" => "", "to" => "", "how" => "hinge" }, { "kind" => "bed", "target" => "seat", "stiffness" => "1 N/mm3" },
                  { "kind" => "one_way", "target" => "", "way" => "push" },
                  { "kind" => "bars", "name" => "bars", "target" => "low", "line" => "", "count" => 1, "diameter" => "8 mm", "material" => "steel S355" },
                  { "kind" => "moving_load", "name" => "cart", "target" => "", "line" => "", "axles" => [{ "force" => "1 kN" }], "direction" => "-z" }]
    view = new_model(plates(*unfinished))
    expect(view["fault"]).to be_nil
    expect(view["notices"].map { |n| n["message"] }.join("\n")).to include("it has no target yet", "no line named")
  end

  it "refuses what no join takes" do
    id = new_model(plates)["id"]
    { bolt(own: [{ "number" => 0 }]) => /too small/, { "kind" => "joint", "target" => "seat", "how" => "magnet" } => /not one of ball, hinge/,
      { "kind" => "one_way", "target" => "seat", "way" => "push", "gap" => "3 kN" } => /a force, but a length/,
      { "kind" => "sign_sets", "name" => "s", "swinging" => [] } => /too few/ }.each do |statement, words|
      status, answer = api_put("/models/#{id}/document", { version: 1, document: plates(statement) })
      expect([status, JSON.generate(answer)]).to match([422, words])
    end
  end
end
