# frozen_string_literal: true

require "stringio"
require "tmpdir"

RSpec.describe Lattice::Command do
  def run(*arguments)
    out = StringIO.new
    err = StringIO.new
    status = described_class.new(arguments, out: out, err: err).call
    [status, out.string, err.string]
  end

  def with_model(*model_arguments)
    Dir.mktmpdir do |folder|
      path = File.join(folder, "model.json")
      File.write(path, JSON.generate(model(*model_arguments)))
      yield path, folder
    end
  end

  limit = ->(at_most) { { "id" => "l", "kind" => "limit", "study" => "pull", "quantity" => "von_mises", "target" => "bar", "at_most" => at_most } }

  it "writes a file a frame, and which belongs to which" do
    Dir.mktmpdir do |folder|
      path = File.join(folder, "bar.json")
      more = [{ "id" => "v", "kind" => "study", "name" => "ring", "type" => "vibration", "modes" => 2 }]
      File.write(path, JSON.generate(model({}, *more)))
      run("solve", path, "--study", "ring", "--out", folder)
      expect(Dir.children(folder)).to include("result 1 mode 1.vtu", "result 2 mode 2.vtu", "result.pvd")
      rows = File.read(File.join(folder, "result.pvd")).scan(/timestep="([\d.]+)" part="0" file="([^"]+)"/)
      expect(rows.map(&:last)).to eq(["result 1 mode 1.vtu", "result 2 mode 2.vtu"])
      expect(rows[0][0].to_f).to be_within(10).of(205)
    end
  end

  it "writes every table as a workbook, and a frame as a file" do
    with_model({}, { "id" => "c", "kind" => "section_cut", "name" => "middle", "study" => "pull", "body" => "bar", "plane" => { "axis" => "x", "at" => "50 mm" } }) do |path, folder|
      book, surface, bad = %w[all.xlsx bent.glb bent.doc].map { |name| File.join(folder, name) }
      expect(run("results", path, "--xlsx", book)).to match([0, "", anything])
      expect(File.binread(book, 2)).to eq("PK")
      expect(run("results", path, "--export", surface, "--field", "displacement", "--times", "20")[0]).to eq(0)
      expect(File.binread(surface, 4)).to eq("glTF")
      expect(run("results", path, "--export", bad)).to match([2, "", /not a format that results are written in/])
      expect(run("results", path, "--export", surface, "--frame", "4")).to match([2, "", /no frame 4/])
      expect(run("results", path, "--xlsx", File.join(folder, "nowhere", "x.xlsx"))).to match([2, "", /cannot be written/])
      expect(run("results", path, "--show", "sections", "--csv")[1]).to include("middle")
    end
  end

  it "tells how long a part lasts, what lowers its strength by which formula, and loop by loop" do
    life = { "id" => "f", "kind" => "study", "name" => "last", "type" => "life", "of" => "pull",
             "life" => { "load" => { "ratio" => "-1" }, "curve" => { "coefficient" => "900 MPa", "exponent" => "-0.09" }, "design" => "1e6", "size" => "20 mm", "other" => "0.9" } }
    with_model({}, life) do |path, _|
      status, out, = run("solve", path, "--study", "last")
      expect(status).to be_between(0, 1)
      expect(out).to match(/life under “pull”, least in bar, factor on the load [\d.]+.*at least 1.000.000.*size × 0.8999 = 1.24 · 20\^-0.107, diameter in mm; other × 0.9/)
      expect(out).to match(/loop +amplitude +mean/)
    end
  end

  it "solves: findings on standard output, progress on standard error, status 0 when all holds" do
    with_model({}, limit.call("yield")) do |path, folder|
      status, out, err = run("solve", path, "--json", "--study", "pull", "--out", File.join(folder, "out"))
      expect(status).to eq(0)
      expect(JSON.parse(out)["findings"].map { |f| f["kind"] }).to eq(%w[equilibrium limit])
      expect(err).to match(/100 %|factorisation/)
      expect(Dir.children(File.join(folder, "out"))).to match_array(%w[result.vtu findings.json])
    end
  end

  it "gives any table of a study, for people, as CSV, or as JSON" do
    gauge = { "id" => "g", "kind" => "gauge", "name" => "sag", "study" => "pull", "quantity" => "displacement_y", "spot" => { "x" => "200 mm", "y" => "10 mm", "z" => "5 mm" } }
    vibration = { "id" => "v", "kind" => "study", "name" => "ring", "type" => "vibration", "modes" => 2 }
    with_model({}, gauge, vibration) do |path|
      expect(run("results", path)[1].split).to include("frames", "reactions", "gauges", "nodes")
      status, out, = run("results", path, "--show", "reactions", "--csv")
      expect([status, out.lines[0].strip]).to eq([0, 'frame,support,"x, N","y, N","z, N"'])
      expect(CSV.parse(out)[1][3].to_f).to be_within(1e-6).of(1000)
      expect(run("results", path, "--show", "gauges")[1]).to include("sag: displacement along y, mm")
      nodes = JSON.parse(run("results", path, "--show", "nodes", "--at", "tip", "--json")[1])
      expect(nodes).to all(include("x, mm" => be_within(1e-6).of(200)))
      modes = CSV.parse(run("results", path, "--study", "ring", "--show", "modes", "--csv")[1], headers: true)
      expect(modes.map { |row| row["frequency, Hz"].to_f }).to match([be_within(3).of(209), be_within(6).of(415)])
      expect(run("results", path, "--show", "bolts")).to match([2, "", /no table “bolts”. Known: frames/])
      expect(run("results", path, "--show", "nodes")).to match([2, "", /no place is named/])
    end
  end

  it "ends with status 1 when a limit fails, and shows a table to people" do
    with_model({}, limit.call("1 MPa")) do |path|
      status, out, = run("solve", path)
      expect(status).to eq(1)
      expect(out).to match(/von Mises stress in bar .*1 MPa .*fails, -/)
    end
  end

  it "ends with status 2 for input that is wrong, with the statement and the cure" do
    with_model({ material: nil }) do |path|
      expect(run("solve", path)).to match([2, "", /body “bar” has no material. Add/])
      expect(run("check", path)[0..1]).to match([2, /stops\s+the body “bar” has no material/])
      status, out, = run("solve", path, "--json")
      expect([status, JSON.parse(out)["faults"].first["message"]]).to match([2, /no material/])
    end
    expect(run("solve", "nowhere.json")).to match([2, "", /no file “nowhere.json”/])
    expect(run("solve")).to match([2, "", /no model file is named/])
    expect(run("dance")).to match([2, "", /“dance” is not a command/])
    expect(run("solve", "--colour")).to match([2, "", /invalid option: --colour/])
    with_model { |path| expect(run("solve", path, "--study", "push")).to match([2, "", /no study named “push”/]) }
  end

  it "ends with status 3 when the solve fails" do
    with_model do |path|
      allow(Lattice::Algebra::Factor).to receive(:new).and_raise(Lattice::SolveFailed, "memory ran out")
      expect(run("solve", path)).to match([3, "", /the solve failed: memory ran out/])
    end
  end

  it "runs as a program of its own, with nothing loaded but what it asks for" do
    with_model({}, limit.call("yield")) do |path, folder|
      out = File.join(folder, "new", "folder")
      program = File.expand_path("../../bin/lattice", __dir__)
      expect(system(program, "solve", path, "--out", out, out: File::NULL, err: File::NULL)).to be(true)
      expect(Dir.children(out)).to match_array(%w[result.vtu findings.json])
    end
  end

  it "checks, lists materials and helps" do
    with_model do |path|
      expect(run("check", path)[0..1]).to eq([0, "Ready to solve.\n"])
      expect(JSON.parse(run("check", path, "--json")[1])).to include("ready" => true)
    end
    expect(JSON.parse(run("materials", "--json")[1]).size).to be >= 15
    expect(run("materials")[1]).to match(/steel S355 .*355 MPa/)
    expect(run("station")[1]).to match(/FH-0307 .*0\.42 g/)
    expect(Lattice::Format::MotionFile.read(run("station", "FH-0519", "east")[1]).values.size).to eq(801)
    expect(run("station", "FH-1")).to match([2, "", /no event “FH-1”/])
    [["--help"], ["solve", "--help"], ["check", "--help"], ["materials", "--help"], []].each do |arguments|
      expect(run(*arguments)[0..1]).to match([0, /Usage: lattice/])
    end
  end
end
