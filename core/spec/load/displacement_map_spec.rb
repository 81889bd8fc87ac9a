# frozen_string_literal: true

# A bar of 200 × 20 × 10 mm whose faces move as another program found.
RSpec.describe Lattice::Load::Conditions::DisplacementMap do
  let(:folder) { Dir.mktmpdir }

  after { FileUtils.rm_rf(folder) }

  def mapped(path) = lent(path).merge("id" => "d", "kind" => "displacement_map", "target" => "skin", "unit" => "mm")

  # @yield [x, y, z] in mm, answers three movements in mm
  def cloud(head = "x,y,z,ux,uy,uz")
    random = Random.new(3)
    rows = Array.new(4000) { [[-5, 205], [-5, 25], [-5, 15]].map { |low, high| random.rand(low.to_f..high.to_f) } }
    path = File.join(folder, "moved.csv")
    File.write(path, [head, *rows.map { |p| [*p, *yield(*p)].join(",") }].join("\n"))
    mapped(path).merge("per" => "mm")
  end

  def moved(map, **more)
    skin = { "id" => "skin", "kind" => "group", "name" => "skin", "of" => "faces", "rule" => { "body" => "bar" } }
    solve(problem({ force: nil, support: nil }, skin, map.merge(more.transform_keys(&:to_s))))
  end

  it "carries even strains over exactly: stress is the same everywhere, and in balance" do
    # εxx = 1e-3 alone: σxx = E (1 − ν) / ((1 + ν) (1 − 2 ν)) εxx, and γxy = 2e-3: τ = G γ.
    result = moved(cloud { |x, y, _| [(1e-3 * x) + (2e-3 * y), 0, 0] })
    stiff = 210e9 * 0.7 / (1.3 * 0.4) * 1e-3
    expect(result.field("stress_xx").minmax).to be_near([stiff, stiff], 1e-6)
    expect(result.field("stress_xy").minmax).to be_near([210e9 / 2.6 * 2e-3] * 2, 1e-6)
    expect(result.balance[:error]).to be < 1e-9
    expect(result.joins[0]).to include(dimension: "length", points: 4000, far: 0)
  end

  it "moves along some directions alone, by columns of their own, multiplied" do
    map = cloud("x,y,z,a,b,c") { |x, _, _| [5, 1e-3 * x, 7] }.merge("columns" => %w[b a c], "components" => ["x"], "scale" => "2")
    held = { "id" => "h", "kind" => "support", "target" => "root", "components" => %w[y z] }
    skin = { "id" => "skin", "kind" => "group", "name" => "skin", "of" => "faces", "rule" => { "body" => "bar" } }
    result = solve(problem({ force: nil, support: nil }, skin, held, map))
    expect(result.displacement[true, 0].minmax).to be_near([0, 0.4e-3], 1e-6)
    expect(result.field("stress_yy", 0).abs.min).to be < 1e6
  end

  # The file's x is the model's y, its y the model's -x, and its origin lies at the bar's tip: after another turn about z its z points down.
  it "turns a file's axes, its movements with them" do
    random = Random.new(5)
    rows = Array.new(4000) do
      x, y, z = [[-5, 205], [-5, 25], [-5, 15]].map { |low, high| random.rand(low.to_f..high.to_f) }
      # Turned back about the tip: first by -180° about x, then by -90° about z.
      [-y, 200 - x, -z, 0, -1e-3 * x, 0]
    end
    path = File.join(folder, "turned.csv").tap { |file| File.write(file, ["x,y,z,u,v,w", *rows.map { |r| r.join(",") }].join("\n")) }
    map = mapped(path).merge("per" => "mm", "offset" => spot(200, 0, 0), "turned" => [{ "axis" => "z", "angle" => "90 deg" }, { "axis" => "x", "angle" => "180 deg" }])
    result = moved(map)
    expect(result.displacement[true, 0].minmax).to be_near([0, 0.2e-3], 1e-6)
    expect(result.displacement[true, 1..2].abs.max).to be < 1e-12
  end

  it "is read from what a result of ours moves, as a grid" do
    whole = solve(problem({ mesh: { "size" => "5 mm" } }))
    path = File.join(folder, "whole.vtu")
    Lattice::Format::VTU.write(path, whole.grid, { "heat" => Numo::DFloat.zeros(whole.grid.nodes.shape[0]), "displacement" => whole.displacement })
    result = moved(mapped(path).merge("unit" => "m", "per" => "m"))
    expect(result.field("displacement").max).to be_near(whole.field("displacement").max, 0.01)
    expect { moved(mapped(path).merge("unit" => "m", "columns" => ["heat"])) }.to raise_error(Lattice::InvalidInput, /no three values “heat” at its points.*Known: displacement/)
  end

  it "refuses what it cannot take, with a cure" do
    map = cloud { [0, 0, 0] }
    expect { moved(map, columns: %w[ux uy]) }.to raise_error(Lattice::InvalidInput, /names 2 columns, and 3 are needed/)
    expect { moved(map, columns: %w[ux uy heat]) }.to raise_error(Lattice::InvalidInput, /no column “heat”.*Known: x, y, z, ux/)
    narrow = File.join(folder, "narrow.csv").tap { |path| File.write(path, "x,y,z,u\n1,2,3,4\n") }
    expect { moved(mapped(narrow)) }.to raise_error(Lattice::InvalidInput, /4 columns, and x, y, z and three values are needed.*six columns/)
  end
end
