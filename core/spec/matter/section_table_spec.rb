# frozen_string_literal: true

RSpec.describe Lattice::Matter::SectionTable do
  # Areas in cm² as the tables of the standards have them.
  let(:areas) do
    {
      "IPE 80" => 7.64, "IPE 100" => 10.3, "IPE 120" => 13.2, "IPE 140" => 16.4, "IPE 160" => 20.1, "IPE 180" => 23.9, "IPE 200" => 28.5, "IPE 220" => 33.4,
      "IPE 240" => 39.1, "IPE 270" => 45.9, "IPE 300" => 53.8, "IPE 330" => 62.6, "IPE 360" => 72.7, "IPE 400" => 84.5, "IPE 450" => 98.8, "IPE 500" => 116,
      "IPE 550" => 134, "IPE 600" => 156, "HEA 100" => 21.2, "HEA 120" => 25.3, "HEA 140" => 31.4, "HEA 160" => 38.8, "HEA 180" => 45.3, "HEA 200" => 53.8,
      "HEA 220" => 64.3, "HEA 240" => 76.8, "HEA 260" => 86.8, "HEA 280" => 97.3, "HEA 300" => 112.5, "HEB 100" => 26.0, "HEB 120" => 34.0, "HEB 140" => 43.0,
      "HEB 160" => 54.3, "HEB 180" => 65.3, "HEB 200" => 78.1, "HEB 220" => 91.0, "HEB 240" => 106, "HEB 260" => 118.4, "HEB 280" => 131.4, "HEB 300" => 149.1,
      "UPE 80" => 10.1, "UPE 100" => 12.5, "UPE 120" => 15.4, "UPE 140" => 18.4, "UPE 160" => 21.7, "UPE 180" => 25.1, "UPE 200" => 29.0, "L 40×40×4" => 3.08,
      "L 50×50×5" => 4.80, "L 60×60×6" => 6.91, "L 70×70×7" => 9.40, "L 80×80×8" => 12.3, "L 90×90×9" => 15.5, "L 100×100×10" => 19.2, "L 120×120×12" => 27.5, "CHS 48.3×3.2" => 4.53,
      "CHS 114.3×5" => 17.2, "SHS 100×100×5" => 18.4, "SHS 60×60×4" => 8.55, "RHS 100×50×5" => 13.4
    }
  end

  it "has the areas of the standards' tables" do
    areas.each do |name, area|
      entry = described_class.find(name)
      # The standard rounds the toes of angles, by half the root's radius.
      toes = entry["shape"] == "angle" ? 2 * (1 - (Math::PI / 4)) * ((entry["root"].to_f / 20)**2) : 0
      expect((entry["area"] * 1e4) - toes).to be_near(area, 5e-3)
    end
  end

  it "tells second moments about both axes" do
    { "IPE 200" => [1943, 142.4], "HEB 200" => [5696, 2003], "UPE 100" => [207, 38.2] }.each do |name, moments|
      expect(described_class.find(name).values_at("level", "upright").map { |v| v * 1e8 }).to be_near(moments, 6e-3)
    end
  end

  it "draws every one of them, under a name of its own" do
    names = described_class.entries.map { |e| e["name"] }
    expect(names).to eq(names.uniq)
    expect(described_class.entries).to all(include("area" => be > 1e-5, "level" => be > 0, "upright" => be > 0))
  end
end
