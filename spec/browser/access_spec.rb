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
end
