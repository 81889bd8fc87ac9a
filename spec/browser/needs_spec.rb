# frozen_string_literal: true

require_relative "spec_helper"

# Pieces of work from an empty project, each once: statement by statement, as a user would write them.
RSpec.describe "From an empty project" do
  include Writing

  it "lets a strip of two metals bend in the cold, and reads it along a path" do
    new_project("Two metals")
    outline = say("rectangle", width: "62 mm", height: "4 mm")
    within("##{outline}") { find("button", text: /divider/).click }
    fill(outline, "divider", "0 mm, 2 mm; 62 mm, 2 mm")
    %w[lower upper].each_with_index do |name, i|
      within("##{outline}") { find("button", text: /region name/).click }
      expect(page).to have_css("##{outline} [aria-label='region: region #{i + 1}']")
      [["region", "region #{i + 1}", name], ["region y", nil, i.zero? ? "1 mm" : "3 mm"]].each do |label, old, value|
        chip = old ? find("##{outline} [aria-label='#{label}: #{old}']") : all("##{outline} [aria-label^='#{label}:']")[i]
        chip.click
        find("##{outline} input[aria-label='#{label}']").send_keys([:control, "a"], value, :enter)
        expect(page).to have_no_css("##{outline} input")
      end
    end
    say("body", kind_of_body: "a thin plate in its plane", thickness: "12 mm")
    { "lower" => "nickel-iron alloy FeNi36", "upper" => "brass CuZn39Pb3" }.each do |region, name|
      id = say("material")
      find("##{id} [aria-label^='target:']").click
      choose_target(region)
      material(id, name)
    end
    group("clamped")
    say("fix", target: "clamped")
    say("temperature", temperature: "-14 degC")
    say("mesh", size: "0.8 mm")
    say("static")
    path = say("path", quantity: "stress xx", points: "21")
    { "from x" => "31 mm", "from y" => "0 mm", "to x" => "31 mm", "to y" => "4 mm" }.each { |label, value| fill(path, label, value) }
    solve
    tab("Paths")
    within("table[aria-label='Values along the path']") { expect(page).to have_css("tbody tr", count: 21) }
    expect(page).to have_css("svg[role=img] path")
    find("[aria-label^='arrows:']").click
    find("[role=menuitem]", text: "displacement").click
    tab("Reactions")
    within("table[aria-label=Reactions]") { expect(page).to have_css("tr", text: /sum of reactions\s+0\s+0\s+0/) }
  end

  it "sags under its weight as a rail of thin faces, held at its root" do
    new_project("Thin rail")
    say("line")
    say("faces", thickness: "600 mm", wall: "2 mm")
    say("material")
    { "root" => "0 mm", "tip" => "600 mm" }.each { |name, at| group(name, of: "edges", axis: "z =", at: at) }
    say("fix", target: "root")
    say("gravity")
    say("force", target: "tip", force: "40 N", direction: "−y")
    say("mesh", size: "12 mm")
    say("static")
    say("deflection limit", limit: "20 mm")
    solve
    expect(page).to have_css("[data-verdict]")
    within("table[aria-label=Loads]") { expect(page).to have_css("tr", text: /force “tip”.*−?-?40/) }
    find("[aria-label^='layer:']").click
    find("[role=menuitem]", text: "at the top").click
    expect(page).to have_css("[data-testid=legend]", text: /MPa/)
  end

  it "bonds a stiffener under the tread of a sheet-metal step, and reads it against yield" do
    new_project("Sheet step")
    say("rectangle", width: "150 mm", height: "200 mm", name: "tread outline")
    say("flat face", name: "tread", wall: "3 mm")
    say("rectangle", width: "200 mm", height: "30 mm", name: "rib outline")
    say("flat face", name: "rib", wall: "3 mm", plane: "the yz plane", origin_x: "75 mm")
    say("material")
    places_of("rib edges", "rib", "edges")
    places_of("top", "tread", "faces")
    group("wall", of: "edges", axis: "x =", at: "0 mm")
    say("bond", target: "rib edges", to: "top")
    say("fix", target: "wall")
    say("force", target: "top", force: "300 N", direction: "−z")
    say("mesh", size: "8 mm")
    say("static")
    say("stress limit")
    solve
    expect(page).to have_css("[data-verdict]")
    within_section("Joins and supports") { expect(page).to have_text(/\d+ % of the finer side lies on the other/) }
  end

  it "joins plates, solids and members: a block bonded to a plate, a frame linked to the block" do
    new_project("Mixed arm")
    say("rectangle", width: "60 mm", height: "60 mm", name: "plan")
    say("flat face", name: "plate", wall: "4 mm")
    say("body", name: "block", outline: "plan", thickness: "20 mm", origin_z: "2 mm")
    say("frame", bays: "40 mm", bays_across: "40 mm", storeys: "30 mm", origin_x: "10 mm", origin_y: "10 mm", origin_z: "24 mm")
    say("circle", name: "round", diameter: "8 mm")
    say("member section", section: "round")
    say("material")
    expect(page).to have_text(/3 bodies/)
    places_of("underneath", "block", "faces")
    places_of("sheet", "plate", "faces")
    group("foot", of: "points", axis: "z =", at: "24 mm")
    group("top", of: "faces", axis: "z =", at: "22 mm")
    group("wall", of: "edges", axis: "x =", at: "0 mm")
    say("bond", target: "sheet", to: "underneath", reach: "3 mm")
    say("link", target: "foot", to: "top")
    say("fix", target: "wall")
    say("gravity", direction: "−z")
    say("mesh", size: "8 mm")
    say("static")
    solve
    within_section("Joins and supports") { expect(page).to have_text(/\d+ % of the finer side lies on the other, 2 mm apart/) }
    tab("Members")
    within("table[aria-label=Members]") { expect(page).to have_css("tbody tr", count: 8) }
  end

  it "carries a building's frame under its weight and its floors, and draws its moments" do
    new_project("Small building")
    say("frame", bays: "5 m", bays_across: "4 m", storeys: "3 m")
    say("section", name: "profile")
    say("member section")
    say("material")
    group("feet", of: "points", axis: "z =", at: "0 m")
    say("fix", target: "feet")
    say("gravity", direction: "−z")
    say("line load", line_load: "4 kN/m", direction: "−z")
    say("mesh", size: "0.5 m")
    say("static")
    say("stress limit")
    solve
    tab("Members")
    within("table[aria-label=Members]") { expect(page).to have_css("tbody tr", count: 8) }
    find("[aria-label^='diagram:']").click
    find("[role=menuitem]", text: "M3", exact_text: true).click
    expect(page).to have_text(/M3 -?[\d.]+ k?N m/)
  end

  it "pulls a hanger by a pin in its bore, and reads the peak across its neck" do
    new_project("Hanger")
    outline = say("rectangle", width: "120 mm", height: "40 mm")
    within("##{outline}") { find("button", text: /circle|hole/, match: :first).click }
    say("body", thickness: "10 mm")
    say("material")
    group("wall", of: "faces", axis: "x =", at: "0 mm")
    say("fix", target: "wall")
    say("bores", diameter: "10 mm")
    say("bearing load", target: "bores", bearing_load: "8 kN", direction: "+x")
    say("mesh", size: "4 mm")
    say("static")
    solve
    within_section("Findings") { expect(page).to have_text("before averaging") }
    within("table[aria-label=Loads]") { expect(page).to have_css("tr", text: /bearing load.*8.000/) }
  end

  it "bolts a cover to a plate through equal holes, and reads each bolt" do
    new_project("Bolted cover")
    outline = say("rectangle", width: "120 mm", height: "40 mm")
    within("##{outline}") { find("button", text: /circle|hole/, match: :first).click }
    say("body", name: "plate", thickness: "10 mm")
    say("body", name: "cover", thickness: "8 mm", origin_z: "10 mm")
    say("material")
    group("below", of: "faces", axis: "z =", at: "0 mm")
    group("above", of: "faces", axis: "z =", at: "18 mm")
    say("bores", diameter: "10 mm")
    say("bolt", target: "bores", size: "M8", class: "10.9")
    say("fix", target: "below")
    say("force", target: "above", force: "6 kN", direction: "+z")
    say("mesh", size: "6 mm")
    say("static")
    solve
    within_section("Joins and supports") { expect(page).to have_css("[data-verdict=holds]", text: /holds, \+\d+.* is used to \d+ %/) }
    tab("Bolts")
    within("table[aria-label=Bolts]") do
      expect(page).to have_css("tbody tr", count: 1)
      expect(find("tbody tr").text).to match(/bores 1\s+M8 10.9\s+18\s+as all\s+6.000/)
    end
  end
end
