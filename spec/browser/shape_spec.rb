# frozen_string_literal: true

require_relative "spec_helper"

RSpec.describe "Drawing and shaping" do
  def rows = all("[id^=statement-]", wait: 0)
  def last_row = "##{rows.last[:id]}"

  # Types into a chip of one statement.
  def fill_chip(row, label, value)
    within(row) do
      find("[data-chip='text'][aria-label^='#{label}:']").click
      find("input[aria-label='#{label}']").send_keys([:control, "a"], value, :enter)
      expect(page).to have_no_css("input[aria-label='#{label}']")
    end
  end

  # As a click beside the words does.
  def select(row)
    page.execute_script("document.querySelector(arguments[0]).click()", row)
    expect(page).to have_css("#{row}[data-open]")
  end

  def choose(row, label, option)
    within(row) { find("[aria-label^='#{label}:']").click }
    find("[role=menuitem]", text: option, exact_text: true).click
    expect(page).to have_no_css("[role=menu]")
  end

  # A place of the paper, in shares of its width and height.
  def on_paper(x, y)
    left, top, width, height = page.evaluate_script(<<~SCRIPT)
      (() => { const b = document.querySelector("[data-testid=paper]").getBoundingClientRect(); return [b.x, b.y, b.width, b.height]; })()
    SCRIPT
    { x: left + (width * x), y: top + (height * y) }
  end

  # x and y in the chips of this label, in mm.
  def typed_in(label)
    %w[x y].map { |axis| find("[aria-label^='#{format(label, axis)}']").text[/[-\d.]+/].to_r }
  end

  # Where something is once the page has settled.
  def resting_place(css)
    node = find(css).native.node
    node.wait_for_stop_moving
    node.find_position
  end

  def typed_corner(first, second, labels = %w[x y])
    labels.zip([first, second]).each { |label, value| fill_in label, with: value }
    click_button "Add"
  end

  def attach_shape(path)
    find("input[aria-label='Geometry file']", visible: :all).attach_file(path)
  end

  # Corners on paper by typed values: at, by a step, by a length at an angle.
  def draw_plate
    write_statement("outline: a line")
    expect(page).to have_css("[data-testid=paper]")
    click_button "draw anew"
    typed_corner("0", "0")
    click_button "a step of"
    typed_corner("8 cm", "0", %w[dx dy])
    expect(page).to have_css("[role=alert]", text: "Type two plain numbers, lengths in mm")
    typed_corner("80", "0", %w[dx dy])
    click_button "a length"
    typed_corner("50", "90", %w[length angle])
    expect(page).to have_text("Corner 4:")
    within("form[aria-label='Draw by typed values']") { click_button "at" }
    typed_corner("0", "50")
    click_button "Close the outline"
    expect(page).to have_css("[data-testid=paper]", text: "80 mm")
    last_row
  end

  def extrude
    write_statement("body: an outline")
    last_row
  end

  # A round patch of 20 mm on the top.
  def imprint_patch
    write_statement("/circle")
    pad = last_row
    { "diameter" => "20 mm", "x" => "40 mm", "y" => "25 mm" }.each { |label, value| fill_chip(pad, label, value) }
    write_statement("imprint")
    select(last_row)
    { "origin z" => "10 mm", "depth" => "1 mm" }.each { |label, value| fill_chip(last_row, label, value) }
    last_row
  end

  def group_by_area
    write_statement("group: everything on a plane")
    fill_chip(last_row, "position", "80 mm")
    within(last_row) { expect(page).to have_text("1 found") }
    choose(last_row, "rule", "with an area")
    { "least area" => "300 mm2", "greatest area" => "500 mm2" }.each { |label, value| fill_chip(last_row, label, value) }
    last_row
  end

  def lengthen(outline)
    select(outline)
    within("table[aria-label=Corners]") do
      expect(page).to have_button("corner 3 distance: 50 mm").and have_button("corner 3 angle: 90 deg")
      find("[aria-label^='corner 2 dx:']").click
      find("input[aria-label='corner 2 dx']").send_keys([:control, "a"], "120 mm", :enter)
      expect(page).to have_button("corner 2 dx: 120 mm")
    end
  end

  it "draws an outline, extrudes, imprints, groups by rule, changes a dimension and finds everything still attached" do
    new_project("Drawing")
    outline = draw_plate
    body = extrude
    within(body) { expect(page).to have_text(/40.000 mm³/) }
    imprint = imprint_patch
    within(imprint) { expect(page).to have_text("1 face, 314.2 mm²") }
    group = group_by_area
    within(group) { expect(page).to have_text("3 found") }

    # The part gets longer by one step; the corner that follows comes along, the patch stays.
    lengthen(outline)
    within(body) { expect(page).to have_text(/60.000 mm³/) }
    within(imprint) { expect(page).to have_text("1 face, 314.2 mm²") }
    within(group) { expect(page).to have_text("3 found") }

    # And comes back with undo.
    press([:control, "z"])
    within(body) { expect(page).to have_text(/40.000 mm³/) }
  end

  it "draws with the pointer, and moves a corner that snaps to the grid" do
    new_project("Pointer")
    write_statement("outline: a line")
    click_button "draw anew"
    [[0.3, 0.3], [0.6, 0.3], [0.6, 0.6], [0.3, 0.6]].each { |x, y| mouse.click(**on_paper(x, y)) }
    expect(page).to have_text("Corner 5:")
    press(:enter)
    expect(page).to have_button("4 corners")
    before = typed_in("corner 3 %s: ")
    left, top = resting_place("button[aria-label='corner 3']")
    mouse.move(x: left, y: top).down.move(x: left + 63, y: top + 41)
    # The grid of the moment of letting go: it may change when the paper is fitted anew.
    step = find("[data-testid=paper]").text[/grid ([\d.]+) mm/, 1].to_r
    mouse.up
    expect(page).to have_css("[aria-label^='corner 3 x on paper: ']")
    after = typed_in("corner 3 %s on paper: ")
    expect(after).not_to eq(before)
    expect(after.map { |value| value % step }).to eq([0, 0])
    expect(typed_in("corner 3 %s: ")).to eq(after)
    expect(page).to have_no_css("[role=alert]")
  end

  it "brings a file in, picks, measures, hides and makes a group" do
    new_project("Bringing in")
    attach_shape(File.expand_path("demo/camera-arm.stl"))
    expect(page).to have_css("[data-testid=note]", text: "is read from camera-arm.stl")
    expect(page).to have_css("[data-testid=note]", text: "1 body, 10 faces")
    within("table[aria-label=Parts]") { expect(page).to have_text(/183.847/) }
    click_in_window(0.5, 0.45, says: "of camera-arm")
    within("[aria-label=Measures]") do
      expect(page).to have_text("area")
      click_button "Make a group of it"
    end
    expect(page).to have_css("[data-testid=note]", text: "1 found")
    within("[role=toolbar]") { click_button "body" }
    click_in_window(0.5, 0.45, says: "camera-arm · body")
    within("[aria-label=Measures]") { expect(page).to have_text("volume") }
    press("h")
    within("table[aria-label=Parts]") { expect(page).to have_button("Show camera-arm") }
    press("a")
    within("table[aria-label=Parts]") { expect(page).to have_button("Hide camera-arm") }
  end

  it "says what is wrong with a file, and leaves the note as it was" do
    new_project("Broken files")
    count = rows.size
    path = File.join(Dir.mktmpdir, "part.stl")
    File.binwrite(path, File.binread("demo/camera-arm.stl")[0, 4000])
    attach_shape(path)
    expect(page).to have_css("[role=alert]", text: /is cut short: it announces \d+ triangles/)
    expect(rows.size).to eq(count)
  end

  it "tells of an edit that was refused, and leaves the note as it was" do
    new_project("Refusals")
    write_statement("/rectangle")
    click_button "in space"
    select(last_row)
    within(last_row) { click_button "hole" }
    choose(last_row, "pattern", "in a ring of")
    expect(page).to have_css("[role=alert]", text: "lies outside the outline")
    within(last_row) { expect(page).to have_button("pattern: once") }
  end

  it "picks with a box, and cuts open with a plane" do
    make_copy("Chiller manifold")
    all("article a", text: "Chiller manifold copy").last.click
    find("[role=tab]", text: "Shape", exact_text: true).click
    point_in_window(0.52, 0.55, says: "of manifold")
    within("[role=toolbar]") do
      click_button "body"
      click_button "Pick with a box"
    end
    expect(page).to have_css("[data-testid=box-pick]")
    left, top, width, height = page.evaluate_script(Desk::BOX)
    mouse.move(x: left + 20, y: top + 20).down.move(x: left + width - 20, y: top + height - 20).up
    within("[aria-label=Measures]") { expect(page).to have_text("3 places").and have_text("volume together") }
    within("[role=toolbar]") do
      click_button "Cut open with a plane"
      expect(page).to have_css("input[aria-label='Where the plane cuts']")
    end
  end
end
