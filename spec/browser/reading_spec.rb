# frozen_string_literal: true

require_relative "spec_helper"

# Reading a result in the window: ways to average, inside on a plane, labels that stay, views that are kept, files that leave.
RSpec.describe "Reading a result" do
  # What the page lets the browser save: name, kind and size of each file.
  def saved
    page.evaluate_script("window.saved")
  end

  def watch_files
    page.execute_script(<<~SCRIPT)
      window.saved = [];
      const make = URL.createObjectURL;
      URL.createObjectURL = (blob) => (window.saved.push({ type: blob.type, size: blob.size }), make(blob));
    SCRIPT
  end

  def choose(chip, item)
    find("button[aria-label^='#{chip}:']").click
    find("[role=menuitem]", text: item).click
  end

  def peak = find("[data-testid=window] .card b.font-semibold:not(.font-sans)", match: :first).text.to_f

  def open_copy(name)
    make_copy(name)
    find("article a", text: "#{name} copy", match: :first).click
    find("[data-testid=legend]")
  end

  it "reads it unaveraged, by element, around an axis, in bands, and inside" do
    open_model("Shutter link")
    averaged = peak
    choose("averaging", "as each element has it")
    Studio.wait { peak > averaged }
    choose("averaging", "one value an element")
    Studio.wait { peak < averaged }
    choose("averaging", "averaged at nodes")
    Studio.wait { (peak - averaged).abs < 1e-9 }
    choose("axes", "around z")
    find("button[aria-label^='field:']").click
    expect(page).to have_css("[role=menuitem]", text: /\Astress r\z/)
    press(:escape)
    type = find("button[aria-label^='through:']")
    type.click
    find("input[aria-label=through]").send_keys([:control, "a"], "one, two", :enter)
    expect(page).to have_css("[role=alert]", text: "not three lengths")
    press(:escape)
    click_button "bands"
    click_button "at rest"
    click_button "cut open"
    expect(page).to have_css("input[aria-label='Where the part is cut open']")
    expect(page).to have_css("[data-testid=window] .font-mono", text: /mm\z/)
    expect(page).to have_button("bands") { |b| b["aria-pressed"] == "true" }
  end

  it "keeps labels, lists them, and makes a gauge of one" do
    open_copy("Shutter link")
    click_in_window(0.5, 0.45, says: "MPa")
    expect(page).to have_css("[data-testid=probes] button", text: /\A1 · .*MPa/)
    # Beside the first label, which a click would take away.
    click_in_window(0.75, 0.5, says: "MPa")
    expect(page).to have_css("table[aria-label=Probes] tbody tr", count: 2)
    find("[data-testid=probes] button", text: "2 ·").click
    expect(page).to have_css("table[aria-label=Probes] tbody tr", count: 1)
    within("table[aria-label=Probes]") { click_button "make a gauge" }
    within_section("Findings") { expect(page).to have_css("[id^=statement-]", text: /Gauge.*records/m) }
  end

  it "lists the nodes of a body, of which only those in sight are drawn, and sorts them all" do
    open_model("Shutter link")
    find("[role=tab]", text: "Nodes").click
    find("button[aria-label^='place:']").click
    all("[role=menuitem]").last.click
    table = find("table[aria-label^='Nodes of']")
    expect(table).to have_css("tbody tr", minimum: 40)
    drawn = table.all("tbody tr").size
    expect(drawn).to be < 200
    within(table) { click_button "von Mises stress, MPa" }
    top = table.all("tbody tr").first.text.split.last.to_f
    expect(top).to be_within(0.5).of(peak)
    page.execute_script("document.querySelector('[data-scroll]').scrollTop = 1e9")
    Studio.wait { table.all("tbody tr:not([aria-hidden])").last.text.split.last.to_f < top / 10 }
  end

  it "keeps a view in the note, comes back to it, and sets it in the report" do
    open_copy("Notched hanger")
    click_button "cut open"
    click_button "keep this view"
    within_section("Findings") do
      expect(page).to have_css("img[alt$=' of Counterweight']")
      expect(page).to have_text(/cut open at x/)
    end
    click_button "cut open"
    click_button "front"
    within_section("Findings") { click_button "show" }
    expect(page).to have_css("input[aria-label='Where the part is cut open']")
    click_button "Report"
    expect(page).to have_css("[data-report=ready]", wait: 60)
    expect(page).to have_css(".study figure figcaption b", text: "View:")
    expect(page.all(".study figure img").size).to be >= 1
  end

  it "leaves as a picture, a film and files" do
    open_model("Shutter link")
    watch_files
    click_button "export"
    find("select[aria-label='Size of the picture']").select("1280 × 800")
    click_button "PNG"
    Studio.wait { saved.any? { |f| f["type"] == "image/png" && f["size"] > 5000 } }
    click_button "GIF"
    Studio.wait { saved.any? { |f| f["type"] == "image/gif" && f["size"] > 20_000 } }
    hrefs = all("a[href*='/export/']", minimum: 3).map { |a| a[:href] }
    expect(hrefs.map { |h| URI(h).path[/\.\w+\z/] }).to eq(%w[.glb .stl .vtu])
    expect(hrefs.map { |h| Net::HTTP.get_response(URI(h)).code }).to all(eq("200"))
    press(:escape)
    click_button "XLSX", match: :first
    Studio.wait { saved.any? { |f| f["type"].include?("spreadsheetml") && f["size"] > 2000 } }
  end
end
