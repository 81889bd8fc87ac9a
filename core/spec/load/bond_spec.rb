# frozen_string_literal: true

RSpec.describe Lattice::Load::Conditions::Bond do
  # Two blocks end to end along x, each with a mesh of its own.
  def blocks(mesh: {}, size: "4.3 mm", gap: 0, bond: {}, more: [])
    [outline_named("a", rectangle("0 mm", "0 mm", "30 mm", "20 mm")), body_named("left", "a", thickness: "16 mm"),
     outline_named("b", rectangle("#{30 + gap} mm", "0 mm", "30 mm", "20 mm")), body_named("right", "b", thickness: "16 mm"),
     *{ "root" => 0, "tip" => 60 + gap }.map { |name, x| group_named(name, { "plane" => { "axis" => "x", "at" => "#{x} mm" } }) },
     *{ "one" => ["left", 30], "two" => ["right", 30 + gap] }.map { |name, (body, x)| group_named(name, { "all" => [{ "body" => body }, { "plane" => { "axis" => "x", "at" => "#{x} mm" } }] }) },
     *{ "under" => "y", "back" => "z" }.map { |name, axis| group_named(name, { "plane" => { "axis" => axis, "at" => "0 mm" } }) },
     { "kind" => "material", "target" => "everything", "material" => "steel", "properties" => Models::STEEL }, { "kind" => "bond", "target" => "one", "to" => "two" }.merge(bond),
     { "kind" => "mesh", "size" => "7 mm" }.merge(mesh), { "kind" => "size", "size" => size, "target" => "right" }, { "kind" => "study", "name" => "s", "type" => "static" }, *more]
  end

  def pulled(**more)
    held = { "root" => "x", "under" => "y", "back" => "z" }.map { |target, c| { "kind" => "support", "target" => target, "components" => [c] } }
    shape_problem(*blocks(**more, more: held + [{ "kind" => "traction", "target" => "tip", "value" => "100 MPa", "direction" => "+x" }]))
  end

  meshes = { "bricks" => [{}, "4.3 mm"], "linear bricks" => [{ "order" => "linear" }, "4.3 mm"], "tetrahedra, the held side coarser" => [{ "elements" => "tetrahedra and triangles" }, "4.3 mm"],
             "tetrahedra, the held side finer" => [{ "elements" => "tetrahedra and triangles" }, "11 mm"], "wedges" => [{ "elements" => "wedges and triangles" }, "5 mm"] }
  meshes.each do |what, (mesh, size)|
    it "lets a constant stress through exactly between unlike meshes of #{what}" do
      found = solve(pulled(mesh: mesh, size: size))
      expect(found.field("stress_xx", 0).minmax).to be_near([100e6, 100e6], 1e-9)
      expect(found.joins[0]).to include(covered: be_near(320e-6, 1e-9), whole: be_near(320e-6, 1e-9), greatest: be < 1e-12)
      expect(found.balance[:error]).to be < 1e-9
    end

    it "leaves rigid motions free of stress, across a gap too (#{what})" do
      turn = { "kind" => "rotation", "target" => "tip", "value" => "1 deg", "direction" => [1, 2, -1], "through" => spot(10, 3, 4) }
      [0, 2].each do |gap|
        found = solve(shape_problem(*blocks(mesh: mesh, size: size, gap: gap, bond: { "reach" => "3 mm" }, more: [turn])))
        expect(found.field("von_mises", 0).max).to be < 210e9 * 1e-12
        expect(found.joins[0][:greatest]).to be_near(gap / 1000.0, 1e-9) if gap.positive?
      end
    end
  end

  %w[quadratic linear].each do |order|
    it "passes forces and moments on from a block of #{order} elements to a sheet that it lies on, over the gap between" do
      problem = shape_problem(outline_named("plan", rectangle("0 mm", "0 mm", "60 mm", "60 mm")),
                              { "kind" => "body", "name" => "plate", "outline" => "plan", "make" => "faces", "by" => "fill", "wall" => "4 mm" },
                              body_named("block", "plan", thickness: "20 mm", on: on("xy", z: 2)), group_named("under", { "all" => [{ "body" => "block" }, { "plane" => { "axis" => "z", "at" => "2 mm" } }] }),
                              group_named("sheet", { "body" => "plate" }), group_named("edge", { "all" => [{ "body" => "plate" },
                                                                                                           { "plane" => { "axis" => "x", "at" => "0 mm" } }] }, of: "edges"),
                              { "kind" => "material", "target" => "everything", "material" => "steel", "properties" => Models::STEEL },
                              { "kind" => "bond", "target" => "sheet", "to" => "under", "reach" => "3 mm" },
                              { "kind" => "support", "target" => "edge", "components" => %w[x y z rx ry rz] }, { "kind" => "gravity", "value" => "9.81 m/s2", "direction" => [1, 2, -3] },
                              { "kind" => "mesh", "size" => "12 mm", "order" => order }, { "kind" => "size", "size" => "7 mm", "target" => "block" }, { "kind" => "study", "name" => "s", "type" => "static" })
      expect(solve(problem).balance[:error]).to be < 1e-9
    end
  end

  it "crosses the joint of two plane regions" do
    region = ->(name, outline) { { "kind" => "body", "name" => name, "outline" => outline, "make" => "plane stress", "thickness" => "5 mm" } }
    list = blocks.reject { |s| s["kind"] == "body" || %w[back].include?(s["name"]) }.map { |s| s["kind"] == "group" ? s.merge("of" => "edges") : s }
    list.insert(2, region["left", "a"], region["right", "b"])
    held = { "root" => "x", "under" => "y" }.map { |target, c| { "kind" => "support", "target" => target, "components" => [c] } }
    found = solve(shape_problem(*list, *held, { "kind" => "traction", "target" => "tip", "value" => "100 MPa", "direction" => "+x" }))
    expect(found.field("stress_xx", 0).minmax).to be_near([100e6, 100e6], 1e-9)
  end

  it "counts as holding before a solve, and says when nothing lies within reach" do
    expect(Lattice::Verdict::Readiness.new(pulled).notices.select(&:stops?)).to be_empty
    expect(refusal { solve(pulled(gap: 2)) }).to match(/nothing of “two” lies within 0.1972 mm of “one”/)
  end

  it "refuses a side that follows another bond already" do
    twice = pulled.document.statements.map(&:data) + [{ "id" => "again", "kind" => "bond", "target" => "one", "to" => "two" }]
    expect(refusal { solve(Lattice::Study::Problem.new(Lattice::Model::Document.new(model({}).merge("statements" => twice)))) }).to include("again", "follows bond “one” already")
  end

  it "refuses a region bonded to itself, an unknown side, and edges of solids" do
    expect(refusal { solve(pulled(bond: { "to" => "one" })) }).to include("on both of its sides")
    expect(refusal { solve(pulled(bond: { "to" => "three" })) }).to include("no group or body named “three”")
    expect(refusal { solve(pulled(bond: { "reach" => "-1 mm" })) }).to include("not above zero")
  end
end

RSpec.describe Lattice::System::EdgeBond do
  # A strip of sheet 100 × 30 × 4 mm along x, clamped at x = 0, loaded at its tip; in one piece, or bonded.
  def strip(*more, to: 100, material: { "poisson" => "0" })
    [{ "kind" => "line", "name" => "way", "corners" => [[0, 0], [to, 0]].map { |x, y| { "x" => "#{x} mm", "y" => "#{y} mm" } } },
     { "kind" => "body", "name" => "strip", "outline" => "way", "make" => "faces", "thickness" => "30 mm", "wall" => "4 mm" },
     { "kind" => "material", "target" => "everything", "material" => "steel", "properties" => Models::STEEL.merge(material) },
     { "kind" => "mesh", "size" => "5 mm", "order" => "linear" }, { "kind" => "study", "name" => "s", "type" => "static" }, *more]
  end

  def edge(name, x, body = "strip") = group_named(name, { "all" => [{ "body" => body }, { "plane" => { "axis" => "x", "at" => "#{x} mm" } }] }, of: "edges")
  def clamp(target) = { "kind" => "support", "target" => target, "components" => %w[x y z rx ry rz] }
  def load(target) = { "kind" => "force", "target" => target, "value" => "100 N", "direction" => [1, -1, 0.3] }
  def tip(problem) = solve(problem).then { |r| [r.displacement[r.grid.nodes_of(problem.groups.find("tip")), true].mean(0).to_a, r.balance[:error]] }

  let(:whole) { tip(shape_problem(*strip(edge("root", 0), edge("tip", 100), clamp("root"), load("tip"))))[0] }

  it "carries bending, shear and tension from sheet to sheet of another mesh" do
    second = [{ "kind" => "line", "name" => "on", "corners" => [[50, 0], [100, 0]].map { |x, y| { "x" => "#{x} mm", "y" => "#{y} mm" } } },
              { "kind" => "body", "name" => "far", "outline" => "on", "make" => "faces", "thickness" => "30 mm", "wall" => "4 mm" }, { "kind" => "size", "size" => "3.1 mm", "target" => "far" }]
    bonded = shape_problem(*strip(*second, edge("root", 0), edge("seam", 50), edge("tip", 100, "far"), group_named("far side", { "body" => "far" }), clamp("root"), load("tip"),
                                  { "kind" => "bond", "target" => "seam", "to" => "far side" }, to: 50))
    moved, error = tip(bonded)
    expect(moved).to be_near(whole, 5e-3)
    expect(error).to be < 1e-9
  end

  it "clamps a sheet in a block of solid as the sheet itself would be: bending passes, thickness stays free" do
    block = [outline_named("plan", rectangle("-40 mm", "-20 mm", "40 mm", "40 mm")), body_named("block", "plan", thickness: "30 mm"),
             group_named("front", { "all" => [{ "body" => "block" }, { "plane" => { "axis" => "x", "at" => "0 mm" } }] }),
             group_named("rear", { "plane" => { "axis" => "x", "at" => "-40 mm" } }), { "kind" => "size", "size" => "4 mm", "target" => "front" }]
    bonded = shape_problem(*strip(*block, edge("root", 0), edge("tip", 100), clamp("rear").merge("components" => %w[x y z]), load("tip"), { "kind" => "bond", "target" => "root", "to" => "front" }))
    moved, error = tip(bonded)
    # The block gives way a little.
    expect(moved[1]).to be_near(whole[1], 0.06)
    expect(moved[1].abs).to be > whole[1].abs
    expect(error).to be < 1e-9
  end

  it "makes a T of two sheets: the stem's root turns with the flange" do
    stem = [{ "kind" => "line", "name" => "up", "corners" => [[50, 0], [50, 40]].map { |x, y| { "x" => "#{x} mm", "y" => "#{y} mm" } } },
            { "kind" => "body", "name" => "stem", "outline" => "up", "make" => "faces", "thickness" => "30 mm", "wall" => "4 mm" },
            group_named("foot", { "all" => [{ "body" => "stem" }, { "plane" => { "axis" => "y", "at" => "0 mm" } }] }, of: "edges"),
            group_named("tip", { "plane" => { "axis" => "y", "at" => "40 mm" } }, of: "edges"),
            group_named("flange", { "body" => "strip" }), { "kind" => "bond", "target" => "foot", "to" => "flange" }]
    found, error = tip(shape_problem(*strip(*stem, edge("root", 0), edge("far", 100), clamp("root"), clamp("far"), { "kind" => "force", "target" => "tip", "value" => "100 N", "direction" => "+x" })))
    # M at the middle of a clamped beam turns it by M L / 16 E I; the stem bends by F h³ / 3 E I besides.
    inertia = 0.03 * (0.004**3) / 12
    by_hand = (100 * 0.04 * 0.1 / (16 * 210e9 * inertia) * 0.04) + (100 * (0.04**3) / (3 * 210e9 * inertia))
    expect(found[0]).to be_near(by_hand, 0.01)
    expect(error).to be < 1e-9
  end
end

RSpec.describe Lattice::Load::Conditions::Link do
  # A round bar of members that ends at the middle of the end of the bar of Models.
  def linked(how, **link)
    more = [{ "kind" => "line", "name" => "way", "corners" => [spot(200, 10, 5), spot(300, 10, 5)] }, { "kind" => "body", "name" => "arm", "outline" => "way", "make" => "members" },
            outline_named("rod", circle(0, 0, 12)), { "kind" => "section", "target" => "arm", "outline" => "rod" },
            group_named("foot", { "all" => [{ "body" => "arm" }, { "plane" => { "axis" => "x", "at" => "200 mm" } }] }, of: "points"),
            group_named("end", { "all" => [{ "body" => "arm" }, { "plane" => { "axis" => "x", "at" => "300 mm" } }] }, of: "points"),
            { "kind" => "link", "target" => "foot", "to" => "tip", "how" => how }.merge(link.transform_keys(&:to_s))].each_with_index.map { |s, i| { "id" => "m#{i}" }.merge(s) }
    problem({ force: { "target" => "end", "value" => "1 kN", "direction" => [1, -1, 0] }, mesh: { "order" => "linear" } }, *more)
  end

  it "shares a force as statics does: the region takes its resultant and its moment" do
    found = solve(linked("spreading"))
    expect(found.balance[:error]).to be < 1e-9
    expect(found.reaction.sum(0).to_a).to be_near([-1000 / Math.sqrt(2), 1000 / Math.sqrt(2), 0], 1e-9)
    expect(found.joins[0]).to include(nodes: be > 4)
  end

  it "leaves the region soft when it spreads, and moves it as a whole when it is rigid" do
    flat = lambda do |how|
      problem = linked(how)
      found = solve(problem)
      nodes = found.grid.nodes_of(problem.groups.find("tip"))
      moved = found.displacement[nodes, true].dup
      arms = found.grid.nodes[nodes, true] - found.grid.nodes[nodes, true].mean(0).reshape(1, 3)
      basis = Numo::DFloat.zeros(nodes.size, 3, 6).tap do |b|
        3.times do |c|
          b[true, c, c] = 1
          b[true, c, 3 + ((c + 1) % 3)] = arms[true, (c + 2) % 3]
          b[true, c, 3 + ((c + 2) % 3)] = -arms[true, (c + 1) % 3]
        end
      end.reshape(nodes.size * 3, 6)
      left = moved.flatten - basis.dot(Numo::Linalg.pinv(basis).dot(moved.flatten))
      left.abs.max / moved.abs.max
    end
    expect(flat["rigid"]).to be < 1e-9
    expect(flat["spreading"]).to be > 1e-5
  end

  it "refuses a reach that takes nothing, points that do not turn, and what another join holds" do
    expect(refusal { solve(linked("spreading", reach: "0.1 mm")) }).to include("within reach")
    expect(refusal { solve(linked("spreading", target: "tip", to: "root")) }).to include("is no point")
    twice = linked("rigid")
    data = model({}).merge("statements" => twice.document.statements.map(&:data) + [{ "id" => "again", "kind" => "link", "target" => "foot", "to" => "root", "how" => "spreading" },
                                                                                    { "id" => "third", "kind" => "link", "target" => "foot", "to" => "root", "how" => "spreading" }])
    expect(refusal { solve(Lattice::Study::Problem.new(Lattice::Model::Document.new(data))) }).to include("already follows link")
  end
end
