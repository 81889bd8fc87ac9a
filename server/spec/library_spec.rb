# frozen_string_literal: true

require_relative "spec_helper"

# Materials of one's own beside those that ship.
RSpec.describe LatticeServer::LibraryRoutes do
  let(:iron) { { "name" => "grey iron 250", "category" => "metal", "young" => "110 GPa", "poisson" => "0.26", "density" => "7200 kg/m3", "ultimate" => "250 MPa", "source" => "works certificate 12" } }

  def names = api_get("/materials")[1]["materials"].map { |m| m["name"] }

  it "keeps, changes and lets go of a material" do
    expect(api_put("/materials", iron.merge("note" => "left out"))).to eq([200, iron])
    expect(api_get("/materials")[1]["materials"].find { |m| m["own"] }).to eq(iron.merge("own" => true))
    api_put("/materials", iron.merge("young" => "115 GPa"))
    expect(api_get("/materials")[1]["materials"].select { |m| m["own"] }.map { |m| m["young"] }).to eq(["115 GPa"])
    expect(names).to include("steel S355")
    expect(api_delete("/materials/#{URI.encode_www_form_component(iron['name']).gsub('+', '%20')}")[0]).to eq(200)
    expect(names).not_to include(iron["name"])
    expect(api_delete("/materials/nothing")).to match([404, include("error" => a_string_including("no material"))])
  end

  it "says what keeps it from being a material" do
    { iron.merge("name" => " ") => [422, /no name/], iron.merge("name" => "steel S355") => [409, /ships with the library/], iron.merge("young" => "110") => [422, /young/],

      iron.merge("poisson" => "0.6") => [422, /Poisson's ratio is 0.6, outside/],
      iron.merge("young" => "-1 GPa") => [422, /not above zero/], iron.merge("ultimate" => "0 MPa") => [422, /ultimate is not above zero/],
      iron.except("poisson") => [422, /no Poisson's ratio/],
      iron.merge("density" => "7200 mm") => [422, /density/], iron.merge("name" => "x" * 100) => [422, /not a short text/],
      iron.merge("ultimate" => 250) => [422, /ultimate: .*250/] }.each do |entry, (status, words)|
      code, body = api_put("/materials", entry)
      expect([code, body["error"] || body["faults"][0]["message"]]).to match([status, words])
    end
    expect(names).not_to include("grey iron 250")
  end

  it "keeps sections of one's own, measured as those that ship" do
    shelf = { "name" => "shelf rail", "shape" => "channel", "height" => "60 mm", "width" => "30 mm", "web" => "3 mm", "flange" => "3 mm", "source" => "drawing 7" }
    expect(api_put("/sections", shelf)).to eq([200, shelf])
    found = api_get("/sections")[1]
    expect(found["sections"][0]).to include("name" => "shelf rail", "own" => true, "area" => be_within(1e-12).of(((60 * 3) + (2 * 27 * 3)) * 1e-6))
    expect(found["sections"].map { |s| s["name"] }).to include("IPE 200", "CHS 48.3×3.2")
    expect(found["source"]).to include("EN 10365")
    { shelf.merge("name" => "IPE 200") => /ships with the library/, shelf.merge("shape" => "star") => /no shape of a section/, shelf.except("height") => /has no height/,
      shelf.merge("web" => "3 kN") => /web/, shelf.merge("web" => "40 mm") => /web fills its width/ }.each do |entry, words|
      code, body = api_put("/sections", entry)
      expect([code, body["error"] || body["faults"][0]["message"]]).to match([be_between(409, 422), words])
    end
    expect(api_delete("/sections/shelf%20rail")[0]).to eq(200)
    expect(api_delete("/sections/shelf%20rail")).to match([404, include("error" => a_string_including("no section"))])
  end

  it "keeps bolts of one's own beside the sizes that ship" do
    stud = { "name" => "dome stud", "diameter" => "10 mm", "pitch" => "1.25 mm", "proof" => "450 MPa", "source" => "drawing 9" }
    expect(api_put("/bolts", stud)).to eq([200, stud])
    expect(api_get("/bolts")[1]["own"]).to eq([stud.merge("own" => true)])
    { stud.merge("name" => "M10") => /ships with the library/, stud.except("proof") => /no proof strength/, stud.except("pitch") => /neither a pitch/, stud.merge("pitch" => "1.25 MPa") => /pitch/,
      stud.merge("head" => "8 mm") => /head is not wider/ }.each do |entry, words|
      code, body = api_put("/bolts", entry)
      expect([code, body["error"] || body["faults"][0]["message"]]).to match([be_between(409, 422), words])
    end
    expect(api_delete("/bolts/dome%20stud")[0]).to eq(200)
    expect(api_get("/bolts")[1]["own"]).to eq([])
  end

  it "lists bolts and curves with their sources" do
    expect(api_get("/bolts")[1]["sizes"]["M10"]).to include("stress_area" => "58 mm2")
    expect(api_get("/fatigue-curves")[1]["curves"]).to all(include("name", "points", "source"))
  end
end
