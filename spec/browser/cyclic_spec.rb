# frozen_string_literal: true

require_relative "spec_helper"

# What swings, what wears, and what is warmed by points of a file: from an empty project.
RSpec.describe "What swings, wears and warms" do
  include Writing

  let(:folder) { Dir.mktmpdir }

  after { FileUtils.rm_rf(folder) }

  def file(name, text) = File.join(folder, name).tap { |path| File.write(path, text) }

  it "sweeps frequencies: a gauge finds the peak, a click on its curve shows it, sound power is told, and bad damping refused" do
    bar("Bar that swings", "−y")
    say("vibration", modes: "6")
    sweep = say("harmonic response", from: "100 Hz", damping: "3 %")
    fill(sweep, "to", "1500 Hz")
    say("gauge", quantity: "displacement along y", at_x: "120 mm", at_y: "10 mm", at_z: "5 mm")
    say("radiated power", target: "tip")
    solve_all("Static", "Vibration", "Sweep")
    show("Sweep")
    within("##{sweep}") { expect(page).to have_css("[data-sweep]", text: /frequencies, 6 modes, and what the modes left out add stiffly/) }
    within_section("Findings") do
      expect(page).to have_text(/greatest at 1\D?1\d\d Hz, 16\.\d+ times what the loads do at rest/)
      expect(page).to have_css("[data-power]", text: /at most .* W, .* dB/)
      find("button.underline", match: :first).click
    end
    expect(page).to have_css("[data-testid=window]", text: /Sweep, 1\D?1\d\d Hz/)
    tab("Gauges")
    find("svg[aria-label='gauges over the frames']").click
    expect(page).to have_css("[data-testid=window]", text: /Sweep, \d/)
    within("[aria-label=Frames]") { find("[role=radio]", text: "envelope over the sweep").click }
    expect(page).to have_text("an envelope does not move")
    tab("Modes")
    within("table[aria-label='Modes of the sweep']") { expect(page).to have_css("tbody tr", count: 6).and have_text("97") }
    within("##{sweep}") { click_button "by mass and stiffness" }
    fill(sweep, "second ratio", "6 %")
    find("##{sweep} [aria-label='damping curve: curve']").click
    expect(page).to have_css(".popover svg[aria-label='Damping over frequency']").and have_css(".popover", text: /α = [\d.]+ 1.s by mass, β = [\d.e×⁻−-]+.* s by stiffness/)
    press(:escape)
    within("##{sweep}") { click_button "one ratio" }
    fill(sweep, "damping", "120 %")
    expect(page).to have_text("critical or over it: nothing would swing")
  end

  it "finds how long it lasts: fully reversed, then by a recorded history out of a file; one with a gap is refused" do
    bar("Bar that wears", "−y")
    life = say("life", endurance: "50 MPa")
    solve_all("Static", "Life")
    within("##{life}") { expect(page).to have_css("[data-life]", text: /Lasts .* at least.*(holds|fails)/) }
    show("Life")
    tab("Life")
    within("table[aria-label=Loops]") { expect(page).to have_css("tbody tr", count: 1) }
    expect(page).to have_css("[data-testid=window]", text: /life, as a power of ten.*least/)
    find("##{life} [aria-label^='load:']").click
    find("[role=menuitem]", text: "as recorded").click
    within("##{life}") { expect(page).to have_text("in 2 values") }
    find("##{life} input[aria-label='history file']", visible: :all).attach_file(file("gap.csv", "step,pull\n0,1\n1,\n"))
    expect(page).to have_text("gap.csv: line 3 has a gap")
    find("##{life} input[aria-label='history file']", visible: :all).attach_file(file("night.csv", "step,pull\n0,0.2\n1,1\n2,-0.5\n3,0.8\n4,-1\n5,0.4\n"))
    within("##{life}") { expect(page).to have_text("in 6 values of night.csv") }
    solve_all("Life")
    tab("Life")
    within("table[aria-label=Loops]") { expect(page).to have_css("tbody tr", count: 3) }
    expect(page).to have_css("svg[aria-label='amplitude over mean'] circle", count: 3)
  end

  it "takes temperatures from a file of points, shows what was carried over, and refuses a file in another unit" do
    bar("Bar in the frost", "−y")
    statement = say("temperatures from a file")
    expect(page).to have_text("it has no file of points yet")
    rows = (-5..125).step(10).to_a.product([-5, 5, 15, 25], [-5, 5, 15]).map { |x, y, z| [x, y, z, 20 - (x / 4.0)].join(",") }
    find("##{statement} input[aria-label='file of temperatures']", visible: :all).attach_file(file("frost.csv", "x,y,z,t\n#{rows.join("\n")}"))
    within("##{statement}") { expect(page).to have_text("has the temperatures of frost.csv") }
    choose = lambda do |unit|
      find("##{statement} [aria-label^='unit:']").click
      find("[role=menuitem]", exact_text: unit).click
    end
    choose["mm"]
    solve_all("Static")
    within("##{statement}") { expect(page).to have_css("[data-mapped]", text: /168 points of .* None lies too far/) }
    choose["m"]
    click_button "Solve", match: :first
    expect(page).to have_text(/nodes lie farther than .* from its points/, wait: 60)
  end

  it "presses with what another program found, out of a file of points" do
    bar("Bar in the wind", "−y")
    statement = say("pressures from a file", target: "tip")
    rows = (100..140).step(5).to_a.product([-5, 5, 15, 25], [-5, 5, 15]).map { |x, y, z| [x, y, z, 3, 200 + (4 * y)].join(",") }
    find("##{statement} input[aria-label='file of pressures']", visible: :all).attach_file(file("wind.csv", "x,y,z,speed,p\n#{rows.join("\n")}"))
    within("##{statement}") { expect(page).to have_text("press the pressures of wind.csv") }
    fill(statement, "column", "p")
    fill(statement, "unit", "mm")
    fill(statement, "pressure unit", "kPa")
    solve_all("Static")
    # 180 to 280 kPa over the height, 240 in the middle of 20 by 10 mm²: 48 N.
    within("##{statement}") { expect(page).to have_css("[data-mapped]", text: /108 points of 0\.18 MPa to 0\.3 MPa.*nodes of 0\.2 MPa to 0\.28 MPa, mean 0\.24 MPa.*None lies too far/) }
    tab("Reactions")
    expect(page).to have_css("table", text: /\b48\b/)
    fill(statement, "column", "heat")
    expect(page).to have_text(/it has no column “heat”/)
  end

  it "moves a face as another program found, out of a file of points" do
    bar("Bar that is carried along", "−y")
    statement = say("movements from a file", target: "tip")
    rows = (100..140).step(5).to_a.product([-5, 5, 15, 25], [-5, 5, 15]).map { |x, y, z| [x, y, z, 0, -0.3, 0].join(",") }
    find("##{statement} input[aria-label='file of displacements']", visible: :all).attach_file(file("moved.csv", "x,y,z,ux,uy,uz\n#{rows.join("\n")}"))
    within("##{statement}") { expect(page).to have_text("as moved.csv") }
    fill(statement, "unit", "mm")
    fill(statement, "movement unit", "mm")
    fill(statement, "components", "y alone")
    solve_all("Static")
    within("##{statement}") { expect(page).to have_css("[data-mapped]", text: /108 points of 0\.3 mm to 0\.3 mm.*None lies too far/) }
    within_section("Findings") { expect(page).to have_text(/greatest displacement 0\.30\d* mm/) }
    fill(statement, "columns", "ux, heat, uz")
    expect(page).to have_text(/it has no column “heat”/)
  end

  it "follows a course of time, out of a file too" do
    bar("Bar that is struck", "−y")
    say("vibration", modes: "4")
    course = say("transient response", until: "20 ms", step: "0.1 ms")
    say("gauge", quantity: "displacement along y", at_x: "120 mm", at_y: "10 mm", at_z: "5 mm")
    solve_all("Static", "Vibration", "Course")
    show("Course")
    within("##{course}") { expect(page).to have_css("[data-transient]", text: /201 moments, 4 modes/) }
    tab("Gauges")
    expect(page).to have_css("svg[aria-label='gauges over the frames']", text: "time, s")
    within("[aria-label=Frames]") { find("[role=radio]", text: "largest in size").click }
    expect(page).to have_css("[data-testid=window]", text: /Course, largest in size/)
    find("##{course} input[aria-label='course file']", visible: :all).attach_file(file("back.csv", "t,f\n0,0\n0.01,1\n0.005,0\n"))
    expect(page).to have_text("its course goes back")
    find("##{course} input[aria-label='course file']", visible: :all).attach_file(file("blow.csv", "t,f\n0,0\n0.001,1\n0.002,0\n"))
    within("##{course}") { expect(page).to have_text("a course of 3 points of blow.csv") }
    solve_all("Course")
  end

  it "finds the temperatures that settle, and what they do to the part" do
    bar("Bar on a stove", "−y")
    statement = say("held temperature", target: "root", temperature: "120 degC")
    say("air", target: "tip", temperature: "10 degC", film: "400 W/(m2 K)")
    say("heat study")
    solve_all("Heat")
    within_section("Studies") { expect(page).to have_css("[data-heat]", text: /to 120 degC\. In at root .* Out at tip .* they balance to 0\.00 %/) }
    show("Heat")
    expect(page).to have_css("[data-testid=window]", text: /temperature/)
    say("temperatures of a heat study")
    solve_all("Static")
    fill(statement, "temperature", "60 degC")
    within("nav[aria-label=Studies]") { expect(page).to have_no_css("button[title='Static: solved']") }
  end
end
