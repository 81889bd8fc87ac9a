# frozen_string_literal: true

require_relative "spec_helper"

RSpec.describe "The note" do
  # A copy to write in, so that the demo stays as it is.
  def open_copy(name)
    make_copy(name)
    all("article a", text: "#{name} copy").last.click
    expect(page).to have_css("[data-testid=note]")
  end

  it "edits the corners of an outline in the tray, and refuses one that crosses itself" do
    open_copy("Shutter link")
    click_button "8 corners"
    within("table[aria-label=Corners]") do
      click_button "corner 4 x: 200 mm"
      find("input[aria-label='corner 4 x']").send_keys([:control, "a"], "20 cm", :enter)
      expect(page).to have_button("corner 4 x: 20 cm")
      click_button "corner 1 y: 0 mm"
      find("input[aria-label='corner 1 y']").send_keys([:control, "a"], "90 mm", :enter)
      expect(page).to have_css("[role=alert]", text: /cross or touch near x/)
      find("input[aria-label='corner 1 y']").send_keys(:escape)
      click_button "Add a corner after 8"
      expect(page).to have_button("corner 9 x: 0 mm")
      expect(page).to have_button("corner 8 side: side 8")
      expect(page).to have_button("corner 9 side: side 9")
    end
    expect(page).to have_button("9 corners")
  end

  it "renames a group, and what speaks of it follows" do
    open_copy("Shutter link")
    within_section("Shape") do
      click_button "name: root"
      find("input[aria-label=name]").send_keys([:control, "a"], "anchor", :enter)
    end
    within_section("Joins and supports") { expect(page).to have_button("target: anchor") }
    expect(page).to have_no_text("stale") # the same place under another name
  end

  it "takes a material from the library by search, and typed properties" do
    open_copy("Shutter link")
    find("[aria-label^='material:']").click
    find("input[cmdk-input]").send_keys("6Al", :enter)
    within_section("Material and sections") { expect(page).to have_text("E 113.8 GPa") }
    expect(page).to have_button("Solve", exact: true)
    find("[aria-label^='material:']").click
    click_button "Type the properties instead"
    type_chip("Material and sections", "young", "70 GPa")
    within_section("Material and sections") { expect(page).to have_button("young: 70 GPa") }
    # The limit is a share of a strength that this material does not have.
    click_button "1 to mend"
    find("[aria-label=Readiness] button", text: "has no yield strength").click
    within_section("Findings") { expect(page).to have_css(".bg-glow", text: "stays under") }
  end

  it "walks the chips with Tab, keeping what was typed" do
    open_copy("Shutter link")
    within_section("Shape") do
      click_button "diameter: 20 mm"
      find("input[aria-label=diameter]").send_keys([:control, "a"], "22 mm", :tab)
      expect(page).to have_button("diameter: 22 mm")
      expect(page).to have_css("input[aria-label=x]")
    end
  end

  it "folds sections and filters a long note" do
    open_model("Dome-rail saddle")
    within_section("Shape") do
      click_button "Shape"
      expect(page).to have_no_button("name: saddle")
      click_button "Shape"
    end
    fill_in "Filter the note", with: "gravity"
    expect(page).to have_css("[id^=statement-]", count: 1)
    fill_in "Filter the note", with: ""
    expect(page).to have_css("[id^=statement-]", minimum: 10)
  end

  it "duplicates, moves and removes statements" do
    open_copy("Shutter link")
    menu = ->(target, item) { choose_for(find("section[aria-label=Findings] [id^=statement-]", text: target), item) }
    menu.call("displacement", "Duplicate")
    expect(page).to have_css("section[aria-label=Findings] [id^=statement-]", count: 3)
    menu.call("von Mises", "Move down")
    expect(page).to have_css("section[aria-label=Findings] [id^=statement-]:nth-of-type(1)", text: "displacement")
    menu.call("von Mises", "Remove")
    expect(page).to have_css("section[aria-label=Findings] [id^=statement-]", count: 2)
  end
end
