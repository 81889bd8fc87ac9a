# frozen_string_literal: true

require_relative "spec_helper"

# A building that is pushed over and shaken, from an empty project.
RSpec.describe "Buildings and earthquakes" do
  include Writing

  # One bay of 6 m each way, one storey of 3.5 m, of one profile.
  def building(name)
    new_project(name)
    frame = say("frame")
    fill(frame, "bays", "6 m")
    fill(frame, "storeys", "3.5 m")
    say("section")
    say("member section")
    say("material")
    group("feet", of: "points", axis: "z =", at: "0 m")
    group("deck", of: "points", axis: "z =", at: "3.5 m")
    say("fix", target: "feet")
    say("mesh", size: "3.5 m")
  end

  it "lets a frame of one storey yield, pushes it over on its weight, and shakes it by a record of the station" do
    building("Store for spare mirrors")
    floor = say("floor", target: "deck")
    say("mass", target: "deck", mass: "30 t")
    2.times { say("case") }
    say("gravity", direction: "−z", case: "Case")
    say("force", target: "deck", force: "100 kN", direction: "+x", case: "Case 2")
    say("yielding", strength: "235 MPa")
    push = say("pushover", held: "Case", case: "Case 2", far: "150 mm")
    quake = say("ground motion")
    expect(page).to have_text(/has no values/)
    within("##{quake}") { find("[aria-label^='station:']").click }
    find("button[aria-label='FH-0519 north']").click
    within("##{quake}") { expect(page).to have_text(/801 values/).and have_css("[data-motion] svg[aria-label=spectrum]") }
    fill(quake, "from", "0.5 s")
    fill(quake, "to", "2 s")
    shake = say("shaking", held: "Case", step: "20 ms")
    fill(shake, "drift", "2 %")
    solve_all("Pushover", "Earthquake")
    within("##{push}") { expect(page).to have_css("[data-collapse]", text: /times the loads/).and have_css("[data-drift]", text: /under floor/) }
    within("##{shake}") { expect(page).to have_css("[data-shaking]", text: /The ground shakes by up to .*feet take/).and have_css("[data-drift] [data-verdict=holds]") }
    show("Earthquake")
    tab("Storeys")
    expect(page).to have_css("svg[aria-label='movement of floors']")
    find("[data-courses] [aria-label^='second course:']").click
    find("[role=menuitem]", text: "that force over movement of the top").click
    expect(page).to have_css("svg[aria-label='that force over movement of the top']")
    within("table[aria-label=Floors]") { expect(page).to have_css("tbody tr", text: /floor/) }
    show("Pushover")
    tab("Storeys")
    expect(page).to have_css("[data-capacity] svg[aria-label='force at the feet over movement of the top']")

    # The floor's name is what storeys are told by.
    fill(floor, "name", "deck plate")
    within("##{push}") { expect(page).to have_css("[data-drift]") }
    expect(page).to have_css("nav[aria-label=Studies] button[title^='Pushover']")
  end

  it "runs a building by several records and scales, and says what is wrong with a record" do
    building("Store in many earthquakes")
    say("floor", target: "deck")
    say("mass", target: "deck", mass: "30 t")
    names = %w[FH-0519 FH-0623].each_with_index.map do |event, i|
      quake = say("ground motion")
      within("##{quake}") { find("[aria-label^='station:']").click }
      find("button[aria-label='#{event} east']").click
      within("##{quake}") { expect(page).to have_css("[data-motion]") }
      fill(quake, "to", "1 s")
      fill(quake, "name", "record #{i + 1}")
      quake
    end
    shake = say("shaking", step: "20 ms")
    within("##{shake}") { click_button "many runs" }
    within("##{shake}") { expect(page).to have_button("record 2").and have_css("[aria-label^='scales: 0.5; 1; 1.5']") }
    fill(shake, "scales", "0.5; 1")
    solve_all("Earthquake")
    within("##{shake}") { expect(page).to have_css("[data-shaking]", text: /4 runs\. Of the one that shook most/) }
    show("Earthquake")
    tab("Storeys")
    within("table[aria-label=Runs]") { expect(page).to have_css("tbody tr", count: 4).and have_css("tbody tr", text: /record 2.*to its end/) }
    expect(page).to have_css("svg[aria-label='drift over scale']")
    # In the wrong unit it is more than any ground has shaken.
    fill(names[0], "scale", "100")
    expect(page).to have_text(/more than any ground has shaken/)
    fill(names[0], "scale", "1")
    expect(page).to have_no_text(/more than any ground has shaken/)
  end

  it "draws a section of concrete with bars, and refuses bars that stick out of it" do
    new_project("Post of the plinth")
    say("rectangle", width: "300 mm", height: "300 mm")
    line = say("line")
    expect(page).to have_css("##{line}")
    say("members")
    say("material")
    say("member section")
    bars = say("reinforced section")
    within("##{bars}") { expect(page).to have_css("[data-reinforced] svg[aria-label='section with its bars'] circle", count: 6).and have_css("svg[aria-label='moment over curvature']") }
    fill(bars, "at 1", "200 mm")
    expect(page).to have_text(/row 1 lie outside the section/)
    fill(bars, "at 1", "100 mm")
    expect(page).to have_no_text(/lie outside the section/)
    text = -> { find("##{bars} svg[aria-label='moment over curvature'] text", match: :first).text }
    before = text.call
    fill(bars, "axial", "-500 kN")
    Studio.wait { text.call != before }
  end

  it "shows the control building: pushed over both ways, and in its earthquake" do
    open_model("Control building")
    show("Pushover y")
    tab("Storeys")
    expect(page).to have_css("[data-capacity] svg")
    within_section("Studies") { expect(page).to have_css("[data-collapse]", text: /It bears, as far as the loads grew/) }
    show("Earthquake")
    within_section("Studies") { expect(page).to have_css("[data-shaking]", text: /400 steps/).and have_css("[data-drift] [data-verdict=holds]") }
    within("table[aria-label=Floors]") { expect(page).to have_css("tbody tr", count: 3) }
    find("svg[aria-label='movement of floors']").click
    expect(page).to have_css("[data-testid=legend]")
  end
end
