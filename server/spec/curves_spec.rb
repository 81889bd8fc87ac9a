# frozen_string_literal: true

require_relative "spec_helper"

# Curves that are drawn in the note, strains that the window asks for, and stages that go on from others, through the API.
RSpec.describe LatticeServer::App do
  def model(*statements)
    list = statements.each_with_index.map { |s, i| { "id" => "s#{i + 1}" }.merge(s) }
    new_model({ "format" => "gentle-lattice-model", "version" => 2, "name" => "Curves", "units" => "mm-N", "statements" => list })
  end

  let(:bar) do
    edge = ->(name, x) { group_named(name, { "plane" => { "axis" => "x", "at" => "#{x} mm" } }, of: "edges") }
    [outline_named("plan", rectangle("0 mm", "0 mm", "100 mm", "20 mm")), body_named("bar", "plan", make: "plane stress", thickness: "10 mm"), edge["left", 0], edge["right", 100],
     { "id" => "prop", "kind" => "support", "name" => "prop", "target" => "right", "components" => ["y"] }, { "kind" => "support", "target" => "left", "components" => %w[x y] },
     { "kind" => "case", "name" => "pull" }, { "kind" => "force", "target" => "right", "value" => "12 kN", "direction" => "+x", "case" => "pull" }, { "kind" => "mesh", "size" => "10 mm" }]
  end
  let(:metal) { { "kind" => "material", "target" => "everything", "material" => "given", "properties" => { "young" => "200 GPa", "poisson" => "0" } } }

  it "sends what a material is like over temperature, and a spring over its movement; nothing of those that are wrong" do
    table = [{ "at" => "20 degC", "young" => "200 GPa" }, { "at" => "120 degC", "young" => "190 GPa" }]
    curve = [{ "at" => "0 mm", "force" => "0 kN" }, { "at" => "1 mm", "force" => "2 kN" }]
    spring = { "id" => "coil", "kind" => "spring", "target" => "right", "components" => ["x"], "curve" => curve }
    view = api_get("/models/#{model(*bar, metal.merge('id' => 'metal', 'over_temperature' => table), spring)['id']}")[1]
    expect(view["warmths"]).to eq("metal" => { "temperatures" => [293.15, 393.15], "young" => [200e9, 190e9], "expansion" => nil })
    expect(view["springs"]).to eq("coil" => { "moves" => [-1e-3, 0.0, 1e-3], "forces" => [-2000.0, 0.0, 2000.0] })
    wrong = api_get("/models/#{model(*bar, metal.merge('over_temperature' => table.reverse), spring.merge('curve' => curve.reverse))['id']}")[1]
    expect(wrong.values_at("warmths", "springs")).to eq([{}, {}])
    expect(wrong["notices"].map { |n| n["message"] }.join).to include("do not rise", "does not go on")
  end

  it "sends strains as fields, and solves stages that take a support away after those of another study" do
    stages = [{ "name" => "pull", "loads" => [{ "case" => "pull", "factor" => "1" }] }]
    view = model(*bar, metal, { "kind" => "study", "name" => "s", "type" => "static" }, { "kind" => "study", "name" => "first", "type" => "stages", "stages" => stages },
                 { "kind" => "study", "name" => "then", "type" => "stages", "of" => "first", "stages" => [{ "name" => "strike", "goes" => ["prop"] }] })
    %w[s then].each { |name| compute(api_post("/models/#{view['id']}/runs", { kind: "study", study: name })[1]["id"]) }
    studies = api_get("/models/#{view['id']}")[1]["studies"]
    expect(studies[0]["findings"]["summary"]["catalogue"].map { |f| f["name"] }).to include("strain_xx", "strain_max")
    expect(fields(studies[0], "names=strain_xx&frame=0")[1]["extremes"]["strain_xx"].values_at("min", "max")).to all(be_within(1e-9).of(3e-4))
    told = studies[2]["findings"]["findings"].find { |f| f["kind"] == "stages" }
    expect(told["rows"].map { |row| [row["name"], row["absent"]] }).to eq([["pull", []], ["strike", ["prop"]]])
    expect(told["broken"]).to be_nil
  end
end
