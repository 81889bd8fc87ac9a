# frozen_string_literal: true

require_relative "spec_helper"

RSpec.describe "From an empty project to a verdict" do
  it "builds by typing and picking, solves and reads the verdict" do
    new_project("Shutter arm")
    expect(page).to have_text("Nothing is drawn yet")

    write_statement("rectangle")
    type_chip("Shape", "width", "120 mm")
    type_chip("Shape", "height", "12 mm")
    write_statement("body")
    expect(page).to have_text(/14.400 mm³/)
    write_statement("material")
    expect(page).to have_text("E 210 GPa")

    # Picked: the small end faces, seen from the right and from the left.
    write_statement("fix")
    expect(page).to have_text("Click what the statement acts on")
    within("[data-testid=window]") { click_button "right" }
    click_in_window(0.5, 0.5, says: /side 2 of part/)
    within_section("Joins and supports") { expect(page).to have_button("target: place 1") }
    click_button "Done"

    # By rule: everything on the plane x = 0.
    write_statement("plane")
    write_statement("force")
    find("[role=dialog], .popover", text: "Click in the model window").find("button", text: /\Aend\z/).click
    within_section("Loads and stages") { expect(page).to have_button("target: end") }
    type_chip("Loads and stages", "force", "0.2*2 kN")

    write_statement("mesh")
    write_statement("static")
    write_statement("stress limit")
    write_statement("deflection limit")
    type_chip("Findings", "limit", "0.1 mm", row: "[aria-label='limit: 0.5 mm']")

    click_button "Solve"
    expect(page).to have_css("[data-verdict=holds]", text: /holds, \+\d+ %/, wait: 60)
    expect(page).to have_css("[data-verdict=fails]", text: /fails, −\d+ %/)
    expect(find("[data-testid=summary]").text).to include("1 holds · 1 fails")
    within_section("Findings") { expect(page).to have_text("reactions balance the loads to 0.00 %") }
    expect(page).to have_css("[data-testid=legend]", text: /MPa limit/)
    within("table[aria-label=Reactions]") { expect(page).to have_css("tr", text: /place 1.*400/) }
  end
end
