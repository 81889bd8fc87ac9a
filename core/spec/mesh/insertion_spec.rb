# frozen_string_literal: true

RSpec.describe Lattice::Mesh::Tetra::Insertion do
  # Two cubes that do not agree on the diagonal of the face between them: a flat tetrahedron
  # lies there.
  def stack
    points = [0, 1, 2].flat_map { |z| [[0, 0, z], [1, 0, z], [1, 1, z], [0, 1, z]] }
    below = [[0, 1, 2, 6], [0, 2, 3, 6], [0, 4, 5, 6], [0, 5, 1, 6], [0, 7, 4, 6], [0, 3, 7, 6]]
    above = [[8, 9, 11, 5], [9, 10, 11, 5], [8, 11, 4, 5], [11, 7, 4, 5], [10, 6, 11, 5], [11, 6, 7, 5]]
    flat = [[4, 5, 6, 7]]
    [Numo::DFloat[*points], Numo::Int32[*(below + above + flat)]]
  end

  def solid
    points, tets = stack
    # Those that are turned inside out are turned back.
    volumes = Lattice::Mesh::Tetra::Shapes.six_volumes(*(0..3).map { |k| points[tets[true, k].dup, true].dup })
    rows = (volumes < 0).where
    tets[rows, true] = tets[rows, [1, 0, 2, 3]].dup
    facets = skin(points, tets)
    source = Lattice::Mesh::Remeshing::Source.new(facets, 1.0)
    sheet = Lattice::Mesh::Remeshing::Sheet.new(source, Lattice::Mesh::SizeField.new([0, 0, 0], [1, 1, 2], 1.0))
    Lattice::Mesh::Tetra::Solid.new(sheet, points, tets, Numo::Int32.ones(tets.shape[0]))
  end

  def skin(points, tets)
    keys, = Lattice::Mesh::Tetra::Shapes.face_keys(tets)
    count = keys.to_a.tally
    faces = tets.to_a.each_with_index.flat_map { |t, i| Lattice::Mesh::Tetra::Shapes::FACES.each_with_index.filter_map { |f, k| f.map { |c| t[c] } if count[keys[(4 * i) + k]] == 1 } }
    Lattice::Shape::Facets.new(points: points, triangles: Numo::Int32[*faces], owners: Numo::Int32.zeros(faces.size), faces: [Lattice::Shape::Face.new("skin", Lattice::Shape::Surface.free)])
  end

  def volume(solid) = Lattice::Mesh::Tetra::Shapes.six_volumes(*(0..3).map { |k| solid.points[solid.tets[true, k].dup, true].dup }).sum / 6

  it "puts a point into a flat tetrahedron whose points cannot move, and fills the same space" do
    made = solid
    expect(made.quality.min).to be_near(0.0, 1e-12)
    expect(described_class.new(made, 0.1).call).to eq(1)
    expect(made.points.shape[0]).to eq(13)
    expect(made.points[12, true].to_a).to eq([0.5, 0.5, 1.0])
    expect(made.quality.min).to be > 0.25
    expect(volume(made)).to be_near(2.0, 1e-12)
  end

  it "leaves the surface, what is good and what is of another region" do
    made = solid
    keys = ->(tets) { Lattice::Mesh::Tetra::Shapes.face_keys(tets)[0].to_a.tally.select { |_, n| n == 1 }.keys.sort }
    before = keys.call(made.tets)
    described_class.new(made, 0.1).call
    expect(keys.call(made.tets)).to eq(before)
    expect(described_class.new(made, 0.1).call).to eq(0)
    alone = solid
    alone.regions = Numo::Int32.new(alone.count).seq
    expect(described_class.new(alone, 0.1).call).to eq(0)
  end
end
