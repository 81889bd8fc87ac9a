# frozen_string_literal: true

require_relative "spec_helper"

RSpec.describe "Meshing" do
  def make_mesh
    find("button.button-strong", text: "Mesh", exact_text: true).click
    expect(page).to have_css("section[aria-label=Quality]", wait: 200)
  end

  def shown(label) = find("[data-look=mesh]").text[/([\d\u202f]+) #{label}/, 1].gsub(/\D/, "").to_i

  it "fills an imported part, refines a place, and finds the worst element" do
    make_copy("All-sky camera arm")
    all("article a", text: "All-sky camera arm copy").last.click
    expect(page).to have_css("[data-testid=note]")
    type_chip("Mesh", "size", "7 mm", row: "[id=statement-mesh] [aria-label^='size:']")
    press("2")
    point_in_window(0.45, 0.62, says: /Not meshed at this size. Elements of [\d.]+ mm here/)
    make_mesh
    expect(shown("elements")).to be > 5000
    within("section[aria-label=Quality]") { expect(page).to have_text("scaled Jacobian") }
    expect(page).to have_css("[data-testid=note]", text: /tetrahedra.* at worst 0\.\d+/)

    # A finer size at a place makes the mesh anew.
    write_statement("size")
    find("[role=dialog], .popover", text: "Click in the model window").find("button", text: /\Acamera seat\z/).click
    press("2")
    expect(page).to have_text("Not meshed at this size")
    make_mesh
    expect(shown("elements")).to be > 5000

    # The worst of another measure, alone.
    find("[aria-label^='measure:']").click
    find("[role=menuitem]", text: "least angle").click
    within("section[aria-label=Quality]") do
      expect(page).to have_text("least angle")
      first("ol button").click
    end
    expect(page).to have_css("[data-look=mesh]", text: /· 1 shown/)
    click_button "show all"
    expect(page).to have_no_css("[data-look=mesh]", text: /shown/)

    # Cut open, whole elements are left.
    click_button "cut open"
    expect(page).to have_css("[data-look=mesh]", text: /shown/)
    expect(shown("shown")).to be_between(1, shown("elements") - 1)
  end

  it "divides an edge into as many pieces as asked for" do
    make_copy("Shutter link")
    all("article a", text: "Shutter link copy").last.click
    expect(page).to have_css("[data-testid=note]")
    write_statement("division")
    find("[role=dialog], .popover", text: "Click in the model window").find("button", text: /\Apull end\z/).click
    type_chip("Mesh", "pieces", "13")
    press(:escape)
    find("[role=tab]", text: "Mesh").click
    find("button.button-strong", text: "Mesh", exact_text: true).click
    expect(page).to have_text(/cannot have 13 pieces.*Give 14/m, wait: 60)
    type_chip("Mesh", "pieces", "14")
    type_chip("Mesh", "bias", "3")
    make_mesh
    expect(shown("elements")).to be > 50
  end
end
