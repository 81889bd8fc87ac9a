# frozen_string_literal: true

require_relative "spec_helper"

# Fields along edges, in bodies and groups, and over the loads; a body seen closely; sections out of the library.
RSpec.describe "Places of a result" do
  include Writing

  def edges(name, around)
    id = say("rule", kind_of_place: "edges", rule: "around the faces of")
    fill(id, "group", around)
    fill(id, "name", name)
  end

  it "follows edges with several fields, tells extremes by place, and shows the loads" do
    bar("Edges", "+x")
    places_of("all rims", "part", "edges")
    edges("rim", "tip")
    path = say("path", way: "along edges")
    find("##{path} [aria-label^='target:']").click
    choose_target("all rims", path)
    # They branch: said before anything is solved.
    expect(page).to have_text(/“all rims” are not one line/)
    find("##{path} [aria-label^='target:']").click
    choose_target("rim", path)
    expect(page).to have_no_text(/are not one line/)
    fill(path, "quantity", "stress xx")
    fill(path, "another field", "displacement along x")
    solve
    tab("Paths")
    ["stress xx", "displacement along x"].each { |words| expect(page).to have_css("svg[aria-label='#{words} along Path']") }
    within("table[aria-label='Values along the path']") do
      # Around the end: 2 · (20 + 10) mm, where 2 kN over 200 mm² pull.
      expect(page).to have_css("tbody tr:last-child td:first-child", text: "60", exact_text: true)
      expect(page).to have_css("tbody tr:last-child td:nth-child(2)", text: /\A(9\.\d+|10(\.\d+)?)\z/)
    end
    tab("Extremes")
    within("table[aria-label=Extremes]") { expect(page).to have_css("tbody tr", count: 5) }
    find("table[aria-label=Extremes] tbody tr", text: /\Aroot/).click
    expect(page).to have_css("[data-testid=window]", text: /\A?.*0 mm; /)
    fill_arrows("loads")
    click_button "animate"
    find("button[aria-label='speed: usual speed']").click
    find("[role=menuitem]", text: "twice as fast").click
    expect(page).to have_css("button[aria-label='speed: twice as fast']")
    click_button "pause"
  end

  def fill_arrows(what)
    find("button[aria-label^='arrows:']").click
    find("[role=menuitem]", text: what, exact_text: true).click
    expect(page).to have_css("button[aria-label='arrows: #{what}']")
  end

  it "takes a body out of the whole and sees it closely" do
    bar("Close", "−y")
    say("rectangle", width: "40 mm", height: "20 mm", x: "40 mm")
    say("body", name: "lug", thickness: "10 mm", origin_z: "10 mm")
    say("join")
    close = say("close-up", cut_out: "the whole body", size: "4 mm")
    expect(page).to have_css("##{close} [aria-label='body: lug']")
    solve
    within("nav[aria-label=Studies]") { expect(page).to have_css("button[title='Close-up: solved']", wait: 90) }
    expect(page).to have_css("##{close} [data-close-up]", text: /points of the cut move as the whole does.*Peak [\d.]+ MPa, [\d.]+ MPa in the whole/)
    show("Close-up")
    fill_arrows("what the whole hands on")
  end

  it "keeps a section in the library and draws one from there" do
    visit "/library"
    find("[role=tab]", text: "Sections").click
    find("input", match: :first).send_keys("IPE 200")
    expect(page).to have_css("table[aria-label=Sections] tbody tr", count: 1, text: /200 mm.*28\.48.*943.*142\.4/)
    find("input", match: :first).send_keys([:control, "a"], "shelf")
    click_button "A section of your own"
    within("form") do
      { "name" => "shelf rail", "height" => "60 mm", "web or wall" => "3 mm" }.each { |label, text| find("input[aria-label='#{label}']").set(text) }
      find("select").select("channel")
      click_button "Keep it"
      expect(page).to have_css("[role=alert]", text: /width is missing/)
      find("input[aria-label=width]").set("30 mm")
      click_button "Keep it"
    end
    expect(page).to have_css("table[aria-label=Sections] tbody tr", count: 1, text: /shelf rail.*own/)
    new_project("Rails")
    outline = say("section")
    ["shelf", "IPE 300"].zip(["60 mm", "300 mm"]) do |words, height|
      find("##{outline} [aria-label^='size:']").click
      find("[cmdk-input]").send_keys(words, :enter)
      expect(page).to have_css("##{outline} [aria-label='height: #{height}']")
    end
    expect(page).to have_css("##{outline} [aria-label='size: IPE 300']")
    fill(outline, "web", "8 mm")
    expect(page).to have_css("##{outline} [aria-label='size: own sizes']")
  end

  it "keeps a bolt in the library, which a note takes over with its strength" do
    visit "/library"
    find("[role=tab]", text: "Bolts").click
    click_button "A bolt of your own"
    within("form") do
      { "name" => "dome stud", "diameter" => "10 mm", "proof strength" => "450 MPa" }.each { |label, text| find("input[aria-label='#{label}']").set(text) }
      click_button "Keep it"
      expect(page).to have_css("[role=alert]", text: /neither a pitch nor a stress area/)
      find("input[aria-label=pitch]").set("1.25 mm")
      click_button "Keep it"
    end
    expect(page).to have_css("table[aria-label='Bolts of your own'] tbody tr", count: 1, text: /dome stud.*own.*450 MPa/)
    new_project("Studs")
    bolts = say("bolt")
    fill(bolts, "size", "dome stud")
    expect(page).to have_css("##{bolts} [aria-label='class: dome stud']")
    fill(bolts, "size", "M12")
    expect(page).to have_css("##{bolts} [aria-label='class: 8.8']")
  end

  def beside(chip, item)
    find("button[aria-label^='#{chip}:']").click
    find("[role=menuitem]", text: item, match: :first).click
  end

  it "sets a model beside its older revision, on another mesh, and tells what changed" do
    bar("Before and after", "−y")
    solve
    fill(ids.find { |id| page.has_css?("##{id} [aria-label='force: 2 kN']", wait: 0) }, "force", "1 kN")
    fill(ids.find { |id| page.has_css?("##{id} [aria-label='size: 10 mm']", wait: 0) }, "size", "7 mm")
    within("nav[aria-label=Studies]") { expect(page).to have_css("button[title^='Static: stale']") }
    solve_all("Static")
    click_button "Side by side"
    expect(page).to have_css("section[data-ready] canvas", count: 2)
    beside("model B", /\Arevision \d+/)
    beside("field", "displacement along y")
    # Twice the force on a coarser mesh: the older one moves twice as far.
    within("table[aria-label='Findings compared']") { expect(page).to have_css("tbody tr", text: /displacement.*\+(9\d|10\d)\.\d %/) }
    click_button "A − B"
    expect(page).to have_css("section[aria-label='Window B'][data-ready]", text: /A − B, B read at the points of A/)
    click_button "A − B"
    beside("field", "von Mises")
    beside("averaging A", "by element")
    expect(page).to have_css("section[aria-label='Window A'] button[aria-label='averaging A: by element']")
  end
end
