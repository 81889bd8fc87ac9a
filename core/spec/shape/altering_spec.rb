# frozen_string_literal: true

RSpec.describe Lattice::Shape::Altering do
  def sound(*statements)
    parts_of(*statements).tap do |parts|
      expect(parts.faults.join).to eq("")
      expect(parts.bodies.select(&:solid?)).to all(satisfy("be closed") { |b| b.facets.closed? })
    end
  end

  def faults(*statements) = parts_of(*statements).faults.join("\n")
  def volumes(parts) = parts.bodies.to_h { |b| [b.name, (b.facets.measures.volume * 1e9).round(3)] }
  def area(parts, body, face) = parts.place(body, face).measure * 1e6

  # A bar of 8 mm across and 60 mm long through the block, square to it.
  let(:pin) { [outline_named("round", circle(30, 20, 8)), body_named("pin", "round", thickness: "60 mm", on: on("xy", z: -25))] }

  def combine(how, first, *others, **more) = { "kind" => "combine", "name" => "result", "how" => how, "body" => first, "with" => others }.merge(more.transform_keys(&:to_s))

  it "joins, takes away and intersects, with faces that keep their names and surfaces" do
    hole = Math::PI * 16
    union = sound(*block, *pin, combine("union", "block", "pin"))
    expect(volumes(union)["result"]).to be_near(24_000 + (hole * 50), 1e-5)
    drilled = sound(*block, *pin, combine("subtract", "block", "pin"))
    expect(volumes(drilled)["result"]).to be_near(24_000 - (hole * 10), 1e-5)
    expect(drilled.place("result", "pin side").bore * 1000).to be_near(8, 1e-6)
    expect(area(drilled, "result", "top")).to be_near(2400 - hole, 1e-6)
    common = sound(*block, *pin, combine("intersect", "block", "pin"))
    expect(volumes(common)["result"]).to be_near(hole * 10, 1e-5)
    expect(union.bodies.map(&:name)).to eq(["result"])
    expect(parts_of(*block, *pin, combine("union", "block", "pin", keep: true)).bodies.map(&:name)).to eq(%w[block pin result])
  end

  it "meets the closed form of two crossing cylinders" do
    bars = [outline_named("bar", circle(0, 0, 20)), body_named("along", "bar", thickness: "60 mm", on: on("xy", z: -30)),
            body_named("across", "bar", thickness: "60 mm", on: on("yz", x: -30))]
    expect(volumes(sound(*bars, combine("intersect", "along", "across")))["result"]).to be_near(16.0 / 3 * 1000, 3e-4)
  end

  it "says what a combination lacks" do
    far = [outline_named("far", circle(300, 0, 8)), body_named("pin", "far", thickness: "60 mm")]
    expect(faults(*block, *far, combine("intersect", "block", "pin"))).to include("the bodies have nothing in common")
    expect(faults(*block, combine("union", "block", "ghost"))).to include("no body named “ghost” before it")
    expect(faults(*block, combine("union", "block", "block"))).to include("meets itself")
    expect(faults({ "kind" => "frame", "name" => "house", "bays" => ["4 m"], "storeys" => ["3 m"] }, *block, combine("union", "block", "house"))).to include("“house” is not a solid")
  end

  it "cuts by a plane and by a block" do
    cut = { "kind" => "cut", "body" => "block", "plane" => { "axis" => "x", "at" => "15 mm" }, "keep" => "both" }
    expect(volumes(sound(*block, cut))).to eq("block above" => 18_000, "block below" => 6000)
    expect(volumes(sound(*block, cut.merge("keep" => "below")))).to eq("block" => 6000)
    out = { "kind" => "cut", "body" => "block", "block" => spot(50, -5, 5).merge("dx" => "20 mm", "dy" => "15 mm", "dz" => "20 mm"), "keep" => "inside" }
    close_up = sound(*block, out)
    expect(volumes(close_up)).to eq("block" => 500)
    expect(close_up.bodies[0].facets.faces.map(&:name)).to include("top", "side 2", "cut x low", "cut z low")
    expect(faults(*block, cut.merge("plane" => { "axis" => "x", "at" => "100 mm" }))).to include("does not meet “block”").and include("0 mm, 0 mm, 0 mm to 60 mm, 40 mm, 10 mm")
    expect(faults(*block, cut.merge("keep" => "inside"))).to include("“inside” does not suit a plane")
  end

  it "imprints an outline or a line, and leaves the body's form as it was" do
    pad = [outline_named("pad", circle(30, 20, 16)), { "kind" => "imprint", "name" => "seat", "body" => "block", "outline" => "pad", "on" => on("xy", z: 10), "depth" => "2 mm" }]
    seat = sound(*block, *pad)
    expect(volumes(seat)["block"]).to eq(24_000)
    expect(area(seat, "block", "seat")).to be_near(Math::PI * 64, 1e-6)
    expect(area(seat, "block", "top")).to be_near(2400 - (Math::PI * 64), 1e-6)
    line = { "kind" => "line", "name" => "halves", "corners" => corners([30, -5], [30, 60])["corners"] }
    halves = sound(*block, line, { "kind" => "imprint", "name" => "left", "body" => "block", "outline" => "halves", "on" => on("xy", z: 10), "depth" => "1 mm" })
    expect(area(halves, "block", "top")).to be_near(1200, 1e-9)
    expect(faults(*block, pad[0], pad[1].merge("on" => on("xy", z: 80)))).to include("cannot be laid onto a face of “block”")
    expect(faults(*block, pad[1])).to include("no outline or line named “pad”")
  end

  it "imprints anew when the outline follows another one that has changed" do
    pad = { "kind" => "outline", "name" => "pad", "boundary" => { "offset" => { "outline" => "core", "by" => "2 mm" } } }
    seat = { "kind" => "imprint", "name" => "seat", "body" => "block", "outline" => "pad", "on" => on("xy", z: 10), "depth" => "1 mm" }
    areas = [8, 12].map { |diameter| area(sound(outline_named("core", circle(30, 20, diameter)), pad, *block, seat), "block", "seat") }
    expect(areas).to match([be_near(Math::PI * 36, 1e-6), be_near(Math::PI * 64, 1e-6)])
  end

  it "copies by moving, turning and mirroring" do
    moved = sound(*block, { "kind" => "copy", "name" => "row", "body" => "block", "count" => 2, "move" => spot(0, 0, 20) })
    expect(moved.bodies.map(&:name)).to eq(["block", "row 1", "row 2"])
    expect(moved.body("row 2").centre[2] * 1000).to be_near(45, 1e-9)
    turned = sound(*block,
                   { "kind" => "copy", "name" => "ring", "body" => "block", "count" => 1, "keep" => false, "turn" => { "axis" => "z", "angle" => "90 deg", "through" => spot(10, 0, 0) } })
    expect(turned.bodies.map(&:name)).to eq(["ring"])
    expect(turned.bodies[0].centre.map { |c| (c * 1000).round(9) }).to eq([-10, 20, 5])
    mirrored = sound(*block, { "kind" => "copy", "name" => "image", "body" => "block", "mirror" => { "axis" => "x", "at" => "-10 mm" } })
    expect(mirrored.body("image").facets.measures.volume * 1e9).to be_near(24_000, 1e-9)
    expect(mirrored.body("image").facets.measures.centre[0] * 1000).to be_near(-50, 1e-9)
    expect(faults(*block, { "kind" => "copy", "name" => "lost", "body" => "block" })).to include("does not say where the copy goes")
  end

  it "joins bodies where they touch, so that they have faces in common" do
    post = [outline_named("round", circle(30, 20, 16)), body_named("post", "round", thickness: "30 mm", on: on("xy", z: 10))]
    joined = sound(*block, *post, { "kind" => "join", "bodies" => %w[block post] })
    expect(area(joined, "block", "bottom of post")).to be_near(Math::PI * 64, 1e-6)
    expect(volumes(joined)).to match("block" => be_near(24_000, 1e-9), "post" => be_near(Math::PI * 64 * 30, 1e-6))
    apart = [post[0], post[1].merge("on" => on("xy", z: 12))]
    expect(faults(*block, *apart, { "kind" => "join", "bodies" => %w[block post] })).to include("the bodies touch nowhere")
  end

  it "finds the middle faces of a folded sheet" do
    fold = { "corners" => [[0, 0, { "fillet" => "6 mm" }], [60, 0], [60, 3], [3, 3, { "fillet" => "3 mm" }], [3, 40], [0, 40]].map do |x, y, more|
      { "x" => "#{x} mm", "y" => "#{y} mm" }.merge(more || {})
    end }
    clip = [outline_named("fold", fold), body_named("clip", "fold", thickness: "30 mm"), { "kind" => "mid_surface", "name" => "sheet", "body" => "clip" }]
    sheet = parts_of(*clip).bodies[0]
    expect([sheet.name, sheet.make]).to eq(%w[sheet faces])
    expect(sheet.wall * 1000).to be_near(3, 1e-9)
    expect(sheet.facets.measures.area * 1e6).to be_near(30 * (54 + 34 + (Math::PI * 2.25)), 1e-6)
    box = { "corners" => [[0, 0], [60, 0], [60, 3], [3, 3], [3, 40], [0, 40]].map { |x, y| { "x" => "#{x} mm", "y" => "#{y} mm" } } }
    sharp = parts_of(outline_named("fold", box), *clip[1..]).bodies[0]
    expect(sharp.facets.measures.area * 1e6).to be_near(30 * (58.5 + 38.5), 1e-9)
    expect(sharp.facets.edges.find { |e| e.faces.size == 2 }.length(sharp.facets.points) * 1000).to be_near(30, 1e-9)
    expect(faults(*ball, { "kind" => "mid_surface", "name" => "sheet", "body" => "ball" })).to include("not a sheet of one thickness")
  end

  it "keeps what it made, and makes it anew only when something changed" do
    Dir.mktmpdir do |folder|
      store = Lattice::Shape::Store.new(folder)
      document = shape_problem(*block, *pin, combine("subtract", "block", "pin")).document
      first = Lattice::Shape::Parts.new(document, store)
      allow(Lattice::Shape::Combining).to receive(:call).and_raise("made again")
      expect(Lattice::Shape::Parts.new(document, store).digest).to eq(first.digest)
      fresh = Lattice::Shape::Parts.new(document, Lattice::Shape::Store.new(folder)).bodies[0]
      expect(fresh.facets.measures.volume).to eq(first.bodies[0].facets.measures.volume)
      expect(fresh.facets.edges.map(&:name)).to eq(first.bodies[0].facets.edges.map(&:name))
    end
  end
end

RSpec.describe Lattice::Shape::ContactFaces do
  # Plates of 10 mm laid on each other at z = 10 mm.
  def plates(below, above)
    parts_of(outline_named("below", below), body_named("one", "below", thickness: "10 mm"), outline_named("above", above),
             body_named("other", "above", thickness: "10 mm", on: on("xy", z: 10)))
  end

  def touching(below, above)
    parts = plates(below, above)
    described_class.pairs(parts.body("one").facets, parts.body("other").facets).map { |i, j| [parts.body("one").facets.faces[i].name, parts.body("other").facets.faces[j].name] }
  end

  def plate(x, y, width, height) = rectangle("#{x} mm", "#{y} mm", "#{width} mm", "#{height} mm")

  it "sees plates that cross, lie within each other, are alike, or share a strip" do
    [[plate(0, 45, 100, 10), plate(45, 0, 10, 100)], [plate(0, 0, 100, 100), plate(3, 3, 1, 1)], [plate(0, 0, 50, 20), plate(0, 0, 50, 20)],
     [plate(0, 0, 50, 20), plate(49, 0, 50, 20)]].each do |below, above|
      expect(touching(below, above)).to eq([%w[top bottom]])
      expect(touching(above, below)).to eq([%w[top bottom]])
    end
  end

  it "does not take plates for touching that only share an edge or a corner" do
    expect(touching(plate(0, 0, 50, 20), plate(50, 0, 50, 20))).to be_empty
    expect(touching(plate(0, 0, 50, 20), plate(50, 20, 50, 20))).to be_empty
  end
end

RSpec.describe Lattice::Shape::Joining do
  it "leaves out holes of the other where it imprints, however small" do
    plate = outline_named("plate", rectangle("0 mm", "0 mm", "100 mm", "100 mm"))
    drilled = outline_named("drilled", rectangle("0 mm", "0 mm", "100 mm", "100 mm"), holes: [circle(37, 41, 3)])
    parts = parts_of(plate, body_named("low", "plate", thickness: "10 mm"), drilled, body_named("high", "drilled", thickness: "10 mm", on: on("xy", z: 10)),
                     { "kind" => "join", "bodies" => %w[low high] })
    expect(parts.faults).to be_empty
    expect(parts.place("low", "bottom of high").measure * 1e6).to be_near(10_000 - (Math::PI * 2.25), 1e-6)
    expect(parts.place("high", "bottom").measure * 1e6).to be_near(10_000 - (Math::PI * 2.25), 1e-6)
    expect(parts.bodies.map(&:facets)).to all(be_closed)
  end

  it "makes the shape anew when only a name in it has changed" do
    post = [outline_named("round", circle(30, 20, 16)), body_named("post", "round", thickness: "30 mm", on: on("xy", z: 10))]
    names = lambda do |name|
      parts = parts_of(*block, post[0], post[1].merge("name" => name), { "kind" => "join", "bodies" => ["block", name] })
      parts.body("block").facets.faces.map(&:name)
    end
    expect(names.call("post")).to include("bottom of post")
    expect(names.call("pillar")).to include("bottom of pillar")
  end

  it "copies and mirrors members, which have no triangles" do
    line = { "kind" => "line", "name" => "l", "corners" => [{ "x" => "0 mm", "y" => "0 mm" }, { "x" => "100 mm", "y" => "20 mm" }] }
    moves = [{ "move" => { "x" => "0 mm", "y" => "50 mm", "z" => "0 mm" } }, { "mirror" => { "axis" => "x", "at" => "0 mm" } }]
    moves.each do |move|
      found = parts_of(line, { "kind" => "body", "name" => "b", "outline" => "l", "make" => "members" }, { "kind" => "copy", "name" => "c", "body" => "b" }.merge(move))
      expect(found.faults).to eq([])
      expect(found.bodies.map(&:length)).to all(be_within(1e-12).of(Math.hypot(0.1, 0.02)))
    end
  end
end
