# frozen_string_literal: true

RSpec.describe Lattice::Shape::Recognition do
  vectors = Lattice::Shape::Vectors

  # Points and normals over a patch of a surface, turned and moved.
  def samples(surface, count = 12)
    u = Numo::DFloat.new(count).seq / (count - 1)
    grid = Numo::DFloat.zeros(count * count, 2)
    grid[true, 0] = (u.reshape(count, 1) + Numo::DFloat.zeros(count, count)).flatten
    grid[true, 1] = (u.reshape(1, count) + Numo::DFloat.zeros(count, count)).flatten
    local = yield(grid[true, 0].dup, grid[true, 1].dup)
    points = surface.project(FRAME.apply(local))
    [points, surface.normals(points)]
  end

  before { stub_const("FRAME", Lattice::Shape::Frame.turning([0.1, 0.2, 0.3], Lattice::Shape::Vectors.unit3([1.0, 2.0, -0.5]), 0.9)) }

  def moved(surface) = surface.moved(FRAME)

  def found(points, normals, tolerance = 1e-8) = described_class.call(points, points, normals, tolerance)

  def polar(radius, angle, height)
    rows = Numo::DFloat.zeros(angle.size, 3)
    rows[true, 0] = radius * Numo::NMath.cos(angle)
    rows[true, 1] = radius * Numo::NMath.sin(angle)
    rows[true, 2] = height
    rows
  end

  it "finds planes, cylinders and cones with their axis and radius" do
    cylinder = moved(Lattice::Shape::Surface.cylinder([0.0, 0.0, 0.0], [0.0, 0.0, 1.0], 0.02))
    seen = found(*samples(cylinder) { |u, v| polar(0.02, u * 2, v * 0.05) })
    expect([seen.kind, seen.same?(cylinder, 1e-9)]).to eq(["cylinder", true])
    cone = moved(Lattice::Shape::Surface.cone([0.0, 0.0, 0.0], [0.0, 0.0, 1.0], 0.4))
    seen = found(*samples(cone) { |u, v| polar(((v * 0.03) + 0.02) * Math.tan(0.4), u * 3, (v * 0.03) + 0.02) })
    expect([seen.kind, seen.same?(cone, 1e-7)]).to eq(["cone", true])
    plane = moved(Lattice::Shape::Surface.plane([0.0, 0.0, 0.0], [0.0, 0.0, 1.0]))
    expect(found(*samples(plane) { |u, v| polar(u * 0.1, v * 6, u * 0) }).kind).to eq("plane")
  end

  it "finds spheres and tori, from a part of them" do
    sphere = moved(Lattice::Shape::Surface.sphere([0.01, 0.0, 0.0], 0.03))
    expect(found(*samples(sphere) { |u, v| polar(0.03, u, v * 0.02) }).same?(sphere, 1e-8)).to be(true)
    torus = moved(Lattice::Shape::Surface.torus([0.0, 0.0, 0.0], [0.0, 0.0, 1.0], 0.05, 0.01))
    seen = found(*samples(torus) { |u, v| polar((Numo::NMath.cos(v * 2) * 0.01) + 0.05, u * 1.5, Numo::NMath.sin(v * 2) * 0.01) })
    expect([seen.kind, (seen.radius * 1000).round(5), (seen.minor * 1000).round(5)]).to eq(["torus", 50, 10])
  end

  it "sees through normals that are a little off, by fitting the points themselves" do
    cone = moved(Lattice::Shape::Surface.cone([0.0, 0.0, 0.0], [0.0, 0.0, 1.0], 0.78))
    points, normals = samples(cone) { |u, v| polar(((v * 0.03) + 0.02) * Math.tan(0.78), u * 6, (v * 0.03) + 0.02) }
    rough = vectors.unit(normals + (Numo::NMath.sin(points * 1e5) * 5e-4))
    seen = found(points, rough)
    expect([seen.kind, (seen.angle - 0.78).abs < 1e-7]).to eq(["cone", true])
  end

  it "calls free what only looks round: a fold of three flats, a wavy sheet" do
    fold = Numo::DFloat[[0, 0, 0], [1, 0.1, 0], [2, 0, 0], [0, 0, 1], [1, 0.1, 1], [2, 0, 1]]
    normals = vectors.unit(Numo::DFloat[[-0.1, 1, 0], [0.1, 1, 0], [-0.1, 1, 0], [0.1, 1, 0], [-0.1, 1, 0], [0.1, 1, 0]])
    expect(described_class.call(fold, fold, normals, 1e-6).kind).to eq("free")
    u = Numo::DFloat.new(200).seq / 20
    sheet = Numo::DFloat.zeros(200, 3)
    sheet[true, 0] = u
    sheet[true, 1] = Numo::NMath.sin(u) * 0.3
    sheet[true, 2] = Numo::NMath.cos(u * 7)
    slopes = Numo::DFloat.zeros(200, 3)
    slopes[true, 0] = Numo::NMath.cos(u) * -0.3
    slopes[true, 1] = 1
    expect(described_class.call(sheet, sheet, vectors.unit(slopes), 1e-6).kind).to eq("free")
  end
end

RSpec.describe Lattice::Shape::Weld do
  it "makes near points one, also where a cell of the grid parts them" do
    base = Numo::DFloat.new(400, 3).rand
    twice = base.concatenate(base + ((Numo::DFloat.new(400, 3).rand - 0.5) * 1e-7))
    points, rank = described_class.call(twice, 1e-7)
    expect(points.shape[0]).to eq(400)
    expect(rank[0...400]).to eq(rank[400...800])
  end
end

RSpec.describe Lattice::Shape::Components do
  it "finds chains, rings and lone vertices" do
    from = Numo::Int32[0, 1, 2, 5, 6, 7]
    to = Numo::Int32[1, 2, 3, 6, 7, 5]
    expect(described_class.call(9, from, to).to_a).to eq([0, 0, 0, 0, 1, 2, 2, 2, 3])
    long = Numo::Int32.new(4999).seq
    expect(described_class.call(5000, long, long + 1).max).to eq(0)
  end
end

RSpec.describe Lattice::Shape::SmallMatrix do
  it "solves and finds eigenvectors as the large library does" do
    rows = Numo::DFloat.new(9, 6).rand
    matrix = rows.transpose.dot(rows)
    right = Numo::DFloat.new(6).rand
    expect((matrix.dot(described_class.solve(matrix, right)) - right).abs.max).to be < 1e-9
    values, vectors = described_class.eigen(matrix)
    expect(values.zip(Numo::Linalg.eigvalsh(matrix).to_a).map { |a, b| (a - b).abs }.max).to be < 1e-12
    expect((matrix.dot(Numo::DFloat[*vectors[0]]) - (Numo::DFloat[*vectors[0]] * values[0])).abs.max).to be < 1e-12
  end

  it "solves where a pivot is zero" do
    expect(described_class.solve(Numo::DFloat[[0, 1], [2, 0]], Numo::DFloat[3, 4]).to_a).to eq([2, 3])
  end
end
