# frozen_string_literal: true

require_relative "spec_helper"

# Ground that is dug away in stages, from an empty project; and concrete that cracks.
RSpec.describe "Ground and concrete" do
  include Writing

  # A bed of 12 by 4 m with a layer of 2 m on it.
  def bed
    new_project("Bed under a layer")
    outline = say("rectangle", width: "12 m", height: "6 m")
    within("##{outline}") { find("button", text: /divider/).click }
    fill(outline, "divider", "0 m, 4 m; 12 m, 4 m")
    { "bed" => "1 m", "layer" => "5 m" }.each_with_index do |(name, y), i|
      within("##{outline}") { find("button", text: /region name/).click }
      expect(page).to have_css("##{outline} [aria-label='region: region #{i + 1}']")
      fill(outline, "region", name) if i.zero?
      rename_region(outline, name) unless i.zero?
      all("##{outline} [aria-label^='region y:']")[i].click
      find("##{outline} input[aria-label='region y']").send_keys([:control, "a"], y, :enter)
      expect(page).to have_no_css("##{outline} input")
    end
    say("body", kind_of_body: "a slice of a long body")
    material(say("material"), "concrete C25/30")
  end

  def rename_region(outline, name)
    find("##{outline} [aria-label='region: region 2']").click
    find("##{outline} input[aria-label='region']").send_keys([:control, "a"], name, :enter)
    expect(page).to have_no_css("##{outline} input")
  end

  it "digs a layer away from ground at rest, from an empty project, and says what is wrong with a strength of nothing" do
    bed
    say("gravity", direction: "−y")
    soil = say("soil", cohesion: "0 kPa", friction: "0 deg")
    expect(page).to have_text(/soil without cohesion and friction bears nothing/)
    fill(soil, "cohesion", "200 kPa")
    fill(soil, "friction", "35 deg")
    expect(page).to have_no_text(/bears nothing/)
    within("##{soil}") { expect(page).to have_css("[data-pressures]", text: /presses sideways with 0\.271 of the weight above less/) }
    rest = say("at-rest pressure", coefficient: "0.5")
    within("##{rest}") do
      expect(page).to have_css("[data-holds]", text: /left side \(x = 0 mm\), right side \(x = 12.000 mm\), base \(y = 0 mm\)/)
      click_button "Hold them"
      expect(page).to have_no_css("[data-holds]")
    end
    expect(page).to have_css("[aria-label='target: base of the ground']")
    say("mesh", size: "1 m")
    study = say("stages")
    fill(study, "all loads in stage 2", "")
    fill(study, "stage 2", "dig")
    fill(study, "what comes or goes", "layer")
    within("##{study}") { expect(page).to have_css("[aria-label='layer in stage 2: goes']") }
    solve_all("Stages")
    within("##{study}") { expect(page).to have_css("[data-stages=done]", text: /load: .*dig: /) }
  end

  it "shows the stages of a pit, leaves out what is dug away, and tells the forces along its walls" do
    open_model("Pier pit beside the old wall")
    show("Digging")
    within_section("Studies") do
      within(first("table[aria-label=Stages]")) do
        expect(page).to have_css("[aria-label='first dig in stage 3: goes']").and have_css("[aria-label='west anchors in stage 4: comes']").and have_css("[aria-label='first dig in stage 1: is there']")
      end
      expect(page).to have_css("[data-stages=done]", text: /second dig: .*base slab: /)
    end
    within("[aria-label=Frames]") { find("[role=radio][aria-label='second dig']").click }
    tab("Stages")
    within("table[aria-label=Anchors]") { expect(page).to have_css("tbody tr", minimum: 4) }
    expect(page).to have_css("[data-strip] svg[aria-label='forces along west wall']")
    find("[data-strip] [aria-label^='strip:']").click
    find("[role=menuitem]", text: "base slab").click
    expect(page).to have_css("[data-strip] svg[aria-label='forces along base slab']")
    within_section("Joins and supports") { expect(page).to have_css("[data-anchor]", text: /Digging: anchors .*kN/) }
    show("Safety when dug out")
    tab("Strength")
    expect(page).to have_css("svg[aria-label='factor over movement']")
    within("table[aria-label='Strength reduced']") { expect(page).to have_css("tbody tr", minimum: 4) }
    within_section("Studies") { expect(page).to have_css("[data-strength] [data-verdict=holds]") }
  end

  it "lets a body come in another stage by its cell, and says what that breaks" do
    open_model("Pier pit beside the old wall")
    table = -> { within_section("Studies") { first("table[aria-label=Stages]") } }
    within(table.call) { find("[aria-label='second dig in stage 5: goes']").click }
    find("[role=menuitem]", text: "comes", exact_text: true).click
    expect(page).to have_css("nav[aria-label=Studies] button[title^='Digging: stale']")
    within(table.call) { expect(page).to have_css("[aria-label='second dig in stage 5: comes']").and have_css("[aria-label='second dig in stage 1: –']") }
  end

  it "draws the cracks of concrete, and how the beam yields against how it began" do
    open_model("Pier ring beam")
    show("Cracking")
    within_section("Studies") { expect(page).to have_css("[data-stages=done]", text: /overload: .*cracks .* wide/) }
    tab("Stages")
    expect(page).to have_css("svg[aria-label='factor over movement']")
    within("table[aria-label='Stages of the study']") { expect(page).to have_css("th", text: "widest crack") }
    tab("Bars")
    expect(page).to have_css("table tbody tr", minimum: 5)
  end
end
