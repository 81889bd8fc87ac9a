# frozen_string_literal: true

# Writing a model statement by statement, as a user would.
module Writing
  def ids = all("[id^=statement-]", wait: 0).map { |row| row[:id] }

  # Writes a statement, chooses its target and fills its chips.
  # @return [String] id of its row
  def say(word, target: nil, to: nil, **chips)
    before = ids
    write_statement(word)
    id = (ids - before)[0]
    choose_target(target, id) if target
    other_region(id, to) if to
    chips.each { |label, value| fill(id, label.to_s.tr("_", " "), value) }
    id
  end

  def other_region(id, name)
    find("##{id} [aria-label^='other region:']").click
    choose_target(name, id, "other region")
  end

  # What comes after waits until the line says so: it may move as it does.
  def choose_target(name, id = nil, label = "target")
    find("[role=dialog], .popover", text: /Click in the model window|everything/).find("button", text: /\A#{Regexp.escape(name)}\z/).click
    expect(page).to have_no_css("[role=dialog]", wait: 5)
    expect(page).to have_css("##{id} [aria-label='#{label}: #{name}']") if id
  end

  def fill(id, label, value)
    chip = find("##{id} [data-chip][aria-label^='#{label}:']", match: :first)
    kind = chip["data-chip"]
    chip.click
    case kind
    when "text"
      find("##{id} input[aria-label='#{label}']").send_keys([:control, "a"], value, :enter)
      expect(page).to have_no_css("##{id} input[aria-label='#{label}']")
    when "choice" then find("[role=menuitem]", text: value, exact_text: true).click
    else find("[role=dialog], .popover").find("button", text: /\A#{Regexp.escape(value)}\z/).click
    end
  end

  def material(id, name)
    find("##{id} [aria-label^='material:']").click
    find("[cmdk-input]").send_keys(name, :enter)
    expect(page).to have_css("##{id} [aria-label='material: #{name}']")
  end

  def group(name, of: nil, axis: nil, at: nil)
    id = say("plane", **{ kind_of_place: of, axis: axis, position: at, name: name }.compact)
    expect(page).to have_css("##{id}", text: /[1-9]\d* found/)
  end

  # All places of a body of one kind.
  def places_of(name, body, of)
    id = say("rule", kind_of_place: of, rule: "on the body")
    fill(id, "body", body)
    fill(id, "name", name)
  end

  def solve
    click_button "Solve"
    expect(page).to have_css("[data-testid=legend]", wait: 90)
    within_section("Findings") { expect(page).to have_text(/reactions balance the loads to 0\.00 %/) }
  end

  def tab(name) = find("[role=tab]", text: /\A#{name}\z/).click

  # A bar of 120 by 20 by 10 mm from an empty project, held at one end and pushed at the other.
  def bar(name, direction)
    new_project(name)
    say("rectangle", width: "120 mm", height: "20 mm")
    say("body", thickness: "10 mm")
    say("material")
    group("root", axis: "x =", at: "0 mm")
    group("tip", axis: "x =", at: "120 mm")
    say("fix", target: "root")
    say("force", target: "tip", force: "2 kN", direction: direction)
    say("mesh", size: "10 mm")
    say("static")
  end

  def solve_all(*studies)
    click_button "Solve", match: :first
    within("nav[aria-label=Studies]") { studies.each { |study| expect(page).to have_css("button[title='#{study}: solved']", wait: 90) } }
  end

  def show(study)
    within("nav[aria-label=Studies]") { click_button study }
  end
end
