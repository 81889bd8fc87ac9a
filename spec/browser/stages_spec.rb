# frozen_string_literal: true

require_relative "spec_helper"

# Loads in stages: a bar that is overloaded once, and a clamp that is tightened and then leant on.
RSpec.describe "Stages" do
  include Writing

  it "loads a bar beyond yield and lets it go, in a sheet of stages" do
    bar("Bar that is overloaded", "−x")
    say("yielding", strength: "250 MPa", hardens: "hardens along")
    study = say("stages")
    within("##{study}") { expect(page).to have_css("table[aria-label=Stages] [data-chip][aria-label='stage 1: load']") }
    fill(study, "all loads in stage 1", "26")
    fill(study, "increments of stage 1", "4")
    solve_all("Static", "Stages")
    show("Stages")
    within("##{study}") { expect(page).to have_css("[data-stages=done]", text: /load: .* plastic strain .*let go:/) }
    within("[aria-label=Frames]") { expect(page).to have_css("[role=radio]", minimum: 5) }
    tab("Stages")
    within("table[aria-label='Stages of the study']") { find("tbody tr", text: "let go").click }
    expect(page).to have_css("[aria-label=Frames] [role=radio][aria-checked=true][aria-label='let go']")
    # How long it lasts, by the strains that were found.
    life = say("life")
    fill(life, "of study", "Stages")
    within("##{life}") { expect(page).to have_css("[aria-label='load: through stages in order']") & have_css("[aria-label='step 2: let go']") & have_no_css("[aria-label^='scale']") }
    fill(life, "by", "strain")
    within("##{life}") { click_button "type them" }
    solve_all("Life")
    within("##{life}") { expect(page).to have_css("[data-life]", text: /Lasts .* strain and stress, as found, may be .* times as much/) }
    show("Life")
    tab("Life")
    expect(page).to have_text(/Strains are as the stages found them/) & have_css("[aria-label='stress over strain']")
    fill(study, "all loads in stage 2", "26")
    expect(page).to have_text(/nothing changes in stage “let go”/)
  end

  it "takes a support away by a name that it gets, beside a spring along a typed curve and a modulus over temperature" do
    bar("Bar whose prop is struck", "−y")
    prop = say("fix", target: "tip", components: "in y")
    spring = say("spring", target: "tip")
    fill(spring, "spring curve", "type a curve instead")
    find("[data-chip][aria-label='held by 2: 1 kN']").click
    find("input[aria-label='held by 2']").send_keys([:control, "a"], "3 kN", :enter)
    expect(page).to have_css("[aria-label='Force over movement']")
    press(:escape)
    expect(page).to have_css("##{spring} [aria-label='spring curve: a curve of 2 points']")
    steel = ids.find { |id| page.has_css?("##{id} [aria-label^='material:']", wait: 0) }
    find("##{steel}").click
    find("##{steel} [aria-label^='over temperature:']").click
    click_button "type it over temperature"
    expect(page).to have_css("[aria-label='Modulus over temperature']")
    press(:escape)
    study = say("stages")
    fill(study, "all loads in stage 2", "1")
    fill(study, "stage 2", "strike")
    fill(study, "what comes or goes", "support of tip")
    within("##{study}") { expect(page).to have_css("[aria-label='support of tip in stage 2: goes']") }
    fill(prop, "name", "prop")
    within("##{study}") { expect(page).to have_css("[aria-label='prop in stage 2: goes']") }
    solve_all("Stages")
    within("##{study}") { expect(page).to have_css("[data-stages=done]", text: /load: .*strike: /) }
    within("##{spring}") { expect(page).to have_text(/carries .*N at most/) }
  end

  it "shows how it converges while it runs, and goes on from there when it was stopped" do
    bar("Bar that is bent far", "−y")
    fill(ids.find { |id| page.has_css?("##{id} [aria-label='size: 10 mm']", wait: 0) }, "size", "2.8 mm")
    fill(ids.find { |id| page.has_css?("##{id} [aria-label='force: 2 kN']", wait: 0) }, "force", "40 kN")
    say("collapse")
    begun = Time.now
    click_button "Solve", match: :first
    within("nav[aria-label=Studies]") { expect(page).to have_css("button[title='Static: solved']", wait: 90) }
    expect(page).to have_css("[data-course]", text: /increment \d+, (trying|at) [\d.]+ × the loads\s*iteration \d+: .* left over/, wait: 60)
    # Something has come to rest, and was written.
    expect(page).to have_css("[data-course]", text: /Stopped, it keeps what has come to rest/, wait: 60)
    Studio.wait(60) { Dir[File.join(Desk.data, "derived", "*.way", "memory")].any? { |file| File.mtime(file) > begun } }
    click_button "Stop"
    expect(page).to have_css("li[data-state=stopped]")
    click_button "Go on"
    expect(page).to have_css("li[data-state=running]", text: /It goes on from increment \d+/, wait: 60)
    click_button "Stop"
    expect(page).to have_css("li[data-state=stopped]", minimum: 2)
  end

  it "shows what passes through a touch, and what sticks, when a clamp is tightened and leant on" do
    open_model("Mirror-cell clamp")
    within_section("Joins and supports") { expect(page).to have_css("[data-standing]", text: /closed|apart/) }
    within_section("Joins and supports") { expect(page).to have_css("[data-touch]", text: /tighten: .*closed.*sticks.*lean: /m) }
    tab("Stages")
    within("table[aria-label=Touches]") { expect(page).to have_css("tbody tr", count: 2) }
    find("[aria-label^='field:']").click
    find("[role=menuitem]", text: "pressure of touch").click
    expect(page).to have_css("[data-testid=window]", text: /pressure of touch/)
  end
end
