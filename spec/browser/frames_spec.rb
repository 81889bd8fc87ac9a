# frozen_string_literal: true

require_relative "spec_helper"

RSpec.describe "Shells, members and load cases" do
  def choose(chip, item)
    find("[aria-label^='#{chip}:']", match: :first).click
    find("[role=menuitem]", text: item, exact_text: true).click
  end

  it "builds a plate of faces from an empty project, loads it in two cases, combines them and reads the frames" do
    new_project("Cover plate")
    write_statement("rectangle")
    type_chip("Shape", "width", "200 mm")
    type_chip("Shape", "height", "40 mm")
    expect(page).to have_button("height: 40 mm")
    write_statement("flat face")
    type_chip("Shape", "wall", "4 mm")
    expect(page).to have_button("wall: 4 mm")
    write_statement("material")
    write_statement("plane")
    choose("kind of place", "edges")
    write_statement("case")
    write_statement("case")
    write_statement("fix")
    find("[role=dialog], .popover", text: "Click in the model window").find("button", text: /\Aend\z/).click
    within_section("Joins and supports") { expect(page).to have_text("in every way, turns too") }
    2.times { |k| load_far_end(k + 1) }
    write_statement("combination")
    type_chip("Loads and stages", "factor 1", "1.35")
    write_statement("mesh")
    write_statement("static")
    write_statement("stress limit")
    click_button "Solve"
    expect(page).to have_css("[data-verdict]", text: "in Combination", wait: 60)
    within("[aria-label=Frames]") do
      expect(page).to have_css("[role=radio]", count: 3)
      find("[role=radio]", text: "Combination").click
      expect(page).to have_css("[role=radio][aria-checked=true]", text: "Combination")
    end
    within("table[aria-label=Reactions]") { expect(page).to have_css("tr", text: /end.*2.350/) }
    find("[aria-label^='layer:']").click
    find("[role=menuitem]", text: "at the top").click
    expect(page).to have_css("[data-testid=legend]", text: /MPa/)
    find("[role=radio][aria-checked=true]").send_keys(:left)
    expect(page).to have_css("[role=radio][aria-checked=true]", text: "Case 2")
  end

  # A force on the corner point at the far end, in a case.
  def load_far_end(number)
    write_statement("force")
    press(:escape)
    row = all("section[aria-label='Loads and stages'] [id^=statement-]").select { |r| r.has_text?("acts on", wait: 0) }.last
    within(row) { find("[aria-label^='case:']").click }
    find("[role=menuitem]", text: number == 1 ? "Case" : "Case 2", exact_text: true).click
    within(row) { find("[aria-label^='target:']").click }
    within("[data-testid=window]") { click_button "front" }
    click_in_window(0.89, 0.5, says: /side 2/)
    click_button "Done"
  end

  it "shows the members of the control building with their forces, and lights the one that is asked for" do
    open_model("Control building")
    expect(page).to have_css("[aria-label=Frames] [role=radio]", minimum: 8)
    find("[role=radio]", text: "full floors").click
    find("[role=tab]", text: "Members").click
    within("table[aria-label=Members]") do
      expect(page).to have_css("tbody tr", count: 87)
      expect(first("tbody tr").text).to match(/beam|column/)
      find("button", text: /\AN, kN\z/).click
      expect(first("tbody tr").text).to include("column B2 storey 1")
      first("tbody tr").click
    end
    expect(page).to have_css("[data-look=shape], [aria-label=Measures]", text: /column B2 storey 1/)
  end
end
