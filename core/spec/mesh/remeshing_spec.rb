# frozen_string_literal: true

RSpec.describe Lattice::Mesh::Remeshing::Remesher do
  def sheet_of(statements, size)
    facets = parts_of(*statements).bodies.last.facets
    source = Lattice::Mesh::Remeshing::Source.new(facets, size)
    Lattice::Mesh::Remeshing::Sheet.new(source, Lattice::Mesh::Remeshing::Sizing.new(source, Lattice::Mesh::SizingPlan.of(size)).field).tap { |s| described_class.new(s).call }
  end

  { "a block" => [:block, 0.005], "a ball" => [:ball, 0.003] }.each do |name, (shape, size)|
    it "makes even triangles of #{name}, closed, on the shape, and of the size wanted" do
      sheet = sheet_of(send(shape), size)
      topology = Lattice::Shape::Topology.new(sheet.triangles)
      expect([topology.closed?, topology.consistent?]).to eq([true, true])
      expect(Lattice::Mesh::Remeshing::Sheet.shapes(*sheet.corners).min).to be > 0.5
      expect(sheet.ratios(sheet.sides).max).to be < 1.5
      expect(sheet.folded.size).to eq(0)
      faces = Numo::Int32.cast(sheet.kinds.eq(2).where)
      expect((sheet.source.project(sheet.points[faces, true].dup, sheet.homes[faces].dup) - sheet.points[faces, true]).abs.max).to be < 1e-9
    end
  end

  it "keeps the corners and the length of every edge" do
    sheet = sheet_of(block, 0.004)
    expect(sheet.kinds.eq(0).count).to eq(8)
    away = sheet.points[sheet.pieces[true, 1].dup, true] - sheet.points[sheet.pieces[true, 0].dup, true]
    expect(Lattice::Shape::Vectors.norm(away).sum).to be_near(4 * 0.11, 1e-9)
  end
end

RSpec.describe Lattice::Mesh::Remeshing::Locator do
  it "finds the nearest place among the triangles of one face" do
    corners = [[[0, 0, 0], [0, 0, 1]], [[1, 0, 0], [1, 0, 1]], [[0, 1, 0], [0, 1, 1]]].map { |rows| Numo::DFloat.cast(rows) }
    locator = described_class.new(corners, Numo::Int32[0, 1], 0.2)
    at, triangle, shares = locator.call(Numo::DFloat[[0.2, 0.2, 0.4], [0.2, 0.2, 0.9], [2, 0, 0]], Numo::Int32[0, 1, 0])
    expect(triangle.to_a).to eq([0, 1, 0])
    expect((at - Numo::DFloat[[0.2, 0.2, 0], [0.2, 0.2, 1], [1, 0, 0]]).abs.max).to be < 1e-12
    expect(shares.sum(1).to_a).to all(be_near(1.0, 1e-12))
  end
end

RSpec.describe Lattice::Mesh::SizeField do
  subject(:field) { described_class.new([0, 0, 0], [1, 1, 1], 0.1, finest: 0.02, growth: 0.5) }

  it "grows from a limit to the size elsewhere" do
    field.limit(Numo::DFloat[[0.5, 0.5, 0.5]], Numo::DFloat[0.02]).spread
    near, on_the_way, far = field.at(Numo::DFloat[[0.5, 0.5, 0.5], [0.6, 0.5, 0.5], [0.95, 0.5, 0.5]]).to_a
    expect(near).to be_between(0.02, 0.031)
    expect(on_the_way).to be_between(0.06, 0.082)
    expect(far).to be_near(0.1, 1e-9)
  end

  it "takes regions whole" do
    field.limit_where(0.03) { |p| p[true, 0] < 0.3 }.spread
    expect(field.at(Numo::DFloat[[0.1, 0.9, 0.1]])[0]).to be_near(0.03, 1e-9)
  end
end
