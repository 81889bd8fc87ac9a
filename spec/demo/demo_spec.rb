# frozen_string_literal: true

require_relative "../../server/lib/lattice_server"

# The demo models as bin/demo-data has solved them, against values noted when each was checked by hand.
RSpec.describe "The demo models" do
  values = {
    # Mass by hand: the arm's 183 847 mm³ of aluminium, 39 410 mm³ of sheet and two shanks of steel, and the camera.
    "all-sky-camera-arm" => [{ "displacement_y" => 48.790e-6, "von_mises" => 12.560e6 }, 2.722056],
    "cable-tray-gusset" => [{ "von_mises" => 51.437e6, "displacement_z" => 0.49750e-3 }, 0.69018],
    # Eight bolts of 30 N m, K 0.18 and 10 mm: 16.7 kN each, which the seal's bed keeps.
    "chiller-manifold" => [{ "von_mises" => 41.922e6, "displacement" => 64.658e-6 }, 4.022703],
    # 195 t of floors, and 375 m of members.
    "control-building" => [{ "von_mises" => 78.915e6, "displacement_x" => 5.5964e-3 }, 195_000 + 20_755.8],
    "dome-rail-saddle" => [{ "von_mises" => 172.553e6, "displacement" => 75.174e-6 }, 1.80401],
    # A half disc of 25 mm and its seat, 30 mm deep.
    "dome-rail-roller" => [{ "von_mises" => 348.189e6 }, 1.433955],
    "dome-truss-cleat" => [{ "von_mises" => 207.694e6, "displacement" => 0.214159e-3 }, 10.218321],
    "focus-strip" => [{ "displacement_y" => 0.46874e-3, "von_mises" => 129.409e6 }, 0.0246011],
    # The tread by hand: 1.1 kN at half its depth of 150 mm over 220 mm of sheet, 3 mm thick: 250 MPa.
    "finder-scope-step" => [{ "von_mises" => 258.873e6, "displacement_y" => 4.1241e-3 }, 1.240146],
    # Two ribs of 2835 mm² more.
    "finder-scope-step-ribbed" => [{ "von_mises" => 30.0177e6, "displacement_y" => 89.866e-6 }, 1.240146 + (2 * 2835e-6 * 0.003 * 7850)],
    # 420 kg of mirror, and 55.3 m of timber of 10 by 10 cm.
    "mirror-crate" => [{ "displacement" => 1.36446e-3 }, 420 + (55.299 * 0.01 * 420)],
    # The close-up's share of the casting alone: what its block holds.
    "yoke-casting-rib" => [{ "von_mises" => 31.95e6 }, 1.096094, "Rib close-up"],
    # Torque 24 N m, K 0.2: 15 kN in each bolt.
    "mirror-cell-clamp" => [{ "von_mises" => 259.874e6, "displacement_x" => 8.5293e-6 }, 1.476382],
    "notched-hanger" => [{ "principal_max" => 267.015e6 }, 0.680152],
    # The rail's mass by hand: 238 mm of sheet, 2.5 mm thick, 1.64 m long, of 2700 kg/m³.
    "fork-arm-rail" => [{ "displacement_y" => 17.379e-3, "von_mises" => 47.267e6 }, 0.238 * 0.0025 * 1.64 * 2700],
    # Of two limits on von Mises stress the one on the fixed ring; the lift is 7 kN of tension in all bolts together.
    "slewing-ring" => [{ "von_mises" => 173.786e6 }, 6.930809],
    # By hand: 14.1 kN m over the transformed section, 3.14 MPa; the concrete alone weighs 422.4 kg.
    "pier-ring-beam" => [{ "displacement_y" => 0.3456185e-3, "principal_max" => 3.175163e6 }, 422.4],
    # By hand: 15.04 m² of concrete without the slab, which is gravel at first, 161.96 m² of loam, the rest of 38 by 16 m gravel.
    "pier-pit" => [{ "displacement" => 1.749127e-3 }, 1_220_776],
    # By hand: 12 m of beams of 1939.6 mm², and the machine.
    "gallery-air-handler" => [{ "displacement" => 1.94083e-3 }, 380 + (12 * 1939.6e-6 * 7850)],
    # 2.28 m² of sheet, 2 mm thick.
    "control-cabinet" => [{ "von_mises" => 14.1246e6 }, 2.28 * 0.002 * 7850, "Shaken floor"],
    "azimuth-drive-hub" => [{ "von_mises" => 208.135e6 }, 2.172395],
    # 4083.5 mm² of aluminium and 960 mm² of strut, 10 mm thick.
    "junction-bracket" => [{ "von_mises" => 194.959e6 }, (4083.5e-6 * 0.01 * 2700) + (960e-6 * 0.01 * 1600)],
    "lens-barrel" => [{ "principal_max" => 15.1558e6, "von_mises" => 76.5947e6 }, 2.709655],
    "shutter-link" => [{ "von_mises" => 134.020e6, "displacement" => 0.16004e-3 }, 0.195984]
  }

  def document(name) = JSON.parse(File.read(File.expand_path("../../demo/#{name}.json", __dir__)))

  # What a study of a model found; the first when none is named.
  def findings(name, study)
    db = LatticeServer::Database.connect
    LatticeServer::DemoData.new(File.open(File::NULL, "w")).load
    model = db[:models].all.find { |row| row[:name] == document(name)["name"] }
    studies = JSON.parse(LatticeServer::ModelView.new(db, model[:id]).to_json)["studies"]
    expect(studies.map { |s| s["state"] }).to all(eq("solved"))
    (studies.find { |s| s["name"] == study } || studies[0])["findings"]
  end

  it "have a value here for every one that has a study" do
    studied = Dir[File.expand_path("../../demo/*.json", __dir__)].select { |file| JSON.parse(File.read(file))["statements"].any? { |s| s["kind"] == "study" } }
    expect(studied.map { |file| File.basename(file, ".json") }).to match_array(values.keys)
  end

  values.each do |name, (limits, mass, study)|
    it "gives the figures of #{name}, in balance in every frame" do
      found = findings(name, study)
      read = found["findings"].select { |f| f["kind"] == "limit" }.to_h { |f| [f["quantity"], f["value"]] }
      expect(read).to match(limits.transform_values { |value| be_within(value * 1e-3).of(value) })
      expect(found["summary"]["mass"]).to be_within(mass * 1e-4).of(mass)
      # What touches presses along the normals of one side: its moments balance a little less.
      touches = found["findings"].any? { |f| f["touches"]&.any? }
      expect(found["summary"]["frames"].filter_map { |f| f["balance"]&.fetch("error") }).to all(be < (touches || found["findings"].any? { |f| f["strips"]&.any? } ? 1e-5 : 1e-6))
    end
  end
  # The two lowest natural frequencies, Hz, and the factors at which parts buckle.
  { "all-sky-camera-arm" => ["Ringing", [13.93, 24.08]], "control-building" => ["Shapes", [1.12444, 1.29092]], "control-cabinet" => ["Modes", [25.4367, 29.5937]],
    "fork-arm-rail" => ["Ring", [17.1029, 20.2555]],
    "gallery-air-handler" => ["Ring", [5.02297, 11.5784]] }.each do |name, (study, frequencies)|
    it "gives the natural frequencies of #{name}, none of them missed" do
      modes = findings(name, study)["findings"].find { |f| f["kind"] == "modes" }
      expect(modes["rows"].first(2).map { |row| row["frequency"] }).to match(frequencies.map { |f| be_within(f * 1e-3).of(f) })
      expect(modes["counted"]).not_to be_nil
    end
  end

  { "cable-tray-gusset" => 106.035, "finder-scope-step" => 270.944 }.each do |name, factor|
    it "gives the factor at which #{name} folds" do
      expect(findings(name, "Fold")["findings"].find { |f| f["kind"] == "buckling" }["factor"]).to be_within(factor * 1e-3).of(factor)
    end
  end
end
