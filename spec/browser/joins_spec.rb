# frozen_string_literal: true

require_relative "spec_helper"

# Putting parts together, each once from an empty project.
RSpec.describe "Joins" do
  include Writing

  # Two plates with one hole, and where they face each other.
  def two_plates(gap: 0)
    outline = say("rectangle", width: "120 mm", height: "40 mm")
    within("##{outline}") { find("button", text: /circle|hole/, match: :first).click }
    say("body", name: "plate", thickness: "10 mm")
    say("body", name: "cover", thickness: "8 mm", origin_z: "#{10 + gap} mm")
    say("material")
  end

  # Moves a slider, as a drag would.
  def slide(label, value)
    page.execute_script(<<~SCRIPT)
      const slider = document.querySelector('input[aria-label="#{label}"]');
      Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, "value").set.call(slider, "#{value}");
      slider.dispatchEvent(new Event("input", { bubbles: true }));
    SCRIPT
  end

  it "bolts a cover on its seal, tightens it in one case, presses in another, and draws the parts apart with their results" do
    new_project("Sealed cover")
    two_plates(gap: 1)
    { "below" => "0 mm", "seat" => "10 mm", "inside" => "11 mm" }.each { |name, at| group(name, of: "faces", axis: "z =", at: at) }
    say("bores", diameter: "10 mm")
    %w[tightening running].each { |name| fill(say("case"), "name", name) }
    say("bolt", target: "bores", size: "M8", class: "8.8", tightening: "tightened with a torque of", tighten: "14 N m", case: "tightening")
    within_section("Joins and supports") { expect(page).to have_text("1 bolt, grip 19 mm") }
    bed = say("bed", target: "inside", other_side: "another region")
    other_region(bed, "seat")
    fill(bed, "reach", "2 mm")
    say("spring", target: "inside", stiffness: "20 N/mm", components: "x, y")
    say("fix", target: "below")
    say("pressure", target: "inside", pressure: "0.5 MPa", case: "running")
    say("combination")
    say("mesh", size: "8 mm")
    say("static")
    solve
    tab("Bolts")
    # T = K F d: 14 N m over 0.2 and 8 mm.
    within("table[aria-label=Bolts]") { expect(page).to have_css("tbody tr", count: 1, text: /8.750/) }
    within("[aria-label=Frames]") { find("[role=radio]", text: "running").click }
    within("table[aria-label=Bolts]") { expect(page).to have_no_css("tbody tr", text: /8.750/) }
    slide("Draw the parts apart", "0.6")
    expect(page).to have_field("Draw the parts apart", with: "0.6")
    within_section("Findings") { expect(page).to have_text(/First to go: bores 1, with a factor of [\d.]+/) }
    tab("Bolts")
    within("table[aria-label=Bolts]") { find("[aria-label^='tighten bolt 1:']").click }
    find("input[aria-label='tighten bolt 1']").send_keys("5 kN", :enter)
    expect(page).to have_css("table[aria-label=Bolts] [aria-label='tighten bolt 1: 5 kN']")
    within("[data-testid=note]") { expect(page).to have_text("1 bolt, grip 19 mm") }
  end

  it "proposes faces that meet, bonds them at once, and says how the bond fares" do
    new_project("Two plates")
    two_plates
    click_button "Faces that meet…"
    within("[aria-label='Faces that meet']") do
      expect(page).to have_css("[aria-label=Pairs] li", count: 1, text: /100 % of the smaller, touching/)
      click_button "Bond all 1"
    end
    within_section("Joins and supports") { expect(page).to have_text("plate at cover is bonded to cover at plate").or have_text("cover at plate is bonded to plate at cover") }
    click_button "Faces that meet…"
    within("[aria-label='Faces that meet']") do
      expect(page).to have_css("[aria-label=Bonds] li", text: "100 % within reach, touching")
      expect(page).to have_text("All faces that meet are joined.")
      find_field("reach of the search").send_keys([:control, "a"], "2 kN", :enter)
      expect(page).to have_text("a force, but a length is wanted")
    end
  end

  it "shows who meets whom of three bodies, leaves a pair out, and lets the other touch" do
    new_project("Three plates")
    two_plates
    say("rectangle", width: "60 mm", height: "40 mm", x: "120 mm")
    say("body", name: "stop", thickness: "10 mm")
    click_button "Faces that meet…"
    within("[aria-label='Faces that meet']") do
      within("table[aria-label='Who meets whom']") { expect(page).to have_css("button[aria-pressed=true]", text: "meet", count: 2) }
      find("table[aria-label='Who meets whom'] button[aria-label*='cover']").click
      expect(page).to have_css("table[aria-label='Who meets whom'] button[aria-pressed=false]", count: 1)
      click_button "Let 1 touch"
    end
    within_section("Joins and supports") { expect(page).to have_text(/stop at plate|plate at stop/) }
    click_button "Faces that meet…"
    within("table[aria-label='Who meets whom']") { expect(page).to have_button("touch").and have_css("button[aria-pressed=false]", text: "meet") }
  end

  it "swings a crate on pads that only push, under ties that only pull, and reads its members and what lifts off" do
    new_project("Crate")
    say("frame", bays: "1.2 m", bays_across: "0.8 m", storeys: "0.9 m")
    say("section", name: "post")
    say("member section")
    say("material")
    group("feet", of: "points", axis: "z =", at: "0 m")
    group("top", of: "points", axis: "z =", at: "0.9 m")
    say("point", name: "load", at_x: "0.6 m", at_y: "0.4 m", at_z: "1.2 m")
    within_section("Joins and supports") { expect(page).to have_text("nothing ties it to the part yet") }
    say("link", target: "load", to: "top")
    within_section("Joins and supports") { expect(page).to have_no_text("nothing ties it to the part yet") }
    say("mass", target: "load", mass: "300 kg")
    say("pad", target: "feet", stiffness: "2 kN/mm")
    say("tie-down", target: "top", stiffness: "0.2 kN/mm")
    say("spring", target: "feet", stiffness: "5 kN/mm", components: "x, y")
    { "still" => nil, "roll" => nil }.each_key { |name| fill(say("case"), "name", name) }
    say("gravity", direction: "−z", case: "still")
    say("motion", angle: "25 deg", period: "6 s", case: "roll")
    signs = say("sign sets")
    within("##{signs}") { expect(page).to have_text("4 combinations") }
    # Both names stand twice: among what is steady, and among what swings. The weight does not swing.
    within("##{signs}") { all("button", text: /\Astill\z/).last.click }
    within("##{signs}") { expect(page).to have_text("2 combinations") }
    within("##{signs}") { all("button", text: /\Astill\z/).first.click }
    within("##{signs}") { expect(page).to have_css("button[aria-pressed=true]", text: "still") }
    say("mesh", size: "0.3 m")
    say("static")
    say("member check", strength: "200 MPa")
    solve
    within_section("Findings") { expect(page).to have_css("[data-verdict]", text: /is used to \d+ % by/) }
    tab("Joints")
    within("table[aria-label=Joints]") { expect(page).to have_css("tbody tr", minimum: 8) }
    within("[aria-label=Frames]") { find("[role=radio]", text: "Signs", match: :first).click }
    within("table[aria-label=Joints]") { expect(page).to have_css("tbody tr", text: "let go", minimum: 1) }
    tab("Members")
    within("table[aria-label='Member utilisation']") { expect(page).to have_css("tbody tr", count: 8) }
  end

  it "lays bars into a beam whatever its mesh" do
    new_project("Beam with bars")
    say("rectangle", width: "2000 mm", height: "300 mm")
    say("body", kind_of_body: "a thin plate in its plane", thickness: "200 mm")
    say("line", name: "low")
    say("material")
    group("left", of: "edges", axis: "x =", at: "0 mm")
    group("right", of: "edges", axis: "x =", at: "2000 mm")
    group("deck", of: "edges", axis: "y =", at: "300 mm")
    say("embedded bars", line: "low", diameter: "12 mm")
    say("fix", target: "left")
    say("fix", target: "right")
    say("force", target: "deck", force: "50 kN", direction: "−y")
    say("mesh", size: "60 mm")
    say("static")
    solve
    tab("Bars")
    within("table[aria-label='Embedded bars']") { expect(page).to have_css("tbody tr", minimum: 1) }
    within_section("Joins and supports") { expect(page).to have_css("[data-verdict=holds]", text: /MPa at most/) }
  end

  it "drives axles over members, a case for every position, and takes the envelope" do
    new_project("Runway")
    say("line", name: "way")
    say("members")
    say("rectangle", name: "bar", width: "30 mm", height: "30 mm")
    say("member section", section: "bar")
    say("material")
    places_of("deck", "members", "edges")
    group("ends", of: "points", axis: "z =", at: "0 mm")
    say("fix", target: "ends")
    say("moving load", target: "deck", line: "way", axle_1: "2 kN", spacing: "40 mm")
    say("envelope")
    say("mesh", size: "10 mm")
    say("static")
    solve
    within("[aria-label=Frames]") { expect(page).to have_css("[role=radio]", text: /Vehicle at \d+ mm/, minimum: 3) }
    within("[aria-label=Frames]") { find("[role=radio]", text: "greatest").click }
    expect(page).to have_text("an envelope does not move")
  end
end
