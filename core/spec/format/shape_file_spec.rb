# frozen_string_literal: true

RSpec.describe Lattice::Format::ShapeFile do
  let(:folder) { Dir.mktmpdir }

  after { FileUtils.remove_entry(folder) }

  def write(name, bytes)
    File.join(folder, name).tap { |path| File.binwrite(path, bytes) }
  end

  def read(name, bytes, **options)
    usual = described_class::Options.usual.to_h.merge(options)
    described_class.new(write(name, bytes), name, described_class::Options.new(**usual)).read
  end

  def facets(parts = block) = parts_of(*parts).bodies.last.facets
  def refused(name, bytes) = refusal { read(name, bytes) }
  def text_stl(*corners) = "solid x\n#{corners.map { |c| "vertex #{c.join(' ')}" }.join("\n")}\nendsolid x\n"

  it "reads back what it wrote: STL, OBJ" do
    bytes = Lattice::Format::Stl.binary([facets])
    content = read("block.stl", bytes)
    part = content.parts[0]
    expect([part.name, part.facets.faces.size, part.facets.edges.size]).to eq(["block", 6, 12])
    expect(part.facets.measures.volume * 1e9).to be_near(24_000, 1e-6)
    obj = read("two.obj", Lattice::Format::Obj.text([["a", facets], ["b", facets(ball)]]))
    expect(obj.parts.map { |p| (p.facets.measures.volume * 1e9).round(-1) }).to contain_exactly(24_000, 4190)
    expect(obj.report).to include(bodies: 2)
    expect(read("block.stl", bytes, unit: "in").parts[0].facets.measures.volume * 1e9).to be_near(24_000 * (25.4**3), 1e-6)
  end

  it "finds round faces in triangles" do
    drilled = [outline_named("plan", rectangle("0 mm", "0 mm", "60 mm", "40 mm"), holes: [circle(30, 20, 14)]), body_named("block", "plan", thickness: "10 mm")]
    part = read("drilled.stl", Lattice::Format::Stl.binary([facets(drilled)])).parts[0]
    bore = part.facets.faces.find { |f| f.surface.kind == "cylinder" }
    expect(bore.surface.radius * 1000).to be_near(7, 1e-5)
    expect(part.facets.measures.volume * 1e9).to be_near(24_000 - (Math::PI * 490), 1e-5)
  end

  it "mends: welds, drops doubled and flat triangles, turns what is inside out, closes T-joints" do
    surface = facets
    corners = surface.points[surface.triangles.flatten, true].reshape(surface.count, 3, 3) * 1000
    triangles = corners.to_a
    triangles[0] = triangles[0].values_at(0, 2, 1)
    triangles << triangles[3] << [[0, 0, 0], [0, 0, 0], [1, 1, 1]]
    # One triangle is parted at the middle of a side, its neighbour is not.
    a, b, c = triangles.delete_at(5)
    half = a.zip(b).map { |p, q| (p + q) / 2 }
    triangles.push([a, half, c], [half, b, c])
    content = read("torn.stl", text_stl(*triangles.flatten(1)))
    expect(content.report).to include(doubled: 1, degenerate: 1, turned: 1, joints_closed: 1, open_edges: 0)
    expect(content.parts[0].facets.measures.volume * 1e9).to be_near(24_000, 1e-6)
  end

  it "makes near points one where that is asked for: gaps close, slivers go, and nothing fine runs together" do
    surface = facets
    corners = (surface.points[surface.triangles.flatten, true] * 1000).to_a
    # One face lies 0.05 mm away from where its neighbours end.
    torn = corners.each_with_index.map { |c, i| i < 6 ? [c[0] + 0.03, c[1] + 0.04, c[2]] : c }
    expect(read("torn.stl", text_stl(*torn)).report[:open_edges]).to be > 0
    whole = read("torn.stl", text_stl(*torn), merge: 0.1e-3)
    expect(whole.report).to include(points_merged: 4, open_edges: 0)
    expect(whole.parts[0].facets.measures.volume * 1e9).to be_near(24_000, 5e-3)
    fine = read("ball.stl", Lattice::Format::Stl.binary([facets(ball)]), merge: 0.05e-3).parts[0].facets
    expect(fine).to be_closed
    expect(fine.measures.volume * 1e9).to be_near(4190, 0.02)
    expect(refusal { read("torn.stl", text_stl(*torn), merge: 5e-3) }).to match(/only 72.83 mm across: points within 5 mm cannot become one.*below 1.457 mm/m)
  end

  it "reports a surface that stays open, and where" do
    surface = facets
    corners = (surface.points[surface.triangles.flatten, true] * 1000).to_a
    content = read("open.stl", text_stl(*corners[3..]))
    expect(content.report).to include(open_edges: 3)
    expect(content.report[:open_at].size).to eq(3)
    expect(content.parts[0].facets).not_to be_closed
  end

  it "refuses what is cut short, empty, of another kind or not finite, with the cure" do
    bytes = Lattice::Format::Stl.binary([facets])
    expect(refused("a.stl", "")).to include("is empty")
    expect(refused("a.stl", bytes[0, 200])).to include("cut short: it announces 12 triangles, but ends after 2")
    expect(refused("a.stl", "solid x\nvertex 0 0 0\n")).to include("“endsolid”, is missing")
    expect(refused("a.stl", [*"x" * 80, [2_000_000_000].pack("V")].join)).to include("announces 2000000000 triangles; at most")
    expect(refused("a.stl", text_stl([0, 0, 0], [1, 0, 0], ["bad", 1, 0]))).to include("coordinate that is not a number")
    expect(refused("a.stl", text_stl([0, 0, 0], [1, 0, 0], ["nan", 1, 0]))).to match(/not a number|not finite/)
    expect(refused("a.stl", text_stl([0, 0, 0], [0, 0, 0], [0, 0, 0]))).to include("no extent")
    expect(refused("a.stl", text_stl([0, 0, 0], [1e12, 0, 0], [0, 1, 0]))).to include("beyond 100 km")
    expect(refused("a.obj", "v 0 0 0\nv 1 0 0\nf 1 2 9\n")).to include("line 3 of the OBJ file names a point that is not there")
    expect(refused("a.obj", "v 0 0 x\n")).to include("line 1 of the OBJ file")
    expect(refused("a.step", "ISO-10303-21;\n#{'x' * 9000}")).to include("END-ISO-10303-21, is missing")
    expect(refused("a.step", "%PDF-1.4")).to include("is not a STEP file")
    expect(refused("a.igs", "\0" * 2000)).to include("is not an IGES file")
    expect(refused("a.dwg", "x")).to include("none of the kinds that can be read")
  end

  it "reads apart, and says what went wrong there" do
    path = write("block.stl", Lattice::Format::Stl.binary([facets]))
    expect(described_class.read_apart(path, "block.stl").parts[0].facets.faces.size).to eq(6)
    broken = write("part.step", "ISO-10303-21;\nHEADER;\nENDSEC;\nDATA;\n#1=#{'(' * 5000};\nENDSEC;\nEND-ISO-10303-21;\n")
    expect(refusal { described_class.read_apart(broken, "part.step") }).to match(/could not be read|no solid or surface/)
    stub_const("Lattice::Format::ShapeFile::SECONDS", 0.01)
    expect(refusal { described_class.read_apart(path, "block.stl") }).to include("took longer than 0.01 s to read")
  end

  samples = Dir[File.expand_path("../../node/node_modules/occt-import-js/test/testfiles/**/*.{stp,step,igs}", __dir__)]
  # Every fourth of those that come with the reader: each starts a process of its own.
  some = samples.sort_by { |path| [File.size(path), path] }.each_slice(4).map(&:first)

  it "reads STEP and IGES files that others wrote; assemblies of other files name them" do
    expect(some.size).to be > 12
    queue = Queue.new
    some.each { |path| queue << path }
    results = {}
    Array.new(2) do
      Thread.new do
        until queue.empty?
          path = queue.pop(true)
          results[path] = begin
            described_class.read_apart(path, File.basename(path))
          rescue Lattice::InvalidInput => e
            e.message
          end
        end
      rescue ThreadError
        nil
      end
    end.each(&:join)
    refused, whole = results.values.partition { |r| r.is_a?(String) }
    expect(refused).to all(include("is an assembly whose parts lie in other files"))
    expect(whole.size).to be >= 10
    expect(whole.flat_map(&:parts).map(&:facets)).to all(be_closed)
    expect(whole.flat_map(&:parts).map { |p| p.facets.measures.volume }.min).to be_positive
  end

  it "keeps units, names, assembly and recognises faces of a STEP file" do
    find = ->(name) { samples.find { |path| File.basename(path) == name } }
    volumes = %w[cube-mm.step cube-in.step cube-m.step].map { |name| described_class.read_apart(find.call(name), name).parts[0].facets.measures.volume * 1e9 }
    # The same cube of one metre, written in three units.
    expect(volumes).to all(be_near(1e9, 1e-9))
    assembly = described_class.read_apart(find.call("as1-oc-214.stp"), "as1.stp")
    expect(assembly.parts.size).to eq(18)
    expect(assembly.parts.map(&:name)).to include("plate", "rod")
    kinds = assembly.parts.flat_map { |p| p.facets.faces.map { |f| f.surface.kind } }.tally
    expect(kinds).to eq("plane" => 90, "cylinder" => 70)
  end
end

RSpec.describe Lattice::Format::ShapeExport do
  it "writes binary glTF with a mesh per body and a primitive per face" do
    bytes = described_class.bytes(parts_of(*block).bodies, ".glb")
    magic, version, length = bytes.unpack("V3")
    json = JSON.parse(bytes[20, bytes[12, 4].unpack1("V")])
    expect([magic, version, length]).to eq([0x46546C67, 2, bytes.bytesize])
    expect(json["meshes"].map { |m| [m["name"], m["primitives"].size] }).to eq([["block", 6]])
    expect(json["accessors"][0]["max"].map { |c| c.round(9) }).to eq([0.06, 0.04, 0.01])
  end

  it "refuses other kinds, and bodies without faces" do
    expect(refusal { described_class.bytes(parts_of(*block).bodies, ".xyz") }).to include("“.xyz” is not a format")
    expect(refusal { described_class.bytes([], ".stl") }).to include("no body with faces")
  end
end
