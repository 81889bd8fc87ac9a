# frozen_string_literal: true

RSpec.describe Lattice::Shape::Body do
  def body(*statements, name: nil)
    parts = parts_of(*statements)
    expect(parts.faults.join).to eq("")
    name ? parts.body(name) : parts.bodies.last
  end

  def kinds(body) = body.places.select { |p| p.of == :faces }.to_h { |p| [p.name, p.kind] }
  def volume(body) = body.facets.measures.volume * 1e9

  drilled = { "holes" => [{ "circle" => { "x" => "20 mm", "y" => "5 mm", "diameter" => "4 mm" } }] }
  let(:tile) { outline_named("tile", rectangle("10 mm", "0 mm", "20 mm", "10 mm"), **drilled) }

  it "extrudes in any plane, and keeps faces, edges and points by name" do
    solid = body(tile, body_named("tile body", "tile", thickness: "5 mm", on: on("xz", x: 1)))
    expect(volume(solid)).to be_near((200 - (4 * Math::PI)) * 5, 1e-6)
    expect(solid.centre.map { |c| (c * 1000).round(9) }).to eq([21, -2.5, 5])
    expect(kinds(solid)).to include("hole 1" => "cylinder", "top" => "plane")
    names = solid.places.map(&:name)
    expect(names).to include("side 2 at top", "upright at side 3", "start of side 1 at bottom", "hole 1 at top")
    expect(solid.facets.measures.centre.zip(solid.centre).map { |a, b| (a - b).abs }.max).to be < 1e-9
  end

  it "revolves: a ring with a round bore in it is a torus inside" do
    ring = body(tile, body_named("ring", "tile", by: "revolve"))
    expect(volume(ring)).to be_near(2 * Math::PI * 20 * (200 - (4 * Math::PI)), 1e-6)
    expect(kinds(ring).values).to contain_exactly("plane", "plane", "cylinder", "cylinder", "torus")
    quarter = body(tile, body_named("ring", "tile", by: "revolve", angle: "90 deg"))
    expect(volume(quarter) * 4).to be_near(volume(ring), 1e-6)
    expect(kinds(quarter)).to include("start" => "plane", "end" => "plane")
  end

  it "knows volume, centre and inertia of a ball and a cone" do
    sphere = body(*ball)
    expect(volume(sphere)).to be_near(4.0 / 3 * Math::PI * 1000, 1e-5)
    inertia = sphere.facets.measures.inertia
    expect(inertia[1][1] * 1e15).to be_near(0.4 * 4.0 / 3 * Math::PI * 1e5, 1e-4)
    cone = body(outline_named("half", corners([0, 0], [12, 0], [0, 30])), body_named("cone", "half", by: "revolve"))
    # One triangle from rim to apex follows the cone less well.
    expect(volume(cone)).to be_near(Math::PI * 144 * 10, 5e-4)
    expect(cone.facets.measures.centre[1] * 1000).to be_near(7.5, 5e-4)
    expect(kinds(cone)).to eq("side 1" => "plane", "side 2" => "cone")
  end

  it "sweeps along a line with bends, mitred where there are none" do
    path = lambda do |fillet|
      { "kind" => "line", "name" => "way", "corners" => [spot(0, 0, 0), spot(0, 0, 100).merge(fillet ? { "fillet" => "50 mm" } : {}), spot(80, 0, 100)] }
    end
    bar = outline_named("bar", rectangle("-5 mm", "-5 mm", "10 mm", "10 mm"))
    mitred = body(bar, path.call(false), body_named("rail", "bar", by: "sweep", path: "way"))
    expect(volume(mitred)).to be_near(100 * 180, 1e-9)
    bent = body(bar, path.call(true), body_named("rail", "bar", by: "sweep", path: "way"))
    # Pappus: the section's middle runs 50 + 30 mm and a quarter turn of 50 mm.
    expect(volume(bent)).to be_near(100 * (80 + (Math::PI * 25)), 1e-3)
  end

  it "makes faces of an open line, with doubled stretches once" do
    line = { "kind" => "line", "name" => "tee", "corners" => corners([0, 0], [40, 0], [40, 60], [40, 0], [80, 0])["corners"] }
    sheet = body(line, { "kind" => "body", "name" => "sheet", "outline" => "tee", "make" => "faces", "thickness" => "500 mm", "wall" => "2 mm" })
    expect(sheet.facets.measures.area * 1e6).to be_near(140 * 500, 1e-9)
    expect(sheet.merged).to eq(edges: 1)
    expect(sheet.facets.edges.find { |e| e.faces.size == 3 }.curve).to eq("line")
    expect(sheet.volume * 1e9).to be_near(140 * 500 * 2, 1e-9)
  end

  it "fills outlines flat, and sews faces together where they meet" do
    parts = parts_of(outline_named("web", rectangle("0 mm", "0 mm", "100 mm", "50 mm")), { "kind" => "line", "name" => "rim", "corners" => corners([0, 50], [100, 50])["corners"] },
                     { "kind" => "body", "name" => "plate", "outline" => "web", "make" => "faces", "by" => "fill", "wall" => "3 mm" },
                     { "kind" => "body", "name" => "lip", "outline" => "rim", "make" => "faces", "thickness" => "20 mm", "wall" => "3 mm" },
                     { "kind" => "combine", "name" => "gusset", "how" => "union", "body" => "plate", "with" => ["lip"] })
    expect(parts.faults).to be_empty
    expect(parts.bodies.map(&:name)).to eq(["gusset"])
    gusset = parts.bodies[0]
    expect(gusset.facets.measures.area * 1e6).to be_near(7000, 1e-9)
    expect(gusset.facets.edges.count { |e| e.faces.size == 2 }).to eq(1)
  end

  it "makes members along lines, between linked corners, and in bays and storeys" do
    truss = { "kind" => "line", "name" => "truss", "corners" => [spot(0, 0, 0), spot(3000, 0, 0), spot(0, 4000, 0)], "links" => [[1, 2], [2, 3], [3, 1], [1, 3]] }
    bars = body(truss, { "kind" => "body", "name" => "bars", "outline" => "truss", "make" => "members" })
    expect(bars.length).to be_near(12, 1e-12)
    expect(bars.centre.map { |c| c.round(9) }).to eq([1.0, 1.5, 0])
    expect(bars.merged).to eq(edges: 1)
    frame = body({ "kind" => "frame", "name" => "house", "bays" => ["4 m", "5 m"], "bays_across" => ["6 m"], "storeys" => ["3 m", "3 m"] })
    expect(frame.length).to be_near((6 * 6) + (2 * ((9 * 2) + (6 * 3))), 1e-12)
    expect(frame.places.select { |p| p.of == :edges }.map(&:name)).to include("column C2 storey 2", "beam A1–B1 storey 1", "beam B1–B2 storey 2")
    expect(frame.bounds[1].map { |c| c.round(9) }).to eq([9, 6, 6])
  end

  it "says what keeps a body from being made" do
    faults = ->(*statements) { parts_of(*statements).faults.join("\n") }
    line = { "kind" => "line", "name" => "way", "corners" => [spot(0, 0, 0), spot(0, 0, 8), spot(8, 0, 8)] }
    wide = outline_named("wide", rectangle("-20 mm", "-20 mm", "40 mm", "40 mm"))
    expect(faults.call(wide, line, body_named("pipe", "wide", by: "sweep", path: "way"))).to include("too wide for the corner at 0 mm, 0 mm, 8 mm: the sweep would fold over itself")
    expect(faults.call(wide, body_named("cup", "wide", by: "revolve"))).to include("fold over itself")
    expect(faults.call(tile, body_named("cup", "tile", by: "revolve", angle: "400 deg"))).to include("more than a full turn")
    expect(faults.call(tile, body_named("cup", "tile", by: "sweep", path: "nowhere"))).to include("no line named “nowhere”")
    expect(faults.call(tile, body_named("cup", "tile", by: "fill"))).to include("makes faces, not a solid")
    expect(faults.call(tile, body_named("cup", "tile"))).to include("its thickness is missing")
    back = { "kind" => "line", "name" => "way", "corners" => [spot(0, 0, 0), spot(0, 0, 80), spot(0, 0, 10)] }
    expect(faults.call(tile, back, body_named("pipe", "tile", by: "sweep", path: "way"))).to include("folds back on itself at its corner 2")
    open = { "kind" => "line", "name" => "way", "corners" => [spot(0, 0, 0), spot(0, 0, 80)], "links" => [[1, 5]] }
    expect(faults.call(open, { "kind" => "body", "name" => "bars", "outline" => "way", "make" => "members" })).to include("it has no corner 5")
  end

  it "meshes an extrusion where it is placed" do
    problem = shape_problem(tile, body_named("tile body", "tile", thickness: "5 mm", on: on("yz", x: 100, z: 3)), { "kind" => "mesh", "size" => "2.5 mm" })
    grid = problem.mesh
    low, high = problem.parts.bodies[0].bounds
    expect(grid.nodes.min(0).to_a.zip(low).map { |a, b| (a - b).abs }.max).to be < 1e-12
    expect(grid.nodes.max(0).to_a.zip(high).map { |a, b| (a - b).abs }.max).to be < 1e-12
  end
end
