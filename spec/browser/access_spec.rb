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
    fill_in "Search the materials", with: "cast iron"
    within("table[aria-label=Materials]") { expect(page).to have_css("tbody tr", text: "EN-GJS") }
    fill_in "Search the materials", with: "unobtainium"
    expect(page).to have_text("No material is called that")
    expect(serious).to eq([])
  end
end
