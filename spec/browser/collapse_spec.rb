# frozen_string_literal: true

require_relative "spec_helper"

# A bar that is pressed until it flows, from an empty project.
RSpec.describe "Collapse" do
  include Writing

  it "lets loads grow until a bar flows, shows every increment, and says how it converged" do
    bar("Bar that flows", "−x")
    flow = say("yielding", strength: "250 MPa")
    collapse = say("collapse", first: "5", increments: "9", at_least: "20")
    solve_all("Static", "Collapse")
    show("Collapse")
    # 250 MPa over 200 mm² are 25 times the 2 kN.
    within("##{collapse}") { expect(page).to have_css("[data-collapse]", text: /goes soft at 2[45](\.\d+)? times the loads/).and have_css("[data-verdict=holds]") }
    within("[aria-label=Frames]") { expect(page).to have_css("[role=radio]", count: 9) }
    tab("Load and movement")
    expect(page).to have_css("svg[aria-label='load factor over movement']").and have_css("svg[aria-label='how it converges']")
    within("table[aria-label=Increments]") { all("tbody tr").last.click }
    expect(page).to have_css("[aria-label=Frames] [role=radio][aria-checked=true][aria-label^='increment 9,']")
    find("[aria-label^='field:']").click
    find("[role=menuitem]", text: "equivalent plastic strain").click
    expect(page).to have_css("[data-testid=window]", text: /equivalent plastic strain/)
    fill(flow, "hardens", "hardens along")
    expect(page).to have_css("##{flow} svg[aria-label='stress over plastic strain']")
    within("nav[aria-label=Studies]") { expect(page).to have_css("button[title^='Collapse: stale']").and have_css("button[title='Static: solved']") }
  end

  it "says what is wrong with a curve, and how to mend it" do
    bar("Bar with a wrong curve", "−x")
    flow = say("yielding", hardens: "hardens along")
    say("collapse")
    fill(flow, "stress 2", "100 MPa")
    expect(page).to have_text(/its curve falls at its point 2/)
    fill(flow, "stress 2", "400 MPa")
    expect(page).to have_no_text(/its curve falls/)
    expect(page).to have_no_css("button", text: /to mend/)
  end
end
