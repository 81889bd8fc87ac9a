# frozen_string_literal: true

require_relative "spec_helper"

RSpec.describe "Home" do
  def import(project, name, text)
    path = File.join(Dir.mktmpdir, name)
    File.write(path, text)
    attach_file("Import a model into #{project}", path, visible: :all)
  end

  it "shows the projects with the verdict of their models" do
    visit "/"
    expect(card("Dome-rail saddle")).to have_text(/1 holds.*1 fails/m)
    expect(card("Shutter link")).to have_text("2 hold")
    # Pictures come as their cards come into sight.
    page.scroll_to(card("Chiller manifold"), align: :center)
    expect(page).to have_css("article img[alt='the shape of Chiller manifold']")
    expect(card("Chiller manifold")).to have_text("3 hold")
    expect(card("Pier pit beside the old wall")).to have_text(/\d holds?/)
  end

  it "imports a model document, and says what is wrong with one" do
    new_project("Imports")
    visit "/"
    import("Imports", "broken.json", "{")
    expect(page).to have_css("[role=alert]", text: "“broken.json” is not a model document")
    import("Imports", "wrong.json", File.read("demo/shutter-link.json").sub(%("value": "18 kN"), %("value": "18 mm")))
    expect(page).to have_css("[role=alert]", text: "is a length, but a force is wanted")
    import("Imports", "good.json", File.read("demo/shutter-link.json"))
    expect(page).to have_css("[data-testid=note]", text: "link outline")
    expect(page).to have_field("Name of the model", with: "Shutter link")
  end

  it "says that a model is not there" do
    visit "/models/nowhere"
    expect(page).to have_css("[role=alert]", text: "there is no model “nowhere”")
    click_link "Back to the projects"
    expect(page).to have_css("article")
  end
end
