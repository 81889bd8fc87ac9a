# frozen_string_literal: true

require_relative "spec_helper"
require "sqlite3"

RSpec.describe "A model that cannot be shown" do
  # As an older program might have left it.
  def spoil(id)
    database = SQLite3::Database.new(File.join(Desk.data, "lattice.sqlite3"))
    database.busy_timeout = 5000
    database.execute("UPDATE revisions SET document = replace(document, '\"kind\":\"material\"', '\"kind\":\"potion\"'), state = NULL " \
                     "WHERE model_id = ? AND number = (SELECT head FROM models WHERE id = ?)", [id, id])
  ensure
    database.close
  end

  it "opens with its fault and its note, and is undone by a press; the list shows the others" do
    make_copy("Shutter link")
    open_model("Shutter link copy")
    id = page.current_path.split("/").last
    find("[aria-label='Name of the model']").send_keys([:control, "a"], "Spoilt link", :enter)
    expect(page).to have_css("button[aria-label=Undo]:not([disabled])")
    spoil(id)
    visit "/"
    expect(page).to have_text("cannot be shown: open it to mend it")
    expect(page).to have_css("article", minimum: 10)
    visit "/models/#{id}"
    expect(page).to have_css("[role=alert]", text: /“potion” is not a kind of statement/)
    expect(page).to have_css("[data-testid=note] section", minimum: 3)
    click_button "Undo the last change"
    expect(page).to have_no_css("[role=alert]")
    expect(page).to have_css("[data-testid=window] canvas")
  end
end
