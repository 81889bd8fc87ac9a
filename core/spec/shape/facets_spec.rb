# frozen_string_literal: true

RSpec.describe Lattice::Shape::Facets do
  def facets_of(*statements) = parts_of(*statements).bodies.last.facets

  it "finds edges where faces meet, and names them for the faces" do
    ring = facets_of(outline_named("tile", rectangle("10 mm", "0 mm", "20 mm", "10 mm")), body_named("ring", "tile", by: "revolve"))
    expect(ring.edges.map { |e| [e.name, e.curve, (e.radius * 1000).round(6)] })
      .to contain_exactly(["side 1 | side 2", "circle", 30.0], ["side 1 | side 4", "circle", 10.0], ["side 2 | side 3", "circle", 30.0], ["side 3 | side 4", "circle", 10.0])
    expect(ring.edges[0].length(ring.points)).to be_near(ring.edges[0].radius * 2 * Math::PI, 1e-9)
    expect(ring.vertices).to be_empty
  end

  it "splits edges of the same two faces at corners" do
    plate = facets_of(*block, outline_named("notch", rectangle("20 mm", "-5 mm", "10 mm", "15 mm")), body_named("tool", "notch", thickness: "30 mm", on: on("xy", z: -10)),
                      { "kind" => "combine", "name" => "part", "how" => "subtract", "body" => "block", "with" => ["tool"] })
    top = plate.edges.select { |e| e.name.start_with?("top") || e.name.include?("| top") || e.name.include?("top |") }
    expect(top.size).to eq(8)
    expect(top.map(&:curve).uniq).to eq(["line"])
    expect(plate.faces.map(&:name)).to include("side 1", "side 1 (2)")
    expect(plate.vertices.size).to eq(16)
  end

  it "moves, turns and mirrors without turning inside out" do
    solid = facets_of(*block)
    turned = solid.moved(Lattice::Shape::Frame.turning([0.0, 0.0, 0.0], [0.0, 0.0, 1.0], Math::PI / 2))
    expect(turned.measures.centre.map { |c| (c * 1000).round(9) }).to eq([-20, 30, 5])
    expect(turned.faces[0].surface.axis.map { |c| c.round(9) }.map(&:abs).sort).to eq([0, 0, 1])
    mirrored = solid.moved(Lattice::Shape::Frame.mirror([0.1, 0.0, 0.0], [1.0, 0.0, 0.0]))
    expect(mirrored.measures.volume).to be_near(2.4e-5, 1e-12)
    expect(mirrored.measures.centre[0] * 1000).to be_near(170, 1e-9)
    expect(mirrored.edges.size).to eq(12)
  end

  it "is closed only when every side has two triangles" do
    solid = facets_of(*block)
    expect(solid).to be_closed
    less = described_class.new(points: solid.points, triangles: solid.triangles[1.., true].dup, owners: solid.owners[1..].dup, faces: solid.faces)
    expect(less).not_to be_closed
    expect(less.topology.open.size).to eq(3)
    expect(less.measures.centre.map { |c| c * 1000 }).to all(be_between(0, 60))
  end

  it "goes through its file unchanged" do
    Dir.mktmpdir do |folder|
      path = File.join(folder, "x.facets")
      part = Lattice::Format::FacetsFile::Part.new(name: "ball", facets: facets_of(*ball), path: %w[a b], colour: [1.0, 0.5, 0.0])
      Lattice::Format::FacetsFile.write(path, Lattice::Format::FacetsFile::Content.new(parts: [part], report: { slivers: 2 }))
      back = Lattice::Format::FacetsFile.read(path)
      expect(back.report).to eq(slivers: 2)
      expect([back.parts[0].name, back.parts[0].path, back.parts[0].colour]).to eq(["ball", %w[a b], [1.0, 0.5, 0.0]])
      expect(back.parts[0].facets.measures.volume).to eq(part.facets.measures.volume)
      expect(back.parts[0].facets.faces[0].surface).to eq(part.facets.faces[0].surface)
    end
  end
end

RSpec.describe Lattice::Shape::Frame do
  it "places the three planes right-handed, x and y along their axes" do
    { "xy" => [[1, 2, 0], [0, 0, 1]], "yz" => [[0, 1, 2], [1, 0, 0]], "xz" => [[1, 0, 2], [0, -1, 0]] }.each do |plane, (image, normal)|
      frame = described_class.on(plane)
      expect(frame.point([1.0, 2.0, 0.0])).to eq(image)
      expect(frame.vector([0.0, 0.0, 1.0])).to eq(normal)
      expect(frame).not_to be_left_handed
    end
  end

  it "turns about the plane's normal" do
    expect(described_class.on("xz", [0.0, 5.0, 0.0], Math::PI / 2).point([1.0, 0.0, 0.0]).map { |c| c.round(12) }).to eq([0, 5, 1])
  end
end

RSpec.describe Lattice::Shape::SpaceLine do
  def line(*corners, **more)
    described_class.read(Lattice::Model::Statement.new({ "id" => "l", "kind" => "line", "name" => "way", "corners" => corners }.merge(more.transform_keys(&:to_s))))
  end

  it "rounds corners into arcs that are tangent to both legs" do
    way = line(spot(0, 0, 0), spot(0, 0, 100).merge("fillet" => "40 mm"), spot(60, 80, 100))
    lengths = way.points.each_cons(2).map { |a, b| Math.sqrt(a.zip(b).sum { |p, q| (p - q)**2 }) }
    expect(lengths.sum * 1000).to be_near(60 + 60 + (Math::PI * 20), 1e-3)
    expect(way.points.last.map { |c| (c * 1000).round(9) }).to eq([60, 80, 100])
    expect(way.legs.uniq).to eq(["leg 1", "bend 1", "leg 2"])
    turn = way.directions.each_cons(2).map { |a, b| Math.acos(a.zip(b).sum { |p, q| p * q }.clamp(-1, 1)) }
    expect(turn.max).to be < 0.06
  end

  it "takes steps from corner to corner in space" do
    expect(line(spot(1, 2, 3), { "dz" => "7 mm" }, { "dx" => "4 mm", "dy" => "-2 mm" }).points.last.map { |c| (c * 1000).round(9) }).to eq([5, 0, 10])
  end

  it "refuses legs without length and bends that do not fit" do
    expect(refusal { line(spot(0, 0, 0), spot(0, 0, 0)) }).to include("corners 1 and 2 lie on the same point")
    expect(refusal { line(spot(0, 0, 0), spot(0, 0, 10).merge("fillet" => "40 mm"), spot(50, 0, 10)) }).to include("fillet at corner 2 is too large")
  end
end

RSpec.describe Lattice::Verdict::Readiness do
  def words(*statements) = described_class.new(shape_problem(*statements)).notices.map { |n| n.fault.to_s }.join("\n")

  it "says what members need before they can be solved" do
    mast = [{ "kind" => "line", "name" => "leg", "corners" => [{ "x" => "0 mm", "y" => "0 mm" }, { "x" => "0 mm", "y" => "1 m" }] },
            { "kind" => "body", "name" => "mast", "outline" => "leg", "make" => "members" }]
    expect(words(*mast, { "kind" => "mesh", "size" => "20 mm" })).to include("“member 1” of “mast” has no section. Add a section statement")
    expect(words(*ball, { "kind" => "mesh", "size" => "2 mm" })).not_to include("not solved")
  end

  it "lets members lie in a plane model" do
    beside = lambda do |z, **make|
      line = { "kind" => "line", "name" => "bars", "corners" => [spot(5, 5, 0), spot(95, 5, z)] }
      shape_problem(line, { "kind" => "body", "name" => "steel", "outline" => "bars", "make" => "members" }, outline_named("beam", rectangle("0 mm", "0 mm", "100 mm", "20 mm")),
                    body_named("concrete", "beam", **make))
    end
    told = ->(problem) { described_class.new(problem).notices.map { |n| n.fault.message }.join }
    problem = beside[0, make: "plane stress", thickness: "20 mm"]
    expect(problem.parts.faults).to be_empty
    expect(told[problem]).not_to include("of members")
    expect(problem.parts.dimension).to eq(2)
    expect(told[beside[3, make: "plane stress", thickness: "20 mm"]]).to include("“steel” is made of members that do not lie in the plane")
    expect(told[beside[0, make: "axisymmetric"]]).to include("none of rings")
  end
end

RSpec.describe Lattice::Shape::Store do
  def content = Lattice::Format::FacetsFile::Content.new(parts: [Lattice::Format::FacetsFile::Part.new(name: "x", facets: parts_of(*block).bodies[0].facets)])

  it "makes a thing once, and forgets the oldest when it holds too much" do
    stub_const("Lattice::Shape::Store::TRIANGLES", 30)
    store = described_class.new
    made = Hash.new(0)
    fetch = ->(digest) { store.fetch(digest) { (made[digest] += 1) && content } }
    %w[a b a c a].each { |digest| fetch.call(digest) }
    expect(made).to eq("a" => 1, "b" => 1, "c" => 1)
    fetch.call("b")
    expect(made["b"]).to eq(2)
  end

  it "keeps files by what is in them, and lends others for a while" do
    Dir.mktmpdir do |folder|
      path = File.join(folder, "part.stl")
      File.write(path, "solid")
      store = described_class.new(File.join(folder, "store"))
      digest = Digest::SHA256.hexdigest("solid")
      expect(store.file(digest)).to be_nil
      store.lend(digest, path)
      expect(store.file(digest)).to eq(path)
      store.unlend(digest)
      expect(store.add_file(path)).to eq(digest)
      expect(File.read(store.file(digest))).to eq("solid")
      expect(store.file("../../etc/passwd")).to be_nil
    end
  end
end

RSpec.describe Lattice::Shape::Doubled do
  it "keeps the first of each, whichever way it runs and however large the numbers" do
    far = 2**30
    triangles = Numo::Int32[[1, 2, 3], [3, 1, 2], [far, 5, 7], [1, 3, 2], [5, 7, far + 1], [7, far, 5]]
    expect(described_class.first(triangles).to_a).to eq([1, 0, 1, 0, 1, 0])
  end
end

RSpec.describe Lattice::Shape::Repair do
  def turned(rows)
    solid = parts_of(*ball).bodies[0].facets
    triangles = solid.triangles.dup
    triangles[rows, true] = triangles[rows, [0, 2, 1]].dup
    [described_class.new(solid.points, triangles), solid]
  end

  it "turns the fewer triangles that run against the rest, and counts them" do
    repair, solid = turned([3, 4, 100, 2000])
    expect(repair.report).to include(turned: 4, open_edges: 0)
    expect(repair.triangles).to eq(solid.triangles)
  end

  it "turns a whole surface that is inside out" do
    repair, solid = turned((0...parts_of(*ball).bodies[0].facets.count).to_a)
    expect(repair.report[:turned]).to eq(solid.count)
    expect(repair.triangles).to eq(solid.triangles)
  end

  it "leaves a band with one twist open, as it has no right side" do
    band = (0...20).map { |i| [Math.cos(i * Math::PI / 10), Math.sin(i * Math::PI / 10), i * Math::PI / 20] }
    points = band.flat_map { |c, s, t| [-0.2, 0.2].map { |w| [(1 + (w * Math.cos(t))) * c, (1 + (w * Math.cos(t))) * s, w * Math.sin(t)] } }
    quads = (0...20).map { |i| i < 19 ? [2 * i, (2 * i) + 1, (2 * i) + 3, (2 * i) + 2] : [38, 39, 0, 1] }
    repair = described_class.new(Numo::DFloat.cast(points), Numo::Int32.cast(quads.flat_map { |a, b, c, d| [[a, b, c], [a, c, d]] }))
    expect(repair.triangles.shape[0]).to eq(40)
    expect(repair.report).to include(crowded_edges: 0, open_edges: 40)
  end
end

RSpec.describe Lattice::Shape::Inventory do
  def inventory(*statements) = shape_problem(*statements).then { |p| described_class.new(p.parts.bodies, p.materials.to_h) }

  it "weighs what has a density, and says whether that is everything" do
    line = { "kind" => "line", "name" => "bars", "corners" => [spot(0, 0, 0), spot(0, 0, 500)] }
    bars = { "kind" => "body", "name" => "bars body", "outline" => "bars", "make" => "members" }
    steel = { "kind" => "material", "target" => "block", "material" => "steel S355" }
    expect(inventory(*block, line, bars, steel).total).to match(volume: be_near(2.4e-5, 1e-9), mass: be_near(0.1884, 1e-9), complete: true, faces: 6)
    expect(inventory(*block, *ball, steel).total).to include(complete: false, mass: be_near(0.1884, 1e-9))
    expect(inventory(*block).total).to include(mass: nil, complete: false)
    expect(inventory(*block, line, bars, steel).rows.map { |r| [r[:name], r[:length]&.round(9), r[:mass]&.round(6)] }).to eq([["block", nil, 0.1884], ["bars body", 0.5, nil]])
  end

  it "weighs members by their sections" do
    line = { "kind" => "line", "name" => "bars", "corners" => [spot(0, 0, 0), spot(0, 0, 500)] }
    bars = { "kind" => "body", "name" => "rod", "outline" => "bars", "make" => "members" }
    steel = { "kind" => "material", "target" => "rod", "material" => "steel S355" }
    weighed = lambda { |*more|
      shape_problem(line, bars, steel, outline_named("round", rectangle("0 mm", "0 mm", "10 mm", "20 mm")), *more).then do |p|
        described_class.new(p.parts.bodies, p.materials.to_h, p.sections)
      end
    }
    expect(weighed[{ "kind" => "section", "target" => "rod", "outline" => "round" }].total).to include(mass: be_near(0.5 * 2e-4 * 7850, 1e-9), complete: true)
    expect(weighed[].total).to include(mass: nil, complete: false)
  end
end

RSpec.describe Lattice::Shape::Parts do
  it "lists the faces that an imprint made, and their area" do
    pad = outline_named("pad", circle(30, 20, 16))
    seat = { "kind" => "imprint", "name" => "seat", "body" => "block", "outline" => "pad", "on" => on("xy", z: 5) }
    other = { "kind" => "imprint", "name" => "seat two", "body" => "block", "outline" => "pad", "on" => on("xy", z: 5), "off" => true }
    patches = parts_of(pad, *block, seat, other).patches
    expect(patches.size).to eq(1)
    expect(patches.values[0][:places]).to contain_exactly(%w[block seat], ["block", "seat (2)"])
    expect(patches.values[0][:area]).to be_near(2 * Math::PI * 64e-6, 1e-6)
  end
end

RSpec.describe Lattice::Shape::Import do
  let(:folder) { Dir.mktmpdir }
  let(:store) { Lattice::Shape::Store.new(folder) }

  after { FileUtils.remove_entry(folder) }

  def faults(digest)
    document = shape_problem({ "kind" => "import", "name" => "part", "file" => "part.stl", "digest" => digest }).document
    Lattice::Shape::Parts.new(document, store).faults
  end

  it "names its statement in what the reader refuses, and does not read again at every look" do
    path = File.join(folder, "part.stl")
    File.write(path, "solid x\nvertex 0 0 0\n")
    digest = store.add_file(path)
    reads = 0
    allow(Lattice::Format::ShapeFile).to(receive(:read_apart).and_wrap_original { |original, *args| (reads += 1) && original.call(*args) })
    2.times { expect(faults(digest)[0]).to have_attributes(statement: "s1", path: "file", message: include("“endsolid”, is missing"), cure: include("copy it again")) }
    expect(reads).to eq(1)
    store.lend(digest, path)
    faults(digest)
    expect(reads).to eq(2)
  end

  it "looks again for a file that was not kept" do
    bytes = Lattice::Format::Stl.binary([parts_of(*block).bodies[0].facets])
    digest = Digest::SHA256.hexdigest(bytes)
    expect(faults(digest)[0].message).to include("is not kept here")
    path = File.join(folder, "part.stl")
    File.binwrite(path, bytes)
    store.add_file(path)
    expect(faults(digest)).to be_empty
  end
end
