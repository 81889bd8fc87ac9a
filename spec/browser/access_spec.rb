# frozen_string_literal: true

require_relative "spec_helper"

# Held against the rules of WCAG by axe, which reads the page as it stands.
RSpec.describe "Access for all" do
  axe = File.read(File.join(Studio::ROOT, "web", "node_modules", "axe-core", "axe.min.js"))

  # @return [Array<String>] what is serious or critical, with the first place of each
  define_method(:serious) do
    page.driver.browser.evaluate("(() => { #{axe}; return true; })()")
    found = page.evaluate_async_script("window.axe.run(document, { resultTypes: ['violations'] }).then((found) => arguments[0](found.violations))")
    found.select { |v| %w[serious critical].include?(v["impact"]) }.map { |v| "#{v['id']}: #{v['nodes'][0]['html'][0, 200]}" }
  end

  it "finds nothing serious on Home, nor in the three looks of the workspace" do
    visit "/"
    expect(page).to have_css("article", minimum: 3)
    expect(serious).to eq([])
    open_model("Shutter link")
    %w[Shape Mesh Results].each do |look|
      find("[role=tab]", text: look, exact_text: true).click
      expect(page).to have_css("[data-testid=window] canvas")
      expect([look, serious]).to eq([look, []])
    end
    expect(page).to have_css("main", count: 1).and have_css("h1", count: 1, visible: :all)
  end

  it "finds nothing serious on the screens beside the workspace, which lead to each other" do
    open_model("Fork-arm rail")
    click_button "Side by side"
    expect(page).to have_css("section[data-ready]", minimum: 1)
    expect(serious).to eq([])
    click_button "← Fork-arm rail"
    click_button "Report"
    expect(page).to have_css("main[data-report=ready]", wait: 60)
    expect(serious).to eq([])
    visit "/"
    click_link "Runs"
    within("table[aria-label=Runs]") do
      expect(page).to have_css("tbody tr[data-state=done]", minimum: 10)
      all("button", text: "Log").first.click
      expect(page).to have_css("pre", text: /unknowns|applies/)
    end
    expect(serious).to eq([])
    click_link "Library"
    fill_in "Search the library", with: "cast iron"
    within("table[aria-label=Materials]") { expect(page).to have_css("tbody tr", text: "EN-GJS") }
    fill_in "Search the library", with: "unobtainium"
    expect(page).to have_text("No material is called that")
    expect(serious).to eq([])
    find("[role=tab]", text: "Bolts").click
    fill_in "Search the library", with: "M10"
    within("table[aria-label=Sizes]") { expect(page).to have_css("tbody tr", text: "58 mm²") }
    find("[role=tab]", text: "Life under stress").click
    fill_in "Search the library", with: ""
    expect(page).to have_css("ul[aria-label=Curves] svg", minimum: 2)
    expect(serious).to eq([])
  end

  it "keeps a material of one's own, uses it in a note with its properties, and lets go of it" do
    visit "/library"
    click_button "A material of your own"
    fill_in "name", with: "grey iron 250"
    fill_in "Young's modulus", with: "110"
    fill_in "Poisson's ratio", with: "0.26"
    click_button "Keep it"
    expect(page).to have_css("[role=alert]", text: /young.*unit/i)
    fill_in "Young's modulus", with: "110 GPa"
    fill_in "density", with: "7200 kg/m3"
    expect(serious).to eq([])
    click_button "Keep it"
    within("table[aria-label=Materials]") { expect(page).to have_css("tr", text: /grey iron 250\s*own/) }
    make_copy("Shutter link")
    find("article a", text: "Shutter link copy", match: :first).click
    within_section("Material and sections") do
      find("button[aria-label^='material:']", match: :first).click
    end
    find("[cmdk-item]", text: "grey iron 250").click
    within_section("Material and sections") do
      expect(page).to have_css("button[aria-label='young: 110 GPa']")
      expect(page).to have_css("button[aria-label='density: 7200 kg/m3']")
    end
    visit "/library"
    click_button "Delete grey iron 250"
    expect(page).to have_no_text("grey iron 250")
  end
end
