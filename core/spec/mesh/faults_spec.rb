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

  describe "of a mesh that could not be made" do
    def stuck(at) = Lattice::Mesh::Tetra::Recovery::Stuck.new(Numo::DFloat[at])
    def plan(size) = Lattice::Mesh::SizingPlan.of(size)

    it "names a thin wall near the place, with a size that would do" do
      plate = bodies(block("sheet", 0, thickness: 1))
      fault = described_class.stuck(plate, stuck([0.02, 0.01, 0.001]), plan(0.01)).faults[0]
      expect(fault.message).to match(/“sheet” has a wall only 1 mm thin.*near 20 mm; 10 mm; 1 mm/)
      expect(fault.cure).to include("a size of about 2 mm there")
      expect(fault.place).to eq([0.02, 0.01, 0.001])
    end

    it "says where else it was, and leaves out what rounding left" do
      cube = bodies(block("cube", 0, width: 20, thickness: 20))
      expect(described_class.stuck(cube, stuck([0.01, 1e-17, 0.02]), plan(0.005)).message).to include("“cube” cannot be filled with tetrahedra of 5 mm, near 10 mm; 0 mm; 20 mm")
    end

    it "tells how many elements thin walls would take" do
      error = Lattice::Mesh::Tetra::Mesher::TooThin.new([0.01, 0.0, 0.0], 0.0002, 2_400_000)
      expect(described_class.too_thin(bodies(block("cube", 0)), error).message).to match(/walls 0.2 mm thin, which would take about 2.400.000 elements, near 10 mm/)
    end
  end

  it "puts the place of an overlap in millimetres into the message and in metres beside it" do
    described_class.check_overlaps(bodies(block("one", 0), block("two", 40)))
    raise "nothing was refused"
  rescue Lattice::InvalidInput => e
    at = e.faults[0].place
    expect(at[0]).to be_between(0.039, 0.051)
    expect(e.faults[0].as_json[:place]).to eq(at)
  end
end
