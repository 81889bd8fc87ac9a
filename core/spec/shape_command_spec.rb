# frozen_string_literal: true

require "stringio"

RSpec.describe Lattice::Command do
  let(:folder) { Dir.mktmpdir }

  after { FileUtils.remove_entry(folder) }

  def run(*arguments)
    out = StringIO.new
    err = StringIO.new
    status = described_class.new(["shape", *arguments], out: out, err: err).call
    [status, out.string, err.string]
  end

  def file(name, content) = File.join(folder, name).tap { |path| File.binwrite(path, content) }

  def model_file(*statements)
    list = statements.each_with_index.map { |s, i| { "id" => "s#{i + 1}" }.merge(s) }
    file("model.json", JSON.generate("format" => "gentle-lattice-model", "version" => 2, "name" => "Bench", "units" => "mm-N", "statements" => list))
  end

  it "tells bodies, faces by kind, volume, centre and inertia of a model" do
    status, out, = run(model_file(*block, *ball))
    expect(status).to eq(0)
    expect(out).to include("block (solid)").and match(/volume\s+24.000 mm3/).and include("centre of mass    30 mm; 20 mm; 5 mm").and include("12 lines")
    expect(out).to match(/side 1\s+sphere\s+10 mm/)
    status, out, = run(model_file(*block), "--json")
    body = JSON.parse(out)["bodies"][0]
    expect(body).to include("closed" => true, "edges" => 12, "volume" => be_within(1e-12).of(2.4e-5))
    expect(body["inertia"][2][2]).to be_within(1e-15).of(2.4e-5 * ((0.06**2) + (0.04**2)) / 12)
    expect(status).to eq(0)
  end

  it "reads a geometry file, tells its repairs, and exports" do
    stl = file("block.stl", Lattice::Format::Stl.binary([parts_of(*block).bodies[0].facets]))
    obj = File.join(folder, "block.obj")
    status, out, = run(stl, "--export", obj)
    expect([status, out]).to match([0, include("mended: 28 points welded")])
    expect(run(obj)[1]).to match(/volume\s+24.000 mm3/)
    expect(run(stl, "--unit", "in")[1]).to match(/volume\s+3\.933e8 mm3/)
  end

  it "finds imported files beside the model" do
    bytes = Lattice::Format::Stl.binary([parts_of(*block).bodies[0].facets])
    file("plate.stl", bytes)
    import = { "kind" => "import", "name" => "plate", "file" => "plate.stl", "digest" => Digest::SHA256.hexdigest(bytes) }
    expect(run(model_file(import))[1]).to match(/plate \(solid\)\n\s+volume\s+24.000 mm3/)
    status, = run(model_file(import.merge("digest" => "0" * 64)))
    expect(status).to eq(2)
  end

  it "ends with status 2 and the cure for what is wrong" do
    expect(run(File.join(folder, "none.stl"))).to match([2, "", include("there is no file").and(include("Check the path"))])
    expect(run(file("cut.stl", "solid x\nvertex 0 0 0\n"))).to match([2, "", include("“endsolid”, is missing")])
    broken = [*block, { "kind" => "cut", "body" => "ghost", "plane" => { "axis" => "x", "at" => "1 mm" }, "keep" => "above" }]
    expect(run(model_file(*broken))).to match([2, include("Fault: s3, body").and(include("no body named “ghost”")), ""])
    expect(run(model_file(*block), "--export", File.join(folder, "x.dwg"))[0]).to eq(2)
    expect(run(model_file(*block), "--export", "/no/such/folder/x.stl")).to match([2, "", include("cannot be written")])
    expect(run("--help")[1]).to include("--fineness SHARE")
  end
end
