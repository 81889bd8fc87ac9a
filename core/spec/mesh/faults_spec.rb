# frozen_string_literal: true

RSpec.describe Lattice::Mesh::Faults do
  def block(name, x, width: 50, thickness: 10, z: 0)
    [outline_named("#{name} outline", rectangle("#{x} mm", "0 mm", "#{width} mm", "20 mm")), body_named(name, "#{name} outline", thickness: "#{thickness} mm", on: on("xy", z: z))]
  end

  def bodies(*statements) = parts_of(*statements.flatten(1)).bodies

  it "finds bodies that reach into each other, and those that lie within another" do
    expect { described_class.check_overlaps(bodies(block("one", 0), block("two", 40))) }.to raise_error(Lattice::InvalidInput, /“one” and “two” overlap near/)
    expect { described_class.check_overlaps(bodies(block("one", 0), block("core", 10, width: 20, thickness: 4, z: 3))) }.to raise_error(Lattice::InvalidInput, /overlap/)
    expect { described_class.check_overlaps(bodies(block("one", 0), block("two", 50), block("over", 0, z: 10))) }.not_to raise_error
  end

  it "tells where a surface passes through itself" do
    # Two tetrahedra as one body; the apex of the first stands in the second.
    points = Numo::DFloat[[0, 0, 0], [1, 0, 0], [0, 1, 0], [0.2, 0.2, 1], [0, 0, 0.8], [1, 0, 0.8], [0, 1, 0.8], [0.2, 0.2, 2]]
    sides = Numo::Int32[[0, 2, 1], [0, 1, 3], [1, 2, 3], [2, 0, 3]]
    facets = Lattice::Shape::Facets.new(points: points, triangles: Numo::Int32.vstack([sides, sides + 4]), owners: Numo::Int32[0, 0, 0, 0, 1, 1, 1, 1],
                                        faces: %w[lower upper].map { |n| Lattice::Shape::Face.new(n, Lattice::Shape::Surface.free) })
    body = Lattice::Shape::Body.new(name: "pair", make: "solid", facets: facets, signature: [])
    expect(described_class.cut(body).message).to match(/cuts itself near .*800 mm: “lower” passes through “upper”/)
    expect(described_class.cut(bodies(block("one", 0))[0])).to be_nil
  end
end
