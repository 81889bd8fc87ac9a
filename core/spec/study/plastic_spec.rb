# frozen_string_literal: true

# Collapse studies of what yields.
RSpec.describe Lattice::Element::Large::Flowing do
  steel = { "kind" => "material", "target" => "everything", "material" => "given", "properties" => { "young" => "200 GPa", "poisson" => "0.3", "yield" => "250 MPa" } }
  edge = ->(name, axis, at) { { "kind" => "group", "name" => name, "of" => "edges", "rule" => { "plane" => { "axis" => axis, "at" => at } } } }

  def collapse(**more) = { "kind" => "study", "name" => "case", "type" => "collapse" }.merge(more.transform_keys(&:to_s))
  def solved(*statements) = shape_problem(*statements).then { |p| [Lattice::Study::Solving.new(p).call(p.study!("case")), p] }

  # A square plate, pulled along x.
  def pulled(make, *more, **mesh)
    plate = { "kind" => "body", "name" => "plate", "outline" => "plan", "make" => make }
    plate.merge!(make == "faces" ? { "by" => "fill", "wall" => "5 mm" } : { "thickness" => "5 mm" })
    held = make == "faces" ? [{ "kind" => "support", "target" => "plate", "components" => %w[z] }] : []
    [outline_named("plan", rectangle("0 mm", "0 mm", "40 mm", "40 mm")), plate, { "kind" => "mesh", "size" => "15 mm" }.merge(mesh.transform_keys(&:to_s)), *held,
     { "kind" => make == "faces" ? "line_load" : "force", "target" => "right", "value" => make == "faces" ? "1.375 kN/mm" : "55 kN", "direction" => "+x" }, *more]
  end

  [["plane stress", { order: "linear" }], ["plane stress", {}], ["faces", {}]].each do |make, mesh|
    it "pulls a plate made as #{make} #{mesh[:order]} along the curve that is typed" do
      turns = make == "faces" ? %w[rz] : []
      curve = [{ "strain" => "0", "stress" => "250 MPa" }, { "strain" => "10 %", "stress" => "350 MPa" }]
      result, = solved(*pulled(make, steel, edge["left", "x", "0 mm"], edge["low", "y", "0 mm"], edge["right", "x", "40 mm"],
                               { "kind" => "support", "target" => "left", "components" => ["x", *turns] },
                               { "kind" => "support", "target" => "low", "components" => ["y", *turns] }, { "kind" => "yielding", "target" => "everything", "curve" => curve },
                               collapse(control: "loads", first: "0.5", upto: "1"), **mesh))
      # Over 5 mm: 275 MPa, so that p = 25 / 1000; what turns and thins is small.
      last = result.frames.size - 1
      expect(result.field("plastic_strain", last).to_a).to all(be_near(0.025, 2e-2))
      expect(result.field("stress_xx", last).to_a).to all(be_near(275e6, 2e-2))
      expect(result.field("displacement_x", last).max).to be_near(0.04 * (0.025 + (275e6 / 200e9)), 3e-2)
      expect(result.balance(last)[:error]).to be < 1e-6
    end
  end

  it "bears in bending what all of its thickness bears when it flows" do
    # A wide strip of sheet under a line load at its end: the moment at its root M = 2/√3 σ t² / 4 per length, at the points next to it.
    load = 250e6 * (0.005**2) / 6 / 0.2
    result, problem = solved(outline_named("plan", rectangle("0 mm", "0 mm", "200 mm", "10 mm")),
                             { "kind" => "body", "name" => "strip", "outline" => "plan", "make" => "faces", "by" => "fill", "wall" => "5 mm" },
                             steel.merge("properties" => steel["properties"].merge("poisson" => "0")), { "kind" => "yielding", "target" => "strip" }, edge["left", "x", "0 mm"], edge["right", "x", "200 mm"],
                             { "kind" => "support", "target" => "left", "components" => %w[x z ry rz] },
                             # Wide, so that it cannot narrow where it flows.
                             { "kind" => "support", "target" => "strip", "components" => %w[y rx] }, { "kind" => "line_load", "target" => "right", "value" => "#{load} N/m", "direction" => "-z" },
                             { "kind" => "mesh", "size" => "10 mm" }, collapse(increments: 40, first: "0.2"))
    found = Lattice::Study::Kinds::Collapse.findings(problem, problem.study!("case"), result)[0]
    curve = found[:curve]
    flowed = result.frames.map { |f| [f.value, result.field("plastic_strain", f.index).max] }
    expect(flowed.select { |factor, _| factor <= 1 }.map(&:last)).to all(eq(0))
    expect(flowed.select { |factor, _| factor > 1.2 }.map(&:last)).to all(be > 1e-4)
    near = curve[:moved].each_index.min_by { |i| (curve[:moved][i].abs - 0.025).abs }
    turned = curve[:moved][near] / 0.2
    expect(curve[:factors][near]).to be_near(Math.sqrt(3) / (1 - (2.1 / 200)) / Math.cos(turned), 1e-2)
    expect(found[:yields]).to be_nil
  end

  it "comes back with its plastic strain from a file" do
    result, = solved(*pulled("plane stress", steel, edge["left", "x", "0 mm"], edge["right", "x", "40 mm"], { "kind" => "support", "target" => "left", "components" => %w[x y] },
                             { "kind" => "yielding", "target" => "everything", "curve" => [{ "strain" => "0", "stress" => "250 MPa" }, { "strain" => "10 %", "stress" => "350 MPa" }] },
                             collapse(control: "loads", first: "0.5", upto: "1")))
    Dir.mktmpdir do |folder|
      path = File.join(folder, "result")
      Lattice::Format::ResultFile.write(path, result)
      back = Lattice::Format::ResultFile.read(path, result.grid)
      expect((back.field("plastic_strain", 1) - result.field("plastic_strain", 1)).abs.max).to eq(0)
      expect(back.catalogue.map(&:name)).to include("plastic_strain")
    end
  end
end
