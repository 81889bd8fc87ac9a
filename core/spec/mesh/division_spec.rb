# frozen_string_literal: true

RSpec.describe Lattice::Mesh::Division do
  it "grows from the first piece to the last by one ratio" do
    lengths = described_class.new(7, 4.0).shares.then { |s| (s[1..] - s[0...-1]).to_a }
    expect(lengths.sum).to be_near(1.0, 1e-12)
    expect(lengths.last / lengths.first).to be_near(4.0, 1e-9)
    expect(lengths.each_cons(2).map { |a, b| b / a }.minmax.reduce(:-).abs).to be < 1e-9
  end

  it "halves pieces by their steps, so that halves of a row make a finer row" do
    division = described_class.new(8, 3.0)
    coarse = division.shares(4)
    expect(division.middles(coarse[0...-1], coarse[1..]).to_a).to eq_near(division.shares[[1, 3, 5, 7]].to_a)
    expect(division.reversed.shares.to_a).to eq_near(division.shares.to_a.reverse.map { |s| 1 - s })
  end

  def eq_near(list) = match(list.map { |v| be_near(v, 1e-12) })

  # A plate of 100 × 60 × 20 mm with a bore of 20 mm, a division and perhaps another.
  def plate(*more, make: "solid", **mesh)
    shape_problem(outline_named("profile", rectangle("0 mm", "0 mm", "100 mm", "60 mm"), holes: [circle(50, 30, 20)]), body_named("plate", "profile", make: make, thickness: "20 mm"),
                  { "kind" => "group", "name" => "edge", "of" => "edges", "pick" => [{ "body" => "plate", "name" => "side 1 at bottom" }] },
                  { "kind" => "group", "name" => "rim", "of" => "edges", "pick" => [{ "body" => "plate", "name" => "hole 1 at bottom" }] },
                  { "kind" => "group", "name" => "upright", "of" => "edges", "pick" => [{ "body" => "plate", "name" => "upright at side 1" }] },
                  { "kind" => "mesh", "size" => "10 mm" }.merge(mesh.transform_keys(&:to_s)), *more)
  end

  def divided(target, count, bias = nil) = { "kind" => "division", "target" => target, "count" => count, "bias" => bias }.compact

  def lengths(grid, name)
    conn = grid.places[["plate", name]]
    (grid.nodes[conn[true, 0], true] - grid.nodes[conn[true, 1], true]).then { |d| Numo::NMath.sqrt((d**2).sum(1)) }
  end

  it "holds in bricks, in tetrahedra, and on the side where it was asked for" do
    asked = [divided("edge", 16, "4"), divided("rim", 24), divided("upright", 5, "1/5")]
    ["bricks and quadrilaterals", "tetrahedra and triangles"].each do |family|
      grid = plate(*asked, elements: family).mesh
      expect(["side 1 at bottom", "hole 1 at bottom", "upright at side 1"].map { |name| lengths(grid, name).size }).to eq([16, 24, 5])
      expect(lengths(grid, "side 1 at bottom").then { |l| l.max / l.min }).to be_near(4.0, 1e-6)
      expect(lengths(grid, "hole 1 at bottom").then { |l| l.max / l.min }).to be_near(1.0, 1e-3)
      expect(lengths(grid, "upright at side 1").then { |l| l[0] / l[4] }).to be_near(5.0, 1e-6)
      expect(grid.quality.values(:scaled_jacobian).min).to be > 0.2
    end
  end

  it "says what it cannot hold, and why" do
    expect { plate(divided("rim", 25)).mesh }.to raise_error(Lattice::InvalidInput, /cannot have 25 pieces.*even number.*26/m)
    expect { plate(divided("rim", 5), elements: "tetrahedra and triangles").mesh }.to raise_error(Lattice::InvalidInput, /hole 1 at bottom.*could not be kept/)
    expect { plate(divided("edge", 4, "0")).settings }.to raise_error(Lattice::InvalidInput, /ratio of 0.0 is not above zero/)
    over = { "kind" => "group", "name" => "over", "of" => "edges", "pick" => [{ "body" => "plate", "name" => "side 1 at top" }] }
    expect { plate(over, divided("edge", 8), divided("over", 10)).mesh }.to raise_error(Lattice::InvalidInput, /divided differently/)
  end

  it "divides members" do
    bodies = parts_of({ "kind" => "frame", "name" => "house", "bays" => ["4 m"], "storeys" => ["3 m"] }).bodies
    edge = bodies[0].places.find { |p| p.of == :edges && p.name.start_with?("beam") }
    grid = Lattice::Mesh::Builder.call(bodies, Lattice::Mesh::Settings.new(1.0, divisions: { edge.key => described_class.new(6, 2.0) }))
    steps = grid.places[edge.key].then { |c| grid.nodes[c[true, 1], 0] - grid.nodes[c[true, 0], 0] }.abs
    expect(steps.size).to eq(6)
    expect(steps[-1] / steps[0]).to be_near(2.0, 1e-9)
    expect(grid.size).to eq(6 + (2 * 3))
  end
end

RSpec.describe Lattice::Mesh::HoleRings do
  def drilled(width, family: "bricks and quadrilaterals", holes: [circle(50, 30, 20)])
    picked = holes.each_index.map { |i| { "body" => "plate", "name" => "hole #{i + 1}" } }
    shape_problem(outline_named("profile", rectangle("0 mm", "0 mm", "100 mm", "60 mm"), holes: holes), body_named("plate", "profile", thickness: "20 mm"),
                  { "kind" => "group", "name" => "bores", "of" => "faces", "pick" => picked }, { "kind" => "mesh", "size" => "10 mm", "elements" => family },
                  { "kind" => "rings", "target" => "bores", "count" => 3, "width" => width })
  end

  it "lays rings of bricks round a hole, on circles about it" do
    grid = drilled("6 mm").mesh
    away = Numo::NMath.sqrt(((grid.nodes[grid.body_nodes("plate"), 0..1] - Numo::DFloat[0.05, 0.03])**2).sum(1))
    counts = [0.010, 0.012, 0.014, 0.016].map { |r| (away - r).abs.lt(1e-6).count }
    expect(counts[1..2].uniq.size).to eq(1)
    expect(counts.min).to be > 50
    expect(Lattice::Mesh::Quality.volume(grid.nodes, grid.blocks[0])).to be_near(((0.1 * 0.06) - (Math::PI * 1e-4)) * 0.02, 1e-5)
  end

  it "says when there is no room, or nothing to go round" do
    expect { drilled("25 mm").mesh }.to raise_error(Lattice::InvalidInput, /25 mm wide has no room.*below/m)
    expect { drilled("6 mm", holes: [circle(35, 30, 20), circle(65, 30, 20)]).mesh }.to raise_error(Lattice::InvalidInput, /no room/)
    expect { drilled("6 mm", family: "tetrahedra and triangles").mesh }.to raise_error(Lattice::InvalidInput, /not meshed with rings/)
  end
end
