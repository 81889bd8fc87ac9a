# frozen_string_literal: true

require_relative "spec_helper"

# One bar, asked every kind of question; then compared and reported.
RSpec.describe "Studies" do
  include Writing

  it "climbs a ladder of meshes, looks closely at a block, and records gauges and what passes through a section" do
    bar("Bar on meshes", "−x")
    say("refinement ladder", meshes: "3", finer: "1.3", quantity: "displacement")
    say("close-up", from_x: "40 mm", from_y: "-5 mm", from_z: "-5 mm", dx: "40 mm", dy: "30 mm", dz: "20 mm", size: "5 mm")
    say("gauge", at_x: "60 mm", at_y: "10 mm", at_z: "5 mm")
    cut = say("section cut", position: "50 mm")
    solve_all("Static", "Ladder", "Close-up")
    show("Ladder")
    tab("Ladder")
    within("table[aria-label='Refinement ladder']") { expect(page).to have_css("tbody tr", count: 3) }
    within_section("Studies") { expect(page).to have_css("[data-ladder=settled]", text: "The peak settled at") }
    show("Close-up")
    within_section("Studies") { expect(page).to have_css("[data-close-up]", text: /points of the cut move as the whole does/) }
    expect(page).to have_text("grey: too near to the cut to be read")
    within("##{cut}") { expect(page).to have_text(/[-−]2\D?000 N along x/) }
    tab("Gauges")
    within("table[aria-label=Gauges]") { expect(page).to have_css("tbody tr", count: 1) }
  end

  it "rings and folds, shows every shape on its axis, compares studies side by side, and sets the report" do
    bar("Bar that rings", "−x")
    say("vibration", modes: "5")
    say("buckling", shapes: "2")
    solve_all("Static", "Vibration", "Buckling")
    show("Vibration")
    within_section("Studies") { expect(page).to have_css("[data-modes]", text: /5 found, the first at .* Hz; none missed below/) }
    tab("Modes")
    within("table[aria-label=Modes]") { find("tbody tr", text: "twists about x").click }
    within("[aria-label=Frames]") { expect(page).to have_css("[role=radio]", count: 5).and have_css("[role=radio][aria-checked=true][aria-label^='mode ']") }
    expect(page).to have_css("[data-testid=window]", text: /Vibration, mode \d/)
    show("Buckling")
    within_section("Studies") { expect(page).to have_css("[data-buckling] [data-verdict=holds]") }
    click_button "Side by side"
    expect(page).to have_css("section[data-ready] canvas", minimum: 1)
    within("table[aria-label='Findings compared']") { expect(page).to have_text("mass") }
    click_button "← Untitled model"
    click_button "Report"
    expect(page).to have_css("main[data-report=ready]", wait: 60)
    within("table[aria-label=Verdict]") { expect(page).to have_text("factor until it buckles").and have_text("holds") }
    expect(page).to have_css("main figure img", minimum: 2)
  end
end
