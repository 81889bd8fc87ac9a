# frozen_string_literal: true

require_relative "spec_helper"

RSpec.describe "Shells, members and load cases" do
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
    edges_at("0 mm")
    edges_at("200 mm")
    2.times { write_statement("case") }
    write_statement("fix")
    target("end")
    within_section("Joins and supports") { expect(page).to have_text("in every way, turns too") }
    ["Case", "Case 2"].each { |name| force_in(name) }
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

  # A group of the edges on a plane across x.
  def edges_at(place)
    write_statement("plane")
    row = all("section[aria-label='Shape'] [id^=statement-]").last
    within(row) { expect(page).to have_button("kind of place: edges") }
    return if place == "0 mm"

    within(row) do
      find("[aria-label^='position:']").click
      find("input[aria-label='position']").send_keys([:control, "a"], place, :enter)
      expect(page).to have_button("position: #{place}")
    end
  end

  def target(name) = find("[role=dialog], .popover", text: "Click in the model window").find("button", text: /\A#{name}\z/).click

  def force_in(name)
    write_statement("force")
    target("end 2")
    row = all("section[aria-label='Loads and stages'] [id^=statement-]").select { |r| r.has_text?("acts on", wait: 0) }.last
    within(row) { find("[aria-label^='case:']").click }
    find("[role=menuitem]", text: name, exact_text: true).click
    within(row) { expect(page).to have_button("case: #{name}") }
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
