# frozen_string_literal: true

# What a user does in the workspace, in a user's words.
module Desk
  # Where the canvas of the model window lies on the page.
  BOX = <<~SCRIPT
    (() => {
      const box = document.querySelector("[data-testid=window] canvas").getBoundingClientRect();
      return [box.x, box.y, box.width, box.height];
    })()
  SCRIPT

  UNSIZED = 300 # width of a canvas that has not been fitted into its window yet

  class << self
    # Process id of the server.
    attr_accessor :server

    # Folder of its data.
    attr_accessor :data
  end

  # Presses / and writes a word, as in the note.
  def write_statement(word)
    rows = all("[id^=statement-]", wait: 0).size
    press("/")
    expect(page).to have_css("input[cmdk-input]")
    find("input[cmdk-input]").send_keys(word, :enter)
    expect(page).to have_css("[id^=statement-]", count: rows + 1)
  end

  # Chooses what to do with a statement, from the keyboard. (Keys sent to an element click it
  # first, and a click and a key would open the menu and close it again.)
  def choose_for(row, item)
    row.evaluate_script("this.querySelector(\"[aria-label='what to do with this statement']\").focus()")
    press(:enter)
    find("[role=menuitem]", text: item).click
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

  # Points at a place of the model window, given in shares of its width and height,
  # until the window says what is there (the first frame may still be on its way).
  def point_in_window(x, y, says:)
    expect(page).to have_css("[data-testid=window] canvas")
    Studio.wait do
      left, top, width, height = page.evaluate_script(BOX)
      next if width <= UNSIZED

      place = { x: left + (width * x), y: top + (height * y) }
      mouse.move(x: place[:x] - 4, y: place[:y] - 4)
      mouse.move(**place)
      page.has_css?("[data-testid=window]", text: says, wait: 0.5) && place
    end
  end

  def click_in_window(x, y, says:)
    mouse.click(**point_in_window(x, y, says: says))
  end

  def mouse = page.driver.browser.mouse

  def open_model(name)
    visit "/"
    card(name).find("a").click
    expect(page).to have_css("[data-testid=note]")
    page.evaluate_async_script("document.fonts.ready.then(() => arguments[0]())")
  end

  # Makes a copy of a demo model, to write in.
  # @return [Integer] how many copies there are now
  def make_copy(name)
    visit "/"
    original = card(name)
    copies = all("article", text: "#{name} copy", wait: 0).size + 1
    original.click_button "Copy #{name}"
    # A server that has just begun draws all models first.
    expect(page).to have_css("article", text: "#{name} copy", count: copies, wait: Studio::WAIT * 3)
    copies
  end

  # The card of a demo model on the home screen, not one of its copies.
  def card(name)
    find("section[aria-label='Fernhollow Observatory'] article a", text: /\A\s*#{Regexp.escape(name)}\s*\z/).find(:xpath, "..")
  end

  def new_project(name)
    visit "/"
    fill_in "Name of a new project", with: name
    click_button "New project"
    within(find("section[aria-label='#{name}']")) { click_button "New model" }
    expect(page).to have_css("[data-testid=note]")
  end
end
