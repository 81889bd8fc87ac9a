# frozen_string_literal: true

require_relative "spec_helper"

# Cases, layers and members through the API: what the window asks for, and what it is refused.
RSpec.describe LatticeServer::App do
  def made(*statements)
    list = statements.each_with_index.map { |s, i| { "id" => "s#{i + 1}" }.merge(s) }
    view = new_model({ "format" => "gentle-lattice-model", "version" => 2, "name" => "Frames", "units" => "mm-N", "statements" => list })
    compute(api_post("/models/#{view['id']}/runs", { kind: "study", study: "s" })[1]["id"])
    api_get("/models/#{view['id']}")[1]
  end

  let(:material) { { "kind" => "material", "target" => "everything", "material" => "given", "properties" => Models::STEEL.merge("poisson" => "0") } }
  let(:ending) { [{ "kind" => "mesh", "size" => "20 mm", "order" => "linear" }, { "kind" => "study", "name" => "s", "type" => "static" }] }
  let(:plate) do
    made(outline_named("o", rectangle("0 mm", "0 mm", "200 mm", "40 mm")), body_named("plate", "o", make: "faces", by: "fill", wall: "4 mm"), material,
         group_named("root", { "plane" => { "axis" => "x", "at" => "0 mm" } }, of: "edges"), group_named("tip", { "plane" => { "axis" => "x", "at" => "200 mm" } }, of: "edges"),
         { "kind" => "support", "target" => "root", "components" => %w[x y z rx ry rz] }, { "kind" => "case", "name" => "down" }, { "kind" => "case", "name" => "along" },
         { "kind" => "force", "target" => "tip", "value" => "20 N", "direction" => "-z", "case" => "down" }, { "kind" => "force", "target" => "tip", "value" => "1 kN", "direction" => "+x", "case" => "along" },
         { "kind" => "combination", "name" => "both", "terms" => [{ "case" => "down", "factor" => "2" }, { "case" => "along", "factor" => "1" }] },
         { "kind" => "envelope", "name" => "all", "over" => %w[down along both] },
         { "kind" => "limit", "study" => "s", "quantity" => "von_mises", "target" => "plate", "at_most" => "100 MPa" }, *ending)
  end

  it "tells frames, layers and fields, and sends any frame in any layer" do
    study = plate["studies"][0]
    summary = study["findings"]["summary"]
    expect(summary["frames"].map { |f| f["name"] }).to eq(["down", "along", "both", "all: greatest", "all: least", "all: largest in size"])
    expect(summary["layers"]).to eq(%w[top middle bottom])
    expect(summary["catalogue"].map { |f| f["name"] }).to include("von_mises", "rotation_x", "displacement_z")
    expect(study["findings"]["findings"].last).to include("frame_name" => "both")
    extreme = ->(words) { fields(study, words)[1]["extremes"]["stress_xx"].values_at("min", "max") }
    top, bottom = %w[top bottom].map { |layer| extreme["names=stress_xx&frame=0&layer=#{layer}"] }
    expect(top[1]).to be_within(1).of(-bottom[0])
    expect(extreme["names=stress_xx&frame=1&layer=middle"]).to all(be_within(1e3).of(1000 / 160e-6))
    expect(fields(study, "names=displacement_z&frame=2")[1]["extremes"]["displacement_z"]["min"]).to be_within(1e-9).of(2 * summary["frames"][0]["peaks"]["displacement"]["value"] * -1)
    still = fields(study, "names=von_mises&frame=3")[2]
    expect([still["moved"].uniq, still["von_mises"].max]).to match([[0.0], be > 50e6])
  end

  it "refuses frames, layers and fields that are not there" do
    study = plate["studies"][0]
    { "names=von_mises&frame=99" => /no frame 99/, "names=von_mises&frame=-1" => /no frame/, "names=von_mises&frame=two" => /no frame/, "names=von_mises&layer=core" => /“core” is not a layer/,
      "names=beauty&frame=0" => /“beauty” is not a field/ }.each do |words, message|
      status, refused, = fields(study, words)
      expect([words, status, refused["error"]]).to match([words, 422, message])
    end
  end

  it "sends members as solid sections, with the forces in them" do
    view = made({ "kind" => "line", "name" => "l", "corners" => [{ "x" => "0 mm", "y" => "0 mm" }, { "x" => "400 mm", "y" => "0 mm" }] }, outline_named("o", rectangle("-5 mm", "-10 mm", "10 mm", "20 mm")),
                body_named("beam", "l", make: "members"), material, { "kind" => "section", "target" => "beam", "outline" => "o" },
                group_named("root", { "plane" => { "axis" => "x", "at" => "0 mm" } }, of: "points"), { "kind" => "support", "target" => "root", "components" => %w[x y z rx ry rz] },
                { "kind" => "line_load", "target" => "beam", "value" => "1 N/mm", "direction" => "-z" }, *ending)
    study = view["studies"][0]
    row = study["findings"]["summary"]["frames"][0]["members"][0]
    expect(row["forces"]["M2"].values.map(&:abs).max).to be_within(1e-6).of(80)
    _, meta, arrays = fields(study, "names=von_mises")
    expect(arrays["member positions"].each_slice(3).map { |p| p[2] }.minmax).to match([be_within(1e-7).of(-0.01), be_within(1e-7).of(0.01)])
    expect(arrays["member triangles"].max).to eq((arrays["member positions"].size / 3) - 1)
    expect(arrays["member von_mises"].max).to be_within(100).of(meta["extremes"]["von_mises"]["max"])
    expect(arrays["member moved"].each_slice(3).map { |u| u[2] }.min).to be_within(1e-6).of(-study["findings"]["summary"]["frames"][0]["peaks"]["displacement"]["value"])
  end

  it "leaves a study solved when only what it does not read is changed, and stale when a case is" do
    view = plate
    change = lambda do |version, &edit|
      statements = view["document"]["statements"].map { |s| edit.call(s) || s }
      api_put("/models/#{view['id']}/document", { version: version, document: view["document"].merge("statements" => statements) })[1]["studies"][0]["state"]
    end
    expect(change.call(view["version"]) { |s| s.merge("at_most" => "90 MPa") if s["kind"] == "limit" }).to eq("stale") # its findings are; the result is not
    compute(api_post("/models/#{view['id']}/runs", { kind: "study", study: "s" })[1]["id"])
    expect(api_get("/models/#{view['id']}")[1]["runs"][0]["log"]).to include("The result still applies")
    expect(change.call(view["version"] + 1) { |s| s.merge("value" => "21 N") if s["value"] == "20 N" }).to eq("stale")
    compute(api_post("/models/#{view['id']}/runs", { kind: "study", study: "s" })[1]["id"])
    expect(api_get("/models/#{view['id']}")[1]["runs"][0]["log"]).not_to include("The result still applies")
  end
end
