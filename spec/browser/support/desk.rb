# frozen_string_literal: true

# What a user does in the workspace, in a user's words.
module Desk
  class << self
    # Process id of the server.
    attr_accessor :server
  end

  # Presses / and writes a word, as in the note.
  def write_statement(word)
    rows = all("[id^=statement-]", wait: 0).size
    press("/")
    expect(page).to have_css("input[cmdk-input]")
    find("input[cmdk-input]").send_keys(word, :enter)
    expect(page).to have_css("[id^=statement-]", count: rows + 1)
  end

  # Keys for the page as a whole, without a click anywhere.
  def press(*keys)
    page.driver.browser.keyboard.type(*keys)
  end

  # Types into a chip of a section and keeps it with Enter.
  def type_chip(section, label, value, row: nil, refused: false)
    within_section(section) do
      (row ? find(row) : first("[data-chip^='text'][aria-label^='#{label}:']")).click
      input = find("input[aria-label='#{label}']")
      input.send_keys([:control, "a"], value, :enter)
    end
    within_section(section) { expect(page).to refused ? have_css("[aria-invalid=true]") : have_no_css("input[aria-label='#{label}']") }
  end

  def within_section(title, &)
    within(find("section[aria-label='#{title}']"), &)
  end

  # Clicks in the model window at shares of its width and height.
  def click_in_window(x, y)
    canvas = find("[data-testid=window] canvas")
    box = page.evaluate_script("(() => { const r = document.querySelector('[data-testid=window] canvas').getBoundingClientRect(); return [r.x, r.y, r.width, r.height] })()")
    place = [box[0] + (box[2] * x), box[1] + (box[3] * y)]
    page.driver.browser.mouse.move(x: place[0] - 3, y: place[1] - 3)
    page.driver.browser.mouse.move(x: place[0], y: place[1])
    page.driver.browser.mouse.click(x: place[0], y: place[1])
    canvas
  end

  def open_model(name)
    visit "/"
    find("article a", text: name).click
    expect(page).to have_css("[data-testid=note]")
  end

  def new_project(name)
    visit "/"
    fill_in "Name of a new project", with: name
    click_button "New project"
    within(find("section[aria-label='#{name}']")) { click_button "New model" }
    expect(page).to have_css("[data-testid=note]")
  end
end
