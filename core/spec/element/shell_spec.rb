# frozen_string_literal: true

RSpec.describe Lattice::Element::Shell::Block do
  section = { thickness: 0.1, young: 2.1e5, poisson: 0.3 }

  # One element in a skew place of space: its stiffness as one matrix [6n, 6n].
  def matrix(points, **section)
    k = described_class.new(Numo::DFloat[points], **section).stiffness[true, true, 0, true, true]
    n = points.size
    k.transpose(2, 0, 3, 1).dup.reshape(6 * n, 6 * n)
  end

  def turned(points)
    frame = Lattice::Shape::Frame.turning([0.3, 0.1, -0.2], Lattice::Shape::Vectors.unit3([1.0, 2.0, 0.5]), 0.9)
    points.map { |p| frame.point(p) }
  end

  # Displacements and rotations of nodes under a slide and a turn.
  def motion(points, slide, turn)
    Numo::DFloat.cast(points.flat_map { |p| [0, 1, 2].map { |k| slide[k] + Lattice::Shape::Vectors.cross3(turn, p)[k] } + turn })
  end

  shapes = { "a distorted quadrilateral" => [[0, 0, 0], [1.0, 0.1, 0], [1.2, 0.9, 0], [-0.1, 0.7, 0]], "a warped quadrilateral" => [[0, 0, 0.05], [1, 0, -0.05], [1.1, 0.9, 0.06], [0, 1, -0.04]],
             "a triangle" => [[0, 0, 0], [1, 0.2, 0], [0.3, 0.8, 0]] }

  shapes.each do |what, points|
    it "moves as a rigid body without force, and has no other free motion: #{what}" do
      points = turned(points)
      k = matrix(points, **section)
      expect((k - k.transpose).abs.max).to be < 1e-10 * k.abs.max
      [[1, 0, 0], [0, 1, 0], [0, 0, 1]].each do |axis|
        expect(k.dot(motion(points, axis, [0, 0, 0])).abs.max).to be < 1e-10 * k.abs.max
        expect(k.dot(motion(points, [0, 0, 0], axis)).abs.max).to be < 1e-10 * k.abs.max
      end
      values, = Numo::Linalg.eigh(k)
      expect((values.abs > 1e-9 * values.max).count).to eq(k.shape[0] - 6)
      expect(values.min).to be > -1e-10 * values.max
    end

    it "does not change when its nodes are numbered from another corner: #{what}" do
      n = points.size
      one = matrix(points, **section).reshape(n, 6, n, 6)
      other = matrix(points.rotate(1), **section).reshape(n, 6, n, 6)
      order = (0...n).map { |k| (k - 1) % n }
      expect((other[order, true, order, true] - one).abs.max).to be < 1e-9 * one.abs.max
    end
  end

  # Five elements round an inner one that is skew; all nodes of the border are moved, the inner ones follow.
  corners = [[0, 0], [2.4, 0], [2.4, 1.2], [0, 1.2], [0.4, 0.2], [1.8, 0.3], [1.6, 0.8], [0.8, 0.8]]
  quads = [[0, 1, 5, 4], [1, 2, 6, 5], [2, 3, 7, 6], [3, 0, 4, 7], [4, 5, 6, 7]]
  meshes = { "quadrilaterals" => quads, "triangles" => quads.flat_map { |a, b, c, d| [[a, b, c], [a, c, d]] } }
  fields = {
    "constant strain" => ->(x, y) { [(1e-3 * x) + (5e-4 * y), (5e-4 * x) - (2e-3 * y), 0, 0, 0, 0] },
    "constant curvature" => ->(x, y) { w = ((x * x) + (x * y) + (y * y)) / 2e3; [0, 0, w, (x + (2 * y)) / 2e3, -((2 * x) + y) / 2e3, 0] } # rubocop:disable Style/Semicolon
  }

  meshes.each do |kind, conn|
    fields.each do |what, field|
      it "passes the patch test of #{what} with #{kind}" do
        table = Numo::Int32[*conn]
        points = Numo::DFloat[*corners.map { |x, y| [x, y, 0.0] }]
        names = described_class::NAMES
        dofs = Lattice::System::Dofs.new(8, [[table, names]])
        block = described_class.new(Lattice::Algebra::Gather.rows(points, table), **section)
        matrix = Lattice::System::Pattern.new([[table, names]], dofs).assemble([block.stiffness])
        constraints = Lattice::System::Constraints.new(dofs.size)
        4.times { |node| field.call(*corners[node]).each_with_index { |value, k| constraints.prescribe(dofs.at(Numo::Int32[node], names[k]), value.to_f) } }
        right = constraints.reduce_load(matrix, Numo::DFloat.zeros(1, dofs.size))
        u = constraints.expand(Lattice::Algebra::Factor.new(constraints.reduce(matrix)).solve(right))[0, true].reshape(8, 6)
        (4..7).each { |node| field.call(*corners[node]).each_with_index { |value, k| expect((u[node, k] - value).abs).to be < 1e-9 } }
        found = block.resultants(Lattice::Algebra::Gather.rows(u, table))
        stress = block.stress(found, 1.0)
        expect((stress[true, true, 0] - stress[0, 0, 0]).abs.max).to be < 1e-9 * stress.abs.max
        expect((stress[true, true, 3] - stress[0, 0, 3]).abs.max).to be < 1e-9 * stress.abs.max
      end
    end
  end

  it "stretches the top and presses the bottom of a plate that is bent" do
    points = [[0, 0, 0], [1, 0, 0], [1, 1, 0], [0, 1, 0]]
    block = described_class.new(Numo::DFloat[points], **section, poisson: 0.0)
    u = Numo::DFloat[points.map { |x, _, _| [0, 0, -x * x / 2.0, 0, x, 0] }]
    found = block.resultants(u)
    expect(found.moments[0, true, 0].to_a).to all(be_near(2.1e5 * (0.1**3) / 12, 1e-9))
    { 1.0 => 1, 0.0 => 0, -1.0 => -1 }.each { |place, sign| expect((block.stress(found, place)[0, 0, 0] - (sign * 2.1e5 * 0.05)).abs).to be < 1e-6 }
  end

  it "moves its middle with the nodes when it lies off them" do
    points = [[0, 0, 0], [1, 0, 0], [1, 1, 0], [0, 1, 0]]
    k = matrix(points, **section, poisson: 0.0, offset: 0.2)
    stretch = Numo::DFloat.cast(points.flat_map { |x, _, _| [x, 0, 0, 0, 0, 0] })
    force = k.dot(stretch).reshape(4, 6)
    expect(force[1, 0] + force[2, 0]).to be_near(2.1e5 * 0.1, 1e-9)
    expect((force[1, 4] + force[2, 4]).abs).to be_near(2.1e5 * 0.1 * 0.2, 1e-9)
  end
end

RSpec.describe "A plate of faces, solved from a note" do
  def plate(**changes)
    base = { outline: outline_named("o", rectangle("0 mm", "0 mm", "200 mm", "40 mm")), body: body_named("plate", "o", make: "faces", by: "fill", wall: "4 mm"),
             root: group_named("root", { "plane" => { "axis" => "x", "at" => "0 mm" } }, of: "edges"), tip: group_named("tip", { "plane" => { "axis" => "x", "at" => "200 mm" } }, of: "edges"),
             material: { "kind" => "material", "target" => "everything", "material" => "given", "properties" => Models::STEEL.merge("poisson" => "0") },
             support: { "kind" => "support", "target" => "root", "components" => %w[x y z rx ry rz] }, force: { "kind" => "force", "target" => "tip", "value" => "20 N", "direction" => "-z" },
             mesh: { "kind" => "mesh", "size" => "10 mm" }, study: { "kind" => "study", "name" => "bend", "type" => "static" } }
    shape_problem(*base.to_h { |key, s| [key, changes.key?(key) ? changes[key] && s.merge(changes[key]) : s] }.values.compact)
  end

  it "bends as a beam does, with the stress of a beam in its layers" do
    result = solve(plate)
    second = 0.04 * (0.004**3) / 12
    expect(result.displacement[true, 2].min).to be_near(-20 * (0.2**3) / 3 / 210e9 / second, 2e-3)
    expect(result.field("stress_xx", 0, layer: "top").max).to be_near(20 * 0.2 * 0.002 / second, 0.03)
    expect(result.field("stress_xx", 0, layer: "bottom").min).to be_near(-20 * 0.2 * 0.002 / second, 0.03)
    expect(result.field("stress_xx", 0, layer: "middle").abs.max).to be < 1e-3 * 20 * 0.2 * 0.002 / second
    expect(result.balance[:error]).to be < 1e-9
    expect(result.reaction_sum(result.grid.nodes_of([result.grid.places.keys.find { |k| k[1] == "side 4" }].map { |k| Struct.new(:of, :key, :body).new(:edges, k, k[0]) }))[2]).to be_near(20, 1e-9)
  end

  it "is stretched evenly, up to the loaded edge, by quadrilaterals and triangles" do
    ["bricks and quadrilaterals", "wedges and triangles"].each do |family|
      result = solve(plate(force: { "value" => "1 kN", "direction" => "+x" }, mesh: { "size" => "20 mm", "elements" => family }))
      expect(result.field("stress_xx", 0, layer: "middle").to_a).to all(be_near(1000 / 160e-6, 1e-6))
      expect(result.field("stress_xy", 0, layer: "middle").abs.max).to be < 1
      expect(result.balance[:error]).to be < 1e-9
    end
  end

  it "takes a load along its edge in its plane as a beam does, with the same moments" do
    line = { "kind" => "line_load", "target" => "rim", "value" => "2 N/mm", "direction" => "-y" }
    rim = group_named("rim", { "plane" => { "axis" => "y", "at" => "40 mm" } }, of: "edges")
    loaded = solve(shape_problem(*plate(force: nil, mesh: { "size" => "5 mm" }).document.statements.map(&:data), rim, line))
    second = 0.004 * (0.04**3) / 12
    wanted = (2000 * (0.2**4) / 8 / 210e9 / second) + (2000 * (0.2**2) / 2 * 1.2 / 105e9 / 160e-6)
    expect(-loaded.displacement[true, 1].min).to be_near(wanted, 0.01)
  end

  it "wants a thickness, and says that its elements are linear" do
    readiness = ->(**changes) { Lattice::Verdict::Readiness.new(plate(**changes)).notices.map { |n| n.fault.to_s }.join("\n") }
    expect(readiness.call(body: { "wall" => nil }.compact)).to include("linear elements")
    expect(readiness.call(mesh: { "order" => "linear" })).not_to include("linear elements")
    bare = shape_problem(outline_named("o", rectangle("0 mm", "0 mm", "20 mm", "40 mm")), body_named("plate", "o", make: "faces", by: "fill"))
    expect(Lattice::Verdict::Readiness.new(bare).notices.map { |n| n.fault.to_s }.join).to include("the faces of “plate” have no thickness")
  end

  it "tells which turns are free where only movements are held on a line" do
    free = Lattice::Verdict::Readiness.new(plate(support: { "components" => %w[x y z] })).notices.select(&:stops?).map { |n| n.fault.message }.join
    expect(free).to include("turn about an axis along y")
  end
end
