# frozen_string_literal: true

# Bodies that are one shape swept along a line or about an axis.
RSpec.describe Lattice::Mesh::Sweeping do
  let(:plate) { [outline_named("profile", rectangle("0 mm", "0 mm", "100 mm", "60 mm"), holes: [circle(50, 30, 20)]), body_named("plate", "profile", thickness: "20 mm")] }
  let(:ring) { outline_named("section", corners([30, 0], [50, 0], [50, 10], [40, 20], [30, 20])) }

  def imprinted(outline, plane) = [outline_named("spot", outline), { "kind" => "imprint", "name" => "pad", "body" => "plate", "outline" => "spot", "on" => plane, "depth" => "1 mm" }]

  # The mesh of the bodies that statements make; every place must have elements, and the skin must close.
  def mesh_of(*statements, size: 0.006, **options)
    bodies = parts_of(*statements.flatten(1)).bodies
    grid = Lattice::Mesh::Builder.call(bodies, Lattice::Mesh::Settings.new(size, **options))
    report = Lattice::Command::MeshReport.new(grid, bodies, {}, nil).to_h
    expect(report[:skin].values_at(:places, :open)).to eq([report[:skin][:wanted], 0])
    expect(report[:volume] / report[:shape_volume]).to be_near(1.0, grid.order == 2 ? 1e-4 : 0.02)
    expect(grid.quality.values(:distortion).min).to be > 0.1 if grid.order == 2
    grid
  end

  def kinds(grid) = grid.blocks.map(&:kind).uniq

  it "sweeps bricks through an imprint on either face, keeping its border" do
    [on("xy", z: 20), on("xy", z: 0)].each do |plane|
      grid = mesh_of(plate, imprinted(circle(20, 20, 16), plane))
      expect(kinds(grid)).to eq([:hex20])
      nodes = Lattice::Algebra::Gather.distinct([grid.places[%w[plate pad]]])
      away = Numo::NMath.sqrt(((grid.nodes[nodes, 0..1] - Numo::DFloat[0.02, 0.02])**2).sum(1))
      expect(away.max).to be_near(0.008, 1e-6)
    end
  end

  it "sweeps each half of a body that was cut, and leaves to tetrahedra what is no sweep" do
    cut = { "kind" => "cut", "body" => "plate", "plane" => { "axis" => "z", "at" => "5 mm" }, "keep" => "both" }
    expect(kinds(mesh_of(plate, cut))).to eq([:hex20])
    expect(kinds(mesh_of(plate, cut, order: "linear"))).to eq([:hex8])
    hollowed = { "kind" => "combine", "name" => "whole", "how" => "subtract", "body" => "plate", "with" => ["ball"] }
    expect(kinds(mesh_of(plate, ball, [hollowed], size: 0.01))).to eq([:tet10])
  end

  it "sweeps wedges where triangles are asked for" do
    expect(kinds(mesh_of(plate, family: "wedges and triangles"))).to eq([:wedge15])
    expect(kinds(mesh_of(plate, imprinted(circle(20, 20, 16), on("xy", z: 20)), family: "wedges and triangles", order: "linear"))).to eq([:wedge6])
  end

  it "divides a sweep as its edges are" do
    problem = shape_problem(*plate, *imprinted(circle(20, 20, 16), on("xy", z: 20)))
    edges = problem.parts.places.select { |p| p.of == :edges }
    upright = edges.find { |e| e.name == "side 1 | side 2" }
    rim = edges.find { |e| e.name.include?("pad") && e.name.include?("top") }
    divisions = { upright.key => Lattice::Mesh::Division.new(5), rim.key => Lattice::Mesh::Division.new(20) }
    grid = Lattice::Mesh::Builder.call(problem.parts.bodies, Lattice::Mesh::Settings.new(0.006, divisions: divisions))
    expect(divisions.keys.map { |key| grid.places[key].shape[0] }).to eq([5, 20])
    expect(kinds(grid)).to eq([:hex20])
  end

  it "turns bricks about an axis, all the way round or part of it" do
    { nil => 10, "90 deg" => 32, "-120 deg" => 32 }.each do |angle, places|
      grid = mesh_of([ring, body_named("ring", "section", **{ by: "revolve", angle: angle }.compact)])
      expect(kinds(grid)).to eq([:hex20])
      expect(grid.places.size).to eq(places)
    end
    expect(kinds(mesh_of([outline_named("section", circle(40, 0, 20)), body_named("torus", "section", by: "revolve")]))).to eq([:hex20])
  end

  describe "bodies that reach their axis" do
    def through(x, y, at) = [x, y, { "through" => { "x" => "#{at[0]} mm", "y" => "#{at[1]} mm" } }]
    def turned(outline, angle) = [outline_named("half", outline), body_named("part", "half", **{ by: "revolve", angle: angle }.compact)]

    { "a shaft" => -> { corners([0, 0], [20, 0], [20, 50], [0, 50]) },
      "a frustum" => -> { corners([0, 0], [20, 0], [10, 50], [0, 50]) },
      "a spool" => -> { corners([0, 0], [20, 0], [20, 5], [8, 5], [8, 25], [20, 25], [20, 30], [0, 30]) },
      "a dome" => -> { corners([0, 0], through(20, 0, [20 / Math.sqrt(2), 20 / Math.sqrt(2)]), [0, 20]) },
      "a hollow ball" => -> { corners([0, -12], through(0, -20, [20, 0]), [0, 20], through(0, 12, [12, 0])) },
      "a lens" => -> { corners([0, 0], [20, 0], through(20, 4, [10, 6]), [0, 6.7]) } }.each do |name, outline|
      [nil, "120 deg", "-90 deg"].each do |angle|
        it "become bricks about a core: #{name} #{angle || 'all the way round'}" do
          grid = mesh_of(turned(instance_exec(&outline), angle), size: 0.004)
          expect(kinds(grid)).to eq([:hex20])
          expect(grid.quality.values(:scaled_jacobian).min).to be > 0.5
        end
      end
    end

    it "are left to tetrahedra where the core would be poor" do
      expect(kinds(mesh_of(turned(corners([0, 0], [10, 0], [0, 60]), nil), size: 0.004, order: "linear"))).to eq([:tet4])
    end

    it "are of fair bricks in thin shafts too, at a coarse size" do
      bolt = corners([0, 0], [9, 0], [9, 7], [5, 7], [5, 33], [8, 33], [8, 40], [0, 40])
      [0.008, 0.02].each do |size|
        grid = mesh_of(turned(bolt, nil), size: size)
        expect(kinds(grid)).to eq([:hex20])
        expect(grid.quality.values(:scaled_jacobian).min).to be > 0.3
        expect(grid.quality.values(:mean_ratio).min).to be > 0.05
        expect(grid.size).to be < 2500
      end
    end

    it "keep divisions round the axis, when a core can have them" do
      body = parts_of(*turned(corners([0, 0], [20, 0], [20, 50], [0, 50]), nil)).bodies[0]
      rim = body.facets.edges.find { |e| e.curve == "circle" }.name
      kind = lambda do |count|
        grid = Lattice::Mesh::Builder.call([body], Lattice::Mesh::Settings.new(0.005, divisions: { ["part", rim] => Lattice::Mesh::Division.new(count) }))
        [kinds(grid), grid.places.fetch(["part", rim]).shape[0]]
      end
      expect(kind[40]).to eq([[:hex20], 40])
      expect { kind[41] }.to raise_error(Lattice::InvalidInput, /“#{Regexp.escape(rim)} of part” cannot have 41 pieces.*Give 42/)
    end
  end
end
